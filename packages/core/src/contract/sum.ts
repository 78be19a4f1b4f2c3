import { once } from './remembered.ts';

/** What a calculator takes or answers, by its keys. */
export type Values = Readonly<Record<string, unknown>>;

/** What of a calculator a sum needs. */
export interface Runnable<Input, Output> {
  readonly name: string;
  readonly run: (input: Input) => Output;
}

/** A calculator of the registry and the numbers that it is asked with: worked out when its answer is wanted. */
export interface Sum<Found extends Values = Values> {
  readonly calculator: string;
  readonly given: Values;
  /** Which of its outputs is the answer. */
  readonly key: string;
  /** All of its outputs. Throws NotPhysical. */
  readonly found: () => Found;
  /** The answer; NaN where too little was given for it. Throws NotPhysical. */
  readonly answer: () => number;
}

/**
 * A calculator with its numbers, whose types are known here and need not be anywhere else.
 *
 * @example sumOf(rimPull, { torqueNm: 2, diameterMm: 40 }, 'pullN').answer() // 100 N
 */
export function sumOf<Input extends Values, Output extends Values>(
  { name, run }: Runnable<Input, Output>,
  given: Input,
  key: keyof Output & string,
): Sum<Output> {
  const found = once(() => run(given));
  return { calculator: name, given, key, found, answer: () => Number(found()[key]) };
}

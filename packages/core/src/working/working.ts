import { sumOf, type Runnable, type Sum, type Values } from '../contract/index.ts';
import type { Dimension, Origin, Quantity } from '../quantity/index.ts';

/** Where a number that went into a calculation came from. */
export type WorkingOrigin = Origin | 'worked' | 'fixed';

/** An input of a working: its key, and where it came from. */
export interface WorkingInput {
  /** The key of the calculator's input. */
  readonly key: string;
  /** Which row and column of it, where the input is a table. */
  readonly cell?: { readonly row: number; readonly column: string };
  readonly origin: WorkingOrigin;
  /** Where it stands: "Payload", "the slip". */
  readonly where: string;
  /** How it was worked out itself: one step further. */
  readonly working?: Calculation;
}

/** A number that a calculator of the registry gave, and what went into it. */
export interface Calculation<Found extends Values = Values> {
  readonly calculator: string;
  /** The key of the output that is the number. */
  readonly key: string;
  readonly given: Values;
  readonly found: Found;
  readonly inputs: readonly WorkingInput[];
}

/** A number that was not worked out: typed, measured, or read off a part. */
export interface Stated {
  /** In the SI unit of its dimension. */
  readonly value: number;
  readonly dimension: Dimension;
  readonly origin: WorkingOrigin;
  readonly where: string;
}

/** How a number of the report came about. */
export type Working = Calculation | Stated;

/** A calculation by one calculator, whose answers are of its own types. */
export type CalculationBy<C extends { readonly run: (input: never) => Values }> = Calculation<
  ReturnType<C['run']>
>;

/**
 * Whether a number was stated and not worked out.
 *
 * @example isStated(workingOf(puffin, 'force', duty.id)) // false
 */
export const isStated = (working: Working): working is Stated => 'where' in working;

/**
 * A number of the build, as it went in.
 *
 * @example from('massKg', typed(58, 'kg'), 'Brief').where // 'Brief'
 */
export const from = (key: string, { origin }: Quantity, where: string): WorkingInput => ({
  key,
  origin,
  where,
});
/**
 * A figure that nobody of a build chooses: a constant, a table's.
 *
 * @example fixed('airDensityKgM3', 'air at the sea').key // 'airDensityKgM3'
 */
export const fixed = (key: string, where: string): WorkingInput => ({ key, origin: 'fixed', where });
/**
 * A figure of a part from the shelf, as it went in.
 *
 * @example shelf('stallA', 'motor').key // 'stallA'
 */
export const shelf = (key: string, where: string): WorkingInput => ({ key, origin: 'shelf', where });
/**
 * A number that was itself worked out, as it went in.
 *
 * @example worked('forceN', 'the ground', workingOf(puffin, 'force', duty.id)).key // 'forceN'
 */
export const worked = (key: string, where: string, working: Calculation): WorkingInput => ({
  key,
  origin: 'worked',
  where,
  working,
});

/** The same calculation, read for another of its outputs. */
export const readFor = <Found extends Values>(
  calculation: Calculation<Found>,
  key: keyof Found & string,
): Calculation<Found> => ({ ...calculation, key });

/** A calculation by a sum: its answer as the calculator says it, and where its numbers come from. */
export const bySum = <Found extends Values>(
  { calculator, key, given, found }: Sum<Found>,
  inputs: readonly WorkingInput[],
): Calculation<Found> => ({ calculator, key, given, found: found(), inputs });

/**
 * A calculation with a calculator: runs it, so that what is shown is what it says.
 *
 * @example calculated(wheelTorque, { forceN: 100, wheelDiameterM: 0.4, wheels: 2 }, 'torqueNm', []).found.torqueNm
 *   // 10
 */
export const calculated = <Input extends Values, Found extends Values>(
  calculator: Runnable<Input, Found>,
  given: Input,
  key: keyof Found & string,
  inputs: readonly WorkingInput[],
): Calculation<Found> => bySum(sumOf(calculator, given, key), inputs);

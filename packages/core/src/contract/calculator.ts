import type { z } from 'zod';
import type { Symbols } from './put-in.ts';

/** What a builder comes with, in the order of the work. */
export const TOPICS = {
  ground: 'Will it climb, turn and stop?',
  ratio: 'Which ratio?',
  lengths: 'How long a belt or chain, how far apart?',
  inHand: 'What have I in hand?',
  strength: 'Will it hold?',
  motor: 'What will the motor do?',
  supply: 'How long will it run?',
  making: 'Tighten, print, put together',
  distance: 'How far did it go?',
  trials: 'Is it really better?',
} as const;
export type Topic = keyof typeof TOPICS;

/** A worked case and where it comes from. Only the keys given in `output` are promised. */
export interface WorkedExample {
  readonly origin: string;
  readonly input: Readonly<Record<string, unknown>>;
  readonly output: Readonly<Record<string, unknown>>;
  /** Relative tolerance of the published digits; 1e-9 unless given. */
  readonly tolerance?: number;
}

/** One named, pure calculation of the trade. */
export interface Calculator<Input extends z.ZodType, Output extends z.ZodType, Name extends string = string> {
  readonly name: Name;
  /** The question that a builder comes with, under what it is about. */
  readonly topic: Topic;
  readonly asks: string;
  readonly title: string;
  readonly purpose: string;
  readonly input: Input;
  readonly output: Output;
  /** In the field's notation. */
  readonly formula: string;
  /** Which key each symbol of the formula stands for. */
  readonly symbols: Symbols;
  readonly source: string;
  /** Where it holds and what it leaves out, for the builder who relies on it. */
  readonly limits: string;
  readonly examples: readonly WorkedExample[];
  /** Takes input that already fits the schema, defaults filled in. Throws NotPhysical. */
  readonly run: (input: z.output<Input>) => z.output<Output>;
}

/**
 * Keeps a calculator's name and the types of its schemas while checking its shape.
 *
 * @example defineCalculator({ name: 'twice', run: (i) => ({ x: 2 * i.x }) }).run({ x: 2 }) // { x: 4 }
 */
export const defineCalculator = <
  Input extends z.ZodType,
  Output extends z.ZodType,
  const Name extends string,
>(
  calculator: Calculator<Input, Output, Name>,
): Calculator<Input, Output, Name> => calculator;

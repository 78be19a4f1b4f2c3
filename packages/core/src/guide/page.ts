import type { CalculatorName } from '../calculators/index.ts';
import type { Dimension } from '../quantity/index.ts';
import type { Build } from '../vehicle/index.ts';

/** A small build of which one number was worked out by hand. */
export interface WorkedExample {
  readonly id: string;
  readonly title: string;
  /** What is given. */
  readonly given: string;
  /** How it is worked out by hand. */
  readonly byHand: string;
  /** What is looked at, and where. */
  readonly what: string;
  readonly dimension: Dimension;
  /** By hand, SI. */
  readonly value: number;
  readonly make: () => Build;
  /** The same as the application has it, SI. */
  readonly seen: (build: Build) => number | undefined;
}

/** What a builder is told of a station. */
export interface GuidePage {
  /** The station, by its place in an address. */
  readonly station: string;
  readonly title: string;
  /** Questions that it answers. */
  readonly answers: readonly string[];
  /** How it is worked with. */
  readonly how: readonly string[];
  /** Quick sums that it stands on: their formulas, limits and sources are shown. */
  readonly sums: readonly CalculatorName[];
  /** What it leaves out. */
  readonly limits: readonly string[];
  readonly examples: readonly WorkedExample[];
}

import type { Field } from './field.ts';
import type { TrialConditions, TrialReading } from './reading.ts';
import type { TrialResult } from './result.ts';

/** A way to try something with the real vehicle, so that another day's figures can be set beside it. */
export interface Protocol {
  readonly title: string;
  /** What a builder wants to know. */
  readonly asks: string;
  readonly why: string;
  /** How it is set up. */
  readonly aids: readonly string[];
  readonly cautions: readonly string[];
  /** What to do with the answer. */
  readonly next: string;
  /** Runs that a fair verdict takes. */
  readonly runs: number;
  /** What is the same for all runs, beside floor, battery and note. */
  readonly conditions: readonly Field[];
  /** What is read at each run. */
  readonly readings: readonly Field[];
  readonly analyse: (conditions: TrialConditions, readings: readonly TrialReading[]) => TrialResult;
}

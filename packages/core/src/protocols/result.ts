import type { Dimension, Sentence } from '../quantity/index.ts';

/** A number that a set of runs gives. */
export interface Measured {
  readonly key: string;
  readonly title: string;
  readonly dimension: Dimension;
  /** SI. */
  readonly value: number;
  /** Runs that it is made of. */
  readonly n: number;
  /** Standard deviation of single runs; from two runs on. */
  readonly sd?: number;
  /** Ends of the 95 % interval of the value; from two runs on. */
  readonly low?: number;
  readonly high?: number;
  /** What less and more than 0 are called. */
  readonly sides?: readonly [string, string];
  /** True where the runs show only that it is no less. */
  readonly atLeast?: true;
}

/** An axis of a drawing of runs. */
export interface PlotAxis {
  readonly title: string;
  readonly dimension: Dimension;
  readonly sides?: readonly [string, string];
}

/** What is drawn of a set: each run of one number, where runs ended on the floor, or a curve. */
export type TrialPlot =
  | {
      readonly kind: 'runs';
      readonly axis: PlotAxis;
      readonly values: readonly number[];
      /** What it would be were all well. */
      readonly meant?: number;
      readonly mean?: number;
      readonly low?: number;
      readonly high?: number;
      readonly outliers: readonly number[];
    }
  | {
      readonly kind: 'floor';
      /** Where runs ended: to the right of, and along, the line. */
      readonly ends: readonly { readonly side: number; readonly ahead: number }[];
      readonly meantAhead: number;
      readonly withinM: number;
      /** What hits are near: the line that it runs along, or the place where it was to end. */
      readonly about: 'line' | 'end';
    }
  | {
      readonly kind: 'curve';
      readonly x: PlotAxis;
      readonly y: PlotAxis;
      readonly series: readonly {
        readonly title: string;
        readonly points: readonly (readonly [number, number])[];
        /** Joined through the mean at each place. */
        readonly joined: boolean;
      }[];
    };

/** What a set of runs comes to. */
export interface TrialResult {
  /** Runs that count. */
  readonly runs: number;
  /** In one word, for files and tools: `too-few` where it is none yet. */
  readonly verdict: string;
  /** The same for the builder. */
  readonly says: Sentence;
  readonly measured: readonly Measured[];
  /** What else is to be seen in the runs: drift, readings out of line, how many more would settle it. */
  readonly notes: readonly Sentence[];
  readonly plots: readonly TrialPlot[];
  /** Chance of a mean so far from what was meant by luck alone. */
  readonly luck?: number;
  /** Runs out of line with the others, by their place; they count all the same. */
  readonly outliers: readonly number[];
}

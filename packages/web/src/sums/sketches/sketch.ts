import type { Shape } from '../../drawings/shapes.ts';

/** What a drawing of a sum is made from: the numbers by key, and how a builder reads them. */
export interface Drawn {
  readonly given: (key: string) => number;
  readonly found: (key: string) => number;
  readonly choice: (key: string) => string;
  /** The rows of a table, of either side. */
  readonly rows: (key: string) => readonly Readonly<Record<string, number>>[];
  /** A number of either side with its unit. */
  readonly say: (key: string) => string;
}

export interface SumSketch {
  readonly shapes: readonly Shape[];
  readonly label: string;
  /** The unit of its lengths. */
  readonly unit: 'm' | 'mm';
  /** Whether only proportions are given: it has no size then. */
  readonly bare?: boolean;
}

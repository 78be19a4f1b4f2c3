import type { CalculatorName, FoundBy, TakenBy } from '@zubric/core/calculators';
import type { Shape } from '../../drawings/shapes.ts';

/** What a drawing of a sum is made from: the numbers by key, and how a builder reads them. */
export interface Drawn<N extends CalculatorName> {
  readonly given: TakenBy<N>;
  readonly found: FoundBy<N>;
  /** A number of either side with its unit. */
  readonly say: (key: (keyof TakenBy<N> | keyof FoundBy<N>) & string) => string;
}

export interface SumSketch {
  readonly shapes: readonly Shape[];
  readonly label: string;
  /** The unit of its lengths. */
  readonly unit: 'm' | 'mm';
  /** Whether only proportions are given: it has no size then. */
  readonly bare?: boolean;
}

import type { StageKind } from '../transmission/index.ts';
import type { PartSort } from './sorts.ts';

/** What a search may put together. */
export interface SearchLimits {
  /** Only parts that are in the shed. */
  readonly onHand: boolean;
  /** What is in the shed costs nothing more. */
  readonly ownedIsPaid: boolean;
  /** The most that the parts of a set may cost together. */
  readonly budget?: number | undefined;
  /** The most that they may weigh together, kg. */
  readonly mostKg?: number | undefined;
  /** The most that a full battery may have, V. */
  readonly mostV?: number | undefined;
  /** Motors must bring an encoder. */
  readonly encoder: boolean;
  /**
   * The most stages between motor and wheel, beside a gearhead that is one with its motor and what ends the drive. Where
   * nothing is said two, or the build's own.
   */
  readonly stages?: number | undefined;
  /** Kinds of stages that may be made anew. */
  readonly kinds: readonly StageKind[];
  /** Teeth that are to be had on the driving and on the driven side, whatever the kind. */
  readonly teeth: { readonly driver: readonly number[]; readonly driven: readonly number[] };
  /** New chain and belt stages only with a chain or belt that is in the shed. */
  readonly loopsOnHand: boolean;
  /** Only what the event of the build allows of a set: the voltage of its battery, and what all parts cost. */
  readonly event: boolean;
  /** What all parts of a set may cost at their price, whoever has them: what the event leaves for it. */
  readonly listed?: number | undefined;
  /** Diameters of driven wheels beside the build's own, m. */
  readonly wheelsM: readonly number[];
  /** Parts that are left out, by their ids. */
  readonly without: readonly string[];
  /** Types of motors and chemistries of batteries that are left out. */
  readonly withoutSorts: readonly PartSort[];
}

const from = (least: number, most: number, step = 1): readonly number[] =>
  Array.from({ length: Math.floor((most - least) / step) + 1 }, (_, n) => least + n * step);

/** Teeth as sprockets, pulleys and gears are to be had (common practice, no source). */
const TEETH = {
  driver: [...from(10, 20), 22, 24],
  driven: [...from(20, 48, 2), 25, 35, 45, 50, 52, 54, 55, 60, 64, 65, 70, 72, 80].sort((a, b) => a - b),
} as const;

/** What is searched where the builder says nothing. */
export const usualLimits: SearchLimits = {
  onHand: false,
  ownedIsPaid: false,
  encoder: false,
  kinds: ['chain', 'timing-belt', 'spur'],
  teeth: TEETH,
  loopsOnHand: false,
  event: false,
  wheelsM: [],
  without: [],
  withoutSorts: [],
};

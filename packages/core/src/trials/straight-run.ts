import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { calculated, type Calculation } from '../working/index.ts';
import { studentTwoSided } from './student.ts';
import { trialSummary } from './trial-summary.ts';

const optionalVoltage = quantity('voltage', { above: 0 }, 'Battery voltage').optional();

/** What is the same for all runs of a set: the floor, the order, the battery before and after. */
export const straightRunConditions = z
  .strictObject({
    floor: z.string().trim().max(120),
    commanded: quantity('length', { above: 0 }, 'Distance ordered'),
    batteryBefore: optionalVoltage,
    batteryAfter: optionalVoltage,
    note: z.string().max(1000),
  })
  .readonly();

/** One run: how far it ended to the side (right positive) and how far along it got. */
export const straightRunReading = z
  .strictObject({
    side: quantity('length', {}, 'End to the side, right positive'),
    distance: quantity('length', { least: 0 }, 'Distance along the line'),
    note: z.string().max(500),
  })
  .readonly();

export type StraightRunConditions = z.output<typeof straightRunConditions>;
export type StraightRunReading = z.output<typeof straightRunReading>;

/** Runs that a fair verdict takes (common practice, no source). */
export const STRAIGHT_RUNS = 10;
/** A mean that luck gives less often than this counts as a bias. */
const SIGNIFICANT = 0.05;

/** What a set of straight runs comes to. */
export type StraightRunVerdict = 'too-few' | 'veers-right' | 'veers-left' | 'no-bias-shown';

type Summary = ReturnType<typeof trialSummary.run>;

/** What follows from a set of straight runs. */
export interface StraightRunResult {
  readonly runs: number;
  readonly verdict: StraightRunVerdict;
  /** Metres; from two runs on. */
  readonly side?: Summary;
  /** Chance of a mean so far to a side by luck alone; from two runs on. */
  readonly luck?: number;
  readonly distance?: Summary;
  /** Mean distance over the distance ordered. */
  readonly distanceShare?: number;
}

/**
 * Whether ten straight runs show a bias: whether their mean differs from 0 (Student's t, two-sided), which its 95 % interval
 * and the chance of luck both say alike. Fewer than ten runs give no verdict, however clear they look.
 *
 * @example straightRunResult({ commanded: typed(3, 'm') }, [{ side: typed(0.01, 'mm'), distance: typed(3, 'm') }]).verdict
 *   // 'too-few'
 */
export function straightRunResult(
  conditions: StraightRunConditions,
  readings: readonly StraightRunReading[],
): StraightRunResult {
  const runs = readings.length;
  if (runs < 2) return { runs, verdict: 'too-few' };
  const side = trialSummary.run({ values: readings.map((r) => r.side.value) });
  const distance = trialSummary.run({ values: readings.map((r) => r.distance.value) });
  const luck = chanceOf(side);
  return {
    runs,
    side,
    luck,
    distance,
    distanceShare: distance.mean / conditions.commanded.value,
    verdict: runs < STRAIGHT_RUNS ? 'too-few' : luck < SIGNIFICANT ? veer(side) : 'no-bias-shown',
  };
}

/** Chance of a mean so far from 0, were there no bias. */
function chanceOf({ n, mean, standardError }: Summary): number {
  if (mean === 0) return 1;
  return standardError > 0 ? studentTwoSided(mean / standardError, n - 1) : 0;
}

const veer = ({ mean }: Summary): StraightRunVerdict => (mean > 0 ? 'veers-right' : 'veers-left');

/**
 * How a figure of the runs came about; from two runs on.
 *
 * @example straightRunWorking([0.01, 0.02].map((m) => ({ side: typed(m, 'mm'), distance: typed(3, 'm') })), 'side', 'mean').found.mean
 *   // 0.015
 */
export const straightRunWorking = (
  readings: readonly StraightRunReading[],
  of: 'side' | 'distance',
  key: keyof Summary,
): Calculation =>
  calculated(trialSummary, { values: readings.map((r) => r[of].value) }, key, [
    { key: 'values', origin: 'measured', where: 'the runs of this set, in metres' },
  ]);

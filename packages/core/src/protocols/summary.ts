import { figure, sentence, type Dimension, type Sentence } from '../quantity/index.ts';
import { outliersOf, runsNeeded, studentTwoSided, trendOf, trialSummary } from '../trials/index.ts';
import type { Measured, TrialPlot, TrialResult } from './result.ts';

/** A mean that luck gives less often than this counts (common practice). */
export const SIGNIFICANT = 0.05;
/** Runs that a fair verdict takes (common practice, no source). */
export const TEN_RUNS = 10;
/** Runs before a drift is looked for. */
const DRIFT_RUNS = 5;
/** More runs than this are not asked for: the spread wants mending first. */
const MOST_RUNS = 200;

/** What a number is. */
export interface Of {
  readonly key: string;
  readonly title: string;
  readonly dimension: Dimension;
  readonly sides?: readonly [string, string];
}

/** Mean of runs with its interval; undefined without a run. */
export function meanOfRuns(values: readonly number[], of: Of): Measured | undefined {
  const [only] = values;
  if (only === undefined) return undefined;
  if (values.length === 1) return { ...of, value: only, n: 1 };
  const { n, mean, sd, ci95Low, ci95High } = trialSummary.run({ values: [...values] });
  return { ...of, value: mean, n, sd, low: ci95Low, high: ci95High };
}

/**
 * A measured number put through something that only rises or only falls. Where its interval reaches past what can be put through,
 * such as a share of nothing, none is told.
 */
export function through(measured: Measured, of: Of, turn: (value: number) => number): Measured {
  const { n, sd, low, high } = measured;
  const value = turn(measured.value);
  const ends = low === undefined || high === undefined ? [] : [turn(low), turn(high)];
  const [from, to] = [Math.min(...ends), Math.max(...ends)];
  const tells = ends.every(Number.isFinite) && from <= value && value <= to;
  const scatter =
    sd === undefined ? NaN : Math.abs(turn(measured.value + sd / 2) - turn(measured.value - sd / 2));
  return {
    ...{ ...of, value, n },
    ...(tells && Number.isFinite(scatter) ? { sd: scatter } : {}),
    ...(tells ? { low: from, high: to } : {}),
  };
}

/** Chance of a mean so far from what was meant, were there nothing in it: Student's t, two-sided; 1 from a single run. */
export function luckOf({ value, n, sd }: Measured, meant = 0): number {
  if (value === meant || sd === undefined || n < 2) return 1;
  return sd > 0 ? studentTwoSided((value - meant) / (sd / Math.sqrt(n)), n - 1) : 0;
}

/** Which side of what was meant the mean is on, where that is no luck. */
export type Bias = 'too-few' | 'below' | 'above' | 'level';

/** Whether the mean lies off what was meant, once there are runs enough. */
export function biasOf(measured: Measured | undefined, meant: number, needed: number): Bias {
  if (!measured || measured.n < needed || measured.n < 2) return 'too-few';
  if (luckOf(measured, meant) >= SIGNIFICANT) return 'level';
  return measured.value < meant ? 'below' : 'above';
}

/** "3 mm left", "4 mm right". */
export const sided = (value: number, { dimension, sides }: Of): Sentence =>
  sides && value !== 0
    ? sentence`${figure(Math.abs(value), dimension)} ${value < 0 ? sides[0] : sides[1]}`
    : sentence`${figure(value, dimension)}`;

/** Readings out of line, by their run, as they are told. */
export function outOfLine(outliers: readonly number[]): Sentence[] {
  if (outliers.length === 0) return [];
  const runs = outliers.map((at) => String(at + 1)).join(', ');
  return [
    sentence`Run ${runs} ${outliers.length > 1 ? 'are' : 'is'} out of line with the others: look at what was different. It counts all the same until you remove it.`,
  ];
}

/** Whether the readings wander from run to run, as they are told. */
export function driftIn(values: readonly number[], of: Of, why: string): Sentence[] {
  if (values.length < DRIFT_RUNS) return [];
  const trend = trendOf(
    values.map((_, at) => at),
    values,
  );
  if (!trend || trend.luck >= SIGNIFICANT) return [];
  return [
    sentence`It wanders: each run is about ${figure(Math.abs(trend.slope), of.dimension, 2)} further ${of.sides ? (trend.slope < 0 ? of.sides[0] : of.sides[1]) : trend.slope < 0 ? 'down' : 'up'} than the one before. ${why}`,
  ];
}

/** How many more runs would bring the mean near enough to settle it; nothing where it is settled. */
export function moreRuns(measured: Measured | undefined, within: number, dimension: Dimension): Sentence[] {
  if (!measured || measured.sd === undefined || measured.low === undefined || measured.high === undefined)
    return [];
  if ((measured.high - measured.low) / 2 <= within || !(within > 0)) return [];
  const { runs } = leastRuns(measured.sd, within);
  const more = runs - measured.n;
  if (more <= 0) return [];
  return [
    runs > MOST_RUNS
      ? sentence`It scatters too much to be known within ${figure(within, dimension)} by any number of runs worth making: look for what is loose first.`
      : sentence`About ${more} more ${more === 1 ? 'run' : 'runs'} would tell the mean within ${figure(within, dimension)}.`,
  ];
}

function leastRuns(sd: number, halfWidth: number): { readonly runs: number } {
  try {
    return runsNeeded.run({ sd, halfWidth, confidence: 1 - SIGNIFICANT });
  } catch {
    return { runs: Infinity };
  }
}

/** Each run of a number, drawn. */
export const runsPlot = (
  values: readonly number[],
  of: Of,
  measured: Measured | undefined,
  meant?: number,
): TrialPlot => ({
  kind: 'runs',
  axis: { title: of.title, dimension: of.dimension, ...(of.sides ? { sides: of.sides } : {}) },
  values,
  ...(meant === undefined ? {} : { meant }),
  ...(measured?.sd === undefined ? {} : { mean: measured.value }),
  ...(measured?.low === undefined ? {} : { low: measured.low }),
  ...(measured?.high === undefined ? {} : { high: measured.high }),
  outliers: outliersOf(values),
});

/** A result with what every set has. */
export const resultOf = (
  runs: number,
  verdict: string,
  says: Sentence,
  more: Partial<TrialResult> = {},
): TrialResult => ({
  ...{ runs, verdict, says, measured: [], notes: [], plots: [], outliers: [] },
  ...more,
});

/** What is said while there are too few runs. */
export const tooFew = (runs: number, needed: number): Sentence =>
  runs === 0
    ? sentence`No run yet: ${needed} make a verdict.`
    : sentence`${needed - runs} more ${needed - runs === 1 ? 'run makes' : 'runs make'} a verdict.`;

/** Those that are there. */
export const present = <T>(...given: readonly (T | undefined)[]): T[] =>
  given.filter((each): each is T => each !== undefined);

import { medianOf } from './statistics.ts';

/** Modified z-score past which a reading is called out of line (B. Iglewicz & D. C. Hoaglin, How to Detect and Handle Outliers, ASQC 1993). */
const OUT_OF_LINE = 3.5;
/** The 0.75 quantile of the normal distribution, to four digits as Iglewicz and Hoaglin have it. */
const QUARTILE = 0.6745;
/** Where more than half are alike the mean distance stands in for the median one (ibid.): times √(2/π) of a bell. */
const MEAN_FACTOR = 1.253314;
/** With fewer readings none can be told to be out of line. */
const LEAST = 5;

/**
 * Which readings are out of line with the others, by their place: distance from the median against the median of such
 * distances. Named, never left out by itself.
 *
 * Source: Iglewicz & Hoaglin (1993); NIST/SEMATECH e-Handbook 1.3.5.17.
 *
 * @example outliersOf([1, 2, 1, 2, 1, 40]) // [5]
 */
export function outliersOf(values: readonly number[]): readonly number[] {
  if (values.length < LEAST) return [];
  const middle = medianOf(values);
  const away = values.map((x) => Math.abs(x - middle));
  const median = medianOf(away);
  const mean = away.reduce((sum, x) => sum + x, 0) / away.length;
  const unit = median > 0 ? median / QUARTILE : MEAN_FACTOR * mean;
  return away.flatMap((x, at) => (unit > 0 && x / unit > OUT_OF_LINE ? [at] : []));
}

import { meanOf } from './statistics.ts';
import { studentTwoSided } from './student.ts';

/** A straight line through points, and how sure its slope is. */
export interface Trend {
  readonly slope: number;
  readonly intercept: number;
  /** Standard deviation of the slope. */
  readonly slopeSd: number;
  /** Standard deviation of what the line leaves, n − 2. */
  readonly residualSd: number;
  /** Chance of a slope so steep by luck, two-sided. */
  readonly luck: number;
}

/**
 * The straight line of least squares through three points or more, with Student's t of its slope; undefined with fewer, or
 * where all stand at one place.
 *
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, 4.1.4.1.
 *
 * @example trendOf([1, 2, 3], [2, 4, 6])?.slope // 2
 */
export function trendOf(xs: readonly number[], ys: readonly number[]): Trend | undefined {
  const n = xs.length;
  if (n < 3) return undefined;
  const [meanX, meanY] = [meanOf(xs), meanOf(ys)];
  const sxx = xs.reduce((sum, x) => sum + (x - meanX) ** 2, 0);
  if (!(sxx > 0)) return undefined;
  const sxy = xs.reduce((sum, x, at) => sum + (x - meanX) * ((ys[at] ?? meanY) - meanY), 0);
  const slope = sxy / sxx;
  const intercept = meanY - slope * meanX;
  const left = xs.reduce((sum, x, at) => sum + ((ys[at] ?? 0) - intercept - slope * x) ** 2, 0);
  const residualSd = Math.sqrt(left / (n - 2));
  const slopeSd = residualSd / Math.sqrt(sxx);
  const luck = slope === 0 ? 1 : slopeSd > 0 ? studentTwoSided(slope / slopeSd, n - 2) : 0;
  return { slope, intercept, slopeSd, residualSd, luck };
}

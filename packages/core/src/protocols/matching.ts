import { unequalWheels } from '../ground/index.ts';
import { matchMotors } from '../trials/index.ts';

/** Two parts and how far apart they are, as a share. */
export interface Pair {
  readonly a: string;
  readonly b: string;
  readonly mismatch: number;
}

/** Which parts of a kind go together. */
export interface Matching {
  readonly items: readonly { readonly label: string; readonly values: readonly number[] }[];
  /** Every pair, best first. */
  readonly pairs: readonly Pair[];
  readonly bestPair: Pair;
  /** As many pairs as there can be, with the least mismatch in all, best first. */
  readonly pairing: readonly Pair[];
  readonly total: number;
  /** Four for two on each side: the furthest two of them are as near as can be; from four parts on. */
  readonly bestFour?: { readonly labels: readonly string[]; readonly worst: number };
  /** Pairs left when the best one is fitted, best first. */
  readonly spares: readonly Pair[];
  /** What the readings scatter by, as a share: differences under it are none. */
  readonly noise?: number;
}

/** The four parts whose furthest two are the nearest; the first of equals. */
function bestFour(
  labels: readonly string[],
  apart: ReadonlyMap<string, number>,
): Matching['bestFour'] | undefined {
  const of = (a: number, b: number): number => apart.get(`${a}:${b}`) ?? Infinity;
  const n = labels.length;
  let best: { worst: number; at: readonly number[] } | undefined;
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++) {
      const ab = of(a, b);
      if (best && ab >= best.worst) continue;
      for (let c = b + 1; c < n; c++) {
        const abc = Math.max(ab, of(a, c), of(b, c));
        if (best && abc >= best.worst) continue;
        for (let d = c + 1; d < n; d++) {
          const worst = Math.max(abc, of(a, d), of(b, d), of(c, d));
          if (!best || worst < best.worst) best = { worst, at: [a, b, c, d] };
        }
      }
    }
  return best && { worst: best.worst, labels: best.at.map((at) => labels[at] ?? '') };
}

/**
 * Matches parts that were all read alike; undefined with fewer than two.
 *
 * @param noise what the difference of two of them scatters by, as a share
 * @example matched([{ label: '1', values: [100] }, { label: '2', values: [101] }], [1])?.bestPair.mismatch // 0.00995
 */
export function matched(
  items: Matching['items'],
  weights: readonly number[],
  noise?: number,
): Matching | undefined {
  if (items.length < 2) return undefined;
  const total = weights.reduce((sum, w) => sum + w, 0);
  const { pairs, bestPair, pairing, ...found } = matchMotors.run({
    motors: items.map(({ label, values }) => ({ label, values: [...values] })),
    ...(total > 0 ? { weights: [...weights] } : {}),
  });
  const place = new Map(items.map(({ label }, at) => [label, at]));
  const apart = new Map(
    pairs.map(({ a, b, mismatch }) => {
      const [from, to] = [place.get(a) ?? 0, place.get(b) ?? 0].sort((x, y) => x - y);
      return [`${from}:${to}`, mismatch];
    }),
  );
  const four = bestFour(
    items.map(({ label }) => label),
    apart,
  );
  const fitted = new Set([bestPair.a, bestPair.b]);
  return {
    items,
    pairs,
    bestPair,
    pairing: [...pairing].sort((x, y) => x.mismatch - y.mismatch),
    total: found.total,
    ...(four ? { bestFour: four } : {}),
    spares: sparesOf(pairs, fitted),
    ...(noise === undefined ? {} : { noise }),
  };
}

/** The best pair of the rest, and so on. */
function sparesOf(pairs: readonly Pair[], fitted: ReadonlySet<string>): readonly Pair[] {
  const taken = new Set(fitted);
  return pairs.filter(({ a, b }) => {
    if (taken.has(a) || taken.has(b)) return false;
    taken.add(a).add(b);
    return true;
  });
}

/** Over this way a pair is judged (common practice, no source). */
export const VEER_WAY_M = 2;

/**
 * How far to the side a pair ends that is so far apart, over 2 m.
 *
 * @param track between the two wheels, m
 * @example veerOf(0.01, 0.4) // 0.05
 */
export function veerOf(mismatch: number, track: number): number {
  const { sideM } = unequalWheels.run({
    trackM: track,
    ...{ leftDiameterM: 0.1, rightDiameterM: 0.1 },
    ...{ leftRpm: 100 * (1 + mismatch / 2), rightRpm: 100 * (1 - mismatch / 2), distanceM: VEER_WAY_M },
  });
  return Math.abs(sideM);
}

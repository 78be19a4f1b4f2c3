import { NotPhysical } from './not-physical.ts';

/** Steps after which a root is as near as numbers hold. */
const MOST_STEPS = 200;

/**
 * A root of a continuous function between two ends of opposite sign: by a parabola through the last three points where it
 * is safe, else by halves. Stops once the bracket is as narrow as `tolerance` (absolute, on x), or as numbers hold; the
 * answer always lies in it. Source: T. R. Chandrupatla, Advances in Engineering Software 28, 1997.
 *
 * @throws NotPhysical `out-of-range` where the ends have the same sign, as they do when figures overflow.
 * @example bracketedRoot((x) => x * x - 2, 0, 2, 1e-9) // 1.414
 */
export function bracketedRoot(
  f: (x: number) => number,
  low: number,
  high: number,
  tolerance: number,
): number {
  let [a, b] = [low, high];
  let [fa, fb] = [f(a), f(b)];
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0)
    throw new NotPhysical(
      'out-of-range',
      'No answer lies within the range of numbers: check the units of each input.',
    );
  let step = fa / (fa - fb);
  for (let n = 0; n < MOST_STEPS; n++) {
    const x = a + step * (b - a);
    const fx = f(x);
    // The point that is left behind.
    const [c, fc] = fx > 0 === fa > 0 ? [a, fa] : [b, fb];
    if (c === b) [b, fb] = [a, fa];
    [a, fa] = [x, fx];
    const best = Math.abs(fa) < Math.abs(fb) ? a : b;
    const least = (2 * Number.EPSILON * Math.abs(best) + tolerance / 2) / Math.abs(b - a);
    if (fa === 0 || !(least < 0.5)) return best;
    const [xi, phi] = [(a - b) / (c - b), (fa - fb) / (fc - fb)];
    const parabolic = phi * phi < xi && (1 - phi) ** 2 < 1 - xi;
    step = parabolic
      ? (fa / (fb - fa)) * (fc / (fb - fc)) + ((c - a) / (b - a)) * (fa / (fc - fa)) * (fb / (fc - fb))
      : 0.5;
    step = Math.min(1 - least, Math.max(least, step));
  }
  return Math.abs(fa) < Math.abs(fb) ? a : b;
}

/**
 * Where a function with one hill is highest between two ends (golden section), to a width of
 * `tolerance` (absolute, on x). Gives the place, not the height.
 *
 * @example highestPoint((x) => -((x - 1) ** 2), 0, 3, 1e-6) // 1
 */
export function highestPoint(f: (x: number) => number, low: number, high: number, tolerance: number): number {
  const golden = (Math.sqrt(5) - 1) / 2;
  let a = low;
  let b = high;
  let c = b - golden * (b - a);
  let d = a + golden * (b - a);
  let fc = f(c);
  let fd = f(d);
  while (b - a > tolerance) {
    if (fc > fd) {
      b = d;
      d = c;
      fd = fc;
      c = b - golden * (b - a);
      fc = f(c);
    } else {
      a = c;
      c = d;
      fc = fd;
      d = a + golden * (b - a);
      fd = f(d);
    }
  }
  return (a + b) / 2;
}

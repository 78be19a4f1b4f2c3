import { NotPhysical } from './not-physical.ts';

/**
 * A root of a continuous function between two ends of opposite sign, by bisection with secant steps inside the
 * bracket (Illinois variant of regula falsi). Stops at `tolerance` (absolute, on x) or after 200 steps; the answer
 * always lies in the bracket.
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
  let a = low;
  let b = high;
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0)
    throw new NotPhysical(
      'out-of-range',
      'No answer lies within the range of numbers: check the units of each input.',
    );
  let side = 0;
  for (let step = 0; step < 200 && Math.abs(b - a) > tolerance; step++) {
    const secant = (fa * b - fb * a) / (fa - fb);
    const x = step % 4 === 3 || !(secant > a && secant < b) ? (a + b) / 2 : secant;
    const fx = f(x);
    if (fx === 0) return x;
    if (fx > 0 === fb > 0) {
      b = x;
      fb = fx;
      if (side === -1) fa /= 2;
      side = -1;
    } else {
      a = x;
      fa = fx;
      if (side === 1) fb /= 2;
      side = 1;
    }
  }
  return (a + b) / 2;
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

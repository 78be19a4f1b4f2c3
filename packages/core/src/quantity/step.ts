import { fromSi, toSi, unitOf, type Dimension } from './units.ts';

/** Steps to one side of a value before it has doubled or gone (a hand's width of key presses). */
const STEPS_TO_ZERO = 40;
const NICE = [5, 2, 1] as const;
/** Rules in inches are ruled in halves of halves. */
const INCH_STEPS = [1, 1 / 2, 1 / 4, 1 / 8, 1 / 16, 1 / 32, 1 / 64] as const;
/** The finest step in the unit shown, so that zero is reached at last. */
const FINEST = 0.001;
/** A first step away from nothing, in the unit shown. */
const FROM_ZERO: Partial<Record<Dimension, number>> = {
  coefficient: 0.01,
  speed: 0.1,
  acceleration: 0.1,
  area: 0.1,
};

const niceBelow = (size: number): number => {
  const decade = 10 ** Math.floor(Math.log10(size));
  return Math.max(FINEST, (NICE.find((n) => n * decade <= size * (1 + 1e-9)) ?? 1) * decade);
};

const inchBelow = (size: number): number =>
  INCH_STEPS.find((step) => step <= size) ?? INCH_STEPS.at(-1) ?? size;

/**
 * The next round value up or down, as an arrow key gives it: a step of 1, 2 or 5 of some decade, about a fortieth of
 * the value in the unit that it is shown in (`times` as many at once); inches in halves, quarters, eighths.
 *
 * @example stepQuantity(58, { dimension: 'mass', unit: 'kg', by: 1 }) // 59
 */
export function stepQuantity(
  si: number,
  { dimension, unit, by, times = 1 }: { dimension: Dimension; unit: string; by: 1 | -1; times?: number },
): number {
  const shown = unitOf(dimension, unit);
  const n = fromSi(si, shown);
  const size = Math.abs(n);
  const step =
    size === 0
      ? (FROM_ZERO[dimension] ?? 1)
      : (unit === 'in' && size < STEPS_TO_ZERO ** 2 ? inchBelow : niceBelow)(size / STEPS_TO_ZERO);
  const whole = (n / step) * (1 + Math.sign(n) * by * 1e-9);
  const from = by > 0 ? Math.floor(whole) : Math.ceil(whole);
  // Rounded to the digits of the step, so that steps of 0.1 add up.
  return toSi(Number(((from + by * times) * step).toPrecision(12)), shown);
}

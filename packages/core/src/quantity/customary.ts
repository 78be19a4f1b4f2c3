import { celsiusToKelvin, kelvinToCelsius, STANDARD_GRAVITY } from './constants.ts';
import type { ShownUnit, Unit } from './unit.ts';

/** Makes a unit; `names` are other ways to write it. */
export const unit = (symbol: string, si: Unit['si'], ...names: string[]): Unit => ({ symbol, si, names });
/** Shown in one unit, whatever its size. */
export const only = (symbol: string): readonly ShownUnit[] => [{ symbol, from: 0 }];

// Exact by definition: international yard and pound agreement, 1959.
/** m, exact (international yard and pound, 1959). */
export const INCH = 0.0254;
/** m, exact. */
export const FOOT = 12 * INCH;
/** m, exact. */
export const MILE = 5280 * FOOT;
/** kg, exact (international yard and pound, 1959). */
export const POUND = 0.45359237;
/** kg, exact. */
export const OUNCE = POUND / 16;
/** N, exact. */
export const POUND_FORCE = POUND * STANDARD_GRAVITY;
/** N, exact. */
export const OUNCE_FORCE = OUNCE * STANDARD_GRAVITY;
/** W, mechanical: 550 foot-pounds a second. */
export const HORSEPOWER = 550 * FOOT * POUND_FORCE;
/** W: 75 kilogram-force metres a second. */
export const METRIC_HORSEPOWER = 75 * STANDARD_GRAVITY;
/** rad. */
export const DEGREE = Math.PI / 180;

/** Percent of grade: rise over run. */
export const grade: Unit['si'] = { to: (n) => Math.atan(n / 100), from: (si) => 100 * Math.tan(si) };
/** Degrees Celsius and Fahrenheit against kelvin (ISO 80000-5; NIST SP 811, B.8). */
export const celsius: Unit['si'] = { to: celsiusToKelvin, from: kelvinToCelsius };
/** Degrees Fahrenheit. */
export const fahrenheit: Unit['si'] = {
  to: (n) => celsiusToKelvin(((n - 32) * 5) / 9),
  from: (si) => (kelvinToCelsius(si) * 9) / 5 + 32,
};
/** A grade as 1 in so many. */
export const oneIn: Unit['si'] = { to: (n) => Math.atan(1 / n), from: (si) => 1 / Math.tan(si) };

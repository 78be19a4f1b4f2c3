import { celsiusToKelvin, kelvinToCelsius, STANDARD_GRAVITY } from './constants.ts';
import type { ShownUnit, Unit } from './unit.ts';

/** Makes a unit; `names` are other ways to write it. */
export const unit = (symbol: string, si: Unit['si'], ...names: string[]): Unit => ({ symbol, si, names });
export const only = (symbol: string): readonly ShownUnit[] => [{ symbol, from: 0 }];

// Exact by definition: international yard and pound agreement, 1959.
export const INCH = 0.0254;
export const FOOT = 12 * INCH;
export const MILE = 5280 * FOOT;
export const POUND = 0.45359237;
export const OUNCE = POUND / 16;
export const POUND_FORCE = POUND * STANDARD_GRAVITY;
export const OUNCE_FORCE = OUNCE * STANDARD_GRAVITY;
export const HORSEPOWER = 550 * FOOT * POUND_FORCE;
export const METRIC_HORSEPOWER = 75 * STANDARD_GRAVITY;
export const DEGREE = Math.PI / 180;

export const grade: Unit['si'] = { to: (n) => Math.atan(n / 100), from: (si) => 100 * Math.tan(si) };
/** Degrees Celsius and Fahrenheit against kelvin (ISO 80000-5; NIST SP 811, B.8). */
export const celsius: Unit['si'] = { to: celsiusToKelvin, from: kelvinToCelsius };
export const fahrenheit: Unit['si'] = {
  to: (n) => celsiusToKelvin(((n - 32) * 5) / 9),
  from: (si) => (kelvinToCelsius(si) * 9) / 5 + 32,
};
export const oneIn: Unit['si'] = { to: (n) => Math.atan(1 / n), from: (si) => 1 / Math.tan(si) };

import {
  fromSi,
  readQuantity,
  show,
  showNumber,
  shownUnit,
  toSi,
  unitOf,
  type Dimension,
  type UnitSystem,
} from '@zubric/core/quantity';

/** Which dimension a calculator's unit belongs to, and its symbol there. */
const UNITS: Readonly<Record<string, readonly [Dimension, string]>> = {
  kg: ['mass', 'kg'],
  m: ['length', 'm'],
  mm: ['length', 'mm'],
  'm²': ['area', 'm²'],
  'mm²': ['area', 'mm²'],
  N: ['force', 'N'],
  N·m: ['torque', 'N·m'],
  'm/s': ['speed', 'm/s'],
  'm/s²': ['acceleration', 'm/s²'],
  rpm: ['rotation', 'rpm'],
  deg: ['angle', '°'],
  V: ['voltage', 'V'],
  A: ['current', 'A'],
  Ω: ['resistance', 'Ω'],
  mΩ: ['resistance', 'mΩ'],
  W: ['power', 'W'],
  Wh: ['energy', 'Wh'],
  Ah: ['charge', 'Ah'],
  s: ['time', 's'],
  h: ['time', 'h'],
};

export type ReadKey =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly why: string };

/** A unit that has no others here: its field takes bare numbers, or that unit itself. */
const fixedUnit = (unit: string): string => (unit in UNITS ? '' : unit);

/** The unit that a bare number is taken in. */
export const bareUnit = (unit: string): string => UNITS[unit]?.[1] ?? unit;

/** What was typed for a key, as the number that the calculator takes. */
export function readKey(text: string, unit: string): ReadKey {
  const known = UNITS[unit];
  const fixed = fixedUnit(unit);
  const bare = fixed !== '' && text.endsWith(fixed) ? text.slice(0, -fixed.length) : text;
  const read = readQuantity(bare, known?.[0] ?? 'coefficient', known ? { assumedUnit: known[1] } : {});
  if (!read.ok) return { ok: false, why: read.message };
  return { ok: true, value: known ? fromSi(read.value, unitOf(...known)) : read.value };
}

/** Less than this is what rounding left of nothing. */
const ROUNDING = 1e-12;

/** A calculator's number as a builder reads it. */
export function sayKey(number: number, unit: string, system: UnitSystem, digits = 5): string {
  const value = Math.abs(number) < ROUNDING ? 0 : number;
  const known = UNITS[unit];
  if (!known) return unit === '' ? showNumber(value, digits) : `${showNumber(value, digits)}\u00a0${unit}`;
  const [dimension, symbol] = known;
  const shownIn = system === 'imperial' ? 'imperial' : 'as-typed';
  return show(toSi(value, unitOf(dimension, symbol)), dimension, shownIn, { typedUnit: symbol, digits }).text;
}

/** A number of an example as text for its field. */
export const typeKey = (value: number, unit: string): string => {
  const symbol = unit in UNITS ? bareUnit(unit) : '';
  const number = String(Number(value.toPrecision(10)));
  return symbol === '' ? number : `${number}${symbol === '°' ? '' : ' '}${symbol}`;
};

/** The unit in which an axis shows a key, by the greatest value on it. */
export function axisUnit(unit: string, greatest: number, system: UnitSystem) {
  const known = UNITS[unit];
  if (!known) return { symbol: unit, convert: (value: number): number => value };
  const own = unitOf(...known);
  const symbol = system === 'imperial' ? shownUnit(toSi(greatest, own), known[0], 'imperial') : known[1];
  const shown = unitOf(known[0], symbol);
  return { symbol, convert: (value: number): number => fromSi(toSi(value, own), shown) };
}

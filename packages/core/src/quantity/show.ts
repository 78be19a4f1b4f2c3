import type { Quantity } from './quantity-field.ts';
import { dimensionOf, fromSi, unitOf, type Dimension } from './units.ts';

/** Which units a builder wants to see. */
export type UnitSystem = 'metric' | 'imperial' | 'as-typed';

/** A value as it is shown. */
export interface Shown {
  /** The number alone, in digits a builder can use. */
  readonly number: string;
  readonly unit: string;
  /** Number and unit together, as they are said. */
  readonly text: string;
}

/** A space that does not break, between number and unit and between thousands. */
const SPACE = '\u00a0';

const groupThousands = (digits: string): string => digits.replace(/\B(?=(\d{3})+$)/g, SPACE);

/** Sizes between these are written out; no vehicle has others. */
const MOST_WRITTEN_OUT = 1e12;
const LEAST_WRITTEN_OUT = 1e-8;
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const raised = (exponent: string): string =>
  exponent.replace('-', '⁻').replace(/\d/g, (digit) => RAISED[Number(digit)] ?? digit);

/**
 * A number in `digits` significant digits at most, whole above 1000, thousands grouped; in powers of ten only where no
 * vehicle has such a size.
 *
 * @example showNumber(1234.5678) // '1 235'
 */
export function showNumber(n: number, digits = 3): string {
  if (!Number.isFinite(n)) return '–';
  if (n === 0) return '0';
  const size = Math.abs(n);
  if (size >= MOST_WRITTEN_OUT || size < LEAST_WRITTEN_OUT) {
    const [mantissa = '', exponent = ''] = n.toExponential(digits - 1).split('e');
    return `${mantissa.replace(/\.?0+$/, '').replace('-', '−')}×10${raised(exponent.replace('+', ''))}`;
  }
  // Past a million the last digits are noise of what is reckoned with.
  if (size >= 1e7) return (n < 0 ? '−' : '') + groupThousands(String(Number(size.toPrecision(digits))));
  const places = Math.max(0, Math.min(10, digits - 1 - Math.floor(Math.log10(size))));
  const [whole = '', decimals] = size
    .toFixed(places)
    .replace(/\.?0+$/, (zeros) => (places > 0 ? '' : zeros))
    .split('.');
  const kept = groupThousands(whole) + (decimals === undefined ? '' : `.${decimals}`);
  return (n < 0 ? '−' : '') + kept;
}

const join = (number: string, unit: string): string =>
  unit === '' ? number : unit === '°' ? number + unit : `${number}${SPACE}${unit}`;

/**
 * The symbol in which a size of this dimension is shown.
 *
 * @example shownUnit(0.004, 'length', 'metric') // 'mm'
 */
export function shownUnit(si: number, dimension: Dimension, system: UnitSystem, typedUnit?: string): string {
  if (system === 'as-typed' && typedUnit !== undefined) return typedUnit;
  const definition = dimensionOf(dimension);
  const choices = system === 'imperial' ? definition.imperial : definition.metric;
  const size = Math.abs(si);
  const fitting = choices.filter((choice) => size >= choice.from * (1 - 1e-12)).at(-1);
  if (size > 0) return fitting?.symbol ?? definition.siSymbol;
  // Nothing is "0 mm/s": a zero is said in the unit of the ordinary sizes.
  const ordinary = choices.at(choices.length > 2 ? 1 : -1)?.symbol ?? definition.siSymbol;
  return definition.zero?.[system === 'imperial' ? 'imperial' : 'metric'] ?? ordinary;
}

/**
 * An SI value as a builder reads it.
 *
 * @example show(0.4, 'length', 'metric').text // '400 mm'
 */
export function show(
  si: number,
  dimension: Dimension,
  system: UnitSystem,
  options: { readonly typedUnit?: string; readonly digits?: number } = {},
): Shown {
  const symbol = shownUnit(si, dimension, system, options.typedUnit);
  const number = showNumber(fromSi(si, unitOf(dimension, symbol)), options.digits);
  if (symbol === '1:n') return { number: `1:${number}`, unit: '', text: `1:${number}` };
  return { number, unit: symbol, text: join(number, symbol) };
}

/** Significant digits in a field: all of them in the unit that was typed, fewer where that was turned to another. */
const DIGITS_AS_TYPED = 10;
const DIGITS_TURNED = 4;
const DIGITS_GUESSED = 3;

/** Units that belong to one system alone; all others (degrees, per cent, volts, rpm, minutes) are at home in both. */
const AT_HOME: Readonly<Record<'metric' | 'imperial', ReadonlySet<string>>> = {
  metric: new Set(
    (
      'kg g t m mm cm km m/s mm/s cm/s m/min km/h m/s² N kN kgf gf N/mm N/cm N/m N·m N·cm mN·m kg·cm kg·m g·cm ' +
      'MPa kPa bar Pa m² cm² mm² ha °C PS'
    ).split(' '),
  ),
  imperial: new Set(
    (
      'lb oz st in thou ft yd mi mph kn ft/s ft/min in/s ft/s² lbf ozf lbf/in ft·lb in·lb oz·in psi kpsi ft² in² acre °F ' +
      'hp'
    ).split(' '),
  ),
};

/**
 * The unit of a field: that which was typed, unless it is foreign to the system that is wanted; where nothing was typed
 * yet, the one in which such sizes are said. A bare number typed next is in it.
 *
 * @example fieldUnit(0.4, 'in', 'length', 'metric') // 'mm'
 */
export function fieldUnit(
  value: number,
  typedUnit: string | undefined,
  dimension: Dimension,
  system: UnitSystem,
): string {
  if (typedUnit === undefined) return shownUnit(value, dimension, system);
  if (system === 'as-typed') return typedUnit;
  const foreign = AT_HOME[system === 'metric' ? 'imperial' : 'metric'];
  // One g of acceleration is at home everywhere.
  const isForeign = foreign.has(typedUnit) && !(dimension === 'acceleration' && typedUnit === 'g');
  return isForeign ? shownUnit(value, dimension, system) : typedUnit;
}

/**
 * What a field shows for a value: in the unit that it was typed in so that it can be typed again without loss, unless
 * that is of the other system; then to four digits, a guess to three; trailing zeros left out, a plain decimal point and no
 * grouping.
 *
 * @example showForEditing({ value: 120, unit: 'kg', spread: 10 }, 'mass', 'metric') // '120 ± 10 kg'
 */
export function showForEditing(
  quantity: Pick<Quantity, 'value' | 'unit' | 'spread'> & { readonly origin?: Quantity['origin'] },
  dimension: Dimension,
  system: UnitSystem,
): string {
  const symbol = fieldUnit(quantity.value, quantity.unit, dimension, system);
  const unit = unitOf(dimension, symbol);
  const turned = quantity.origin === 'assumed' ? DIGITS_GUESSED : DIGITS_TURNED;
  const digits = symbol === quantity.unit ? DIGITS_AS_TYPED : turned;
  const plain = (si: number): string => String(Number(fromSi(si, unit).toPrecision(digits)));
  if (symbol === '1:n') return `1:${plain(quantity.value)}`;
  const main = plain(quantity.value);
  const space = symbol === '' || symbol === '°' ? '' : ' ';
  if (quantity.spread === undefined) return `${main}${space}${symbol}`;
  // A grade in per cent is not a straight line: its spread is shown as the half difference about the value.
  const half = Math.abs(
    fromSi(quantity.value + quantity.spread, unit) - fromSi(quantity.value - quantity.spread, unit),
  );
  return `${main} ± ${Number((half / 2).toPrecision(digits))}${space}${symbol}`;
}

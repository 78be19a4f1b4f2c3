import { DIMENSIONS } from './dimensions.ts';
import type { DimensionDefinition, Unit } from './unit.ts';

export type Dimension = keyof typeof DIMENSIONS;

/**
 * What is known of a kind of quantity: its units and how it is shown.
 *
 * @example dimensionOf('mass').units.map(({ symbol }) => symbol) // ['kg', 'g', 't', 'lb', …]
 */
export const dimensionOf = (dimension: Dimension): DimensionDefinition => DIMENSIONS[dimension];

/**
 * The unit of that symbol. @throws RangeError where the dimension has none.
 *
 * @example unitOf('mass', 'kg').symbol // 'kg'
 */
export function unitOf(dimension: Dimension, symbol: string): Unit {
  const found = dimensionOf(dimension).units.find((u) => u.symbol === symbol);
  if (!found) throw new RangeError(`${dimensionOf(dimension).title} has no unit "${symbol}"`);
  return found;
}

/**
 * A number in a unit, in SI.
 *
 * @example toSi(1, unitOf('length', 'in')) // 0.0254
 */
export const toSi = (n: number, u: Unit): number => (typeof u.si === 'number' ? n * u.si : u.si.to(n));

/**
 * An SI value, in a unit.
 *
 * @example fromSi(0.0254, unitOf('length', 'in')) // 1
 */
export const fromSi = (si: number, u: Unit): number => (typeof u.si === 'number' ? si / u.si : u.si.from(si));

import {
  dimensionOf,
  fromSi,
  shownUnit,
  unitOf,
  type Dimension,
  type UnitSystem,
} from '@zubric/core/quantity';

/** How a chart turns SI to the unit that suits its greatest value; "as typed" charts are metric. */
export function chartUnit(greatestSi: number, dimension: Dimension, system: UnitSystem) {
  const symbol = shownUnit(greatestSi, dimension, system === 'as-typed' ? 'metric' : system);
  const unit = unitOf(dimension, symbol);
  return { symbol, title: dimensionOf(dimension).title, convert: (si: number): number => fromSi(si, unit) };
}

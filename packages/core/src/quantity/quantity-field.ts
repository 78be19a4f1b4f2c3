import { z } from 'zod';
import { dimensionOf, type Dimension } from './units.ts';

/** Where a number came from. */
export const ORIGINS = ['typed', 'measured', 'shelf', 'assumed'] as const;
export type Origin = (typeof ORIGINS)[number];

/** A number of the build: its value in SI, the unit it was typed in, its origin, and its spread in SI if any. */
export interface Quantity {
  readonly value: number;
  readonly unit: string;
  readonly origin: Origin;
  readonly spread?: number;
}

interface Range {
  /** The value must be more than this. */
  readonly above?: number;
  /** The value must be this or more. */
  readonly least?: number;
  readonly most?: number;
  readonly below?: number;
}

const inRange = (range: Range): z.ZodNumber => {
  let value = z.number();
  if (range.above !== undefined) value = value.gt(range.above);
  if (range.least !== undefined) value = value.min(range.least);
  if (range.most !== undefined) value = value.max(range.most);
  if (range.below !== undefined) value = value.lt(range.below);
  return value;
};

/**
 * The schema of a quantity of one dimension within a range (SI). The title is what a builder calls it; the description
 * says more where that is not enough.
 */
export function quantity(dimension: Dimension, range: Range, title: string, description = title) {
  const definition = dimensionOf(dimension);
  const symbols = definition.units.map((u) => u.symbol) as [string, ...string[]];
  return z
    .strictObject({
      value: inRange(range).meta({ description: `in ${definition.siSymbol || 'plain numbers'}` }),
      unit: z.enum(symbols).meta({ description: 'the unit in which it was typed' }),
      origin: z.enum(ORIGINS),
      spread: z
        .number()
        .nonnegative()
        .optional()
        .meta({ description: 'half width of its range, as the value' }),
    })
    .readonly()
    .meta({ title, description, dimension });
}

/** A typed quantity; the value is in SI. */
export const typed = (value: number, unit: string, origin: Origin = 'typed'): Quantity => ({
  value,
  unit,
  origin,
});

/** A quantity assumed until the builder says otherwise; the value is in SI. */
export const assumed = (value: number, unit: string): Quantity => typed(value, unit, 'assumed');

/** Whether a part of a document is a quantity: its value, unit and origin belong together. */
export const isQuantity = (x: unknown): x is Quantity =>
  typeof x === 'object' && x !== null && 'value' in x && 'unit' in x && 'origin' in x;

import { z } from 'zod';
import { boundsOf, withinBounds } from './bounds.ts';
import { dimensionOf, type Dimension } from './units.ts';

/** Where a number came from. */
export const ORIGINS = ['typed', 'measured', 'shelf', 'assumed', 'placed'] as const;
export type Origin = (typeof ORIGINS)[number];

/** A number of the build: its value in SI, the unit it was typed in, its origin, and its spread in SI if any. */
export interface Quantity {
  readonly value: number;
  readonly unit: string;
  readonly origin: Origin;
  readonly spread?: number;
  /** As it was once saved, past what is reckoned with; the value stands at the nearest that is. */
  readonly beyond?: number;
}

interface Range {
  /** The value must be more than this. */
  readonly above?: number;
  /** The value must be this or more. */
  readonly least?: number;
  readonly most?: number;
  readonly below?: number;
}

/** What a value past its bounds is known by among the issues of a schema. */
export const BEYOND = 'beyond';

/** Whether the range itself refuses a value, which then says enough. */
const isOutside = ({ above, least, most, below }: Range, value: number): boolean =>
  (above !== undefined && value <= above) ||
  (least !== undefined && value < least) ||
  (most !== undefined && value > most) ||
  (below !== undefined && value >= below);

/** A number past what is reckoned with, however it may be typed. */
function bounded(value: z.ZodNumber, dimension: Dimension, range: Range) {
  const { least, most } = boundsOf(dimension);
  const positive = range.above === 0;
  return value.check((context) => {
    const size = Math.abs(context.value);
    const kept = withinBounds(dimension, context.value);
    const nearest = positive && size < least ? least : kept;
    // In a range that keeps off 0 the least that is reckoned with stands in for less.
    if (nearest === context.value || isOutside(range, context.value)) return;
    context.issues.push({
      code: 'custom',
      input: context.value,
      message:
        size > most
          ? `must be at most ${most}: that is beyond what is reckoned with`
          : `must be ${positive ? '' : '0 or '}at least ${least}: that is less than is reckoned with`,
      params: { [BEYOND]: nearest },
    });
  });
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
 *
 * @example quantity('mass', { least: 0 }, 'Mass').safeParse(typed(-1, 'kg')).success // false
 */
export function quantity(dimension: Dimension, range: Range, title: string, description = title) {
  const definition = dimensionOf(dimension);
  const symbols = definition.units.map((u) => u.symbol) as [string, ...string[]];
  return z
    .strictObject({
      value: bounded(inRange(range), dimension, range).meta({
        description: `in ${definition.siSymbol || 'plain numbers'}`,
        ...(range.most === undefined && range.below === undefined
          ? { maximum: boundsOf(dimension).most }
          : {}),
      }),
      unit: z.enum(symbols).meta({ description: 'the unit in which it was typed' }),
      origin: z.enum(ORIGINS),
      spread: z
        .number()
        .nonnegative()
        .max(boundsOf(dimension).most)
        .optional()
        .meta({ description: 'half width of its range, as the value' }),
      beyond: z.number().optional().meta({ description: 'as it was once saved, past what is reckoned with' }),
    })
    .readonly()
    .meta({ title, description, dimension });
}

/**
 * A typed quantity; the value is in SI.
 *
 * @example typed(0.4, 'mm') // { value: 0.4, unit: 'mm', origin: 'typed' }
 */
export const typed = (value: number, unit: string, origin: Origin = 'typed'): Quantity => ({
  value,
  unit,
  origin,
});

/**
 * A quantity assumed until the builder says otherwise; the value is in SI.
 *
 * @example assumed(0.4, 'mm') // { value: 0.4, unit: 'mm', origin: 'assumed' }
 */
export const assumed = (value: number, unit: string): Quantity => typed(value, unit, 'assumed');

/**
 * Whether a part of a document is a quantity: its value, unit and origin belong together.
 *
 * @example isQuantity({ value: 1, unit: 'kg', origin: 'typed' }) // true
 */
export const isQuantity = (x: unknown): x is Quantity =>
  typeof x === 'object' && x !== null && 'value' in x && 'unit' in x && 'origin' in x;

/**
 * A quantity by a factor, to three digits, as if it were typed.
 *
 * @example scaled(typed(2, 'kg'), 3).value // 6
 */
export const scaled = <Q extends Quantity>(quantity: Q, by: number): Q => ({
  ...quantity,
  value: Number((quantity.value * by).toPrecision(3)),
  origin: 'typed',
});

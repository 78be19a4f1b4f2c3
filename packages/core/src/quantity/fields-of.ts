import { z } from 'zod';
import { boundsOf } from './bounds.ts';
import type { Dimension } from './units.ts';

/** What a value may be, SI: more than, at least, at most, less than. */
export interface FieldRange {
  readonly above?: number;
  readonly least?: number;
  readonly most?: number;
  readonly below?: number;
}

/** A number that a builder fills in, as its schema has it. */
export interface NumberField extends FieldRange {
  readonly key: string;
  /** What it is called, on screen, in the logbook and in messages. */
  readonly title: string;
  /** More where the title is not enough. */
  readonly help?: string;
  readonly optional: boolean;
  /** Of a plain number, as on a data sheet. */
  readonly unit?: string;
  /** Of a quantity; absent for a count. */
  readonly dimension?: Dimension;
}

/** A schema as Zod holds it. */
interface Inner {
  readonly type: string;
  readonly innerType?: z.ZodType;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
}
interface Noted {
  readonly unit?: string;
  readonly title?: string;
  readonly description?: string;
  readonly dimension?: Dimension;
}

const innerOf = (schema: z.ZodType): Inner => schema.def as unknown as Inner;
const notedOf = (schema: z.ZodType): Noted => (schema.meta() ?? {}) as Noted;

/** The schema within what only wraps it. */
function unwrapped(schema: z.ZodType): z.ZodType {
  const { type, innerType } = innerOf(schema);
  return innerType && (type === 'optional' || type === 'readonly' || type === 'default')
    ? unwrapped(innerType)
    : schema;
}

/** What was noted on a schema, or on what it wraps. */
function noteOf(schema: z.ZodType): Noted {
  const { innerType } = innerOf(schema);
  return { ...(innerType ? noteOf(innerType) : {}), ...notedOf(schema) };
}

const numberOr = (bound: number | boolean | undefined): number | undefined =>
  typeof bound === 'number' ? bound : undefined;

/** The limits of a number's schema; what is only past what is reckoned with is no limit of its own. */
function rangeOf(schema: z.ZodType, dimension: Dimension | undefined): FieldRange {
  const { minimum, exclusiveMinimum, maximum, exclusiveMaximum } = z.toJSONSchema(schema);
  const [above, below] = [numberOr(exclusiveMinimum), numberOr(exclusiveMaximum)];
  const most = dimension && maximum === boundsOf(dimension).most ? undefined : maximum;
  return {
    ...(above === undefined ? {} : { above }),
    ...(minimum === undefined ? {} : { least: minimum }),
    ...(most === undefined ? {} : { most }),
    ...(below === undefined ? {} : { below }),
  };
}

function fieldOf(key: string, schema: z.ZodType): NumberField | undefined {
  const { title, description, dimension, unit } = noteOf(schema);
  const inside = unwrapped(schema);
  const { type, shape } = innerOf(inside);
  const number = type === 'number' ? inside : dimension && shape?.value;
  // A plain figure of a data sheet is called by what it is.
  const called = title ?? (unit === undefined ? undefined : description);
  if (called === undefined || !number) return undefined;
  return {
    key,
    title: called,
    ...(description === undefined || description === called ? {} : { help: description }),
    optional: innerOf(schema).type === 'optional',
    ...(unit === undefined || unit === '' ? {} : { unit }),
    ...(dimension === undefined ? {} : { dimension }),
    ...rangeOf(number, dimension),
  };
}

/**
 * The counts and quantities of an object's schema that have a title, in its order: what a form asks, called and limited
 * as the schema calls and limits it.
 *
 * @example fieldsOf(z.strictObject({ teeth: z.int().min(3).max(500).meta({ title: 'Teeth' }) }))
 *   // [{ key: 'teeth', title: 'Teeth', optional: false, least: 3, … }]
 * // [{ key: 'teeth', title: 'Teeth', optional: false, least: 3, most: 500 }]
 */
export const fieldsOf = (schema: z.ZodType): readonly NumberField[] =>
  Object.entries(innerOf(unwrapped(schema)).shape ?? {}).flatMap(([key, field]) => fieldOf(key, field) ?? []);

/**
 * Whether a value is one that a field takes.
 *
 * @example isWithin({ least: 3, most: 500 }, 2) // false
 */
export const isWithin = ({ above, least, most, below }: FieldRange, value: number): boolean =>
  (above === undefined || value > above) &&
  (least === undefined || value >= least) &&
  (most === undefined || value <= most) &&
  (below === undefined || value < below);

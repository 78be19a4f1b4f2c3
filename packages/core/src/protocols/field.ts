import { z } from 'zod';
import { courseSchema, type Course } from '../vehicle/index.ts';
import { quantity, type Dimension, type FieldRange, type Quantity } from '../quantity/index.ts';

interface Called {
  readonly key: string;
  readonly title: string;
  /** More where the title is not enough. */
  readonly help?: string;
  readonly optional?: true;
  /** Asked only where a condition, or a choice of the same run, has one of these words. */
  readonly shownFor?: readonly [key: string, words: string];
}

/** A number with its unit. */
export interface QuantityField extends Called {
  readonly kind: 'quantity';
  readonly dimension: Dimension;
  /** What a bare number is taken in, where it is metric, and where it is imperial. */
  readonly unit: string;
  readonly imperialUnit: string;
  readonly range: FieldRange;
  /** What less and more than 0 are called: a side, a way. */
  readonly sides?: readonly [string, string];
  /** Past this it is asked whether it is meant, SI. */
  readonly askPast?: number;
}
/** One of a few words. */
export interface ChoiceField extends Called {
  readonly kind: 'choice';
  readonly options: Readonly<Record<string, string>>;
}
/** The name or number of a part. */
export interface NameField extends Called {
  readonly kind: 'name';
}
/** Several names. */
export interface NamesField extends Called {
  readonly kind: 'names';
  /** Two unless said otherwise. */
  readonly least?: number;
}
/** Several numbers of one dimension. */
export interface AmountsField extends Called {
  readonly kind: 'amounts';
  readonly dimension: Dimension;
  readonly unit: string;
  readonly range: FieldRange;
}

/** A course of the Test track. */
export interface CourseField extends Called {
  readonly kind: 'course';
}

/** What a reading, or what is the same for all readings, is made of. */
export type Field = QuantityField | ChoiceField | NameField | NamesField | AmountsField | CourseField;

/** What a field holds. */
export type FieldValue = Quantity | string | readonly string[] | readonly Quantity[] | Course;

type More = Partial<Pick<QuantityField, 'help' | 'optional' | 'sides' | 'askPast' | 'shownFor'>>;

/** What a bare number is taken in where the builder works in imperial units. */
const IMPERIAL: Partial<Record<string, string>> = {
  ...{ mm: 'in', cm: 'in', m: 'ft', 'm/s': 'mph', kg: 'lb', N: 'lbf', '°C': '°F' },
};

/** A number's field. */
export const amount = (
  key: string,
  title: string,
  [dimension, unit]: readonly [Dimension, string],
  range: FieldRange,
  more: More = {},
): QuantityField => ({
  ...{ kind: 'quantity', key, title, dimension, unit, imperialUnit: IMPERIAL[unit] ?? unit, range },
  ...more,
});

/** A field of a few words. */
export const choice = (
  key: string,
  title: string,
  options: Readonly<Record<string, string>>,
  more: Pick<More, 'help' | 'optional'> = {},
): ChoiceField => ({ kind: 'choice', key, title, options, ...more });

/** A field of a part's name. */
export const partName = (key: string, title: string, more: Pick<More, 'help'> = {}): NameField => ({
  ...{ kind: 'name', key, title },
  ...more,
});

const MOST_NAMES = 60;
const MOST_AMOUNTS = 20;
/** So long may the name of a part be. */
const LONGEST_NAME = 60;
const word = z.string().trim().min(1, 'must be named').max(LONGEST_NAME);

function schemaOfField(field: Field): z.ZodType {
  switch (field.kind) {
    case 'quantity':
      return quantity(field.dimension, field.range, field.title);
    case 'choice':
      return z.enum(Object.keys(field.options));
    case 'name':
      return word;
    case 'names':
      return z
        .array(word)
        .min(field.least ?? 2, field.least === 1 ? 'name one or more' : 'name two or more')
        .max(MOST_NAMES, `${MOST_NAMES} at most`)
        .refine((names) => new Set(names).size === names.length, 'each name must stand once');
    case 'amounts':
      return z
        .array(quantity(field.dimension, field.range, field.title))
        .min(1)
        .max(MOST_AMOUNTS);
    case 'course':
      return courseSchema;
  }
}

/**
 * The schema of what is filled in: each field, and a note beside.
 *
 * @example filledIn([], 10).safeParse({ note: 'wet floor, and more' }).success // false
 */
export const filledIn = (fields: readonly Field[], longestNote: number) =>
  z
    .strictObject({
      ...Object.fromEntries(
        fields.map((field) => [
          field.key,
          field.optional ? schemaOfField(field).optional() : schemaOfField(field),
        ]),
      ),
      note: z.string().max(longestNote).default(''),
    })
    .readonly();

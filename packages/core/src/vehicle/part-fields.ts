import type { z } from 'zod';
import {
  fieldsOf,
  fromSi,
  toSi,
  unitOf,
  type Dimension,
  type NumberField,
  type Quantity,
} from '../quantity/index.ts';
import { partSchema, type Part, type PartKind } from './part.ts';

/** What the units of a part's figures measure; a figure in any other unit, or in none, is a plain number. */
const MEASURES: Readonly<Record<string, Dimension>> = {
  V: 'voltage',
  A: 'current',
  rpm: 'rotation',
  N·m: 'torque',
  N: 'force',
  kg: 'mass',
  mm: 'length',
  m: 'length',
  mΩ: 'resistance',
  Ω: 'resistance',
  Ah: 'charge',
  Wh: 'energy',
  s: 'time',
  '°': 'angle',
  '°C': 'temperature',
};

/** A figure of a part as a form asks it, in any unit of what it measures. */
export interface PartField extends Omit<NumberField, 'dimension'> {
  readonly dimension: Dimension;
  /** What is typed, as the figure of the part. */
  readonly figureOf: (quantity: Quantity) => number;
  /** The figure, as it is shown to be changed. */
  readonly quantityOf: (figure: number) => Quantity;
}

function measured(field: NumberField): PartField {
  const { unit = '', ...rest } = field;
  const dimension = MEASURES[unit];
  if (dimension === undefined)
    return {
      ...rest,
      ...(unit === '' ? {} : { unit }),
      dimension: 'number',
      figureOf: ({ value }) => value,
      quantityOf: (value) => ({ value, unit: '', origin: 'typed' }),
    };
  const of = unitOf(dimension, unit);
  return {
    ...rest,
    dimension,
    figureOf: ({ value }) => Number(fromSi(value, of).toPrecision(10)),
    quantityOf: (figure) => ({ value: toSi(figure, of), unit, origin: 'typed' }),
  };
}

/** A schema as Zod holds it. */
interface Held {
  readonly type: string;
  readonly innerType?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly values?: readonly unknown[];
  readonly entries?: Readonly<Record<string, string>>;
}
const heldOf = (schema: z.ZodType): Held => schema.def as unknown as Held;

/** The schemas of objects within unions of unions, and what they wrap. */
function objectsIn(schema: z.ZodType): readonly z.ZodType[] {
  const { innerType, options } = heldOf(schema);
  if (options) return options.flatMap(objectsIn);
  return innerType ? objectsIn(innerType) : [schema];
}

/** The word that a schema's key always is; undefined where it may be several. */
function wordAt(schema: z.ZodType, key: string): unknown {
  const at = heldOf(schema).shape?.[key];
  const values = at && heldOf(at).type === 'literal' ? heldOf(at).values : undefined;
  return values?.[0];
}

/** The schemas of a kind of part, and of one type of it where its types differ in what they have. */
const schemasOf = eachOnce((kind: PartKind, type: string | undefined): readonly z.ZodType[] => {
  const own = objectsIn(partSchema).filter((schema) => wordAt(schema, 'kind') === kind);
  const typed = own.filter((schema) => [undefined, type].includes(wordAt(schema, 'type') as string));
  return type === undefined || typed.length === 0 ? own : typed;
});

/** The same answer for the same two words. */
function eachOnce<V>(work: (kind: PartKind, type: string | undefined) => V) {
  const known = new Map<string, V>();
  return (kind: PartKind, type?: string): V => {
    const name = `${kind}/${type ?? ''}`;
    const found = known.get(name) ?? work(kind, type);
    known.set(name, found);
    return found;
  };
}

const onceByKey = <F extends { readonly key: string }>(fields: readonly F[]): readonly F[] =>
  fields.filter(({ key }, at) => fields.findIndex((other) => other.key === key) === at);

/**
 * The figures of a kind of part, as its schema calls them; of one type of it where its types differ, else of all.
 *
 * @example partFields('motor', 'stepping').map(({ key }) => key) // ['massKg', 'cost', 'voltageV', 'holdingTorqueNm', …]
 */
export const partFields = eachOnce((kind, type): readonly PartField[] =>
  onceByKey(schemasOf(kind, type).flatMap((schema) => fieldsOf(schema).map(measured))),
);

/** What a part is chosen of beside its figures: one of some words, or yes and no. */
export interface PartChoice {
  readonly key: string;
  readonly title: string;
  readonly optional: boolean;
  /** The words it may be; undefined for yes and no. */
  readonly of: readonly string[] | undefined;
}

/** Choices of every part, which a form and a table treat by themselves. */
const OF_ALL: ReadonlySet<string> = new Set(['kind', 'state', 'whence']);

function choiceOf(key: string, schema: z.ZodType): PartChoice | undefined {
  const optional = heldOf(schema).type === 'optional';
  const inner = optional ? (heldOf(schema).innerType ?? schema) : schema;
  const { type, entries } = heldOf(inner);
  const title = (inner.meta()?.title ?? schema.meta()?.title) as string | undefined;
  if (OF_ALL.has(key) || title === undefined || (type !== 'enum' && type !== 'boolean')) return undefined;
  return { key, title, optional, of: entries && Object.values(entries) };
}

/** The types of a kind whose types differ in what they have. */
function typesOf(kind: PartKind): readonly PartChoice[] {
  const words = schemasOf(kind).flatMap((schema) => {
    const word = wordAt(schema, 'type');
    return typeof word === 'string' ? [word] : [];
  });
  return words.length === 0 ? [] : [{ key: 'type', title: 'Type', optional: false, of: words }];
}

/**
 * What a kind of part is chosen of, its type first.
 *
 * @example partChoices('battery').map(({ key }) => key) // ['chemistry', 'plug']
 */
export const partChoices = eachOnce((kind, type): readonly PartChoice[] =>
  onceByKey([
    ...typesOf(kind),
    ...schemasOf(kind, type).flatMap((schema) =>
      Object.entries(heldOf(schema).shape ?? {}).flatMap(([key, field]) => choiceOf(key, field) ?? []),
    ),
  ]),
);

/**
 * The type of a part, where its kind has types.
 *
 * @example typeOfPart(motorOf(puffin)) // 'brushed'
 */
export const typeOfPart = (part: Part): string | undefined => ('type' in part ? part.type : undefined);

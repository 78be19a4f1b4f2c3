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
import { partSchema, type PartKind } from './part.ts';

/** What the units of a part's figures measure; a figure in any other unit, or in none, is a plain number. */
const MEASURES: Readonly<Record<string, Dimension>> = {
  V: 'voltage',
  A: 'current',
  rpm: 'rotation',
  'N·m': 'torque',
  N: 'force',
  kg: 'mass',
  mm: 'length',
  mΩ: 'resistance',
  Ah: 'charge',
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

/** The figures of a kind of part, as its schema calls them. */
export function partFields(kind: PartKind): readonly PartField[] {
  const { options } = (partSchema as unknown as { def: { innerType: { options: readonly z.ZodType[] } } }).def
    .innerType;
  const own = options.find((option) => {
    const { kind: literal } = (option as unknown as { shape: { kind: { value: string } } }).shape;
    return literal.value === kind;
  });
  return own ? fieldsOf(own).map(measured) : [];
}

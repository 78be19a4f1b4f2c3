import {
  numberIn,
  wordIn,
  type Field,
  type FieldValue,
  type Measured,
  type TrialReading,
} from '@zubric/core/protocols';
import { show, type UnitSystem } from '@zubric/core/quantity';

/** Digits that a length along the way is told with. */
const DIGITS: Partial<Record<string, number>> = { distance: 4, turned: 4 };

/** A number with its side, where it has one. */
export function sidedText(
  value: number,
  { dimension, sides }: Pick<Measured, 'dimension' | 'sides'>,
  system: UnitSystem,
  digits?: number,
): string {
  const text = (si: number): string => show(si, dimension, system, { digits }).text;
  if (!sides) return text(value);
  return value === 0
    ? sides[0] === 'left'
      ? 'on the line'
      : text(0)
    : `${text(Math.abs(value))} ${value < 0 ? sides[0] : sides[1]}`;
}

/** What a field of a run holds, as it is read in a row; a dash where it holds nothing. */
export function fieldText(field: Field, reading: TrialReading, system: UnitSystem): string {
  const { key } = field;
  if (field.kind === 'quantity') {
    const value = numberIn(reading, key);
    return value === undefined ? '–' : sidedText(value, field, system, DIGITS[key]);
  }
  const word = wordIn(reading, key);
  return field.kind === 'choice' ? (field.options[word] ?? '–') : word || '–';
}

/** Whether all that must be filled in is there. */
export const isFilled = (
  fields: readonly Field[],
  filled: Readonly<Record<string, FieldValue | undefined>>,
): boolean => fields.every(({ key, optional }) => optional === true || filled[key] !== undefined);

/** The ends of an interval as they are read. */
export const intervalText = (
  { low, high, dimension, sides }: Pick<Measured, 'low' | 'high' | 'dimension' | 'sides'>,
  system: UnitSystem,
): string =>
  low === undefined || high === undefined
    ? ''
    : `${sidedText(low, { dimension, ...(sides ? { sides } : {}) }, system)} to ${sidedText(high, { dimension, ...(sides ? { sides } : {}) }, system)}`;

/** Greatest of some numbers, for an axis; a little where all are 0. */
export const mostOf = (values: readonly number[], least: number): number =>
  Math.max(least, ...values.map(Math.abs));

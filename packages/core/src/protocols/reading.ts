import { isQuantity } from '../quantity/index.ts';
import type { FieldValue } from './field.ts';

/** What is the same for all runs of a set, by the keys of its protocol. */
export type TrialConditions = Readonly<Record<string, FieldValue | undefined>>;
/** What was read at one run, by the keys of its protocol. */
export type TrialReading = Readonly<Record<string, FieldValue | undefined>>;

/**
 * The number under a key, SI; undefined where there is none.
 *
 * @example numberIn({ side: typed(0.01, 'mm') }, 'side') // 0.01
 */
export function numberIn(filled: TrialReading, key: string): number | undefined {
  const value = filled[key];
  return isQuantity(value) ? value.value : undefined;
}

/**
 * The word under a key; empty where there is none.
 *
 * @example wordIn({ way: 'left' }, 'way') // 'left'
 */
export function wordIn(filled: TrialReading, key: string): string {
  const value = filled[key];
  return typeof value === 'string' ? value : '';
}

/**
 * The names under a key.
 *
 * @example namesIn({ motors: ['1', '2'] }, 'motors') // ['1', '2']
 */
export function namesIn(filled: TrialConditions, key: string): readonly string[] {
  const value = filled[key];
  return Array.isArray(value) ? value.filter((each): each is string => typeof each === 'string') : [];
}

/**
 * The numbers under a key, SI.
 *
 * @example amountsIn({ powers: [typed(0.5, '%')] }, 'powers') // [0.5]
 */
export function amountsIn(filled: TrialConditions, key: string): readonly number[] {
  const value = filled[key];
  return Array.isArray(value) ? value.flatMap((each) => (isQuantity(each) ? each.value : [])) : [];
}

/** Numbers under a key with the place of their run, where a run has one. */
export const placedIn = (readings: readonly TrialReading[], key: string): { at: number; value: number }[] =>
  readings.flatMap((reading, at) => {
    const value = numberIn(reading, key);
    return value === undefined ? [] : [{ at, value }];
  });

/** Numbers under a key, of those runs that have one. */
export const numbersIn = (readings: readonly TrialReading[], key: string): number[] =>
  placedIn(readings, key).map(({ value }) => value);

/** Readings by a word of theirs, in the order in which the words come. */
export function byWord(
  readings: readonly TrialReading[],
  key: string,
): ReadonlyMap<string, readonly TrialReading[]> {
  const groups = new Map<string, TrialReading[]>();
  for (const reading of readings) {
    const word = wordIn(reading, key);
    groups.set(word, [...(groups.get(word) ?? []), reading]);
  }
  return groups;
}

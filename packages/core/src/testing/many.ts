import { remembered } from '../contract/index.ts';

/**
 * So many draws of a property: a quarter of the usual in `npm test`, all of them before a landing (`npm test -- all`), and more
 * on request (ZUBRIC_LONG=1).
 */
export function many(usual: number, long: number): number {
  if (process.env.ZUBRIC_LONG) return long;
  return process.env.ZUBRIC_DAILY ? Math.ceil(usual / 4) : usual;
}

/** The items that are tried of what is alike: every third in `npm test`, all of them before a landing. */
export const sampled = <T>(items: readonly T[]): readonly T[] =>
  process.env.ZUBRIC_DAILY ? items.filter((_, at) => at % 3 === 0) : items;

/**
 * A slow function that several tests ask the same: once in `npm test`; anew by each before a landing, so that whatever is
 * wrong with it falls to every test that looks at it.
 */
export const askedOnce = <K extends object, V>(work: (key: K) => V): ((key: K) => V) =>
  process.env.ZUBRIC_DAILY ? remembered(work) : work;

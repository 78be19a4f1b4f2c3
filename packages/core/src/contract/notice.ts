import type { Sentence } from '../quantity/index.ts';

/** Something worth a word about a result: what it is by `code`, and the sentence, in nobody's units yet. */
export interface Notice {
  readonly code: string;
  readonly sentence: Sentence;
}

/**
 * What a calculation wants known: a code and a sentence whose figures are still figures.
 *
 * @example notice('few-teeth', 'A sprocket of 8 teeth runs rough.')
 *   // { code: 'few-teeth', sentence: ['A sprocket of 8 teeth runs rough.'] }
 */
export const notice = (code: string, said: Sentence | string): Notice => ({
  code,
  sentence: typeof said === 'string' ? [said] : said,
});

/**
 * The same is worth one word, not several.
 *
 * @example onceEach([notice('a', 'once'), notice('a', 'once')]).length // 1
 */
export const onceEach = (notices: readonly Notice[]): readonly Notice[] => [
  ...new Map(notices.map((one) => [JSON.stringify(one), one])).values(),
];

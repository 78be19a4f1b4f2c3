import type { Sentence } from '../quantity/index.ts';

/** Something worth a word about a result: what it is by `code`, and the sentence, in nobody's units yet. */
export interface Notice {
  readonly code: string;
  readonly sentence: Sentence;
}

/** @example notice('few-teeth', sentence`A sprocket of ${teeth} teeth runs rough.`) */
export const notice = (code: string, said: Sentence | string): Notice => ({
  code,
  sentence: typeof said === 'string' ? [said] : said,
});

/** The same is worth one word, not several. */
export const onceEach = (notices: readonly Notice[]): readonly Notice[] => [
  ...new Map(notices.map((one) => [JSON.stringify(one), one])).values(),
];

import { TOPICS } from '../contract/index.ts';
import { CALCULATORS, type AnyCalculator } from './registry.ts';

/** The questions that calculators answer, under what they are about. */
export const questionsByTopic = (): {
  readonly title: string;
  readonly questions: readonly AnyCalculator[];
}[] =>
  Object.entries(TOPICS).map(([id, title]) => ({
    title,
    questions: CALCULATORS.filter(({ topic }) => topic === id),
  }));

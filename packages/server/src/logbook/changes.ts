import { compareMargins, evaluate, marginInWords } from '@zubric/core/judge';
import { differencesBetween, inWords, type Build } from '@zubric/core/vehicle';

export interface ChangesInWords {
  readonly changes: string[];
  readonly margins: string[];
}

/** What turned one build into another, and which margins moved with it, in a builder's words. */
export function changesInWords(before: Build, after: Build): ChangesInWords {
  const changes = differencesBetween(before, after).map(
    (difference) => inWords(difference, before, after).text,
  );
  if (changes.length === 0) return { changes, margins: [] };
  const margins = compareMargins(evaluate(before), evaluate(after))
    .filter((margin) => margin.moved)
    .map(marginInWords);
  return { changes, margins };
}

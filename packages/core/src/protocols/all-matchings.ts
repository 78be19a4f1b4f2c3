import type { Matching } from './matching.ts';
import { motorsMatched } from './motor-matching.ts';
import type { TrialSet } from './trial-set.ts';
import { wheelsMatched } from './wheel-matching.ts';

/**
 * Which parts of a set go together; undefined of sets that match nothing, or have too little yet.
 *
 * @example matchingOf({ protocol: "pull", conditions: {}, trials: [] }) // undefined
 */
export function matchingOf({
  protocol,
  conditions,
  trials,
}: Pick<TrialSet, 'protocol' | 'conditions' | 'trials'>): Matching | undefined {
  const readings = trials.map(({ reading }) => reading);
  if (protocol === 'motor-matching') return motorsMatched(conditions, readings);
  return protocol === 'wheel-matching' ? wheelsMatched(conditions, readings) : undefined;
}

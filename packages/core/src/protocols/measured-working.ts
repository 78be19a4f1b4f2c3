import { trialSummary } from '../trials/index.ts';
import { calculated, type Calculation } from '../working/index.ts';
import { numbersIn } from './reading.ts';
import type { Measured } from './result.ts';
import type { TrialSet } from './trial-set.ts';

/**
 * How a measured number came about, where it is the mean of a reading over all runs; undefined of what is made of more.
 *
 * @example measuredWorking({ protocol: 'pull', conditions: {}, trials: [] }, { key: 'pull', n: 0 }) // undefined
 */
export function measuredWorking(
  { trials }: Pick<TrialSet, 'protocol' | 'conditions' | 'trials'>,
  { key, n }: Pick<Measured, 'key' | 'n'>,
): Calculation | undefined {
  const values = numbersIn(
    trials.map(({ reading }) => reading),
    key,
  );
  if (n < 2 || values.length !== n) return undefined;
  return calculated(trialSummary, { values }, 'mean', [
    { key: 'values', origin: 'measured', where: 'the runs of this set, in SI' },
  ]);
}

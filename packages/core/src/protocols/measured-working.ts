import { meanOf, trialSummary } from '../trials/index.ts';
import { calculated, type Calculation } from '../working/index.ts';
import { numbersIn } from './reading.ts';
import type { Measured } from './result.ts';
import type { TrialSet } from './trial-set.ts';

/** Means are the same within this share. */
const SAME = 1e-12;

/**
 * How a measured number came about, where it is the mean of a reading over all runs; undefined of what is made of more.
 *
 * @example measuredWorking({ protocol: 'pull', conditions: {}, trials: [] }, { key: 'pull', n: 0, value: 0 }) // undefined
 */
export function measuredWorking(
  { trials }: Pick<TrialSet, 'protocol' | 'conditions' | 'trials'>,
  { key, n, value }: Pick<Measured, 'key' | 'n' | 'value'>,
): Calculation | undefined {
  const values = numbersIn(
    trials.map(({ reading }) => reading),
    key,
  );
  if (n < 2 || values.length !== n) return undefined;
  // What is the highest of its readings, or put through something, is no mean of them.
  if (Math.abs(meanOf(values) - value) > SAME * Math.abs(value)) return undefined;
  return calculated(trialSummary, { values }, 'mean', [
    { key: 'values', origin: 'measured', where: 'the runs of this set, in SI' },
  ]);
}

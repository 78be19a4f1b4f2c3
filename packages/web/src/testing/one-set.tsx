import type { StoredTrialSet } from '@zubric/core/answers';
import { typed } from '@zubric/core/quantity';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect } from 'vitest';
import { Trials } from '../stations/trials/Trials.tsx';
import { answering, Refusal, type SeenRequest } from './answers.ts';
import { demo } from './demo.ts';
import { onBench, text } from './on-bench.tsx';

type Reading = StoredTrialSet['trials'][number]['reading'];

/** A set of trials with its readings. */
export const setOf = (
  protocol: StoredTrialSet['protocol'],
  conditions: StoredTrialSet['conditions'],
  readings: readonly Reading[] = [],
): StoredTrialSet => ({
  ...{
    id: 's1',
    buildId: 'b',
    protocol,
    name: 'The set',
    conditions: { floor: '', note: '', ...conditions },
  },
  ...{ invented: false, version: 1, createdAt: '2026-11-20T10:00:00Z' },
  trials: readings.map((reading, n) => ({
    ...{ id: `t${n}`, ordinal: n + 1, reading, recordedAt: '2026-11-20T10:00:00Z' },
  })),
});

/** A server that keeps one set of a build, and takes its runs. */
export function serving(first: StoredTrialSet): SeenRequest[] {
  let set = first;
  return answering({
    'GET /api/builds/b/trial-sets': () => ({ trialSets: [set] }),
    'GET /api/parts': () => ({ parts: [] }),
    'GET /api/parts/*': () => new Refusal(404, 'There is no such part.'),
    'DELETE /api/trial-sets/s1/trials/*': (_, [id]) => {
      set = { ...set, trials: set.trials.filter((t) => t.id !== id) };
    },
    'PUT /api/trial-sets/s1/trials/*': ({ body }, [id = '']) => {
      const run = {
        ...{ id, ordinal: set.trials.length + 1, recordedAt: '2026-11-20T10:05:00Z' },
        ...(body as { reading: Reading }),
      };
      set = { ...set, trials: [...set.trials.filter((t) => t.id !== id), run] };
      return run;
    },
  });
}
/** Opens Trials with one set on a build of the demo; gives what is asked of the server. */
export const openSet = async (set: StoredTrialSet, name = 'puffin'): Promise<SeenRequest[]> => {
  const asked = serving(set);
  onBench(<Trials />, demo(name));
  await screen.findByRole('button', { name: 'New trial' });
  await waitFor(() => expect(text()).toContain('The set'));
  return asked;
};
/** Presses a button by its name. */
export const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
/** Types into a field by its label. */
export const fill = (label: string | RegExp, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};
/** A measured number. */
export const q = (value: number, unit: string) => typed(value, unit, 'measured');

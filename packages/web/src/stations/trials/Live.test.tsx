import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { StoredTrialSet } from '@zubric/core/answers';
import type { SeenRequest } from '../../testing/answers.ts';
import { demo } from '../../testing/demo.ts';
import { onBench, pressButton, text } from '../../testing/on-bench.tsx';
import { q, serving, setOf } from '../../testing/one-set.tsx';
import { Live } from './Live.tsx';

const LONG = { timeout: 20_000 };
const show = (set: StoredTrialSet, onRecorded = vi.fn()): SeenRequest[] => {
  const asked = serving(set);
  onBench(<Live set={set} onRecorded={onRecorded} />, demo('puffin'));
  return asked;
};
const runs = (asked: readonly SeenRequest[]) =>
  asked.filter(({ method, path }) => method === 'PUT' && path.includes('/trials/'));
const straight = setOf('straight-run', { commanded: q(3, 'm') });

describe('runs read live', () => {
  it('come from the simulated vehicle, one by one, each recorded as it ends', async () => {
    const recorded = vi.fn();
    const asked = show(straight, recorded);
    pressButton('A simulated vehicle');
    await waitFor(() => expect(text()).toContain('Connected to the simulated vehicle.'));
    pressButton('Run it once');
    await waitFor(() => expect(runs(asked)).toHaveLength(1), LONG);
    expect(runs(asked)[0]?.body).toMatchObject({
      reading: { side: { origin: 'measured' }, distance: { origin: 'measured' } },
    });
    const body = runs(asked)[0]?.body as { reading: { distance: { value: number } } } | undefined;
    const wentM = body?.reading.distance.value;
    // It was told 3 m, and slips and errs a little.
    expect(wentM).toBeGreaterThan(2);
    expect(wentM).toBeLessThan(3.5);
    await waitFor(() => expect(recorded).toHaveBeenCalledOnce());
    await screen.findByRole('button', { name: 'Run it once' });
  });

  it('go on until as many are there as the trial wants, and stop when told', async () => {
    const asked = show(straight);
    pressButton('A simulated vehicle');
    await screen.findByRole('button', { name: 'Run it once' });
    pressButton(/^Run it \d+ times$/);
    await waitFor(() => expect(text()).toContain('It runs.'));
    await waitFor(() => expect(runs(asked).length).toBeGreaterThan(1), LONG);
    pressButton('Stop');
    await screen.findByRole('button', { name: 'Run it once' }, LONG);
    const then = runs(asked).length;
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect(runs(asked)).toHaveLength(then);
  });

  it('are not offered where a trial is read by eye', () => {
    show(setOf('after-load', {}));
    expect(screen.queryByRole('group', { name: 'Live from the vehicle' })).toBeNull();
  });

  it('say why a cable gives none, and offer the simulated one again', async () => {
    vi.stubGlobal('navigator', {
      serial: { requestPort: () => Promise.reject(new Error('No port was picked.')) },
    });
    show(straight);
    pressButton('The vehicle on a cable');
    expect((await screen.findByRole('alert')).textContent).toBe('No port was picked.');
    fireEvent.click(screen.getByRole('button', { name: 'A simulated vehicle' }));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  });
});

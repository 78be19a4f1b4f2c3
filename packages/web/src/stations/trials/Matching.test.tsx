import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { kept, text } from '../../testing/on-bench.tsx';
import { openSet, q, setOf } from '../../testing/one-set.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';

/** Motors of these speeds at full power forward, a run of each. */
const motors = (rpm: Readonly<Record<string, number>>) =>
  setOf(
    'motor-matching',
    {
      ...{ motors: Object.keys(rpm), powers: [q(1, '%')], ways: 'forward', reads: 'speed' },
      load: q(0, 'N·m'),
    },
    Object.entries(rpm).map(([motor, turns]) => ({
      ...{ motor, power: q(1, '%'), way: 'forward' },
      speed: q((turns * Math.PI) / 30, 'rpm'),
    })),
  );

beforeEach(() => void workOfTheBench());

describe('motors matched in pairs', () => {
  it('are paired with the nearest, and the best pair is named with how far it is apart', async () => {
    await openSet(motors({ A: 300, B: 330, C: 301, D: 328 }));
    await waitFor(() => expect(text()).toMatch(/A with C/));
    expect(text()).toMatch(/B with D|D with B/);
    expect(screen.getAllByRole('img').length).toBeGreaterThan(0);
  });

  it('are driven on the Test track: the right one faster by as much as the two are apart', async () => {
    await openSet(motors({ A: 300, B: 306 }));
    const drive = await screen.findByRole('button', { name: 'Drive the pair on the Test track' });
    fireEvent.click(drive);
    const { rightFaster, motors: spread } = kept().driving?.mismatch ?? {};
    // 6 rpm of about 300: two in a hundred.
    expect(rightFaster).toBeCloseTo(0.02, 3);
    expect(spread).toBe(0);
  });

  it('never drive one more than half as fast again, whatever was read', async () => {
    await openSet(motors({ A: 100, B: 900 }));
    fireEvent.click(await screen.findByRole('button', { name: 'Drive the pair on the Test track' }));
    expect(kept().driving?.mismatch?.rightFaster).toBe(0.5);
  });
});

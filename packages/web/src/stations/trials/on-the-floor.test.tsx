import { courseOf } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { kept, text } from '../../testing/on-bench.tsx';
import { openSet, press, q, setOf } from '../../testing/one-set.tsx';

describe('runs over a course', () => {
  const course = courseOf([
    { kind: 'go', distanceM: 1 },
    { kind: 'turn', deg: 90 },
  ]);

  it('say which course, kept with the set, and whether it ends where that ends', async () => {
    const runs = Array.from({ length: 10 }, (_, n) => ({
      side: q(0.08 + 0.001 * n, 'mm'),
      ahead: q(-0.02, 'mm'),
    }));
    await openSet(setOf('course-run', { course: { ...course, name: 'Round the bench' } }, runs));
    const says = text().replaceAll('\u00a0', ' ');
    expect(says).toContain('Round the bench, 2 legs, as it was here');
    expect(says).toContain(
      'It ends off the same way: 84.5 mm right and 20 mm short on average over 10 runs.',
    );
    expect(screen.getByRole('link', { name: /begun from the Test track/ })).toBeTruthy();
    expect(says).toContain('in the oval, which is round on the floor, it counts as a hit');
    // What no run has read takes no room.
    expect(screen.queryByRole('columnheader', { name: 'Faces off' })).toBeNull();
    expect(screen.getByRole('columnheader', { name: 'Ended short or past' })).toBeTruthy();
  });
});

describe('a drawer of motors', () => {
  const drawer = {
    motors: ['1', '2', '3'],
    powers: [q(0.5, '%'), q(1, '%')],
    ...{ ways: 'forward', reads: 'speed', repeats: q(1, '') },
  };

  it('asks for the next empty cell, or for the one that was pressed', async () => {
    await openSet(setOf('motor-matching', drawer));
    expect((screen.getByLabelText('Run 1: motor') as HTMLSelectElement).value).toBe('1');
    press(/^Read motor 3 at 100.% forward: 0 of 1 read$/);
    expect((screen.getByLabelText('Run 1: motor') as HTMLSelectElement).value).toBe('3');
    expect((screen.getByLabelText('Power') as HTMLInputElement).value).toBe('100 %');
  });

  it('is read live to its end by the simulated vehicle, and gives its best pair with what it does on the floor', async () => {
    const asked = await openSet(setOf('motor-matching', drawer));
    press('A simulated vehicle');
    fireEvent.click(await screen.findByRole('button', { name: 'Read all that is left' }));
    await waitFor(() => expect(asked.filter(({ method }) => method === 'PUT')).toHaveLength(6), {
      timeout: 8000,
    });
    const matching = within(await screen.findByRole('region', { name: 'Which go together' }));
    expect(matching.getAllByText(/apart: ends .* to the side over 2.m/).length).toBeGreaterThan(0);
    expect(await screen.findByRole('button', { name: 'Run it once' })).toBeTruthy();
  });

  it('writes the numbers of the pair to the motor', async () => {
    const read = ['1', '2', '3'].flatMap((motor, n) =>
      [0.5, 1].map((power) => ({
        motor,
        power: q(power, '%'),
        way: 'forward',
        speed: q(100 * power * ([1, 1.1, 1.003][n] ?? 1), 'rpm'),
      })),
    );
    await openSet(setOf('motor-matching', drawer, read));
    press('Fit 1 and 3');
    await waitFor(() =>
      expect(kept().parts.find(({ kind }) => kind === 'motor')?.note).toMatch(/Matched on .*: 1 and 3\.$/),
    );
  });
});

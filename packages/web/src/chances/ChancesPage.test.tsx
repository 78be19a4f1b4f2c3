import { chances } from '@zubric/core/spreads';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demo } from '../testing/demo.ts';
import { onBench, text } from '../testing/on-bench.tsx';
import { workerHere } from '../testing/worker-here.ts';
import { benchWork } from '../workers/bench-work.ts';
import { ChancesPage } from './ChancesPage.tsx';

const puffin = demo('puffin');
const found = chances(puffin, { samples: 60 });
/** The work of the bench, with fewer draws. */
const quick = { ...benchWork, chances: () => Promise.resolve(found) };

describe('how sure a build is', () => {
  beforeEach(() => vi.stubGlobal('Worker', workerHere(quick)));

  it('is told of each job, what is most in doubt first, with the number to measure and how', async () => {
    onBench(<ChancesPage />, puffin);
    expect(text()).toContain('9 numbers of this build are not known exactly.');
    fireEvent.click(screen.getByRole('button', { name: 'Work it out' }));
    const list = within(await screen.findByRole('list', { name: 'How often each job holds' }));
    const rows = list.getAllByRole('listitem');
    const least = [...found.each].sort((a, b) => a.keeps - b.keeps)[0];
    const name = puffin.duties.find(({ id }) => id === least?.dutyId)?.name ?? '';
    expect(rows[0]?.textContent).toContain(name);
    expect(rows[0]?.textContent).toContain(`${Math.round(100 * (least?.keeps ?? NaN))} %`);
    expect(rows.find((row) => row.textContent?.startsWith('Slip, empty'))?.textContent).toMatch(
      /grip \(0\.45 to 0\.65\) decides \d+ % of it/,
    );
    expect(screen.getAllByRole('link', { name: 'the sum' })[0]?.getAttribute('href')).toBe(
      '/sums/coast-down',
    );
  });

  it('where nothing is uncertain there is nothing to work out', () => {
    const known = {
      ...puffin,
      masses: {
        ...puffin.masses,
        payload: { ...puffin.masses.payload, mass: { ...puffin.masses.payload.mass, spread: 0 } },
      },
      grounds: puffin.grounds.map((ground) => ({
        ...ground,
        rolling: { ...ground.rolling, spread: 0 },
        freeRolling: { ...ground.freeRolling, spread: 0 },
        friction: { ...ground.friction, spread: 0 },
        across: { ...ground.across, spread: 0 },
      })),
    };
    onBench(<ChancesPage />, known);
    expect(text()).toContain('Every number of this build stands for sure');
    expect(screen.getByRole('button', { name: /Work it out/ })).toHaveProperty('disabled', true);
  });

  it('that dies twice is told, and can be tried again', async () => {
    const Here = workerHere({ ...benchWork, chances: () => new Promise(() => undefined) });
    vi.stubGlobal('Worker', Here);
    onBench(<ChancesPage />, { ...puffin, name: 'Puffin the second' });
    fireEvent.click(screen.getByRole('button', { name: /Work it out/ }));
    await screen.findByRole('button', { name: 'Stop' });
    const first = Here.last;
    first?.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    await waitFor(() => expect(Here.last).not.toBe(first));
    Here.last?.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    expect((await screen.findByRole('alert')).textContent).toContain('out of memory');
  });
});

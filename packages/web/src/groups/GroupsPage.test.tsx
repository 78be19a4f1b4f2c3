import type { GroupTrialSet } from '@zubric/core/answers';
import { typed } from '@zubric/core/quantity';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering, Refusal } from '../testing/answers.ts';
import { demo } from '../testing/demo.ts';
import { onPage } from '../testing/on-page.tsx';
import { GroupsPage } from './GroupsPage.tsx';

const setOf = (buildName: string, sides: readonly number[]): GroupTrialSet => ({
  ...{ id: buildName, buildId: buildName.toLowerCase(), buildName, protocol: 'straight-run', name: 'Hall' },
  conditions: { commanded: typed(3, 'm'), group: 'Marsh class', floor: '', note: '' },
  ...{ invented: false, version: 1, createdAt: '2026-11-20T10:00:00Z' },
  trials: sides.map((side, n) => ({
    ...{ id: `t${n}`, ordinal: n + 1, recordedAt: '2026-11-20T10:00:00Z' },
    reading: { side: typed(side, 'mm'), distance: typed(3, 'm') },
  })),
});
const line = (id: string, name: string) => ({
  ...{ id, name, version: 1, updatedAt: '2026-11-20T10:00:00Z', problem: 'not looked at' },
});

describe('a class and a club', () => {
  it('stand side by side, the best first, each scored against it', async () => {
    answering({
      'GET /api/trial-sets': () => ({ trialSets: [setOf('Moth', [0.02, -0.02]), setOf('Pip', [0.01])] }),
    });
    onPage(<GroupsPage />, '/groups');
    const board = await screen.findByRole('region', { name: 'Marsh class: Straight runs' });
    const rows = within(board)
      .getAllByRole('row')
      .map(({ textContent }) => (textContent ?? '').replaceAll('\u00a0', ' '));
    expect(rows[1]).toBe('Pip1 of 1010 mm100 %');
    expect(rows[2]).toBe('Moth2 of 1020 mm50 %');
    expect(within(board).getByRole('link', { name: 'Moth' }).getAttribute('href')).toBe(
      '/builds/moth/trials?set=Moth',
    );
  });

  it('begin the same trial in several builds at once, alike in all', async () => {
    const asked = answering({
      'GET /api/trial-sets': () => ({ trialSets: [] }),
      'GET /api/builds\\?place=bench': () => ({ builds: [line('puffin', 'Puffin'), line('moth', 'Moth')] }),
      'GET /api/builds/*': (_, [id = '']) => ({
        id,
        version: 1,
        updatedAt: '2026-11-20T10:00:00Z',
        document: demo('puffin'),
      }),
      'POST /api/builds/*/trial-sets': ({ body }, [id = '']) => ({ ...setOf(id, []), ...(body as object) }),
    });
    onPage(<GroupsPage />, '/groups');
    fireEvent.click(await screen.findByRole('button', { name: 'Begin a trial for several builds' }));
    fireEvent.click(screen.getByRole('button', { name: 'Begin it for 0 builds' }));
    expect((await screen.findByRole('alert')).textContent).toBe('Give the class or club a name.');
    fireEvent.change(screen.getByLabelText('Class or club'), { target: { value: 'Marsh class' } });
    fireEvent.click(await screen.findByLabelText('Puffin'));
    fireEvent.click(screen.getByRole('button', { name: 'Begin it for 1 builds' }));
    expect((await screen.findByRole('alert')).textContent).toBe('Choose two builds or more.');
    fireEvent.click(screen.getByLabelText('Moth'));
    fireEvent.click(screen.getByRole('button', { name: 'Begin it for 2 builds' }));
    await waitFor(() => expect(asked.filter(({ method }) => method === 'POST')).toHaveLength(2));
    const bodies = asked
      .filter(({ method }) => method === 'POST')
      .map(({ body }) => body as { conditions: object; protocol: string });
    expect(bodies[0]).toMatchObject({ protocol: 'straight-run', conditions: { group: 'Marsh class' } });
    expect(bodies[1]?.conditions).toEqual(bodies[0]?.conditions);
  });

  it('say where the sets cannot be had', async () => {
    answering({ 'GET /api/trial-sets': () => new Refusal(503, 'The database is away for a moment.') });
    onPage(<GroupsPage />, '/groups');
    expect((await screen.findByText('The database is away for a moment.')).textContent).toBeTruthy();
  });
});

import { newBuild } from '@zubric/core/vehicle';
import { calculate } from '@zubric/core/calculators';
import { typed } from '@zubric/core/quantity';
import type { TrialReading } from '@zubric/core/protocols';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { StoredTrialSet } from '@zubric/core/answers';
import { Refusal, answering, type SeenRequest } from '../../testing/answers.ts';
import { onBench, text } from '../../testing/on-bench.tsx';
import { Trials } from './Trials.tsx';

const reading = (sideM: number, distanceM = 2.9): TrialReading => ({
  side: typed(sideM, 'mm'),
  distance: typed(distanceM, 'm'),
  note: '',
});
const setOf = (sides: readonly number[], more: Partial<StoredTrialSet> = {}): StoredTrialSet => ({
  id: 's1',
  buildId: 'b',
  protocol: 'straight-run',
  name: 'Hall floor',
  conditions: { floor: 'boards', commanded: typed(3, 'm'), note: '' },
  invented: false,
  version: 1,
  createdAt: '2026-11-20T10:00:00Z',
  trials: sides.map((side, n) => ({
    id: `t${n}`,
    ordinal: n + 1,
    reading: reading(side),
    recordedAt: '2026-11-20T10:00:00Z',
  })),
  ...more,
});

/** A server that keeps one set, and takes and removes its runs. */
function serving(first: StoredTrialSet): SeenRequest[] {
  let set = first;
  return answering({
    'GET /api/builds/b/trial-sets': () => ({ trialSets: [set] }),
    'PUT /api/trial-sets/s1/trials/*': ({ body }, [id = '']) => {
      const run = {
        id,
        ordinal: set.trials.length + 1,
        recordedAt: '2026-11-20T10:05:00Z',
        ...(body as { reading: TrialReading }),
      };
      set = { ...set, trials: [...set.trials.filter((t) => t.id !== id), run] };
      return run;
    },
    'DELETE /api/trial-sets/s1/trials/*': (_, [id]) => {
      set = { ...set, trials: set.trials.filter((t) => t.id !== id) };
    },
    'PUT /api/trial-sets/s1': ({ body }) => {
      set = { ...set, version: set.version + 1, ...(body as object) };
      return { id: 's1', version: set.version };
    },
  });
}

const show = async (set: StoredTrialSet): Promise<SeenRequest[]> => {
  const asked = serving(set);
  onBench(<Trials />, newBuild('Gull'));
  await screen.findByRole('heading', { name: 'What the runs say' });
  return asked;
};
const type = (label: string | RegExp, value: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const record = (side: string, distance: string): void => {
  type(/^Run \d+: ended to the side/, side);
  type('Distance covered', distance);
  fireEvent.click(screen.getByRole('button', { name: 'Record run' }));
};

const RIGHT = [0.12, 0.1, 0.15, 0.08, 0.11, 0.13, 0.09, 0.14, 0.1, 0.12];
const BOTH = [0.12, -0.1, 0.05, -0.08, 0.01, 0.03, -0.09, 0.04, -0.02, 0.05];

describe('trials', () => {
  it('changes a run that was written down wrong, in its place', async () => {
    const asked = await show(setOf([0.01, 0.02]));
    fireEvent.click(await screen.findByRole('button', { name: 'Change run 2' }));
    const side = screen.getByLabelText('Run 2: ended to the side, left −');
    expect((side as HTMLInputElement).value).toBe('20 mm');
    fireEvent.change(side, { target: { value: '-35 mm' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep run 2' }));
    expect(await screen.findByRole('row', { name: /35.mm left/ })).toBeTruthy();
    const put = asked.filter(({ method, path }) => method === 'PUT' && path.endsWith('/trials/t1'));
    expect(put).toHaveLength(1);
    expect(screen.queryByRole('button', { name: 'Keep run 2' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Change run 1' }));
    fireEvent.click(screen.getByRole('button', { name: 'As it was' }));
    expect(screen.getByRole('row', { name: /10.mm right/ })).toBeTruthy();
  });

  it('has no verdict under ten runs, and one with ten, which the luck beside it never contradicts', async () => {
    await show(setOf(RIGHT.slice(0, 9)));
    expect(text()).toContain('1 more run makes a verdict.');
    cleanup();
    await show(setOf(RIGHT));
    // The mean of the ten is 114 mm, to the right (by hand).
    expect(text()).toContain(
      'It veers to the right: 114 mm right on average over 10 runs, 10 right and 0 left.',
    );
    expect(text()).toContain('So far off by luck aloneless than 0.1 % of the time');
    cleanup();
    await show(setOf(BOTH));
    expect(text()).toContain('No bias shown');
    expect(Number(/luck alone([\d.]+) %/.exec(text())?.[1])).toBeGreaterThan(5);
  });

  it('shows mean and spread as the trial-summary sum has them, each with its unit', async () => {
    await show(setOf(RIGHT));
    const summary = calculate('trial-summary', { values: RIGHT }) as Record<string, number>;
    const numbers = within(screen.getByLabelText('In numbers'));
    const figure = (title: string): string =>
      (numbers.getByText(title).parentElement?.textContent ?? '')
        .replaceAll('\u00a0', ' ')
        .slice(title.length);
    expect(figure('End to the side')).toContain(`${Math.round((summary.mean ?? 0) * 1000)} mm right`);
    expect(figure('End to the side')).toContain(`scatter by ${((summary.sd ?? 0) * 1000).toFixed(1)} mm`);
    expect(figure('End to the side')).toMatch(/95 % interval: [\d.]+ mm right to [\d.]+ mm right/);
    // 2.9 m of 3 m ordered.
    expect(figure('Way covered over way ordered')).toContain('96.67 %');
  });

  it('records a run by Enter, with both readings marked as measured, and counts on', async () => {
    const asked = await show(setOf([]));
    expect(text()).toContain('No run yet: 10 make a verdict.');
    record('-35 mm', '2.85 m');
    await screen.findByRole('row', { name: /35.mm left/ });
    const put = asked.find(({ method }) => method === 'PUT');
    expect(put?.body).toMatchObject({
      reading: { side: { value: -0.035, origin: 'measured' }, distance: { value: 2.85, origin: 'measured' } },
    });
    expect(text()).toContain('9 more runs make a verdict.');
  });

  it('asks whether a run that ends further to the side than along is meant, and takes it at the second press', async () => {
    const asked = await show(setOf([]));
    const sent = () => asked.filter(({ method }) => method === 'PUT');
    record('30 m', '2 m');
    expect((await screen.findByText(/is that meant\?/)).textContent?.replaceAll('\u00a0', ' ')).toContain(
      'Ended to the side: 30 m right',
    );
    expect(sent()).toHaveLength(0);
    fireEvent.click(screen.getByRole('button', { name: 'Record run' }));
    await waitFor(() => expect(sent()).toHaveLength(1));
    // Another odd reading is asked about anew.
    await screen.findByRole('row', { name: /30.m right/ });
    record('-40 m', '2 m');
    await screen.findByText(/is that meant\?/);
    expect(sent()).toHaveLength(1);
  });

  it('asks for both readings, and keeps them where the server will not have them', async () => {
    await show(setOf([]));
    type('Distance covered', '2 m');
    fireEvent.click(screen.getByRole('button', { name: 'Record run' }));
    expect(await screen.findByText('Still needed: ended to the side.')).toBeTruthy();
    answering({
      'GET /api/builds/b/trial-sets': () => ({ trialSets: [setOf([])] }),
      'PUT /api/trial-sets/s1/trials/*': () => new Refusal(403, 'This device may only look.'),
    });
    type(/^Run 1: ended to the side/, '12 mm');
    fireEvent.click(screen.getByRole('button', { name: 'Record run' }));
    expect(await screen.findByText(/Not recorded: .*The readings are kept here\./)).toBeTruthy();
    expect((screen.getByLabelText('Distance covered') as HTMLInputElement).value).toBe('2 m');
  });

  it('keeps a run here while the server is away, and shows it as not sent yet', async () => {
    await show(setOf([0.1]));
    answering({
      'GET /api/builds/b/trial-sets': () => ({ trialSets: [setOf([0.1])] }),
      'PUT /api/trial-sets/s1/trials/*': () => new Refusal(503, 'The database is away for a moment.'),
    });
    record('12 mm', '2 m');
    expect((await screen.findByRole('row', { name: /12.mm right/ })).textContent).toMatch(/^2not sent yet/);
    expect(text()).toContain('8 more runs make a verdict.');
    // The next run can be typed at once.
    expect((screen.getByLabelText(/^Run 3: ended to the side/) as HTMLInputElement).value).toBe('');
  });

  it('removes a run only when told twice', async () => {
    const asked = await show(setOf([0.1, 0.2]));
    fireEvent.click(screen.getByRole('button', { name: 'Remove run 2' }));
    fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
    expect(asked.some(({ method }) => method === 'DELETE')).toBe(false);
    fireEvent.click(screen.getByRole('button', { name: 'Remove run 2' }));
    fireEvent.click(screen.getByRole('button', { name: 'Remove run 2' }));
    await waitFor(() => expect(screen.queryByRole('row', { name: /200.mm right/ })).toBeNull());
    expect(asked.some(({ method, path }) => method === 'DELETE' && path.endsWith('/t1'))).toBe(true);
  });

  it('saves conditions a moment after they are typed, against the version that it has', async () => {
    const asked = await show(setOf([0.1]));
    type('Floor', 'wet tiles');
    await waitFor(
      () => expect(asked.some(({ method, path }) => method === 'PUT' && path.endsWith('/s1'))).toBe(true),
      {
        timeout: 2000,
      },
    );
    const put = asked.find(({ method, path }) => method === 'PUT' && path.endsWith('/s1'));
    expect(put).toMatchObject({ version: '"1"', body: { conditions: { floor: 'wet tiles' } } });
  });

  it('begins a set with what stays the same over its runs', async () => {
    const asked = answering({
      'GET /api/builds/b/trial-sets': () => ({ trialSets: [] }),
      'POST /api/builds/b/trial-sets': () => setOf([]),
    });
    onBench(<Trials />, newBuild('Gull'));
    fireEvent.click(await screen.findByRole('button', { name: /^Does it run straight/ }));
    type('Floor', 'school hall');
    type('Distance ordered', '5 m');
    type('Battery before', '12.6 V');
    fireEvent.click(screen.getByRole('button', { name: 'Begin the set' }));
    await waitFor(() => expect(asked.some(({ method }) => method === 'POST')).toBe(true));
    expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({
      protocol: 'straight-run',
      name: 'Straight runs',
      conditions: {
        floor: 'school hall',
        commanded: { value: 5 },
        batteryBefore: { value: 12.6, origin: 'measured' },
      },
    });
  });

  it('says what is missing before a set can begin, and begins none', async () => {
    const asked = answering({ 'GET /api/builds/b/trial-sets': () => ({ trialSets: [] }) });
    onBench(<Trials />, newBuild('Gull'));
    fireEvent.click(await screen.findByRole('button', { name: /^Is the change worth it/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Another trial' }));
    fireEvent.click(screen.getByRole('button', { name: /^How long does the battery last/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Begin the set' }));
    expect(await screen.findByText('Still needed: Empty at.')).toBeTruthy();
    expect(asked.some(({ method }) => method === 'POST')).toBe(false);
  });

  it('says so where trials cannot be had, and tries again when told', async () => {
    answering({
      'GET /api/builds/b/trial-sets': () => new Refusal(503, 'The database is away for a moment.'),
    });
    onBench(<Trials />, newBuild('Gull'));
    expect((await screen.findByRole('alert')).textContent).toContain('The database is away for a moment.');
    serving(setOf([0.1]));
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await screen.findByRole('heading', { name: 'What the runs say' });
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

import { readFileSync } from 'node:fs';
import { search, usualLimits } from '@zubric/core/search';
import { driveOf, motorOf, partSchema, batteryOf } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answering, Refusal, type SeenRequest } from '../testing/answers.ts';
import { demo } from '../testing/demo.ts';
import { kept, onBench, text } from '../testing/on-bench.tsx';
import { workerHere, workOfTheBench } from '../testing/worker-here.ts';
import { benchWork } from '../workers/bench-work.ts';
import { SearchPage } from './SearchPage.tsx';

const PARTS = [
  'motor-24v-350w-9',
  'motor-24v-500w-9',
  'motor-24v-120w-10',
  'motor-servo-micro',
  'driver-2x32',
  'driver-2x60',
  'battery-8s-20',
  'battery-8s-40',
];
const shelf = ['motors', 'drivers', 'batteries']
  .flatMap((file) => partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))))
  .filter(({ id }) => PARTS.includes(id));
const puffin = demo('puffin');

const serve = (snapshot: () => unknown): SeenRequest[] =>
  answering({ 'GET /api/parts': () => ({ parts: shelf }), 'POST /api/builds/b/snapshots': snapshot });

const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
const found = () => screen.findByText(/sets judged; /, {}, { timeout: 45_000 });
const listed = (): string[] =>
  within(screen.getByRole('list', { name: 'Sets by what counts, the best first' }))
    .getAllByRole('listitem')
    .map((item) => item.textContent ?? '');

/** A page from which a search was started with one kind of stage and few teeth. */
async function searched(build = puffin): Promise<void> {
  onBench(<SearchPage />, { ...build, name: `Puffin ${crypto.randomUUID()}` });
  fireEvent.change(screen.getByLabelText('Stages behind the motor'), { target: { value: '1' } });
  // A page keeps what an earlier search of its build allowed.
  for (const kind of ['Toothed belt', 'Spur gears'])
    if (screen.getByRole<HTMLInputElement>('checkbox', { name: kind }).checked)
      fireEvent.click(screen.getByLabelText(kind));
  await waitFor(() =>
    expect(screen.getByRole('button', { name: 'Search' })).toHaveProperty('disabled', false),
  );
  press('Search');
  // What an earlier search of this build found goes first.
  await screen.findByRole('button', { name: 'Stop' });
  await found();
}

describe('the search for a set', () => {
  let asked: SeenRequest[];
  beforeEach(() => {
    workOfTheBench();
    asked = serve(() => ({ number: 7, name: 'Before', createdAt: '2026-11-28T10:00:00Z' }));
  });

  it('counts what lies on the shelf once that has come, and says so until then', async () => {
    onBench(<SearchPage />, puffin);
    expect(text()).toContain('The shelf is being opened');
    expect(text()).not.toMatch(/lie 0 motors/);
    expect(await screen.findByText(/^On the shelf lie 4 motors, 2 drivers and 2 batteries/)).toBeTruthy();
    expect(text()).not.toContain('The shelf is being opened');
  });

  it('lists the sets that are worth choosing from, and says how many were judged', async () => {
    await searched();
    const { judged, works, front } = search({
      build: puffin,
      shelf,
      limits: { ...usualLimits, stages: 1, kinds: ['chain'] },
    });
    expect(text()).toContain(
      `${judged.toLocaleString('en')} sets judged; ${works.toLocaleString('en')} of them do all`,
    );
    expect(text()).toContain(`${front.length} are worth choosing from`);
    expect(text().includes('Each is short of a rule')).toBe(front.every(({ near }) => near < 1));
    expect(listed().length).toBe(Math.min(8, front.length));
  });

  it('says so where each set that works is short of a rule', async () => {
    const strict = { ...puffin, marginPolicy: { ...puffin.marginPolicy, torque: 10 } };
    await searched(strict);
    expect(text()).toMatch(
      /worth choosing from.* Each is short of a rule somewhere: beside it stands where\./,
    );
  });

  it('puts a set in once a snapshot is taken, and says so', async () => {
    await searched();
    fireEvent.click(screen.getAllByRole('button', { name: /^Put in: 24 V 500 W/ })[0] ?? document.body);
    await screen.findByText(/are in the build. What it was before is kept as snapshot 7/);
    expect(asked.some(({ method, path }) => method === 'POST' && path.endsWith('/snapshots'))).toBe(true);
    expect(motorOf(kept())?.id).toBe('motor-24v-500w-9');
    expect(batteryOf(kept())).toBeDefined();
    expect(driveOf(kept()).stages.every(({ kind }) => kind === 'chain')).toBe(true);
  });

  it('puts nothing in where no snapshot can be taken', async () => {
    serve(() => new Refusal(503, 'The database is away.'));
    await searched();
    fireEvent.click(screen.getAllByRole('button', { name: /^Put in: 24 V 500 W/ })[0] ?? document.body);
    await screen.findByText(/Nothing was put in, as no snapshot could be taken/);
    expect(motorOf(kept())?.id).toBe(motorOf(puffin)?.id);
  });

  it('orders by what counts, and leaves out what the ends leave out', async () => {
    await searched();
    const only = (aim: string): void => {
      for (const other of ['Cost', 'Mass', 'Run time', 'Worst margin'])
        fireEvent.change(screen.getByRole('slider', { name: `${other} counts` }), {
          target: { value: other === aim ? '4' : '0' },
        });
    };
    const figures = (word: string): number[] =>
      listed().map((line) =>
        Number(new RegExp(`${word}\\s([\\d.]+)`).exec(line.replaceAll('\u00a0', ' '))?.[1]),
      );
    only('Cost');
    expect(figures('costs')).toEqual([...figures('costs')].sort((a, b) => a - b));
    only('Mass');
    expect(figures('weighs')).toEqual([...figures('weighs')].sort((a, b) => a - b));
    const all = listed().length;
    fireEvent.change(screen.getByRole('slider', { name: 'Mass to' }), { target: { value: '10' } });
    expect(listed().length).toBeLessThan(all);
  });

  it('stands up to four side by side, with the margins that tell them apart', async () => {
    await searched();
    for (const box of screen.getAllByRole('checkbox', { name: /^Side by side/ }).slice(0, 2))
      fireEvent.click(box);
    const table = within(screen.getByRole('region', { name: 'Side by side' }));
    expect(table.getByRole('row', { name: /^Cost/ })).toBeDefined();
    expect(table.getAllByRole('button', { name: /^Put in/ })).toHaveLength(2);
    const lines = table
      .getAllByRole('row')
      .filter((row) => /(ample|tight|short|fails)$/.test(row.textContent ?? ''));
    expect(lines.length).toBeGreaterThan(0);
    for (const line of lines) {
      const cells = within(line).getAllByRole('cell');
      const [best = '', ...others] = cells
        .filter(({ className }) => className.includes('font-semibold'))
        .map(({ textContent }) => textContent);
      // As good as it reads: never one of two that say the same.
      for (const other of others) expect(other).toBe(best);
      expect(cells.filter(({ textContent }) => textContent === best)).toHaveLength(1 + others.length);
      for (const { textContent } of cells)
        expect(parseFloat(textContent ?? '')).toBeLessThanOrEqual(parseFloat(best));
    }
  });

  it('says of any other part why it is not among them', async () => {
    await searched();
    fireEvent.change(screen.getByLabelText('Why not this one?'), { target: { value: 'motor-servo-micro' } });
    expect(text()).toContain('It turns from stop to stop only: it drives no wheel.');
  });

  it('waits until what cannot be read is put right', async () => {
    onBench(<SearchPage />, puffin);
    fireEvent.change(screen.getByLabelText('Teeth on the driving side'), { target: { value: 'ten' } });
    expect(text()).toContain('This cannot be read. Counts and runs of them');
    await screen.findByText('Put right what is marked first.');
    expect(screen.getByRole('button', { name: 'Search' })).toHaveProperty('disabled', true);
  });
});

describe('a search that is', () => {
  const begun = async (work: object) => {
    const Here = workerHere(work);
    vi.stubGlobal('Worker', Here);
    serve(() => ({ number: 1, name: '' }));
    onBench(<SearchPage />, puffin);
    fireEvent.change(screen.getByLabelText('Stages behind the motor'), { target: { value: '0' } });
    await waitFor(() =>
      expect(screen.getByRole('button', { name: 'Search' })).toHaveProperty('disabled', false),
    );
    press('Search');
    await screen.findByRole('button', { name: 'Stop' });
    return Here;
  };
  const never = { ...benchWork, search: () => new Promise(() => undefined) };

  it('stopped is gone at once, with its worker', async () => {
    const Here = await begun(never);
    const before = Here.terminated;
    press('Stop');
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Stop' })).toBeNull());
    expect(Here.terminated).toBe(before + 1);
  });

  it('dead is noticed, told and started anew; where it dies again it says why', async () => {
    const Here = await begun(never);
    const dies = async (): Promise<void> => {
      const last = Here.last;
      last?.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
      await Promise.resolve();
    };
    const first = Here.last;
    await dies();
    await screen.findByText(/it had stopped by itself and was started anew/);
    await waitFor(() => expect(Here.last).not.toBe(first));
    await dies();
    const told = await screen.findByRole('alert');
    expect(told.textContent).toContain('The search ended before its time: out of memory');
    expect(screen.getByRole('button', { name: 'Search' })).toHaveProperty('disabled', false);
  });
});

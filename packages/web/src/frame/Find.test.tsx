import { readFileSync } from 'node:fs';
import { evaluate, linkDefinition } from '@zubric/core/judge';
import { buildSchema } from '@zubric/core/vehicle';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { answering } from '../testing/answers.ts';
import { onBench } from '../testing/on-bench.tsx';
import { onPage, where, withoutSizes } from '../testing/on-page.tsx';
import { Find } from './Find.tsx';
import { Header } from './Header.tsx';
import { Rail } from '../shell/Rail.tsx';
import { STATIONS } from '../common/stations.ts';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

function bar(address: string): void {
  answering({
    'GET /api/builds\\?place=bench': () => ({
      builds: [
        {
          ...{
            id: 'gull',
            name: 'Gull',
            purpose: 'carries nets',
            version: 1,
            updatedAt: '2026-11-20T10:00:00Z',
          },
          ...{ readyBy: null, massKg: 12, duties: 2, stops: 0, short: 0, tight: 0 },
          ...{ shape: {}, next: { text: 'Choose a motor', station: 'power' } },
        },
      ],
    }),
    'GET /api/parts': () => ({ parts: [{ id: 'm1', kind: 'motor', name: '24 V 250 W motor' }] }),
  });
  onPage(<Header />, address);
}
/** What the box offers; choices of the bar itself are left out. */
const found = (): HTMLElement[] => {
  const list = screen.queryByRole('listbox');
  return list ? within(list).queryAllByRole('option') : [];
};
const find = async (words: string): Promise<string[]> => {
  fireEvent.change(await screen.findByRole('combobox', { name: /^Words of a build/ }), {
    target: { value: words },
  });
  return found().map((option) => option.textContent);
};

describe('the bar on top', () => {
  afterEach(() => {
    delete document.documentElement.dataset.theme;
  });

  it('finds by / from anywhere: builds, stations of the open one, parts and sums', async () => {
    bar('/builds/gull/brief');
    fireEvent.keyDown(window, { key: '/' });
    await waitFor(async () => expect((await find('carries nets'))[0]).toContain('Gull'));
    expect((await find('power'))[0]).toContain('station');
    expect((await find('250 w'))[0]).toContain('24 V 250 W motor');
    expect((await find('chain'))[0]).toContain('sum');
    expect(await find('zzzz')).toEqual([]);
    expect(screen.getByText(/Nothing has these words/)).toBeTruthy();
  });

  it('finds the findings of the open build, and the words of the application', async () => {
    answering({
      'GET /api/builds\\?place=bench': () => ({ builds: [] }),
      'GET /api/parts': () => ({ parts: [] }),
    });
    withoutSizes();
    onBench(<Find onClose={() => undefined} />, puffin);
    await waitFor(() => expect(found().length).toBeGreaterThan(2));
    await waitFor(async () => expect((await find('parking brake'))[0]).toMatch(/^finding.*parking brake/));
    await waitFor(async () => expect((await find('hotter'))[0]).toMatch(/^wordShort, may run hot/));
    expect((await find('ratio window'))[0]).toMatch(/^wordRatio window/);
  });

  it('goes to what is chosen, a part to its row of the shelf', async () => {
    bar('/builds/gull/brief');
    fireEvent.click(screen.getByRole('button', { name: /Find/ }));
    await waitFor(async () => expect(await find('250 w')).toHaveLength(1));
    const box = screen.getByRole('combobox', { name: /^Words of a build/ });
    fireEvent.keyDown(box, { key: 'ArrowDown' });
    fireEvent.keyDown(box, { key: 'Enter' });
    await waitFor(() => expect(where()).toBe('/builds/gull/power?kind=motor&part=m1'));
    expect(screen.queryByRole('combobox', { name: /^Words of a build/ })).toBeNull();
  });

  it('lists its keys by ?, and leaves both keys alone where somebody types', async () => {
    bar('/builds');
    const field = document.body.appendChild(document.createElement('input'));
    fireEvent.keyDown(field, { key: '?' });
    fireEvent.keyDown(field, { key: '/' });
    expect(screen.queryByRole('dialog')).toBeNull();
    field.remove();
    fireEvent.keyDown(window, { key: '?' });
    expect((await screen.findByRole('dialog')).textContent).toContain('Keys');
  });

  it('keeps units and theme on this machine', () => {
    bar('/builds');
    fireEvent.change(screen.getByLabelText('Units'), { target: { value: 'imperial' } });
    fireEvent.change(screen.getByLabelText('Theme'), { target: { value: 'dark' } });
    expect(document.documentElement.dataset.theme).toBe('dark');
    cleanup();
    bar('/builds');
    expect((screen.getByLabelText('Units') as HTMLSelectElement).value).toBe('imperial');
    expect((screen.getByLabelText('Theme') as HTMLSelectElement).value).toBe('dark');
  });
});

describe('the stations at the side', () => {
  const said = (title: string): string =>
    screen.getByRole('link', { name: new RegExp(`${title}`) }).textContent;

  it('are all there, each with its key', () => {
    onBench(<Rail />, puffin);
    for (const { title, key } of STATIONS) expect(said(title)).toContain(key);
    const links = within(screen.getByRole('navigation', { name: 'Stations' })).getAllByRole('link');
    expect(links.length).toBe(STATIONS.length + 7);
  });

  it('say what fails of theirs, or else what is short, and nothing where all keeps its rule', () => {
    const count = (blocks: readonly string[], verdict: string, of = puffin): number =>
      evaluate(of).governing.filter(
        (l) => l.verdict === verdict && blocks.includes(linkDefinition(l.link).block),
      ).length;
    onBench(<Rail />, puffin);
    // The barrow's torque is 1.26 × of 2 ×: short, not failing.
    expect(count(['wheel', 'ratio'], 'fails')).toBe(0);
    expect(said('Drivetrain')).toContain(`${count(['wheel', 'ratio'], 'short')} short`);
    expect(said('Power')).not.toMatch(/fail|short/);
    cleanup();
    const steep = {
      ...puffin,
      duties: puffin.duties.map((d) => ({ ...d, grade: { ...d.grade, value: 0.5 } })),
    };
    onBench(<Rail />, steep);
    const fails = count(['ground'], 'fails', steep);
    expect(said('Ground')).toContain(fails === 1 ? '1 fails' : `${fails} fail`);
  });
});

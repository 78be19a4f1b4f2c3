import { File as NodeFile } from 'node:buffer';
import { readFileSync } from 'node:fs';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { BuildLine, JudgedLine, BuildPlace, StoredBuild } from '@zubric/core/answers';
import { newBuild } from '@zubric/core/vehicle';
import { answering, type SeenRequest } from '../testing/answers.ts';
import { handedOver, textOf } from '../testing/handed.ts';
import { onPage, where } from '../testing/on-page.tsx';
import { BuildsPage } from './BuildsPage.tsx';

const line = (more: Partial<JudgedLine> & { readonly id: string; readonly name: string }): JudgedLine => ({
  version: 1,
  purpose: '',
  readyBy: null,
  updatedAt: '2026-11-20T10:00:00Z',
  massKg: 12,
  duties: 2,
  stops: 0,
  short: 0,
  tight: 0,
  shape: newBuild('Any'),
  next: { text: 'Choose a motor', station: 'power' },
  ...more,
});

const stored = (id: string, name: string): StoredBuild => ({
  ...line({ id, name }),
  document: newBuild(name),
});

/** A server that keeps builds by their place. */
function serving(first: readonly BuildLine[], more: Parameters<typeof answering>[0] = {}): SeenRequest[] {
  const places = new Map<string, BuildPlace>(first.map(({ id }) => [id, 'bench']));
  const builds = [...first];
  const list = (place: BuildPlace) => () => ({ builds: builds.filter(({ id }) => places.get(id) === place) });
  return answering({
    'GET /api/builds\\?place=bench': list('bench'),
    'GET /api/builds\\?place=archive': list('archive'),
    'GET /api/builds\\?place=bin': list('bin'),
    'PUT /api/builds/*/place': ({ body }, [id = '']) => {
      places.set(id, (body as { place: BuildPlace }).place);
    },
    'POST /api/builds/*/copies': ({ body }, [id = '']) => {
      const copy = line({ id: `${id}-2`, name: (body as { name: string }).name });
      builds.push(copy);
      places.set(copy.id, 'bench');
      return { ...copy, document: { name: copy.name } };
    },
    'POST /api/builds': ({ body }) => stored('new', (body as { name: string }).name),
    ...more,
  });
}

const show = (): void => onPage(<BuildsPage />, '/builds', '/builds');

const row = async (name: string): Promise<HTMLElement> => {
  const link = await screen.findByText(name);
  const found = link.closest('tr');
  if (!found) throw new Error(`${name} stands in no row`);
  return found;
};
const said = async (name: string): Promise<string> =>
  ((await row(name)).textContent ?? '').replaceAll('\u00a0', ' ');
const choose = async (name: string, item: string): Promise<void> => {
  await row(name);
  fireEvent.click(screen.getByRole('button', { name: `More for ${name}` }));
  fireEvent.click(await screen.findByRole('menuitem', { name: item }));
};

const GULL = line({ id: 'gull', name: 'Gull', purpose: 'carries nets', massKg: 41.5 });
const WREN = line({ id: 'wren', name: 'Wren' });

describe('the list of builds', () => {
  it('says of each what stands in its way, the gravest first, and what governs it', async () => {
    serving([
      line({
        id: 'a',
        name: 'Stopped',
        stops: 1,
        short: 2,
        tight: 3,
        worst: {
          ...{ link: 'torque', title: 'Wheel torque', duty: 'Slip', ratio: 0.8, rule: 2, verdict: 'fails' },
          ...{ electrical: false, says: '0.8 times what it needs; the rule asks 2' },
        },
      }),
      line({ id: 'b', name: 'Two stops', stops: 2 }),
      line({ id: 'c', name: 'Under', short: 2, tight: 1 }),
      line({ id: 'd', name: 'Near', tight: 1 }),
      line({
        id: 'e',
        name: 'Sound',
        massKg: 178,
        worst: {
          link: 'energy',
          title: 'Energy for the outing',
          duty: null,
          ratio: 3,
          rule: 1.1,
          verdict: 'ample',
          electrical: true,
          says: '3 times what it needs; the rule asks 1.1',
        },
      }),
    ]);
    show();
    expect(await said('Stopped')).toContain('1 thing stops it');
    expect(await said('Stopped')).toContain('Wheel torque on “Slip”0.8 times what it needs; the rule asks 2');
    expect(await said('Two stops')).toContain('2 things stop it');
    // Short of a rule is neither a stop nor ample.
    expect(await said('Under')).toContain('2 short of the rule');
    expect(await said('Near')).toContain('1 tight');
    expect(await said('Sound')).toContain('all ample');
    expect(await said('Sound')).toContain('178 kg');
    expect(await said('Sound')).toContain('Energy for the outing3 times what it needs; the rule asks 1.1');
  });

  it('finds by name and purpose', async () => {
    serving([GULL, WREN]);
    show();
    await row('Wren');
    const search = screen.getByRole('searchbox');
    fireEvent.change(search, { target: { value: 'NETS' } });
    expect(screen.queryByText('Wren')).toBeNull();
    expect(screen.getByText('Gull')).toBeTruthy();
    fireEvent.change(search, { target: { value: 'zzz' } });
    expect(screen.getByText('No build here has these words in its name or purpose.')).toBeTruthy();
  });

  it('throws a build away so that it can be had back, by undo and from where thrown things lie', async () => {
    const asked = serving([GULL, WREN]);
    show();
    await choose('Gull', 'Throw away');
    expect(await screen.findByText(/“?Gull”? was thrown away/)).toBeTruthy();
    await waitFor(() => expect(screen.queryByRole('link', { name: 'Gull' })).toBeNull());
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(await screen.findByRole('link', { name: 'Gull' })).toBeTruthy();
    expect(asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([
      { place: 'bin' },
      { place: 'bench' },
    ]);
    await choose('Gull', 'Throw away');
    fireEvent.click(screen.getByRole('button', { name: 'Thrown away' }));
    expect(await said('Gull')).toContain('Gull');
    // What lies there is not opened, only taken back.
    expect(screen.queryByRole('link', { name: 'Gull' })).toBeNull();
    await choose('Gull', 'Back on the bench');
    expect(
      await screen.findByText('Nothing was thrown away. What is can be had back from here.'),
    ).toBeTruthy();
  });

  it('copies under a name that no build has', async () => {
    const asked = serving([GULL, line({ id: 'c', name: 'Gull, copy' })]);
    show();
    await choose('Gull', 'Make a copy');
    expect(await screen.findByRole('link', { name: 'Gull, copy 2' })).toBeTruthy();
    expect(asked.find(({ path }) => path.endsWith('/copies'))?.body).toEqual({ name: 'Gull, copy 2' });
  });

  it('shows each as it is drawn, says what is next, and leads there', async () => {
    serving([line({ id: 'a', name: 'Tern', next: { text: 'Choose a motor', station: 'power' } })]);
    show();
    const tern = await row('Tern');
    await waitFor(() => expect(tern.querySelectorAll('svg circle').length).toBeGreaterThan(1));
    expect(within(tern).getByRole('link', { name: 'Choose a motor' }).getAttribute('href')).toBe(
      '/builds/a/power',
    );
  });

  it('makes copies for groups in one go, named and numbered on from those there are', async () => {
    const asked = serving([GULL, line({ id: 'c', name: 'Gull, group 2' })]);
    show();
    await choose('Gull', 'Copies for groups …');
    const dialog = within(await screen.findByRole('dialog'));
    for (let n = 0; n < 5; n++) fireEvent.click(dialog.getByRole('button', { name: 'Copies: one less' }));
    fireEvent.click(dialog.getByRole('button', { name: 'Make 3 copies' }));
    expect(await screen.findByText('3 copies lie on the bench.')).toBeTruthy();
    const names = asked.filter(({ path }) => path.endsWith('/copies')).map(({ body }) => body);
    expect(names).toEqual([{ name: 'Gull, group 1' }, { name: 'Gull, group 3' }, { name: 'Gull, group 4' }]);
  });

  it('is taken out as files: one as its document, several in a zip, one with all that belongs to it', async () => {
    const handed = handedOver();
    const whole = { format: 'whole', log: [] };
    serving([GULL, WREN], {
      'GET /api/builds/*': (_, [id = '']) => stored(id, id === 'gull' ? 'Gull' : 'Wren'),
      'GET /api/builds/*/trial-sets': () => ({ trialSets: [] }),
      'GET /api/builds/*/whole': () => whole,
    });
    show();
    await choose('Gull', 'Take out as a file');
    expect(await screen.findByText('Taken out as gull.zubric.json.')).toBeTruthy();
    expect(JSON.parse(await textOf(handed[0]?.content))).toMatchObject({ name: 'Gull' });
    await choose('Wren', 'Take out with its logbook');
    expect(await screen.findByText('Taken out as wren.zubric-whole.json.')).toBeTruthy();
    expect(JSON.parse(await textOf(handed[1]?.content))).toEqual(whole);
    const pick = (name: string): void =>
      void fireEvent.click(screen.getByRole('checkbox', { name: `Pick ${name}` }));
    pick('Gull');
    pick('Wren');
    fireEvent.click(screen.getByRole('button', { name: 'Take out 2 files' }));
    expect(await screen.findByText('Taken out as builds.zip.')).toBeTruthy();
    expect(handed.map(({ name }) => name)).toHaveLength(3);
    pick('Wren');
    expect(screen.getByRole('button', { name: 'Take out 1 file' })).toBeTruthy();
  });

  it('is taken out as it is kept where it cannot be read', async () => {
    const handed = handedOver();
    const { version, updatedAt } = GULL;
    const broken = { ...{ id: 'odd', name: 'Odd', version, updatedAt }, problem: 'No masses.' };
    serving([broken], { 'GET /api/builds/*/file': () => ({ half: 'a build' }) });
    show();
    await choose('Odd', 'Take out as it is kept');
    expect(await screen.findByText('Taken out as odd.zubric.json.')).toBeTruthy();
    expect(JSON.parse(await textOf(handed[0]?.content))).toEqual({ half: 'a build' });
  });

  it('leads to a new build', async () => {
    serving([]);
    show();
    expect(await screen.findByText('No build yet. Begin the first one above.')).toBeTruthy();
    fireEvent.click(screen.getByRole('link', { name: 'New build' }));
    expect(where()).toBe('/new');
  });

  it('stands in the order of the column that is pressed: what cannot be judged last', async () => {
    serving([
      line({ id: 'a', name: 'Tern', massKg: 40 }),
      {
        id: 'b',
        name: 'Auk',
        version: 1,
        updatedAt: '2026-11-21T10:00:00Z',
        problem: 'It cannot be judged.',
      },
      line({ id: 'c', name: 'Gull', massKg: 7, stops: 1 }),
    ]);
    show();
    await row('Tern');
    const names = (): string[] =>
      screen.getAllByRole('checkbox').map((box) => box.getAttribute('aria-label') ?? '');
    const press = (title: string) => fireEvent.click(screen.getByRole('button', { name: title }));
    const sorted = () => screen.getByRole('columnheader', { name: 'Total mass' }).getAttribute('aria-sort');
    expect(sorted()).toBe('none');
    press('Total mass');
    expect([sorted(), ...names()]).toEqual(['descending', 'Pick Tern', 'Pick Gull', 'Pick Auk']);
    press('Total mass');
    expect([sorted(), ...names()]).toEqual(['ascending', 'Pick Gull', 'Pick Tern', 'Pick Auk']);
    press('Build');
    expect(names()).toEqual(['Pick Auk', 'Pick Gull', 'Pick Tern']);
    press('How it stands, and what is next');
    expect(names()).toEqual(['Pick Gull', 'Pick Tern', 'Pick Auk']);
  });

  it('brings in files beside what is there: good ones chosen, bad ones told, one of a known name kept too', async () => {
    const brought: unknown[] = [];
    serving([line({ id: 'p', name: 'Puffin' })], {
      'POST /api/builds': ({ body }) => {
        brought.push(body);
        return stored('q', 'Puffin');
      },
    });
    show();
    await row('Puffin');
    const good = new NodeFile(
      [readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')],
      'puffin.zubric.json',
      { type: 'application/json' },
    );
    const bad = new NodeFile(['{"format":"something"}'], 'other.json', { type: 'application/json' });
    fireEvent.change(screen.getByLabelText('Build files'), { target: { files: [good, bad] } });
    const dialog = await screen.findByRole('dialog');
    await within(dialog).findByText(/this is not a Zubric build/);
    expect(dialog.textContent).toContain('A build of this name is here already; both are kept');
    fireEvent.click(within(dialog).getByRole('button', { name: 'Bring in this build' }));
    expect(await screen.findByText('One build was brought in.')).toBeTruthy();
    expect(brought).toMatchObject([{ document: { name: 'Puffin' }, file: 'puffin.zubric.json' }]);
  });

  it('says so where the server does not answer', async () => {
    answering({});
    show();
    expect((await screen.findByRole('alert')).textContent).toContain('The server does not answer.');
  });

  it('shows a build that cannot be opened with its problem, and takes a mended file in its place', async () => {
    const asked = serving([GULL], {
      'GET /api/builds\\?place=bench': () => ({
        builds: [
          GULL,
          {
            ...{ id: 'old', name: 'Old one', version: 7, updatedAt: '2026-11-20T10:00:00Z' },
            problem: 'It cannot be opened: this file is of format 99',
          },
        ],
      }),
      'PUT /api/builds/old': () => ({ id: 'old', version: 8 }),
    });
    show();
    expect(await said('Old one')).toContain('It cannot be opened: this file is of format 99');
    // The others are as they were.
    expect(await said('Gull')).toContain('41.5 kg');
    await choose('Old one', 'Put a mended file in its place');
    const pick = screen.getByLabelText(/A mended file in the place of “Old one”/);
    const file = (text: string) => new NodeFile([text], 'mended.json', { type: 'application/json' });
    fireEvent.change(pick, { target: { files: [file('{"format":"something"}')] } });
    expect((await screen.findByRole('alert')).textContent).toContain('mended.json cannot take its place');
    const whole = readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8');
    fireEvent.change(pick, { target: { files: [file(whole)] } });
    expect(await screen.findByText('“Old one” opens again.')).toBeTruthy();
    expect(asked.find(({ method }) => method === 'PUT')).toMatchObject({
      path: '/api/builds/old',
      version: '"7"',
      body: { name: 'Puffin' },
    });
  });
});

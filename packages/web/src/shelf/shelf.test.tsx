import { driveOf, type Part, choosePart, newBuild } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../testing/answers.ts';
import { kept, onBench, text } from '../testing/on-bench.tsx';
import { onPage } from '../testing/on-page.tsx';
import { form, posted, press, serving, type } from '../testing/shelf.ts';
import { PartPicker } from '../stations/power/PartPicker.tsx';
import { ShelfPage } from './ShelfPage.tsx';

const battery: Part = {
  id: 'lead',
  kind: 'battery',
  name: '12 V 7 Ah sealed lead',
  massKg: 2.2,
  state: 'on-hand',
  note: '',
  chemistry: 'lead-acid',
  series: 6,
  parallel: 1,
  cellAh: 7,
  cellMilliohm: 4.2,
  continuousA: 15,
  guessed: { cellMilliohm: 0.6 },
};
const driver: Part = {
  id: 'bridge',
  kind: 'driver',
  name: 'Two bridges',
  massKg: 0.05,
  state: 'wished-for',
  note: 'from the market',
  channels: 2,
  leastV: 6,
  mostV: 30,
  continuousA: 20,
  peakA: 40,
  limitsCurrent: true,
  resistanceMilliohm: 20,
};

describe('the parts shelf', () => {
  const show = (): void => onPage(<ShelfPage />, '/shelf', '/shelf');
  const rows = (): string[] =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((row) => within(row).getAllByRole('cell')[1]?.querySelector('span')?.textContent ?? '');

  it('puts up to four parts side by side, where they differ in bold', async () => {
    serving([battery, driver]);
    show();
    await screen.findByText('12 V 7 Ah sealed lead');
    const begin = screen.getByRole('button', { name: /Side by side: tick two/ });
    expect((begin as HTMLButtonElement).disabled).toBe(true);
    for (const { name } of [battery, driver]) fireEvent.click(screen.getByLabelText(`Side by side: ${name}`));
    fireEvent.click(screen.getByRole('button', { name: '2 side by side' }));
    const panel = within(await screen.findByRole('dialog', { name: 'Side by side' }));
    const mass = panel.getByRole('row', { name: /^Mass/ });
    expect(mass.textContent?.replaceAll('\u00a0', ' ')).toBe('Mass2.2 kg50 g');
    expect(within(mass).getAllByRole('cell')[0]?.className).toContain('font-semibold');
    expect(panel.getByRole('row', { name: /^Resistance of a cell/ }).textContent).toMatch(/about.*–/);
    expect(panel.getByRole('row', { name: /^Chemistry/ }).textContent).toContain('lead-acid');
  });

  it('shows the columns that are wanted', async () => {
    serving([battery, driver]);
    show();
    await screen.findByText('12 V 7 Ah sealed lead');
    expect(screen.queryByRole('columnheader', { name: 'Where from' })).toBeNull();
    fireEvent.click(screen.getByLabelText('where from'));
    fireEvent.click(screen.getByLabelText('cost'));
    expect(screen.getByRole('columnheader', { name: 'Where from' })).toBeTruthy();
    expect(screen.queryByRole('columnheader', { name: 'Cost' })).toBeNull();
  });

  it('tells where a part is used, and what taking over its change would move in a build', async () => {
    const build = choosePart(newBuild('Cart'), battery);
    const asked = serving([{ ...battery, cellAh: 3 }], {
      'GET /api/parts/*/builds': () => ({
        builds: [
          { id: 'same', name: 'Barrow', asOnShelf: true },
          { id: 'old', name: 'Cart', asOnShelf: false },
        ],
      }),
      'GET /api/builds/old': () => ({
        id: 'old',
        version: 4,
        updatedAt: '2026-11-25T00:00:00Z',
        document: build,
      }),
      'PUT /api/builds/old': () => ({ id: 'old', version: 5 }),
    });
    show();
    fireEvent.click(await screen.findByRole('button', { name: `Used in ${battery.name}` }));
    const panel = within(await screen.findByRole('dialog', { name: /is used$/ }));
    await panel.findByText(/has it as it is on the shelf/);
    await panel.findByText(/holds an earlier copy/);
    fireEvent.click(panel.getByRole('button', { name: 'Take it over into Cart' }));
    await waitFor(() => expect(asked.some(({ method }) => method === 'PUT')).toBe(true));
    const sent = asked.find(({ method }) => method === 'PUT')?.body as typeof build;
    expect(sent.parts).toEqual([{ ...battery, cellAh: 3 }]);
  });

  it('lists every part, by its kind, its words and the order that is wanted', async () => {
    serving([battery, driver]);
    show();
    await screen.findByText('12 V 7 Ah sealed lead');
    expect(text()).toContain('2 of 2 parts');
    expect(text()).toContain('partly guessed');
    fireEvent.click(screen.getByRole('button', { name: 'Mass' }));
    expect(rows()).toEqual(['12 V 7 Ah sealed lead', 'Two bridges']);
    fireEvent.click(screen.getByRole('button', { name: 'Mass' }));
    expect(rows()).toEqual(['Two bridges', '12 V 7 Ah sealed lead']);
    fireEvent.change(screen.getByLabelText('Search in names and notes'), { target: { value: 'market' } });
    expect(rows()).toEqual(['Two bridges']);
    fireEvent.change(screen.getByLabelText('Search in names and notes'), { target: { value: '' } });
    fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'battery' } });
    expect(rows()).toEqual(['12 V 7 Ah sealed lead']);
  });

  it('takes a battery by what is printed on it; what is not is usual, and marked so', async () => {
    const asked = serving([]);
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'New battery' }));
    type(/^Name/, 'Car battery');
    type('Cells in series', '6');
    press('Put it on the shelf');
    expect((await form().findByRole('alert')).textContent).toMatch(/Capacity of a cell/);
    type('Capacity of a cell', '44 Ah');
    press('Put it on the shelf');
    await waitFor(() => expect(posted(asked)).toHaveLength(1));
    const [part] = posted(asked);
    expect(part).toMatchObject({ kind: 'battery', name: 'Car battery', series: 6, parallel: 1, cellAh: 44 });
    expect(Object.keys(part?.guessed ?? {}).sort()).toEqual(['cellMilliohm', 'continuousA', 'massKg']);
    expect(part).not.toHaveProperty('id');
    await screen.findByText('“Car battery” is kept.');
  });

  it('changes a part: what was guessed is empty, and no guess any more once it is typed', async () => {
    const asked = serving([battery]);
    show();
    await screen.findByText(battery.name);
    fireEvent.click(screen.getByRole('button', { name: `Change ${battery.name}` }));
    await screen.findByRole('form', { name: 'A part of your own' });
    expect(form().getByLabelText<HTMLInputElement>('Resistance of a cell').value).toBe('');
    expect(form().getByLabelText<HTMLInputElement>('Cells in series').value).toBe('6');
    type('Resistance of a cell', '5 mΩ');
    press('Keep the change');
    await screen.findByText(`“${battery.name}” is kept.`);
    const sent = asked.find(({ method }) => method === 'PUT')?.body as Part;
    expect(sent).toMatchObject({ id: 'lead', cellMilliohm: 5, massKg: 2.2 });
    expect(sent.guessed).toBeUndefined();
  });

  it('copies a part under a name of its own, and leaves the first as it is', async () => {
    const asked = serving([battery, driver]);
    show();
    await screen.findByText(driver.name);
    fireEvent.click(screen.getByRole('button', { name: new RegExp(`^Copy.*${driver.name}`) }));
    expect(await screen.findByText('“Two bridges, copy” lies on the shelf.')).toBeTruthy();
    const { id: _own, ...copied } = driver;
    expect(posted(asked)).toEqual([{ ...copied, name: 'Two bridges, copy' }]);
    expect(await screen.findByText('Two bridges, copy')).toBeTruthy();
    expect(screen.getByText('Two bridges')).toBeTruthy();
  });

  it('sets a part aside, where it is found again', async () => {
    serving([battery]);
    show();
    fireEvent.click(await screen.findByRole('button', { name: `Set aside ${battery.name}` }));
    await screen.findByText(/is set aside\. Builds keep their copies\./);
    await waitFor(() => expect(text()).toContain('0 of 0 parts'));
    fireEvent.change(screen.getByLabelText('Where'), { target: { value: 'aside' } });
    expect(await screen.findByRole('button', { name: `Put back ${battery.name}` })).toBeTruthy();
  });

  it('shows what a table holds before it is brought in, row by row', async () => {
    const read = {
      columns: [
        { heading: 'stallTorqueNm [in·lb]', key: 'stallTorqueNm', unit: 'in·lb' },
        { heading: 'shop', key: null, unit: null },
      ],
      good: 1,
      bad: [{ line: 3, problems: ['voltageV: "twelve" cannot be read'] }],
      parts: [battery],
    };
    const asked = serving([], {
      'POST /api/parts/import\\?preview=1': () => read,
      'POST /api/parts/import': () => ({ ...read, parts: [] }),
    });
    show();
    const file = new File(['kind,name'], 'mine.csv', { type: 'application/vnd.ms-excel' });
    fireEvent.change(await screen.findByLabelText('Table of parts'), { target: { files: [file] } });
    const panel = within(await screen.findByRole('dialog', { name: 'What “mine.csv” holds' }));
    expect(panel.getByText(/^1 part can be brought in; 1 row is wrong\.$/)).toBeTruthy();
    expect(panel.getByText(/Left out.*“shop”/)).toBeTruthy();
    expect(panel.getByText('Line 3').parentElement?.textContent).toContain('"twelve" cannot be read');
    fireEvent.click(panel.getByRole('button', { name: 'Bring in 1 part' }));
    await screen.findByText('1 part was brought in, 1 row was not.');
    expect(asked.filter(({ method }) => method === 'POST')).toHaveLength(2);
  });

  it('is told what each column is, and looks anew', async () => {
    const read = (key: string | null) => ({
      columns: [{ heading: 'Article', key, unit: null }],
      good: key === null ? 0 : 1,
      bad: [],
      parts: [],
    });
    const asked = serving([], {
      'POST /api/parts/import\\?preview=1': () => read(null),
      'POST /api/parts/import\\?preview=1&.*': () => read('name'),
    });
    show();
    const file = new File(['Article'], 'mine.csv', { type: 'text/csv' });
    fireEvent.change(await screen.findByLabelText('Table of parts'), { target: { files: [file] } });
    const panel = within(await screen.findByRole('dialog', { name: 'What “mine.csv” holds' }));
    fireEvent.change(panel.getByLabelText('Article'), { target: { value: 'name' } });
    await waitFor(() => expect(panel.getByText(/^1 part can be brought in/)).toBeTruthy());
    const last = asked.at(-1);
    expect(decodeURIComponent(last?.path ?? '')).toContain('columns={"Article":"name"}');
  });

  it('keeps what was typed where the server refuses it', async () => {
    serving([], { 'POST /api/parts': () => new Refusal(409, 'There is such a part.') });
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'New driver' }));
    type(/^Name/, 'Bridge');
    type('Motors it drives', '2');
    type('Greatest supply voltage', '30 V');
    type('Current a channel may carry all day', '20 A');
    press('Put it on the shelf');
    expect((await form().findByRole('alert')).textContent).toBe('There is such a part.');
    expect(form().getByLabelText<HTMLInputElement>(/^Name/).value).toBe('Bridge');
  });
});

describe('a part of one’s own, from a build', () => {
  it('is a gearmotor known by 24 V, 300 W and 120 rpm alone: what it comes to is said, and it is in the build', async () => {
    const asked = serving([]);
    onBench(<PartPicker kind="motor" shown={null} />, newBuild('Gull'));
    fireEvent.click(await screen.findByRole('button', { name: 'Make your own motor' }));
    type(/^Name/, 'Lift gearmotor');
    type('Rated voltage', '24 V');
    type('Rated power', '300 W');
    expect(text()).toContain('That is too little');
    type('Rated speed', '120 rpm');
    const found = within(screen.getByRole('region', { name: 'What it comes to' }));
    expect(found.getByText('Stall torque').nextSibling?.textContent).toMatch(/N·m.* to /);
    expect(text()).toContain('Read its speed without load');
    press('Put it on the shelf');
    await waitFor(() => expect(driveOf(kept()).motorId).toBe('own-0'));
    expect(kept().parts[0]).toMatchObject({ name: 'Lift gearmotor', voltageV: 24, type: 'brushed' });
    expect(Object.keys(posted(asked)[0]?.guessed ?? {})).toContain('stallTorqueNm');
  });

  it('tells figures that contradict each other, and what cannot be read', async () => {
    serving([]);
    onBench(<PartPicker kind="motor" shown={null} />, newBuild('Gull'));
    fireEvent.click(await screen.findByRole('button', { name: 'Make your own motor' }));
    type('Rated voltage', '12 V');
    type('Speed without load', '6000 rpm');
    type('Stall current', '100 A');
    type('Stall torque', '40 in·lb');
    expect(text()).toMatch(/Stall torque: .* is printed, and the rest comes to/);
    type(/^Name/, 'Odd');
    type('Rated power', 'a lot');
    press('Put it on the shelf');
    expect(await screen.findByText('A figure cannot be read: mend what is marked.')).toBeTruthy();
  });
});

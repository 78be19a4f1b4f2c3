import { readFileSync } from 'node:fs';
import { newBuild, readBuild, type Build } from '@zubric/core/vehicle';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { UnitsProvider } from '../../common/units.tsx';
import { BuildSession } from '../../session/BuildSession.tsx';
import { Assembly } from './Assembly.tsx';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;

function show(document: Build, view = 'steps'): void {
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no server')));
  const stored = { id: 'b', version: 1, updatedAt: '2026-11-23T00:00:00Z', document };
  render(
    <MemoryRouter initialEntries={[`/builds/b/assembly?view=${view}`]}>
      <UnitsProvider>
        <BuildSession stored={stored}>
          <Assembly />
        </BuildSession>
      </UnitsProvider>
    </MemoryRouter>,
  );
}

const stepOf = (title: string): HTMLElement => {
  const item = screen.getByLabelText(`Done: ${title}`).closest('li');
  if (!item) throw new Error(`no step ${title}`);
  return item;
};

describe('Assembly', () => {
  beforeEach(() => {
    // A Monday in the demo's winter; only the date stands still.
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-11-23T10:00:00') });
  });

  it('answers what can be done today, when it is ready, and what stays for tuning', () => {
    show(puffin);
    expect(screen.getByText('5 steps can be done today')).toBeDefined();
    expect(screen.getByText('Wed, 24 Feb 2027')).toBeDefined();
    expect(screen.getByText('17 working days stay')).toBeDefined();
  });

  it('marks a step done with today, and moves on what follows it', () => {
    show(puffin);
    expect(within(stepOf('Fit both sprockets, still loose')).getByText(/^after step 3/)).toBeDefined();
    fireEvent.click(screen.getByLabelText('Done: Bolt the motors to their mounts'));
    expect(within(stepOf('Bolt the motors to their mounts')).getByText('done Mon 23 Nov')).toBeDefined();
    expect(within(stepOf('Fit both sprockets, still loose')).getByText('can be done today')).toBeDefined();
    fireEvent.click(screen.getByLabelText('Done: Bolt the motors to their mounts'));
    expect(within(stepOf('Bolt the motors to their mounts')).getByText('can be done today')).toBeDefined();
  });

  it('says which part a step waits for, and that a wish has no date', () => {
    show(puffin);
    expect(
      within(stepOf('Put the driven wheels on')).getByText(/Wheel, 400.mm \(due Sat, 6 Feb 2027\)/),
    ).toBeDefined();
    fireEvent.change(screen.getByLabelText(/^State of Wheel/), { target: { value: 'wished-for' } });
    expect(screen.getByText(/No day can be said/)).toBeDefined();
    expect(screen.queryByLabelText(/^Wheel, .* arrives on$/)).toBeNull();
    fireEvent.change(screen.getByLabelText(/^State of Wheel/), { target: { value: 'on-hand' } });
    expect(screen.queryByText(/No day can be said/)).toBeNull();
  });

  it('tells what is overdue and what comes too late', () => {
    show({ ...puffin, readyBy: '2026-12-01' });
    fireEvent.change(screen.getByLabelText(/^Wheel, .* arrives on$/), { target: { value: '2026-11-20' } });
    expect(screen.getByText('Overdue:')).toBeDefined();
    expect(screen.getByText(/too late for Tue 1 Dec/)).toBeDefined();
    expect(within(stepOf('First run on the floor, empty')).getByText('too late')).toBeDefined();
  });

  it('shows only what can be done today, where that is asked', () => {
    show(puffin);
    fireEvent.click(screen.getByLabelText('Only what can be done today'));
    expect(screen.getAllByLabelText(/^Done: /)).toHaveLength(5);
  });

  it('adds a line, counts it, prices it, and takes it out again', async () => {
    show(newBuild('Gull'));
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    expect((await screen.findByRole('alert')).textContent).toBe('Give it a name first.');
    fireEvent.change(screen.getByLabelText('Another part or a tool'), { target: { value: 'M6 bolts' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add it' }));
    fireEvent.click(await screen.findByRole('button', { name: /name, cost and mass\s*of M6 bolts/ }));
    fireEvent.change(screen.getByLabelText('Count of M6 bolts'), { target: { value: '20' } });
    fireEvent.change(screen.getByLabelText('Cost each'), { target: { value: '0,30' } });
    expect(screen.getByText('20 × M6 bolts')).toBeDefined();
    expect(screen.getByText(/^6 for what has a price/)).toBeDefined();
    fireEvent.change(screen.getByLabelText('Cost each'), { target: { value: '' } });
    expect(screen.getByText(/^0 for what has a price/)).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Remove' }));
    expect(screen.queryByText('20 × M6 bolts')).toBeNull();
  });

  it('shows what stands in one state, and the dearest first', () => {
    const line = (id: string, name: string, costEach: number) =>
      ({ id, name, count: 1, state: 'wished-for', costEach }) as const;
    const gull = newBuild('Gull');
    show({
      ...gull,
      assembly: {
        ...gull.assembly,
        own: [line('a', 'Bracket', 2), line('b', 'Axle', 30), line('c', 'Cap', 1)],
      },
    });
    const names = (): string[] =>
      screen.getAllByText(/^1 × (Bracket|Axle|Cap)$/).map(({ textContent }) => (textContent ?? '').slice(4));
    expect(names()).toEqual(['Bracket', 'Axle', 'Cap']);
    fireEvent.change(screen.getByLabelText('In order'), { target: { value: 'cost' } });
    expect(names()).toEqual(['Axle', 'Bracket', 'Cap']);
    fireEvent.change(screen.getByLabelText('In order'), { target: { value: 'name' } });
    expect(names()).toEqual(['Axle', 'Bracket', 'Cap'].sort());
    fireEvent.change(screen.getByLabelText('State of Axle'), { target: { value: 'ordered' } });
    fireEvent.change(screen.getByLabelText('Show'), { target: { value: 'ordered' } });
    expect(names()).toEqual(['Axle']);
    fireEvent.change(screen.getByLabelText('Show'), { target: { value: 'on-hand' } });
    expect(screen.getByText('No part stands so.')).toBeDefined();
  });

  it('leads on where motor, driver and battery are not chosen', () => {
    show(newBuild('Gull'));
    const links = screen.getAllByRole('link', { name: 'choose one at Power' });
    expect(links.map((link) => link.getAttribute('href'))).toEqual([
      '/builds/b/power?kind=motor',
      '/builds/b/power?kind=driver',
      '/builds/b/power?kind=battery',
    ]);
  });

  it('keeps one working day at least, and refuses a day of no time', () => {
    show(puffin, 'dates');
    fireEvent.click(screen.getByRole('button', { name: 'Wed' }));
    fireEvent.click(screen.getByRole('button', { name: 'Sat' }));
    expect(screen.getByRole('button', { name: 'Sat' }).getAttribute('aria-pressed')).toBe('true');
    fireEvent.change(screen.getByLabelText('Time a working day'), { target: { value: '0 h' } });
    expect(screen.getByRole('alert').textContent).toMatch(/at least 10.min and at most 24.h/);
  });
});

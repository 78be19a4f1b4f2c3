import { readFileSync } from 'node:fs';
import { newBuild, readBuild, type Build } from '@zubric/core/vehicle';
import type { Opened } from '@zubric/core/working';
import { fireEvent, render, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { UnitsProvider } from '../common/units.tsx';
import { BuildSession } from '../session/BuildSession.tsx';
import { OpensDuty, OpensOuting } from './OpensOf.tsx';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;

function show(number: Opened, document: Build = puffin, dutyId = 'slip-loaded'): void {
  showChild(
    <OpensDuty number={number} dutyId={dutyId} title="the number">
      42
    </OpensDuty>,
    document,
  );
}

function showChild(child: ReactNode, document: Build = puffin): void {
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no server')));
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
  const stored = { id: 'b', version: 1, updatedAt: '2026-11-23T00:00:00Z', document };
  render(
    <MemoryRouter>
      <UnitsProvider>
        <BuildSession stored={stored}>{child}</BuildSession>
      </UnitsProvider>
    </MemoryRouter>,
  );
}

const plain = (element: HTMLElement): string => (element.textContent ?? '').replaceAll('\u00a0', ' ');

describe('a number that opens', () => {
  it('shows its formula with the numbers put in, its source, and where each input came from', async () => {
    show('wheel-torque');
    fireEvent.click(screen.getByRole('button', { name: /how it came about/ }));
    const panel = await screen.findByRole('dialog', {}, { timeout: 20_000 });
    expect(plain(panel)).toContain('T = F d/(2 n)');
    // 411.0 N on the slip, two wheels of 400 mm: 41.1 N·m each.
    expect(plain(panel)).toContain('= 411 N · 0.4 m / (2 · 2) = 41.1 N·m');
    expect(plain(within(panel).getByRole('row', { name: /Diameter of the driven wheels/ }))).toContain(
      'measured',
    );
  });

  it('goes one step further, and back', async () => {
    show('motor-torque');
    fireEvent.click(screen.getByRole('button', { name: /how it came about/ }));
    const panel = await screen.findByRole('dialog', {}, { timeout: 20_000 });
    const open = (name: RegExp) =>
      fireEvent.click(within(within(panel).getByRole('row', { name })).getByRole('button'));
    open(/Torque at each driven wheel/);
    expect(plain(panel)).toContain('T = F d/(2 n)');
    open(/Force along the ground/);
    expect(plain(panel)).toContain('Gillespie');
    open(/Mass of the vehicle with its load/);
    expect(plain(panel)).toContain('m = Σ si mi');
    for (let n = 0; n < 3; n++) fireEvent.click(within(panel).getByRole('button', { name: 'One step back' }));
    expect(within(panel).queryByRole('button', { name: 'One step back' })).toBeNull();
    expect(plain(panel)).toContain('max(');
  });

  it('leads to the same sum by itself, with its numbers', async () => {
    show('grip');
    fireEvent.click(screen.getByRole('button', { name: /how it came about/ }));
    const link = await screen.findByRole('link', { name: 'As a quick sum' }, { timeout: 20_000 });
    expect(link.getAttribute('href')).toMatch(/^\/sums\/grip-force\?loadN=\d+.*&friction=0\.55$/);
  });

  it('says so where there is no working', async () => {
    show('wheel-torque', newBuild('Gull'), 'duty-1');
    fireEvent.click(screen.getByRole('button', { name: /how it came about/ }));
    const panel = await screen.findByRole('dialog', {}, { timeout: 20_000 });
    expect(plain(panel)).toContain('no working of its own');
  });

  it('goes by the legs of an outing to the current of a job', async () => {
    showChild(
      <OpensOuting number="energy" title="the energy">
        42
      </OpensOuting>,
    );
    fireEvent.click(screen.getByRole('button', { name: /how it came about/ }));
    const panel = await screen.findByRole('dialog', {}, { timeout: 20_000 });
    const open = (name: RegExp) =>
      fireEvent.click(
        within(within(panel).getAllByRole('row', { name })[0] as HTMLElement).getByRole('button'),
      );
    open(/Mean current/);
    expect(plain(panel)).toContain('Slip, loaded');
    open(/Current .*Level, loaded/);
    expect(plain(panel)).toContain('P = m Vm I + Paux');
  });
});

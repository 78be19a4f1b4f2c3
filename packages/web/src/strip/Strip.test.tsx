import { readFileSync } from 'node:fs';
import { buildSchema, layoutTemplate, newBuild, withLayout, type Build } from '@zubric/core/vehicle';
import { evaluate } from '@zubric/core/judge';
import { scaled, typed } from '@zubric/core/quantity';
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { UnitsProvider } from '../common/units.tsx';
import { BuildSession, useBuild } from '../session/BuildSession.tsx';
import { factorOf } from './factor.ts';
import { Strip } from './Strip.tsx';
import { StripPlace } from './StripPlace.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

/** Makes an edit as a station would. */
function HalfThePayload() {
  const { edit } = useBuild();
  const half = (b: Build): Build => {
    const { payload } = b.masses;
    return { ...b, masses: { ...b.masses, payload: { ...payload, mass: scaled(payload.mass, 0.5) } } };
  };
  return (
    <button type="button" onClick={() => edit(half)}>
      Half the payload
    </button>
  );
}

function show(document: Build, shown: ReactNode = <Strip />): void {
  // Nothing is saved here: the server does not answer.
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no server')));
  const stored = { id: 'b', version: 1, updatedAt: '2026-11-23T00:00:00Z', document };
  render(
    <MemoryRouter>
      <UnitsProvider>
        <BuildSession stored={stored}>
          {shown}
          <HalfThePayload />
        </BuildSession>
      </UnitsProvider>
    </MemoryRouter>,
  );
}

/** The text of a block, with ordinary spaces. */
const block = (title: string): string => {
  const heading = screen.getByRole('heading', { name: new RegExp(`^${title}`) });
  return (heading.closest('[data-block]')?.textContent ?? '').replaceAll('\u00a0', ' ');
};

describe('the strip', () => {
  it('says of its top speed what it reaches, and what it may go', () => {
    const capped = evaluate({ ...puffin, speedCap: typed(0.5, 'm/s') });
    expect(capped.governing.find(({ link }) => link === 'over-speed')?.verdict).toBe('fails');
    show({ ...puffin, speedCap: typed(0.5, 'm/s') });
    expect(block('Wheel')).toMatch(/^Wheeltop speed[\d.]+ m\/s reached.*may go 0\.5 m\/s/);
  });

  it('shows need, has, margin and governing job of each block', () => {
    show(puffin);
    // The name of the block is not said twice.
    expect(block('Wheel')).toMatch(/^Wheeltorque/);
    expect(block('Wheel')).toContain('41.1 N·m needed, each');
    expect(block('Wheel')).toContain('has 51.9 N·m · 1.26 ×');
    expect(block('Wheel')).toContain('short, asks 2 ×, Slip, loaded');
    expect(block('Ratio')).toContain('32.4 : 1 fitted');
    expect(block('Driver')).toContain('tight, Start on the slip');
    expect(block('Battery')).toContain('45.2 A needed');
    expect(block('Battery')).toContain('has 50 A · 1.11 ×tight, whole outing');
  });

  it('says in words what is short, not by colour alone', () => {
    show(puffin);
    const strip = screen.getByRole('region', { name: 'Driveline strip' });
    expect(within(strip).getAllByText(/^short/).length).toBe(2);
  });

  it('says what to choose where nothing can be reckoned', () => {
    show(newBuild('Bare'));
    expect(block('Ground')).toContain('N needed');
    expect(block('Motor')).toContain('choose a motor');
    expect(block('Battery')).toContain('choose a battery');
  });

  it('shows the link that is short before the one that is its own', () => {
    const weak = puffin.parts.map((part) =>
      part.kind === 'battery' ? { ...part, continuousA: 200, peakA: 40 } : part,
    );
    show({ ...puffin, parts: weak });
    expect(block('Battery')).toMatch(/^Batteryat full command/);
    expect(block('Battery')).toContain('80.2 A needed');
    expect(block('Battery')).toContain('fails');
  });

  it('says that nothing is asked of the ground where a rope pulls, not to state what is stated', () => {
    const winch = layoutTemplate('winch');
    if (!winch) throw new Error('there is a winch');
    show(withLayout(newBuild('Slip winch'), winch));
    expect(block('Ground')).toContain('nothing is asked of it');
    cleanup();
    show({ ...newBuild('Gull'), duties: [] });
    expect(block('Ground')).toContain('state a job');
    expect(block('Motor')).toContain('choose a motor');
  });

  it('says that a standing vehicle cannot move, not a factor of nothing; and on which side of its window a ratio must stay', () => {
    const heavy = {
      ...puffin,
      masses: { ...puffin.masses, payload: { ...puffin.masses.payload, mass: typed(900, 'kg') } },
    };
    const { governing } = evaluate(heavy);
    const speed = governing.find(({ link }) => link === 'speed');
    expect(speed?.has).toBe(0);
    expect(speed && factorOf(speed)).toBe('cannot move');
    show(puffin);
    expect(block('Ratio')).toMatch(/keep (above|below) [\d.]+/);
  });
});

describe('the strip in its place', () => {
  const place = (folds: boolean, narrow = false): void => {
    vi.stubGlobal('matchMedia', () => ({ matches: narrow, addEventListener() {}, removeEventListener() {} }));
    vi.stubGlobal(
      'IntersectionObserver',
      class {
        observe() {}
        disconnect() {}
      },
    );
    show(puffin, <StripPlace folds={folds} />);
  };
  const line = () => screen.queryByRole('navigation', { name: 'Margins' });
  const whole = () => screen.queryByRole('region', { name: 'Driveline strip' });

  it('is whole on top, one line where the station folds it or the page is narrow, and whole again at a press', async () => {
    place(false);
    expect([line(), whole()].map(Boolean)).toEqual([false, true]);
    cleanup();
    for (const narrow of [false, true]) {
      place(true, narrow);
      expect(await screen.findByRole('navigation', { name: 'Margins' })).toBeTruthy();
      expect(whole()).toBeNull();
      expect(line()?.textContent.replaceAll('\u00a0', ' ')).toContain('Wheel1.26 ×short');
      fireEvent.click(screen.getByRole('button', { name: 'The whole strip' }));
      expect(whole()).toBeTruthy();
      cleanup();
    }
  });

  it('marks what the last edit moved, and says it in one sentence once typing rests', async () => {
    vi.useFakeTimers();
    try {
      place(false);
      const said = (): string => screen.getByRole('status', { name: 'What the last edit moved' }).textContent;
      act(() => vi.advanceTimersByTime(5000));
      expect(said()).toBe('');
      fireEvent.click(screen.getByRole('button', { name: 'Half the payload' }));
      act(() => vi.advanceTimersByTime(600));
      expect(said()).toBe('');
      await act(async () => {
        await vi.advanceTimersByTimeAsync(200);
        await vi.dynamicImportSettled();
      });
      expect(said()).toMatch(
        / is now [\d.]+ times what it needs, before [\d.]+.*; \d+ more margins moved\.$/,
      );
      expect(block('Wheel')).toContain('was 1.26 ×');
      act(() => vi.advanceTimersByTime(5000));
      expect([said(), block('Wheel').includes('was ')]).toEqual(['', false]);
    } finally {
      vi.useRealTimers();
    }
  });
});

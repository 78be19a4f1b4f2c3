import { readFileSync } from 'node:fs';
import { buildSchema, layoutTemplate, newBuild, withLayout, type Build } from '@zubric/core/vehicle';
import { cleanup, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { UnitsProvider } from '../common/units.tsx';
import { BuildSession } from '../session/BuildSession.tsx';
import { Strip } from './Strip.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

function show(document: Build): void {
  // Nothing is saved here: the server does not answer.
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no server')));
  const stored = { id: 'b', version: 1, updatedAt: '2026-11-23T00:00:00Z', document };
  render(
    <MemoryRouter>
      <UnitsProvider>
        <BuildSession stored={stored}>
          <Strip />
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
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    localStorage.clear();
  });

  it('shows need, has, margin and governing duty of each block', () => {
    show(puffin);
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
    expect(block('Battery')).toContain('battery at full command');
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
    expect(block('Ground')).toContain('state a duty');
    expect(block('Motor')).toContain('choose a motor');
  });
});

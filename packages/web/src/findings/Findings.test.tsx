import { readFileSync } from 'node:fs';
import { buildSchema, type Build } from '@zubric/core/build';
import type { Block } from '@zubric/core/evaluate';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { UnitsProvider } from '../app/units.tsx';
import { BuildSession } from '../session/BuildSession.tsx';
import { Findings } from './Findings.tsx';

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));

function show(document: Build, blocks?: readonly Block[]): string[] {
  const stored = { id: 'b', version: 1, updatedAt: '2026-11-23T00:00:00Z', document };
  render(
    <UnitsProvider>
      <BuildSession stored={stored}>
        <Findings blocks={blocks} empty="nothing" />
      </BuildSession>
    </UnitsProvider>,
  );
  return screen.queryAllByRole('listitem').map((item) => item.textContent ?? '');
}

describe('findings', () => {
  afterEach(() => {
    cleanup();
    localStorage.clear();
  });

  it('come with what stops it first, in the units that were chosen', () => {
    localStorage.setItem('zubric-units', 'imperial');
    const [first, ...others] = show(puffin);
    expect(first).toMatch(/^stop.*38\.3.ft·lb for 30\.3.ft·lb/);
    expect(others.at(-1)).toMatch(/^note.*parking brake/);
  });

  it('are only those of the station', () => {
    const electrical = show(puffin, ['driver']);
    expect(electrical[0]).toContain('driver channel');
    expect(electrical.join()).not.toContain('Each wheel gets');
  });

  it('say that there are none', () => {
    const easy = puffin.duties.map((d) => ({
      ...d,
      grade: { ...d.grade, value: 0 },
      acceleration: { ...d.acceleration, value: 0 },
    }));
    expect(show({ ...puffin, duties: easy }, ['ratio'])).toEqual([]);
    expect(screen.getByText('nothing')).toBeTruthy();
    cleanup();
    // With grip to spare, the one thing left to say.
    expect(show({ ...puffin, duties: easy })).toEqual([expect.stringMatching(/^note.*stickier tyres/)]);
  });
});

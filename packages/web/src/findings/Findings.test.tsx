import { readFileSync } from 'node:fs';
import type { Block } from '@zubric/core/judge';
import { buildSchema, type Build } from '@zubric/core/vehicle';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { kept, onBench, text } from '../testing/on-bench.tsx';
import { workOfTheBench, workerHere } from '../testing/worker-here.ts';
import { demo } from '../testing/demo.ts';
import { Findings } from './Findings.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

const moth = demo('moth');
if (!moth) throw new Error('the float of the demo');

function show(document: Build, blocks?: readonly Block[]): string[] {
  onBench(<Findings blocks={blocks} empty="nothing" />, document);
  return screen.queryAllByRole('listitem').map((item) => item.textContent ?? '');
}

describe('findings', () => {
  it('come with what stops it first, in the units that were chosen', () => {
    localStorage.setItem('zubric-units', 'imperial');
    const [first, ...others] = show(puffin);
    expect(first).toMatch(/^short.*459.in·lb for 364.in·lb/);
    expect(others.at(-1)).toMatch(/^note.*parking brake/);
  });

  it('are only those of the station', () => {
    const electrical = show(puffin, ['driver']);
    expect(electrical[0]).toContain('driver channel');
    expect(electrical.join()).not.toContain('Each wheel gets');
  });

  it('come with their moves, and one press tries one', async () => {
    workOfTheBench();
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        new Response(JSON.stringify({ parts: [] }), { headers: { 'content-type': 'application/json' } }),
      ),
    );
    show(puffin, ['ground']);
    const move = await screen.findByRole('button', { name: /of ballast over the driven wheels/ });
    expect(text()).toMatch(/grip 1\.16 → 1\.2\d* × its need, no longer short/);
    expect(text()).toMatch(/costs: wheel torque 1\.26 → 1\.2\d* × its need/);
    fireEvent.click(move);
    expect(kept().masses.others).toMatchObject([{ name: 'Ballast', mass: { value: 2.4 } }]);
    // What was found for the build before is gone at once.
    expect(screen.queryByRole('button', { name: /of ballast/ })).toBeNull();
    vi.unstubAllGlobals();
  });

  it('say what stands in the way of the layout, the worst of it, and lead there', async () => {
    workOfTheBench();
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        new Response(JSON.stringify({ parts: [] }), { headers: { 'content-type': 'application/json' } }),
      ),
    );
    show(moth);
    const link = await screen.findByRole('link', { name: 'Layout' }, { timeout: 20_000 });
    expect(link.getAttribute('href')).toBe('/builds/b/layout');
    expect(text()).toContain('The button of “Driver” cannot be reached, whatever is taken off.');
    expect(text()).toContain('One more thing stands in its way.');
    cleanup();
    // Nowhere else than where all findings stand.
    show(moth, ['ground']);
    expect(screen.queryByRole('link', { name: 'Layout' })).toBeNull();
    vi.unstubAllGlobals();
  });

  it('say where what would mend them could not be worked out', async () => {
    const fails = (): never => {
      throw new Error('a build of no kind');
    };
    vi.stubGlobal('Worker', workerHere({ moves: fails }));
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        new Response(JSON.stringify({ parts: [] }), { headers: { 'content-type': 'application/json' } }),
      ),
    );
    show(puffin);
    expect((await screen.findByText(/could not be worked out/)).textContent).toContain('a build of no kind');
    vi.unstubAllGlobals();
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

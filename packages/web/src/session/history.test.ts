import { newBuild, newDuty, type Build } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { findHistory, keepHistory, move, NO_HISTORY, remember, type History } from './history.ts';

const gull = newBuild('Gull');
const LONG = 60_000;

interface Bench {
  readonly build: Build;
  readonly history: History;
}

const edit = ({ build, history }: Bench, next: Build, at: number): Bench => ({
  build: next,
  history: remember(history, build, next, at),
});
const go = (bench: Bench, way: 'undo' | 'redo'): Bench => move(bench.build, bench.history, way) ?? bench;
const start: Bench = { build: gull, history: NO_HISTORY };

describe('undo and redo', () => {
  it('take keystrokes on one value as one step', () => {
    let bench = start;
    for (const [n, kg] of [1, 12, 120].entries())
      bench = edit(
        bench,
        {
          ...bench.build,
          masses: { ...gull.masses, payload: { ...gull.masses.payload, mass: typed(kg, 'kg') } },
        },
        n * 100,
      );
    expect(bench.history.undo).toHaveLength(1);
    expect(go(bench, 'undo').build).toEqual(gull);
    expect(go(go(bench, 'undo'), 'redo').build.masses.payload.mass.value).toBe(120);
  });

  it('keep edits of different values, or with a pause between them, apart', () => {
    const first = edit(start, { ...gull, purpose: 'a' }, 0);
    expect(edit(first, { ...first.build, readyBy: '2027-01-01' }, 10).history.undo).toHaveLength(2);
    expect(edit(first, { ...first.build, purpose: 'ab' }, LONG).history.undo).toHaveLength(2);
  });

  it('go all the way back and all the way forth, whatever was edited', () => {
    const edits = fc.array(fc.tuple(fc.nat(3), fc.nat(9)), { maxLength: 25 });
    fc.assert(
      fc.property(edits, (list) => {
        let bench = start;
        const shown = [gull];
        for (const [at, [which, n]] of list.entries()) {
          const { build } = bench;
          const next: Build =
            which === 0
              ? { ...build, purpose: `p${n}` }
              : which === 1
                ? { ...build, duties: [...build.duties, newDuty(`x${at}`, `D${n}`, 'ground-1')] }
                : which === 2
                  ? { ...build, duties: build.duties.slice(1) }
                  : { ...build, duties: [...build.duties].reverse() };
          if (JSON.stringify(next) === JSON.stringify(build)) continue;
          bench = edit(bench, next, at * LONG);
          shown.push(next);
        }
        for (const before of shown.slice(0, -1).reverse()) {
          bench = go(bench, 'undo');
          expect(bench.build).toEqual(before);
        }
        expect(move(bench.build, bench.history, 'undo')).toBeUndefined();
        for (const after of shown.slice(1)) {
          bench = go(bench, 'redo');
          expect(bench.build).toEqual(after);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('leave what the step did not touch as the same objects: what is known of them stands', () => {
    const { own } = gull.masses;
    const heavier = { ...gull, masses: { ...gull.masses, own: { ...own, mass: typed(77, 'kg') } } };
    for (const way of ['undo', 'redo'] as const) {
      const edited = edit(start, heavier, 0);
      const moved = go(way === 'undo' ? edited : go(edited, 'undo'), way).build;
      for (const field of ['drives', 'duties', 'grounds', 'layout', 'parts', 'supply', 'assembly'] as const)
        expect(moved[field], field).toBe(gull[field]);
      expect(moved.masses.payload).toBe(gull.masses.payload);
      expect(moved.masses.own.mass.value).toBe(way === 'undo' ? own.mass.value : 77);
    }
  });

  it('forget what was undone once something else is edited', () => {
    const back = go(edit(start, { ...gull, purpose: 'a' }, 0), 'undo');
    expect(edit(back, { ...gull, purpose: 'b' }, LONG).history.redo).toEqual([]);
  });

  it('pass over a step that would leave no whole build', () => {
    const removed = edit(start, { ...gull, duties: gull.duties.slice(1) }, 0);
    // Since then the ground that the duty stood on was replaced elsewhere.
    const elsewhere: Build = {
      ...removed.build,
      grounds: gull.grounds.map((g) => ({ ...g, id: 'other' })),
      duties: removed.build.duties.map((d) => ({ ...d, groundId: 'other' })),
    };
    expect(move(elsewhere, removed.history, 'undo')).toBeUndefined();
  });

  it('keep 200 steps', () => {
    let bench = start;
    for (let n = 0; n < 230; n++) bench = edit(bench, { ...gull, purpose: String(n) }, n * LONG);
    expect(bench.history.undo).toHaveLength(200);
  });
});

describe('a history kept by the tab', () => {
  it('comes back whole, and nothing comes of a broken one', () => {
    const { history } = edit(start, { ...gull, purpose: 'a' }, 0);
    keepHistory('a', history);
    expect(findHistory('a')).toEqual(history);
    expect(findHistory('b')).toEqual(NO_HISTORY);
    sessionStorage.setItem('zubric-history-a', '{"undo":1}');
    expect(findHistory('a')).toEqual(NO_HISTORY);
    sessionStorage.setItem('zubric-history-a', '{');
    expect(findHistory('a')).toEqual(NO_HISTORY);
  });

  it('loses its older half where there is no room', () => {
    let bench = start;
    for (let n = 0; n < 8; n++) bench = edit(bench, { ...gull, purpose: String(n) }, n * LONG);
    const setItem = vi.spyOn(Storage.prototype, 'setItem');
    setItem.mockImplementationOnce(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    keepHistory('a', bench.history);
    expect(findHistory('a').undo).toEqual(bench.history.undo.slice(4));
  });
});

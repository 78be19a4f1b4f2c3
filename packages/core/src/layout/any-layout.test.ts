import { describe, expect, it } from 'vitest';
import { layoutFindingInWords, layoutMoveInWords } from '../say/index.ts';
import { many } from '../testing/many.ts';
import { randomBuild } from '../testing/random-build.ts';
import { readBuild, type Build } from '../vehicle/index.ts';
import { layoutReport, withLayoutMove } from './index.ts';

/** Builds that have a layout, of so many draws. */
const DRAWS = many(40, 400);

const drawn: readonly Build[] = Array.from({ length: DRAWS }, (_, seed) => randomBuild(seed + 1)).flatMap(
  (build) => (build?.arrangement ? [build] : []),
);

/** Numbers that are none, wherever they stand. */
function faults(x: unknown, path = ''): string[] {
  if (typeof x === 'number') return Number.isFinite(x) ? [] : [path];
  if (typeof x !== 'object' || x === null) return [];
  return Object.entries(x).flatMap(([key, value]) => faults(value, `${path}.${key}`));
}

describe('a layout of any numbers that the schema takes', () => {
  it('is looked at: nothing is thrown, every figure is a number, every finding and move is said', () => {
    expect(drawn.length).toBeGreaterThan(DRAWS / 4);
    let moves = 0;
    for (const build of drawn) {
      const report = layoutReport(build);
      expect(faults(report), build.name).toEqual([]);
      for (const finding of report.findings) {
        expect(layoutFindingInWords(finding, build)).not.toMatch(/NaN|undefined|Infinity/);
        for (const move of finding.moves.slice(0, 1)) {
          moves += 1;
          expect(layoutMoveInWords(move, build)).not.toMatch(/NaN|undefined|Infinity/);
        }
      }
    }
    expect(moves).toBeGreaterThan(10);
  }, 120_000);

  it('stays a build that can be saved after each kind of its moves', () => {
    const seen = new Set<string>();
    for (const build of drawn)
      for (const { code, moves } of layoutReport(build).findings) {
        const [move] = moves;
        if (!move || seen.has(code)) continue;
        seen.add(code);
        const read = readBuild(JSON.parse(JSON.stringify(withLayoutMove(build, move))));
        expect(read.ok ? [] : read.problems, code).toEqual([]);
      }
    expect(seen.size).toBeGreaterThan(2);
  }, 120_000);
});

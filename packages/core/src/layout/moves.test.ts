import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { arranged, face, m, part, puffin } from '../testing/arranged.ts';
import { layoutMoveInWords } from '../say/index.ts';
import type { Build, FrameMember, Shaft, Stacked } from '../vehicle/index.ts';
import { layoutReport, stackOf, withLayoutMove, type LayoutFinding } from './index.ts';

const box = (id: string, at: readonly [number, number, number], others = {}) =>
  part({ id, at, sides: [0.1, 0.1, 0.1], ...others });
const on = (
  id: string,
  kind: Stacked['kind'],
  hold: Stacked['hold'],
  widthM: number,
  atM: number,
): Stacked => ({
  id,
  name: id,
  kind,
  hold,
  width: m(widthM),
  at: m(atM),
});
const shaft = (stack: readonly Stacked[]): Shaft => ({
  id: 'axle',
  name: 'Axle',
  length: m(0.2),
  float: m(0.0005),
  stack,
});
const bearings = [on('one', 'bearing', 'frame', 0.01, 0.04), on('two', 'bearing', 'frame', 0.01, 0.16)];
const member: FrameMember = {
  id: 'rails',
  name: 'Rails',
  runs: 'ahead',
  from: m(0),
  span: m(0.7),
  material: 'steel',
  section: 'bar',
  height: m(0.014),
  width: m(0.01),
  members: 2,
  share: typed(1, '%'),
  spreads: true,
  mounts: [
    { id: 'shaft', name: 'Shaft', at: m(0.05), kind: 'rigid', shaft: m(0.012), free: m(0.1), arm: m(0.05) },
  ],
};
const heavyAside = (kg: number): Build => ({
  ...arranged([box('heavy', [0.4, 0.3, 0.3], { kg })]),
  masses: { ...puffin.masses, own: { ...puffin.masses.own, mass: typed(58, 'kg') } },
});

/** What a finding is about. */
const about = (finding: LayoutFinding): string =>
  JSON.stringify([
    finding.code,
    ...(['partId', 'faceId', 'shaftId', 'way', 'memberId', 'mountId', 'side'] as const).map(
      (key) => (finding as unknown as Record<string, unknown>)[key],
    ),
  ]);
/** After each move of each finding of these codes, what it was about is gone. */
function movesOf(build: Build, ...codes: readonly LayoutFinding['code'][]): number {
  const found = layoutReport(build).findings.filter(({ code }) => codes.includes(code));
  expect(found.map(({ code }) => code)).toEqual(expect.arrayContaining([...codes]));
  let moves = 0;
  for (const finding of found)
    for (const move of finding.moves) {
      moves += 1;
      const after = layoutReport(withLayoutMove(build, move)).findings;
      expect(after.map(about), layoutMoveInWords(move, build)).not.toContain(about(finding));
    }
  return moves;
}

describe('each move of a finding ends it', () => {
  it('of what is in another’s place or too near', () => {
    expect(movesOf(arranged([box('a', [0.3, 0, 0.4]), box('b', [0.37, 0.02, 0.4])]), 'overlap')).toBe(1);
    expect(movesOf(arranged([box('a', [0.3, 0, 0.4]), box('b', [0.401, 0, 0.4])]), 'near')).toBe(1);
  });

  it('of what is reached only after something else', () => {
    const covered = arranged([
      box('a', [0.3, 0, 0.3], { faces: [face('top', 0.1)] }),
      part({ id: 'lid', at: [0.3, 0, 0.36], sides: [0.2, 0.2, 0.005] }),
    ]);
    expect(movesOf(covered, 'reach-after')).toBeGreaterThan(0);
  });

  it('of what reaches into the ground, or beyond what the event allows', () => {
    expect(movesOf(arranged([box('a', [0.3, 0, 0.02])]), 'in-the-ground')).toBe(1);
    const wide: Build = {
      ...arranged([box('a', [0.3, 0.5, 0.4])]),
      aims: { ...puffin.aims, width: m(0.8) },
    };
    expect(movesOf(wide, 'beyond-limit')).toBe(1);
  });

  it('of weight that lies off the middle', () => {
    expect(movesOf(heavyAside(20), 'off-the-middle')).toBeGreaterThan(0);
  });

  it('of a shaft that floats: a spacer where there is a gap, a collar where nothing stops it', () => {
    const gap = arranged([], { shafts: [shaft([on('ring', 'collar', 'shaft', 0.01, 0.02), ...bearings])] });
    expect(movesOf(gap, 'floats')).toBe(2);
    // Nothing is clamped to it at all: a collar each way.
    const free = arranged([], { shafts: [shaft(bearings)] });
    expect(movesOf(free, 'floats')).toBe(2);
    const [first] = layoutReport(free).findings;
    const [move] = first?.moves ?? [];
    const after = move && withLayoutMove(free, move).arrangement?.shafts?.[0];
    expect(after && Object.values(stackOf(after).floatM)).toContainEqual(expect.closeTo(0.00025, 9));
  });

  it('of a frame on which a shaft binds, or that is bent too far', () => {
    // Stiffer, tilting, and floating.
    expect(movesOf(arranged([], { frame: [member] }), 'frame-binds', 'frame-weak')).toBeGreaterThan(3);
  });

  it('of a part that the printer does not hold: its pieces weigh and reach what it did', () => {
    const build = arranged(
      [
        box('cover', [0.3, 0.1, 0.4], {
          length: m(0.5),
          kg: 2,
          printed: true,
          turn: typed(Math.PI / 2, '°'),
        }),
      ],
      {
        printer: { length: m(0.22), width: m(0.2), height: m(0.2) },
      },
    );
    expect(movesOf(build, 'not-printed-whole')).toBe(1);
    const [found] = layoutReport(build).findings.filter(({ code }) => code === 'not-printed-whole');
    const [move] = found?.moves ?? [];
    const pieces = (move && withLayoutMove(build, move).arrangement?.parts) ?? [];
    expect(pieces).toHaveLength(3);
    expect(pieces.reduce((sum, { mass }) => sum + mass.value, 0)).toBeCloseTo(2, 12);
    const middle = pieces.reduce((sum, { left, mass }) => sum + left.value * mass.value, 0) / 2;
    expect(middle).toBeCloseTo(0.1, 12);
    // Turned by a quarter it lies across: its pieces lie beside each other.
    expect(pieces.map(({ left }) => Number(left.value.toFixed(6)))).toEqual([-0.066667, 0.1, 0.266667]);
  });
});

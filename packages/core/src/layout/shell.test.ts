import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { arranged, face, m, part, reported } from '../testing/arranged.ts';
import type { Shell } from '../vehicle/index.ts';
import { findPlaces, outlineOf, thingsOf } from './index.ts';
import { outsideBy, shellOf, type Spot } from './shell.ts';

const corners = (spots: readonly Spot[]) =>
  spots.map(([ahead, left], n) => ({ id: `corner-${n + 1}`, ahead: m(ahead), left: m(left) }));
/** An L, 1 m long and 0.6 m wide, of which the front right quarter is missing. */
const L: readonly Spot[] = [
  [0, -0.3],
  [0.5, -0.3],
  [0.5, 0],
  [1, 0],
  [1, 0.3],
  [0, 0.3],
];
const shell = (others: Partial<Shell> = {}): Shell => ({
  opens: 'open',
  wall: m(0.004),
  outline: corners(L),
  ...others,
});
const box = (at: readonly [number, number, number], others = {}) =>
  part({ id: 'box', at, sides: [0.1, 0.1, 0.1], ...others });

describe('an outline that is drawn', () => {
  it('is told to the left round, whichever way it was drawn', () => {
    const area = (spots: readonly Spot[]) =>
      spots.reduce((sum, [x, y], n) => {
        const [u, v] = spots[(n + 1) % spots.length] ?? [0, 0];
        return sum + (x * v - u * y) / 2;
      }, 0);
    expect(area(outlineOf(arranged([], { shell: shell() })))).toBeCloseTo(0.45, 12);
    expect(
      area(outlineOf(arranged([], { shell: shell({ outline: corners([...L].reverse()) }) }))),
    ).toBeCloseTo(0.45, 12);
  });

  it('is what a part may not stick out of: in the corner that is missing too', () => {
    const at = (ahead: number, left: number) =>
      reported(arranged([box([ahead, left, 0.3], { sticksOut: m(0) })], { shell: shell() }), 'box')
        ?.sticksOut;
    expect(at(0.2, -0.2)).toEqual([]);
    expect(at(0.75, 0.2)).toEqual([]);
    const [out] = at(0.75, -0.1) ?? [];
    expect(out?.byM).toBeCloseTo(0.15, 6);
    expect(out?.way).toBe('right');
  });

  it('bounds the places that are found', () => {
    const build = arranged([box([0.2, 0, 0.3])], { shell: shell() });
    const places = findPlaces(build, 'box', { pitchM: 0.05, most: 40 });
    expect(places.length).toBeGreaterThan(3);
    for (const { aheadM, leftM } of places)
      for (const [dx, dy] of [
        [0.05, 0.05],
        [0.05, -0.05],
        [-0.05, 0.05],
        [-0.05, -0.05],
      ] as const)
        expect(outsideBy(L, [aheadM + dx, leftM + dy]).byM).toBeLessThanOrEqual(1e-6);
  });

  it('tells inside from outside as counting crossings by another ray does', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.2, max: 1.2, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        (x, y) => {
          const inside = (x > 0 && x < 1 && y > 0 && y < 0.3) || (x > 0 && x < 0.5 && y > -0.3 && y <= 0);
          const { byM } = outsideBy(L, [x, y]);
          if (Math.abs(byM) > 1e-9) expect(byM < 0).toBe(inside);
        },
      ),
    );
  });
});

describe('a body that is closed', () => {
  const lid = face('top', 0.05);
  it('holds its faces back until its lid is off', () => {
    const build = arranged([box([0.2, 0, 0.65], { faces: [lid] })], {
      shell: shell({ opens: 'lid', at: m(0.6) }),
    });
    expect(reported(build, 'box')?.faces).toEqual([{ id: 'lid-top', free: false, after: ['shell-lid'] }]);
    expect(reported(build, 'box')?.comesOff).toEqual({ way: 'top', after: ['shell-lid'] });
  });

  it('open as a box is, or reached within, asks for nothing to come off', () => {
    const at = [0.2, 0, 0.3] as const;
    const open = arranged([box(at, { faces: [lid] })], { shell: shell() });
    expect(reported(open, 'box')?.faces[0]).toMatchObject({ free: true });
  });

  it('parts in halves, of which only the one in the way comes off', () => {
    const side = face('left', 0.25, 'plug');
    const build = arranged([box([0.2, 0.15, 0.3], { faces: [side] })], {
      shell: shell({ opens: 'halves-along', at: m(0) }),
    });
    expect(shellOf(build).map(({ name }) => name)).toEqual([
      'Left half of the body',
      'Right half of the body',
    ]);
    expect(reported(build, 'box')?.faces[0]?.after).toEqual(['shell-1']);
  });

  it('is overlapped by what goes through its wall, unless that may stick out', () => {
    const through = (others = {}) =>
      reported(
        arranged([box([0, 0.1, 0.3], others)], { shell: shell({ opens: 'lid' }) }),
        'box',
      )?.overlaps.map(({ withId }) => withId);
    expect(through()).toEqual(['shell-tub']);
    expect(through({ sticksOut: m(0.1) })).toEqual([]);
  });

  it('has walls all round and plates that cover its outline, but for where it parts', () => {
    const pieces = shellOf(arranged([], { shell: shell({ opens: 'halves-across', at: m(0.25) }) }));
    const spans = pieces.map(({ solids }) => [
      Math.min(...solids.map(({ least }) => least[0])),
      Math.max(...solids.map(({ most }) => most[0])),
    ]);
    expect(spans.map((span) => span.map((x) => Math.abs(Number(x.toFixed(6)))))).toEqual([
      [0.25, 1],
      [0, 0.25],
    ]);
    // Of the six sides of the front half five have walls, of the four of the rear half three: the cut is open.
    const upright = (n: number) =>
      pieces[n]?.solids.filter(({ least, most }) => most[2] - least[2] > 0.1).length;
    expect([upright(0), upright(1)]).toEqual([5, 3]);
  });

  it('with its lid at the top leaves all walls standing', () => {
    const things = thingsOf(arranged([], { shell: shell({ opens: 'lid' }) })).filter(
      ({ kind }) => kind === 'shell',
    );
    expect(things.map(({ id, opens }) => [id, opens])).toEqual([
      ['shell-lid', true],
      ['shell-tub', false],
    ]);
    expect(things[0]?.solids.every(({ least, most }) => most[2] - least[2] < 0.01)).toBe(true);
  });
});

it('a wheel on springs sweeps its travel upwards', () => {
  const build = arranged([]);
  const axle = build.layout.axles[1];
  if (!axle) throw new Error('no axle');
  const sprung = {
    ...build,
    layout: { ...build.layout, axles: build.layout.axles.map((a) => ({ ...a, travel: typed(0.05, 'mm') })) },
  };
  const top = (of: typeof build) =>
    Math.max(
      ...thingsOf(of)
        .filter(({ id }) => id === 'driven-left')
        .flatMap(({ solids }) => solids.map(({ most }) => most[2])),
    );
  expect(top(sprung) - top(build)).toBeCloseTo(0.05, 9);
});

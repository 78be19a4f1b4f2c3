import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { asPlaced, readBuild, type Build, type PlacedPart } from '../vehicle/index.ts';
import { arranged, part, puffin } from '../testing/arranged.ts';
import { centreOfGravity, gapBetween, inertiaOf, restingOn, solidOfPart } from './index.ts';

describe('the middle of gravity', () => {
  it('is the mean of what is placed and the rest, by weight', () => {
    const build = arranged([
      part({ id: 'a', at: [0.2, 0.1, 0.2], sides: [0.1, 0.1, 0.1], kg: 10 }),
      part({ id: 'b', at: [0.6, -0.2, 0.5], sides: [0.1, 0.1, 0.1], kg: 6 }),
    ]);
    const own = puffin.masses.own.mass.value;
    const { massKg, aheadM, leftM, heightM } = centreOfGravity(build);
    expect(massKg).toBe(own);
    expect(aheadM).toBeCloseTo((10 * 0.2 + 6 * 0.6 + (own - 16) * 0.4) / own, 12);
    expect(leftM).toBeCloseTo((10 * 0.1 - 6 * 0.2) / own, 12);
    expect(heightM).toBeCloseTo((10 * 0.2 + 6 * 0.5 + (own - 16) * 0.3) / own, 12);
  });

  it('of parts is what the build itself stands on, whichever way it is read', () => {
    const build = arranged([part({ id: 'a', at: [0.1, 0.15, 0.2], sides: [0.2, 0.1, 0.1], kg: 20 })]);
    const placed = asPlaced(build);
    const { aheadM, leftM, heightM } = centreOfGravity(build);
    expect(placed.masses.own.aheadOfRearAxle.value).toBeCloseTo(aheadM, 12);
    expect(placed.masses.own.left.value).toBeCloseTo(leftM, 12);
    expect(placed.masses.own.height.value).toBeCloseTo(heightM, 12);
    expect(placed.masses.own.height.origin).toBe('placed');
    expect(asPlaced(placed)).toBe(placed);
    const read = readBuild(JSON.parse(JSON.stringify(build)));
    expect(read.ok && read.build).toEqual(placed);
    // Ground and the rest of it follow: what is further back loads the castors behind.
    const castors = (b: Build): number => evaluate(b).duties[0]?.footing.axles[0]?.loadN ?? 0;
    expect(castors(placed)).toBeGreaterThan(castors(puffin));
  });

  it('of nothing placed is what was typed', () => {
    expect(asPlaced(puffin)).toBe(puffin);
    expect(asPlaced(arranged([part({ id: 'a', at: [0, 0, 0], sides: [1, 1, 1] })])).masses).toEqual(
      puffin.masses,
    );
  });

  it('loads the axles by the law of the lever', () => {
    const build = arranged([part({ id: 'a', at: [0.1, 0, 0.2], sides: [0.1, 0.1, 0.1], kg: 25 })]);
    const { aheadM, massKg } = centreOfGravity(build);
    const loads = restingOn(asPlaced(build), 0)?.axles ?? [];
    const [castors, driven] = puffin.layout.axles.map(({ ahead }) => ahead.value);
    const weight = massKg * 9.80665;
    const base = (driven ?? 0) - (castors ?? 0);
    expect(loads[1]?.loadN).toBeCloseTo((weight * (aheadM - (castors ?? 0))) / base, 6);
    expect((loads[0]?.loadN ?? 0) + (loads[1]?.loadN ?? 0)).toBeCloseTo(weight, 6);
  });
});

/** A build of which nothing but what is placed weighs anything. */
const onlyOf = (parts: readonly PlacedPart[]): Build => {
  const build = arranged(parts);
  const kg = parts.reduce((sum, { mass }) => sum + mass.value, 0);
  return {
    ...build,
    masses: { ...build.masses, own: { ...build.masses.own, mass: typed(kg, 'kg') }, others: [] },
  };
};

describe('inertia', () => {
  it('of one box, cylinder or rod is that of the books', () => {
    const box = inertiaOf(onlyOf([part({ id: 'a', at: [1, 2, 3], sides: [0.3, 0.2, 0.1], kg: 6 })]));
    expect(box.yawKgM2).toBeCloseTo((6 * (0.09 + 0.04)) / 12, 12);
    expect(box.rollKgM2).toBeCloseTo((6 * (0.04 + 0.01)) / 12, 12);
    expect(box.pitchKgM2).toBeCloseTo((6 * (0.09 + 0.01)) / 12, 12);
    const drum = part({
      id: 'a',
      at: [0, 0, 0],
      sides: [0.2, 0.5, 0.2],
      kg: 4,
      form: 'cylinder',
      axis: 'left',
    });
    const { pitchKgM2, yawKgM2, rollKgM2 } = inertiaOf(onlyOf([drum]));
    expect(pitchKgM2).toBeCloseTo((4 * 0.1 ** 2) / 2, 12);
    expect(yawKgM2).toBeCloseTo(4 * (0.1 ** 2 / 4 + 0.5 ** 2 / 12), 12);
    expect(rollKgM2).toBeCloseTo(yawKgM2, 12);
  });

  it('of two lumps is that of the rod between them', () => {
    const lump = (id: string, at: readonly [number, number, number]): PlacedPart =>
      part({ id, at, sides: [1e-4, 1e-4, 1e-4], kg: 3 });
    const { yawKgM2, rollKgM2, pitchKgM2 } = inertiaOf(
      onlyOf([lump('a', [0, 0.5, 0.2]), lump('b', [0, -0.5, 0.2])]),
    );
    expect(yawKgM2).toBeCloseTo(2 * 3 * 0.25, 6);
    expect(rollKgM2).toBeCloseTo(2 * 3 * 0.25, 6);
    expect(pitchKgM2).toBeCloseTo(0, 6);
  });

  it('and the middle are those of many points drawn evenly from each part', () => {
    const random = seeded(1919);
    const parts = [
      part({ id: 'a', at: [0.1, 0.2, 0.3], sides: [0.4, 0.1, 0.2], kg: 5, turnRad: 0.6 }),
      part({ id: 'b', at: [0.7, -0.1, 0.2], sides: [0.2, 0.2, 0.5], kg: 3, form: 'cylinder', axis: 'up' }),
      part({
        id: 'c',
        at: [-0.2, 0, 0.5],
        sides: [0.6, 0.12, 0.12],
        kg: 2,
        form: 'cylinder',
        axis: 'ahead',
        turnRad: -1,
      }),
    ];
    const build = onlyOf(parts);
    const draws = parts.flatMap((one) => {
      const solid = solidOfPart(one);
      const points: [number, number, number][] = [];
      // Within the box about it, those that have no gap to it.
      while (points.length < 8000) {
        const at = [0, 1, 2].map((axis) => {
          const [least, most] = [solid.least[axis] ?? 0, solid.most[axis] ?? 0];
          return least + (most - least) * random();
        }) as [number, number, number];
        const point = { middle: at, least: at, most: at, isBlock: false, furthest: () => at };
        if (gapBetween(point, solid) === 0) points.push(at);
      }
      return points.map((at) => ({ at, kg: one.mass.value / points.length }));
    });
    const kg = draws.reduce((sum, point) => sum + point.kg, 0);
    const mean = (of: (at: readonly [number, number, number]) => number): number =>
      draws.reduce((sum, point) => sum + point.kg * of(point.at), 0);
    const middle = [0, 1, 2].map((axis) => mean((at) => at[axis] ?? 0) / kg);
    const { aheadM, leftM, heightM } = centreOfGravity(build);
    [aheadM, leftM, heightM].forEach((exact, axis) => expect(middle[axis]).toBeCloseTo(exact, 2));
    const about = (a: number, b: number): number =>
      mean((at) => ((at[a] ?? 0) - (middle[a] ?? 0)) ** 2 + ((at[b] ?? 0) - (middle[b] ?? 0)) ** 2);
    const { yawKgM2, rollKgM2, pitchKgM2 } = inertiaOf(build);
    expect(about(0, 1) / yawKgM2).toBeCloseTo(1, 1.7);
    expect(about(1, 2) / rollKgM2).toBeCloseTo(1, 1.7);
    expect(about(0, 2) / pitchKgM2).toBeCloseTo(1, 1.7);
  }, 60_000);

  it('about the upright is the same however the whole is turned, and roll and pitch keep their sum', () => {
    const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(number(-1, 1), number(-1, 1), number(0, 1), number(0.1, 9), number(-3, 3)), {
          minLength: 1,
          maxLength: 6,
        }),
        number(-3, 3),
        (lumps, angle) => {
          const partsAt = (turn: number): PlacedPart[] =>
            lumps.map(([x, y, z, kg, own], n) =>
              part({
                id: `p${n}`,
                at: [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn), z],
                sides: [0.3, 0.1, 0.2],
                kg,
                turnRad: own + turn,
                ...(n % 2 === 0 ? {} : { form: 'cylinder', axis: 'left' }),
              }),
            );
          const [before, after] = [inertiaOf(onlyOf(partsAt(0))), inertiaOf(onlyOf(partsAt(angle)))];
          expect(after.yawKgM2).toBeCloseTo(before.yawKgM2, 9);
          expect(after.rollKgM2 + after.pitchKgM2).toBeCloseTo(before.rollKgM2 + before.pitchKgM2, 9);
        },
      ),
    );
  });
});

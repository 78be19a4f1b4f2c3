import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import {
  asPlaced,
  buildSchema,
  readBuild,
  type Arrangement,
  type Build,
  type Face,
  type PlacedPart,
  type Zone,
} from '../vehicle/index.ts';
import {
  bodyBox,
  centreOfGravity,
  comesOff,
  findPlaces,
  gapBetween,
  inertiaOf,
  layoutReport,
  restingOn,
  solidOfPart,
  thingsOf,
} from './index.ts';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const m = (value: number) => typed(value, 'mm');

interface Made extends Partial<Omit<PlacedPart, 'mass' | 'turn'>> {
  readonly id: string;
  readonly at: readonly [number, number, number];
  readonly sides: readonly [number, number, number];
  readonly kg?: number;
  readonly turnRad?: number;
}
function part({ id, at, sides, kg = 0, turnRad = 0, ...others }: Made): PlacedPart {
  return {
    id,
    name: id,
    form: 'box',
    length: m(sides[0]),
    width: m(sides[1]),
    height: m(sides[2]),
    aheadOfRearAxle: m(at[0]),
    left: m(at[1]),
    above: m(at[2]),
    mass: typed(kg, 'kg'),
    turn: typed(turnRad, '°'),
    faces: [],
    ...others,
  };
}
const face = (side: Face['side'], room: number, kind: Face['kind'] = 'lid'): Face => ({
  id: `${kind}-${side}`,
  kind,
  side,
  room: m(room),
});
const rest = { aheadOfRearAxle: m(0.4), left: m(0), height: m(0.3) };
const arranged = (parts: readonly PlacedPart[], others: Partial<Arrangement> = {}): Build => ({
  ...puffin,
  arrangement: { clearance: m(0.003), rest, parts, zones: [], ...others },
});
const reported = (build: Build, id: string) => layoutReport(build).parts.find((one) => one.id === id);

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
        const point = { middle: at, least: at, most: at, furthest: () => at };
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

describe('what is in the way', () => {
  const a = part({ id: 'a', at: [0.3, 0, 0.4], sides: [0.2, 0.2, 0.1] });
  it('is told of both, with the shortest way clear', () => {
    const build = arranged([a, part({ id: 'b', at: [0.45, 0.02, 0.4], sides: [0.2, 0.2, 0.1] })]);
    const [near] = reported(build, 'a')?.overlaps ?? [];
    // 50 mm deep along, and the gap of 3 mm; up it would be 100 mm.
    expect(near).toMatchObject({ withId: 'b', gapM: 0, moved: { way: 'back' } });
    expect(near?.moved.byM).toBeCloseTo(0.053, 4);
    expect(reported(build, 'b')?.overlaps[0]).toMatchObject({ withId: 'a', moved: { way: 'front' } });
    const told = layoutReport(build).findings.filter(({ code }) => code === 'overlap');
    expect(told).toHaveLength(1);
    expect(told[0]?.moves[0]?.aheadM).toBeCloseTo(0.3 - 0.053, 4);
  });
  it('is a gap too narrow too, and not one that is wide enough', () => {
    const at = (gap: number): Build =>
      arranged([a, part({ id: 'b', at: [0.5 + gap, 0, 0.4], sides: [0.2, 0.2, 0.1] })]);
    expect(reported(at(0.001), 'a')?.overlaps[0]?.gapM).toBeCloseTo(0.001, 6);
    expect(layoutReport(at(0.001)).findings.map(({ code }) => code)).toContain('near');
    expect(reported(at(0.004), 'a')?.overlaps).toEqual([]);
  });
  it('is a wheel, and of a steered one all that it sweeps', () => {
    const [driven] = puffin.layout.axles.filter((axle) => axle.driven);
    if (!driven) throw new Error('Puffin drives');
    const beside = part({
      id: 'a',
      at: [driven.ahead.value + 0.15, driven.track.value / 2 - 0.14, 0.2],
      sides: [0.1, 0.1, 0.1],
    });
    expect(reported(arranged([beside]), 'a')?.overlaps).toEqual([]);
    const steered: Build = {
      ...arranged([beside]),
      layout: {
        ...puffin.layout,
        axles: puffin.layout.axles.map((axle) => (axle === driven ? { ...axle, steered: true } : axle)),
      },
    };
    expect(reported(steered, 'a')?.overlaps[0]).toMatchObject({ withId: 'driven-left', gapM: 0 });
  });
  it('is a space that must stay free, with no gap asked', () => {
    const zone: Zone = {
      id: 'feet',
      name: 'Feet',
      kind: 'keep-out',
      length: m(0.1),
      width: m(0.1),
      height: m(0.1),
      aheadOfRearAxle: m(0.45),
      left: m(0),
      above: m(0.4),
    };
    expect(reported(arranged([a], { zones: [zone] }), 'a')?.overlaps).toEqual([]);
    const moved = { ...zone, aheadOfRearAxle: m(0.44) };
    expect(reported(arranged([a], { zones: [moved] }), 'a')?.overlaps[0]?.withId).toBe('feet');
    expect(reported(arranged([a], { zones: [{ ...moved, kind: 'bay' }] }), 'a')?.overlaps).toEqual([]);
  });
  it('sticks out where it may not', () => {
    const { most } = bodyBox(puffin);
    const at = (may: number): Build =>
      arranged([part({ id: 'a', at: [most[0], 0, 0.4], sides: [0.1, 0.1, 0.1], sticksOut: m(may) })]);
    expect(reported(at(0.02), 'a')?.sticksOut[0]).toMatchObject({ way: 'front' });
    expect(reported(at(0.02), 'a')?.sticksOut[0]?.byM).toBeCloseTo(0.03, 9);
    expect(reported(at(0.05), 'a')?.sticksOut).toEqual([]);
  });
});

describe('reach', () => {
  const battery = part({
    id: 'battery',
    at: [0.35, 0, 0.2],
    sides: [0.2, 0.15, 0.1],
    faces: [face('top', 0.1), face('right', 0.05, 'plug')],
  });
  const tray = part({ id: 'tray', at: [0.35, 0, 0.32], sides: [0.4, 0.4, 0.02] });
  it('is free where nothing is in the room before a face', () => {
    expect(reported(arranged([battery]), 'battery')?.faces).toEqual([
      { id: 'lid-top', free: true, after: [] },
      { id: 'plug-right', free: true, after: [] },
    ]);
  });
  it('is free after taking off what is in the way, and what is in its way first', () => {
    const box = part({ id: 'box', at: [0.35, 0, 0.45], sides: [0.4, 0.4, 0.2] });
    const walls = [
      part({ id: 'front', at: [0.6, 0, 0.35], sides: [0.02, 0.4, 0.4] }),
      part({ id: 'back', at: [0.1, 0, 0.35], sides: [0.02, 0.4, 0.4] }),
      part({ id: 'wall-l', at: [0.35, 0.25, 0.35], sides: [0.4, 0.02, 0.4] }),
      part({ id: 'wall-r', at: [0.35, -0.25, 0.35], sides: [0.4, 0.02, 0.4] }),
    ];
    const build = arranged([battery, tray, box, ...walls]);
    expect(reported(build, 'battery')?.faces[0]).toEqual({
      id: 'lid-top',
      free: false,
      after: ['box', 'tray'],
    });
    expect(comesOff(build).get('tray')).toEqual({ way: 'top', after: ['box'] });
    expect(comesOff(build).get('battery')?.after).toHaveLength(0);
    expect(comesOff(build).get('battery')?.way).toBe('bottom');
  });
  it('is never had by what is locked in by one that it locks in itself', () => {
    // Two hooks: each holds the other on all sides, by plates before and behind it.
    const ring = (id: string, ahead: number): PlacedPart[] =>
      (
        [
          [0.1, 0, 0],
          [-0.1, 0, 0],
          [0, 0.1, 0],
          [0, -0.1, 0],
          [0, 0, 0.1],
          [0, 0, -0.1],
        ] as const
      ).map(([x, y, z], n) =>
        part({
          id: `${id}${n}`,
          at: [ahead + x, y, 0.5 + z],
          sides: [x === 0 ? 0.18 : 0.01, y === 0 ? 0.18 : 0.01, z === 0 ? 0.18 : 0.01],
        }),
      );
    const inside = part({ id: 'in', at: [0.3, 0, 0.5], sides: [0.1, 0.1, 0.1], faces: [face('top', 0.08)] });
    const build = arranged([inside, ...ring('w', 0.3)]);
    expect(reported(build, 'in')?.comesOff?.after).toHaveLength(1);
    expect(reported(build, 'in')?.faces[0]).toMatchObject({ free: false, after: ['w4'] });
  });
  it('has no room under the ground', () => {
    const low = { ...battery, above: m(0.06), faces: [face('bottom', 0.1)] };
    expect(reported(arranged([low]), 'battery')?.faces[0]).toMatchObject({ free: false, after: null });
  });
  it('turns with its part', () => {
    const turnedRound = { ...battery, turn: typed(Math.PI / 2, '°'), faces: [face('front', 0.2, 'plug')] };
    const wall = part({ id: 'wall', at: [0.35, 0.25, 0.2], sides: [0.3, 0.05, 0.3] });
    expect(reported(arranged([turnedRound, wall]), 'battery')?.faces[0]).toMatchObject({
      free: false,
      after: ['wall'],
    });
    expect(
      reported(arranged([{ ...turnedRound, turn: typed(0, '°') }, wall]), 'battery')?.faces[0]?.free,
    ).toBe(true);
  });
});

describe('a place that is found', () => {
  const battery = part({
    id: 'battery',
    at: [0.35, 0, 0.2],
    sides: [0.2, 0.15, 0.1],
    kg: 5,
    faces: [face('top', 0.1)],
  });
  const box = part({ id: 'box', at: [0.35, 0, 0.5], sides: [0.6, 0.5, 0.3] });
  const putAt = (build: Build, place: ReturnType<typeof findPlaces>[number]): Build => {
    const { arrangement } = build;
    if (!arrangement) throw new Error('nothing placed');
    return {
      ...build,
      arrangement: {
        ...arrangement,
        parts: arrangement.parts.map((p) =>
          p.id === 'battery'
            ? {
                ...p,
                aheadOfRearAxle: m(place.aheadM),
                left: m(place.leftM),
                above: m(place.aboveM),
                turn: typed(place.turnRad, '°'),
              }
            : p,
        ),
      },
    };
  };
  it('keeps its gaps, its faces are reached and it comes off by itself', () => {
    const build = arranged([battery, box]);
    const places = findPlaces(build, 'battery');
    expect(places.length).toBeGreaterThan(1);
    for (const place of places) {
      const found = reported(putAt(build, place), 'battery');
      expect(found?.overlaps).toEqual([]);
      expect(found?.faces.every(({ free }) => free)).toBe(true);
      expect(found?.comesOff?.after).toEqual([]);
      const { drivenShare } = restingOn(asPlaced(putAt(build, place)), 0) ?? { drivenShare: NaN };
      expect(place.drivenShare).toBeCloseTo(drivenShare, 9);
    }
  });
  it('lies in a bay where there is one, and nowhere where it does not fit', () => {
    const zone: Zone = {
      id: 'bay',
      name: 'Bay',
      kind: 'bay',
      length: m(0.3),
      width: m(0.3),
      height: m(0.2),
      aheadOfRearAxle: m(0.3),
      left: m(0),
      above: m(0.25),
    };
    const inBay = arranged([battery], { zones: [zone] });
    const places = findPlaces(inBay, 'battery', { most: 50 });
    expect(places.length).toBeGreaterThan(0);
    for (const { aheadM, leftM } of places) {
      expect(Math.abs(aheadM - 0.3)).toBeLessThanOrEqual(0.15);
      expect(Math.abs(leftM)).toBeLessThanOrEqual(0.15);
    }
    const tight = arranged([battery], { zones: [{ ...zone, length: m(0.14), width: m(0.14) }] });
    expect(findPlaces(tight, 'battery')).toEqual([]);
  });
});

describe('things of a build', () => {
  it('are its parts and each of its wheels', () => {
    expect(thingsOf(puffin).map(({ id }) => id)).toEqual([
      'free-left',
      'free-right',
      'driven-left',
      'driven-right',
    ]);
  });
});

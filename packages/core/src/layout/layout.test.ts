import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { layoutFindingInWords } from '../say/index.ts';
import { asPlaced, type Build, type PlacedPart, type Zone } from '../vehicle/index.ts';
import { arranged, asPlace, face, m, part, puffin, reported } from '../testing/arranged.ts';
import { bodyBox, comesOff, findPlaces, layoutReport, placeFree, restingOn, thingsOf } from './index.ts';

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
    expect(asPlace(told[0]?.moves[0]).aheadM).toBeCloseTo(0.3 - 0.053, 4);
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
    expect(reported(steered, 'a')?.overlaps[0]).toMatchObject({
      withId: 'driven-left',
      gapM: 0,
      whenSwept: true,
    });
    const [found] = layoutReport(steered).findings;
    expect(found && layoutFindingInWords(found, steered)).toContain('meet at full lock or full travel');
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

describe('a part that is placed', () => {
  it('goes where it is free and reached; of many, none in another’s way', () => {
    const motor = puffin.parts.find(({ kind }) => kind === 'motor');
    let build: Build = { ...puffin, arrangement: undefined };
    for (let n = 0; n < 4; n += 1) build = placeFree(build, motor);
    const report = layoutReport(build);
    expect(report.parts).toHaveLength(4);
    expect(report.parts.flatMap(({ overlaps }) => overlaps)).toEqual([]);
  });

  it('in another’s place is told that alone: neither reach nor coming off before', () => {
    const box = (id: string) =>
      part({ id, at: [0.3, 0, 0.4], sides: [0.2, 0.2, 0.1], faces: [face('top', 0.1)] });
    const codes = layoutReport(arranged([box('a'), box('b')])).findings.map(({ code }) => code);
    expect(codes.filter((code) => code !== 'overlap')).toEqual([]);
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

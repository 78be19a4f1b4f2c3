import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { degreesToRadians, typed } from '../quantity/index.ts';
import { freshStage } from '../transmission/index.ts';
import { arranged, asPlace, m, part, puffin, reported } from '../testing/arranged.ts';
import type { Build, PlacedPart, WheelOfDrive } from '../vehicle/index.ts';
import { cylinderAt, gapBetween, layoutReport, linesOf, thingsOf } from './index.ts';

/* The barrow's chain: ANSI 35, 10 and 36 teeth, shafts 181.5 mm apart. Pitch radii 9.525/(2 sin(180°/z)): 15.412 and 54.643 mm. */
const [SMALL, LARGE, APART] = [9.525 / 2 / Math.sin(Math.PI / 10), 9.525 / 2 / Math.sin(Math.PI / 36), 181.5];
const wheel = (
  which: WheelOfDrive['wheel'],
  at: readonly [number, number, number],
  others: Partial<Omit<PlacedPart, 'mass' | 'turn'>> & { turnRad?: number; runOut?: number } = {},
): PlacedPart => {
  const { runOut, ...more } = others;
  const across = which === 'driver' ? 0.034 : 0.113;
  return part({
    id: which,
    at,
    sides: [across, 0.008, across],
    form: 'cylinder',
    axis: 'left',
    runs: {
      driveId: 'drive-1',
      stageId: 'stage-1',
      wheel: which,
      ...(runOut === undefined ? {} : { runOut: m(runOut) }),
    },
    ...more,
  });
};
const along = 0.7 - APART / 1000;
const pair = (
  driver: PlacedPart,
  others: readonly PlacedPart[] = [],
  driven = wheel('driven', [0.7, 0, 0.2]),
) => arranged([driver, driven, ...others]);
const line = (build: Build) => {
  const [only, ...more] = linesOf(build);
  if (!only || more.length > 0) throw new Error('one line was expected');
  return only;
};
const codes = (build: Build) => layoutReport(build).findings.map(({ code }) => code);

describe('wheels that run together', () => {
  it('lie in one plane, parallel, as far apart as the drivetrain has it', () => {
    const told = line(pair(wheel('driver', [along, 0, 0.2])));
    expect(told.outM).toBeCloseTo(0, 12);
    expect(told.askewRad).toBeCloseTo(0, 6);
    expect(told.apartM).toBeCloseTo(APART / 1000, 12);
    expect(told.asksM).toBeCloseTo(APART / 1000, 12);
    expect(codes(pair(wheel('driver', [along, 0, 0.2])))).not.toContain('out-of-line');
  });

  it('are told how far the one stands out of the other’s plane, and where it would not', () => {
    const build = pair(wheel('driver', [along, 0.004, 0.2]));
    expect(line(build).outM).toBeCloseTo(0.004, 12);
    // A quarter of a degree over 181.5 mm is 0.79 mm.
    expect(line(build).mayBeOutM).toBeCloseTo(0.1815 * Math.tan(Math.PI / 720), 9);
    const finding = layoutReport(build).findings.find(({ code }) => code === 'out-of-line');
    expect(finding?.moves[0]).toMatchObject({ partId: 'driver' });
    expect(asPlace(finding?.moves[0]).leftM).toBeCloseTo(0, 12);
    expect(asPlace(finding?.moves[0]).aheadM).toBeCloseTo(along, 12);
  });

  it('are told a wrong distance, and the move that mends it and the plane at once does', () => {
    const build = pair(wheel('driver', [along - 0.01, 0.004, 0.2]));
    const finding = layoutReport(build).findings.find(({ code }) => code === 'wrong-distance');
    expect(line(build).apartM - (line(build).asksM ?? 0)).toBeCloseTo(0.01, 9);
    const move = asPlace(finding?.moves[0]);
    const mended = pair(wheel('driver', [move.aheadM, move.leftM, move.aboveM]));
    expect(codes(mended)).not.toContain('wrong-distance');
    expect(codes(mended)).not.toContain('out-of-line');
    expect(line(mended).apartM).toBeCloseTo(APART / 1000, 9);
  });

  it('askew by a turn of one of them are told so', () => {
    const build = pair(wheel('driver', [along, 0, 0.2], { turnRad: degreesToRadians(2) }));
    expect(line(build).askewRad).toBeCloseTo(degreesToRadians(2), 9);
    expect(codes(build)).toContain('askew');
  });

  it('are as they are whichever way the whole vehicle is turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        (turnRad, out) => {
          const turnedAt = ([x, y, z]: readonly [number, number, number]) =>
            [
              x * Math.cos(turnRad) - y * Math.sin(turnRad),
              x * Math.sin(turnRad) + y * Math.cos(turnRad),
              z,
            ] as const;
          const straight = line(pair(wheel('driver', [along, out, 0.25])));
          const turned = line(
            pair(
              wheel('driver', turnedAt([along, out, 0.25]), { turnRad }),
              [],
              wheel('driven', turnedAt([0.7, 0, 0.2]), { turnRad }),
            ),
          );
          expect(turned.outM).toBeCloseTo(straight.outM, 9);
          expect(turned.apartM).toBeCloseTo(straight.apartM, 9);
        },
      ),
      { numRuns: 50 },
    );
  });

  it('of bevel gears have shafts that cross square, and no plane to keep', () => {
    const [drive] = puffin.drives;
    if (!drive) throw new Error('Puffin has a drive');
    const gears = { ...freshStage('bevel', 'stage-1', 2), id: 'stage-1' };
    const bevel = (axis: 'ahead' | 'left'): Build => ({
      ...pair(wheel('driver', [0.66, 0.03, 0.2], { axis })),
      drives: [{ ...drive, stages: [gears] }],
    });
    expect(line(bevel('ahead')).askewRad).toBeCloseTo(0, 9);
    expect(line(bevel('ahead')).outM).toBe(0);
    expect(line(bevel('left')).askewRad).toBeCloseTo(Math.PI / 2, 9);
  });

  it('that are boxes are asked to be cylinders, and of a stage that is gone nothing is told', () => {
    expect(codes(pair(wheel('driver', [along, 0, 0.2], { form: 'box' })))).toContain('not-round');
    const gone: Build = { ...pair(wheel('driver', [along, 0, 0.2])), drives: [] };
    expect(linesOf(gone)).toEqual([]);
  });
});

describe('a chain round its wheels', () => {
  const loop = (build: Build) => {
    const found = thingsOf(build).find(({ kind }) => kind === 'loop');
    if (!found) throw new Error('no loop');
    return found;
  };

  /* Plates stand 0.95 pitches high about the pins (ISO 606): half of that beyond each pitch circle. */
  it('reaches from the outer side of the one to the outer side of the other, and no further', () => {
    const { solids, name } = loop(pair(wheel('driver', [along, 0, 0.2])));
    expect(name).toBe('Chain of Driven wheels');
    const half = (0.95 * 9.525) / 2;
    expect(Math.max(...solids.map(({ most }) => most[0])) * 1000).toBeCloseTo(700 + LARGE + half, 3);
    expect(Math.min(...solids.map(({ least }) => least[0])) * 1000).toBeCloseTo(
      700 - APART - SMALL - half,
      3,
    );
    expect(Math.max(...solids.map(({ most }) => most[2])) * 1000).toBeCloseTo(200 + LARGE + half, 3);
  });

  it('leaves its wheels along their tangents: it runs on their pitch circles, and cuts into neither', () => {
    const { solids } = loop(pair(wheel('driver', [along, 0, 0.2])));
    const half = (0.95 * 9.525) / 2000;
    for (const [at, radius] of [
      [along, SMALL / 1000],
      [0.7, LARGE / 1000],
    ] as const) {
      const disc = (r: number) => cylinderAt([at, 0, 0.2], [0, 1, 0], r, 0.001);
      for (const strand of solids.slice(0, 2)) {
        expect(gapBetween(strand, disc(radius - half - 5e-5))).toBeGreaterThan(0);
        expect(gapBetween(strand, disc(radius - half + 5e-5))).toBe(0);
      }
    }
  });

  it('is in the way of what crosses a strand, not of what sits between its strands, and may touch its wheels', () => {
    const box = (above: number) => part({ id: 'box', at: [0.62, 0, above], sides: [0.01, 0.05, 0.01] });
    const with_ = (above: number) => pair(wheel('driver', [along, 0, 0.2]), [box(above)]);
    // Half way along the upper strand its pins run about the mean of both radii up, a little outside.
    const between = (SMALL + LARGE) / 2000;
    expect(reported(with_(0.2 + between), 'box')?.overlaps.map(({ withId }) => withId)).toEqual([
      'loop-1-stage-1',
    ]);
    expect(reported(with_(0.2), 'box')?.overlaps).toEqual([]);
    expect(reported(with_(0.2), 'driver')?.overlaps).toEqual([]);
  });

  it('that is led across a tyre is told of the tyre', () => {
    const build = pair(wheel('driver', [along, 0.31, 0.2]), [], wheel('driven', [0.7, 0.31, 0.2]));
    expect(layoutReport(build).findings).toContainEqual(
      expect.objectContaining({ code: 'overlap', partId: 'loop-1-stage-1' }),
    );
  });

  it('comes off before a screw that it covers is reached', () => {
    const lug = part({
      id: 'lug',
      at: [0.62, 0, 0.2],
      sides: [0.01, 0.005, 0.01],
      faces: [{ id: 'screw', kind: 'screw', side: 'top', room: m(0.1) }],
    });
    const build = pair(wheel('driver', [along, 0, 0.2]), [lug]);
    expect(reported(build, 'lug')?.faces).toEqual([{ id: 'screw', free: false, after: ['loop-1-stage-1'] }]);
  });

  it('swings with the run-out of its wheels: by twice the cosine of the strand’s slant', () => {
    const { swing } = line(pair(wheel('driver', [along, 0, 0.2], { runOut: 0.0001 })));
    const cosine = Math.sqrt(1 - ((LARGE - SMALL) / APART) ** 2);
    expect(swing?.lengthM).toBeCloseTo(2 * cosine * 0.0001, 9);
    expect(swing?.leastSagM).toBeGreaterThan(0);
    const bad = pair(wheel('driver', [along, 0, 0.2], { runOut: 0.003 }));
    expect(line(bad).swing?.leastSagM).toBe(0);
    expect(codes(bad)).toContain('taut-once-a-turn');
  });
});

describe('a part that is printed', () => {
  const bed = { length: m(0.2), width: m(0.2), height: m(0.2) };
  const long = part({ id: 'cover', at: [0.3, 0, 0.4], sides: [0.5, 0.1, 0.05], printed: true });
  it('is cut where the printer does not hold it: evenly, along its long side', () => {
    const { prints, findings } = layoutReport(arranged([long], { printer: bed }));
    // 500 mm on 200 mm: three pieces, cut at a third and two thirds.
    expect(prints[0]?.cuts.map(({ side, atM }) => [side, Number(atM.toFixed(4))])).toEqual([
      ['length', 0.1667],
      ['length', 0.3333],
    ]);
    expect(findings.map(({ code }) => code)).toContain('not-printed-whole');
  });

  it('is not asked of what is not printed, or where no printer is', () => {
    expect(layoutReport(arranged([{ ...long, printed: false }], { printer: bed })).prints).toEqual([]);
    expect(layoutReport(arranged([long])).prints).toEqual([]);
  });

  it('turned in the vehicle fits as it did', () => {
    const turned = { ...long, turn: typed(1, '°') };
    expect(layoutReport(arranged([turned], { printer: bed })).prints[0]?.cuts).toHaveLength(2);
  });
});

it('the barrow of these tests has the chain that they say', () => {
  expect(puffin.drives[0]?.stages[0]).toMatchObject({ kind: 'chain', teethDriver: 10, teethDriven: 36 });
});

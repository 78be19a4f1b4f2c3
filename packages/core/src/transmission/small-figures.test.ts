/** Figures of stages that whole builds seldom turn on: each by its geometry, or by the symmetry that it has. */
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { typed } from '../quantity/index.ts';
import {
  chainDrive,
  freshPath,
  freshStage,
  frictionBelt,
  gearBending,
  gearOutline,
  planetary,
  stageCures,
  stageFigures,
  stagePull,
  stageStrength,
  stageWork,
  strongerStage,
  timingBelt,
  usualPullPerWidth,
  withTeeth,
  type StageKind,
  type StageOf,
} from './index.ts';
import { LEAST_TEETH } from './gear-bending.ts';
import { diameters, pairNear } from './stages/fresh-sizes.ts';

const fresh = <K extends StageKind>(kind: K, ratio: number): StageOf<K> =>
  freshStage(kind, 's', ratio) as StageOf<K>;
const fact = (stage: Parameters<typeof stageFigures>[0], title: string): number =>
  stageFigures(stage).facts?.find((one) => one.title === title)?.value ?? NaN;

describe('a fresh pair', () => {
  const limits = { usual: 12, least: 10, most: 80 };
  it('that turns up is the one that turns down, driven from the other side', () => {
    for (const ratio of [1.5, 2, 3.3, 6])
      expect(pairNear(1 / ratio, limits)).toEqual({
        teethDriver: pairNear(ratio, limits).teethDriven,
        teethDriven: pairNear(ratio, limits).teethDriver,
      });
  });
  it('of two diameters has their ratio, and the smaller as it is wanted, either way', () => {
    const down = diameters(3, 40);
    const up = diameters(1 / 3, 40);
    expect(down.drivenDiameter.value / down.driverDiameter.value).toBeCloseTo(3, 12);
    expect(up.drivenDiameter.value / up.driverDiameter.value).toBeCloseTo(1 / 3, 12);
    expect([down.driverDiameter.value, up.drivenDiameter.value]).toEqual([0.04, 0.04]);
  });
});

describe('a toothed belt', () => {
  it('a fresh one holds its shafts about one and a half of the large pulley apart', () => {
    for (const ratio of [1, 2, 4]) {
      const stage = fresh('timing-belt', ratio);
      const largeM = (Math.max(stage.teethDriver, stage.teethDriven) * stage.pitch.value) / Math.PI;
      expect(fact(stage, 'shafts apart') / largeM).toBeGreaterThan(1.35);
      expect(fact(stage, 'shafts apart') / largeM).toBeLessThan(1.65);
    }
  });
  it('that is too short is cured by belts that go round with room', () => {
    const short = { ...fresh('timing-belt', 4), beltTeeth: 40 };
    expect(stageFigures(short).problem?.code).toBe('belt-too-short');
    const whole = (stageCures(short) ?? []).filter(({ stage }) => stageFigures(stage).problem === undefined);
    expect(whole.length).toBeGreaterThanOrEqual(3);
    const apart = whole.map(({ stage }) => fact(stage, 'shafts apart'));
    const touchM = ((short.teethDriver + short.teethDriven) * short.pitch.value) / (2 * Math.PI);
    for (const room of [1.2, 1.6, 2.4])
      expect(apart.some((m) => Math.abs(m - room * touchM) < short.pitch.value)).toBe(true);
  });
  it('closes on the length it was laid for: belt and centre distance give each other', () => {
    for (const [teethSmall, teethLarge, centreMm] of [
      [20, 20, 80],
      [20, 60, 150],
      [18, 30, 200],
    ] as const) {
      const laid = timingBelt.run({ pitchMm: 5, teethSmall, teethLarge, centreMm });
      const again = timingBelt.run({ pitchMm: 5, teethSmall, teethLarge, beltTeeth: laid.beltTeeth });
      expect(again.centreMm).toBeCloseTo(laid.centreMm, 9);
      expect(Math.abs(laid.centreMm - centreMm)).toBeLessThan(2.5);
    }
  });
  it('whose pulleys would touch is refused, and one just beyond is not', () => {
    // Two pulleys of 20 and 40 teeth of 5 mm touch at (20 + 40)·5/(2π) = 47.75 mm.
    const at = (centreMm: number) => () =>
      timingBelt.run({ pitchMm: 5, teethSmall: 20, teethLarge: 40, centreMm });
    expect(at(47.7)).toThrow(/overlap/);
    expect(at(60)).not.toThrow();
  });
  it('pulls by its pitch: what makers list at those they list, between them evenly, beyond as the nearest', () => {
    expect(usualPullPerWidth(0.005)).toBeCloseTo(8000, 6);
    expect(usualPullPerWidth(0.009525)).toBeCloseTo(14_000, 6);
    expect(usualPullPerWidth(0.0127)).toBeCloseTo(24_000, 6);
    // 11.35 mm is halfway between 10 and 12.7.
    expect(usualPullPerWidth(0.01135)).toBeCloseTo(20_000, 6);
    // 4 mm lies halfway between 3 and 5.
    expect(usualPullPerWidth(0.004)).toBeCloseTo(7000, 6);
    expect(usualPullPerWidth(0.001)).toBeCloseTo(1500, 6);
    expect(usualPullPerWidth(0.04)).toBeCloseTo(80_000, 6);
  });
});

describe('a chain', () => {
  it('over as many teeth on both sides takes twice the centres and the teeth: exact', () => {
    const { links, centreForLinksMm, ratio } = chainDrive.run({
      pitchMm: 10,
      teethSmall: 20,
      teethLarge: 20,
      centreMm: 200,
    });
    expect({ links, ratio }).toEqual({ links: 60, ratio: 1 });
    expect(centreForLinksMm).toBeCloseTo(200, 9);
  });
  it('shows its driver where it is the smaller and where it is the larger', () => {
    const down = stageFigures(withTeeth(fresh('chain', 3), 12, 36)).outsideM;
    const up = stageFigures(withTeeth(fresh('chain', 3), 36, 12)).outsideM;
    expect(down?.driver).toBe(up?.driven);
    expect(down?.driven).toBe(up?.driver);
    expect(down?.driver).toBeLessThan(down?.driven ?? 0);
    const alike = stageFigures(withTeeth(fresh('chain', 1), 15, 15)).outsideM;
    expect(alike?.driver).toBe(alike?.driven);
  });
});

describe('gears', () => {
  it('of form factors between two rows of the table stand between them, in proportion', () => {
    const stress = (teeth: number): number =>
      gearBending.run({ moduleMm: 2, teeth, faceWidthMm: 10, torqueNm: 1, rpm: 0, allowableMPa: 100 })
        .stressMPa;
    // Lewis factors of 20° full depth at 60 and 75 teeth: 0.422 and 0.435 (Shigley, from memory); at 66 two fifths of the way.
    const y = (teeth: number): number => 2000 / (2 * teeth * 10 * 2 * stress(teeth));
    expect(y(66)).toBeCloseTo(y(60) + 0.4 * (y(75) - y(60)), 12);
    expect(y(75)).toBeGreaterThan(y(60));
    expect(y(LEAST_TEETH)).toBeCloseTo(0.245, 6);
  });
  it('are cured of undercut by more teeth, and made stronger by width and by module', () => {
    const undercut = withTeeth(fresh('spur', 3), 12, 36);
    const cures = stageCures(undercut) ?? [];
    // Eighteen teeth are the fewest of a 20° gear that is not undercut: 2/sin²20° = 17.1.
    expect(
      cures.some(
        ({ stage }) => 'teethDriver' in stage && stage.teethDriver === 18 && stage.teethDriven === 54,
      ),
    ).toBe(true);
    const [wider, coarser] = strongerStage(undercut).map(({ stage }) => stage as StageOf<'spur'>);
    expect((wider?.faceWidth.value ?? 0) / undercut.faceWidth.value).toBeCloseTo(1.5, 12);
    expect((coarser?.module.value ?? 0) / undercut.module.value).toBeCloseTo(4 / 3, 12);
    const load = { inputTorqueNm: 1, inputRpm: 100 };
    for (const stage of [wider, coarser])
      expect(stage && stageStrength(stage, load)?.needs).toBeLessThan(
        stageStrength(undercut, load)?.needs ?? 0,
      );
  });
  it('are listed with both their teeth and their module', () => {
    const names = stageWork(fresh('spur', 3))
      .parts(withTeeth(fresh('spur', 3), 18, 54))
      .map(({ name }) => name);
    expect(names).toEqual(['Gear, module 1.5, 18 teeth', 'Gear, module 1.5, 54 teeth']);
  });
  it('have an outline that goes round: each point turns on from the one before', () => {
    const points = gearOutline({ moduleMm: 2, teeth: 18, pressureAngleDeg: 20, points: 6 });
    const cross = points.map(([x, y], n) => {
      const [x2, y2] = points[(n + 1) % points.length] ?? [0, 0];
      return x * y2 - y * x2;
    });
    // The way round encloses its area once: the sum of the crosses, halved, lies between root and tip circle.
    const area = cross.reduce((sum, c) => sum + c, 0) / 2;
    expect(area).toBeGreaterThan(Math.PI * 15.5 ** 2);
    expect(area).toBeLessThan(Math.PI * 20 ** 2);
    expect(Math.min(...cross)).toBeGreaterThan(-1e-9);
  });
  it('on cones have as cone distance the hypotenuse of both pitch radii', () => {
    const stage = { ...fresh('bevel', 2), module: typed(0.002, 'mm'), teethDriver: 20, teethDriven: 40 };
    // Pitch radii of 20 and 40 mm: √(20² + 40²) = 44.72 mm.
    expect(fact(stage, 'cone distance')).toBeCloseTo(Math.hypot(0.02, 0.04), 9);
  });
});

describe('a planetary set', () => {
  it('has one planet whatever its size, and several only where they clear each other', () => {
    const fits = (sunTeeth: number, ringTeeth: number, planets: number): boolean =>
      planetary.run({ sunTeeth, ringTeeth, planets }).assembles;
    expect(fits(12, 60, 1)).toBe(true);
    // Planets of 24 teeth round a sun of 12: six centres lie 36·sin 30° = 18 apart, which 26 tips do not clear; three, 31.
    expect(fits(12, 60, 6)).toBe(false);
    expect(fits(12, 60, 3)).toBe(true);
  });
});

describe('a belt that holds by friction', () => {
  it('wraps half a turn where both pulleys are alike, and says how far it wraps', () => {
    const stage = {
      ...fresh('friction-belt', 1),
      driverDiameter: typed(0.1, 'mm'),
      drivenDiameter: typed(0.1, 'mm'),
    };
    expect(fact(stage, 'wrap')).toBeCloseTo(Math.PI, 9);
  });
  it('driven by its larger pulley runs the smaller as much faster', () => {
    const belt = frictionBelt.run({
      smallDiameterMm: 60,
      largeDiameterMm: 180,
      centreMm: 300,
      grooveAngleDeg: 38,
      friction: 0.3,
      massKgPerM: 0.1,
      smallRpm: 3000,
      torqueNm: 1,
      installedTensionN: 200,
      idlerExtraWrapDeg: 0,
    });
    // The belt runs at the rim of the small pulley, π·0.06 m fifty times a second: Fc = m v².
    expect(belt.centrifugalN).toBeCloseTo(0.1 * (Math.PI * 0.06 * 50) ** 2, 9);
  });
  it('asks nothing where nothing turns it', () => {
    expect(stageStrength(fresh('friction-belt', 2), { inputTorqueNm: 0, inputRpm: 100 })).toBeUndefined();
    expect(stagePull(fresh('friction-belt', 2), { inputTorqueNm: 0, inputRpm: 100 })).toBeUndefined();
  });
});

describe('a worm', () => {
  it('takes a lead angle, or module and diameter together: neither half nor both', () => {
    const base = { starts: 1, wheelTeeth: 30, friction: 0.05 };
    const run = (more: object) => () => calculate('worm-pair', { ...base, ...more });
    expect(run({ leadAngleDeg: 5 })).not.toThrow();
    expect(run({ axialModuleMm: 2, wormPitchDiameterMm: 20 })).not.toThrow();
    for (const half of [
      {},
      { axialModuleMm: 2 },
      { wormPitchDiameterMm: 20 },
      { leadAngleDeg: 5, axialModuleMm: 2 },
      { leadAngleDeg: 5, wormPitchDiameterMm: 20 },
    ])
      expect(run(half)).toThrow();
  });
  it('has a wheel that stands two modules over its pitch circle', () => {
    const stage = { ...fresh('worm', 30), wheelTeeth: 30, module: typed(0.002, 'mm') };
    expect(stageFigures(stage).outsideM?.driven).toBeCloseTo(0.064, 12);
  });
});

describe('a usual torque path', () => {
  const boreOf = (wheelDiameterM: number): number => {
    const shaft = freshPath([fresh('chain', 3)], { wheelDiameterM }).find(({ kind }) => kind === 'shaft');
    return shaft && 'diameter' in shaft ? shaft.diameter.value * 1000 : NaN;
  };
  it('has the shaft that a wheel of its size usually has (common practice, no source)', () => {
    expect([0.05, 0.07, 0.1, 0.12, 0.2, 0.3, 0.4].map(boreOf)).toEqual([5, 5, 8, 8, 12, 12, 17]);
  });
  it('holds hubs by keys from 120 mm wheels on, by set screws under it, and numbers its parts', () => {
    const kinds = (wheelDiameterM: number) =>
      freshPath([fresh('chain', 3)], { wheelDiameterM }).map(({ kind }) => kind);
    expect(kinds(0.4)).toEqual(['set-screws', 'key', 'shaft', 'key']);
    expect(kinds(0.1)).toEqual(['set-screws', 'set-screws', 'shaft', 'set-screws']);
    expect(freshPath([fresh('chain', 3)], { wheelDiameterM: 0.4 }).map(({ id }) => id)).toEqual([
      'path-1',
      'path-2',
      'path-3',
      'path-4',
    ]);
  });
});

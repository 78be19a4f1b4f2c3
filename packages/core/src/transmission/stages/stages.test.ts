import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemblyOutlook } from '../../assembly/index.ts';
import { buildSchema, readBuild, type Build } from '../../build/index.ts';
import { findCalculator } from '../../calculators/index.ts';
import { evaluate, isStated, linkDefinition, workingOfLink } from '../../evaluate/index.ts';
import { typed } from '../../quantity/index.ts';
import {
  STAGE_KINDS,
  chainGeometry,
  freshStage,
  stageFigures,
  stageSchema,
  stageStrength,
  type Stage,
  type StageKind,
  type StageOf,
} from '../index.ts';

const read = readBuild(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build does not read');
const puffin = read.build;
const withStages = (...stages: readonly Stage[]): Build => ({
  ...puffin,
  drive: { ...puffin.drive, stages },
});

const fresh = <K extends StageKind>(kind: K, ratio: number): StageOf<K> =>
  freshStage(kind, 'stage-1', ratio) as StageOf<K>;

/** What a calculator's number is multiplied by for the link's SI. */
const TO_SI: Partial<Record<string, number>> = { stress: 1e6, angle: Math.PI / 180 };
/** Stages that turn nothing down. */
const ONE_TO_ONE = new Set<StageKind>(['direct', 'spool', 'track']);

describe.each(STAGE_KINDS)('a stage by %s', (kind) => {
  it('begins near the ratio that is wanted, whole teeth and all, and can be built', () => {
    for (const ratio of kind === 'worm' ? [10, 24, 40] : [2, 3.6, 6]) {
      const stage = freshStage(kind, 'stage-1', ratio);
      expect(stageSchema.safeParse(stage).error).toBeUndefined();
      const { ratio: made, problem, efficiency, backEfficiency = 0 } = stageFigures(stage);
      expect(problem).toBeUndefined();
      if (!ONE_TO_ONE.has(kind)) expect(Math.abs(made / ratio - 1)).toBeLessThan(0.2);
      expect(efficiency).toBeLessThanOrEqual(1);
      expect(backEfficiency).toBeLessThanOrEqual(efficiency);
    }
  });

  it('is judged, opened, listed and assembled in a build', () => {
    const build = withStages(freshStage(kind, 'stage-1', kind === 'worm' ? 12 : 3.6));
    expect(buildSchema.safeParse(build).error).toBeUndefined();
    const report = evaluate(build);
    expect(report.train.stages).toHaveLength(2);
    for (const link of report.links.filter(({ stageId }) => stageId === 'stage-1'))
      for (const side of ['needs', 'has'] as const) {
        const working = workingOfLink(build, link, side);
        if (!working) throw new Error(`${link.link}, ${side} has no working`);
        const shown = isStated(working) ? working.value : Number(working.found[working.key]);
        const scale = isStated(working) ? 1 : (TO_SI[linkDefinition(link.link).dimension] ?? 1);
        expect(Math.abs((shown * scale) / link[side] - 1)).toBeLessThan(1e-9);
        if (isStated(working)) continue;
        // The registry's own calculator, given the same, says the same.
        const calculator = findCalculator(working.calculator);
        expect(calculator?.run(calculator.input.parse(working.given))).toEqual(working.found);
      }
    const { steps, lines } = assemblyOutlook(build, '2026-11-25');
    const own = (list: readonly { id: string }[]): number =>
      list.filter(({ id }) => id.startsWith('stage-1.')).length;
    expect(own(steps)).toBeGreaterThan(0);
    expect(own(lines)).toBeGreaterThan(0);
  });
});

describe('spur gears', () => {
  it('of 60 teeth driving 12 turn the wheel five times as fast (common practice, no source)', () => {
    const pair = { ...fresh('spur', 3), teethDriver: 60, teethDriven: 12 };
    expect(1 / stageFigures(pair).ratio).toBe(5);
  });

  it('give out at the smaller gear, whichever drives: the same force on the teeth, its torque by its size', () => {
    const load = { inputTorqueNm: 4, inputRpm: 0 };
    const down = { ...fresh('spur', 3), teethDriver: 20, teethDriven: 60 };
    const up = { ...down, teethDriver: 60, teethDriven: 20 };
    const [first, second] = [stageStrength(down, load), stageStrength(up, { ...load, inputTorqueNm: 12 })];
    // 12 N·m on 60 teeth press as hard as 4 N·m on 20 (by hand).
    expect(second?.needs).toBeCloseTo(first?.needs ?? NaN, 3);
  });
});

describe('a worm', () => {
  // Shigley, table 13-6: lead 7.5°, φn 14.5°, f 0.05: 71.3 %; here at 20° and three frictions, by the formula of ch. 13.
  it.each([
    [0.03, false],
    [0.07, false],
    [0.13, true],
  ])('of 7° lead at friction %f: efficiency by its friction, locked or not', (friction, locks) => {
    const stage = {
      ...fresh('worm', 24),
      leadAngle: typed((7 * Math.PI) / 180, '°'),
      friction: typed(friction, ''),
    };
    const { efficiency, backEfficiency, warnings } = stageFigures(stage);
    const [cos, tan] = [Math.cos(Math.PI / 9), Math.tan((7 * Math.PI) / 180)];
    expect(efficiency).toBeCloseTo((cos - friction * tan) / (cos + friction / tan), 12);
    expect(backEfficiency === 0).toBe(locks);
    expect(warnings.join()).toMatch(locks ? /never a brake/ : /^$/);
  });

  it('loses about half the power at friction 0.1 (common practice, no source)', () => {
    const stage = {
      ...fresh('worm', 24),
      leadAngle: typed((7 * Math.PI) / 180, '°'),
      friction: typed(0.1, ''),
    };
    expect(stageFigures(stage).efficiency).toBeGreaterThan(0.45);
    expect(stageFigures(stage).efficiency).toBeLessThan(0.6);
  });

  it('lets nothing back to the motor where it locks: coming down, the motor is not pushed', () => {
    const locked = { ...fresh('worm', 24), leadAngle: typed(0.05, '°'), friction: typed(0.12, '') };
    const down = puffin.duties.map((d) => ({ ...d, grade: typed(-0.15, '°') }));
    const report = evaluate({ ...withStages(locked), duties: down });
    expect(report.train.backEfficiency).toBe(0);
    expect(report.duties[0]?.resistance.totalN).toBeLessThan(0);
    expect(report.duties[0]?.point?.motorTorqueNm).toBeCloseTo(0, 12);
  });
});

describe('planetary sets and worm wheels', () => {
  it('share the sun’s torque among the planets, the hardest a quarter more', () => {
    const load = { inputTorqueNm: 3, inputRpm: 0 };
    const set = { ...fresh('planetary', 4), sunTeeth: 18, ringTeeth: 54, planets: 3 };
    // Sun and planets of 18 teeth: a pair of spur gears of that module at 3/3 · 1.25 N·m.
    const pair = {
      ...fresh('spur', 1),
      teethDriver: 18,
      teethDriven: 18,
      module: set.module,
      faceWidth: set.faceWidth,
    };
    const alone = stageStrength(pair as Stage, { inputTorqueNm: 1.25, inputRpm: 0 });
    expect(stageStrength(set, load)?.needs).toBeCloseTo(alone?.needs ?? NaN, 6);
    expect(stageStrength({ ...set, planets: 6 }, load)?.needs).toBeCloseTo((alone?.needs ?? NaN) / 2, 6);
  });

  it('give out at the worm’s wheel, with the torque that comes through', () => {
    const worm = fresh('worm', 24);
    const load = { inputTorqueNm: 0.5, inputRpm: 0 };
    const { ratio, efficiency } = stageFigures(worm);
    const wheel = findCalculator('gear-bending');
    const out = wheel?.run(
      wheel.input.parse({
        moduleMm: 2,
        teeth: worm.wheelTeeth,
        faceWidthMm: 16,
        torqueNm: 0.5 * ratio * efficiency,
        rpm: 0,
        allowableMPa: 60,
      }),
    ) as { stressMPa: number };
    expect(stageStrength(worm, load)?.needs).toBeCloseTo(out.stressMPa * 1e6, 3);
  });

  it('are not judged where their maker does not say how they are cut', () => {
    const { module: _m, faceWidth: _f, allowable: _a, ...sealed } = fresh('planetary', 4);
    expect(stageSchema.safeParse(sealed).error).toBeUndefined();
    expect(stageStrength(sealed, { inputTorqueNm: 3, inputRpm: 0 })).toBeUndefined();
  });
});

describe('a V-belt on a 50 mm pulley at low speed', () => {
  const belt = {
    ...fresh('friction-belt', 3),
    driverDiameter: typed(0.05, 'mm'),
    drivenDiameter: typed(0.15, 'mm'),
    centre: typed(0.25, 'mm'),
    tension: typed(120, 'N'),
  };
  const load = { inputTorqueNm: 9, inputRpm: 130 };

  it('slips where a chain holds', () => {
    // 9 N·m at 25 mm are 360 N. Wrap 180° − 2 asin(100/500) = 156.9°; μ′ = 0.35/sin 19° = 1.075;
    // e^(1.075 · 2.739) = 19.0, so 2 · 120 · 18/20 = 216 N is all that friction holds (by hand).
    const slip = stageStrength(belt, load);
    expect(slip?.needs).toBeCloseTo(360, 9);
    expect(slip?.has).toBeCloseTo(216, 0);
    const chain = { ...fresh('chain', 3), teethDriver: 17, teethDriven: 51 };
    const held = stageStrength(chain, load);
    // 17 teeth of 3/8 in: 51.8 mm, 347 N of 7830/7 = 1119 N.
    expect(held?.needs).toBeCloseTo(347.3, 0);
    expect((held?.has ?? 0) / (held?.needs ?? NaN)).toBeGreaterThan(3);
  });

  it('says so before it is loaded, and not of a flat belt or a larger pulley', () => {
    expect(stageFigures(belt).warnings.join()).toMatch(/slips at low speed/);
    expect(stageFigures({ ...belt, groove: typed(Math.PI, '°') }).warnings).toEqual([]);
    expect(stageFigures({ ...belt, driverDiameter: typed(0.08, 'mm') }).warnings).toEqual([]);
  });

  it('holds more with an idler, and with more tension', () => {
    const holds = (change: Partial<typeof belt>): number =>
      stageStrength({ ...belt, ...change }, load)?.has ?? NaN;
    expect(holds({ idlerWrap: typed(0.8, '°') })).toBeGreaterThan(holds({}));
    expect(holds({ tension: typed(240, 'N') })).toBeCloseTo(2 * holds({}), 9);
  });
});

describe('what follows from the sizes', () => {
  const fact = (stage: Stage, title: string): number =>
    stageFigures(stage).facts?.find((f) => f.title === title)?.value ?? NaN;

  it('is said: the wrap of chain and belts, half round where both wheels are alike (geometry)', () => {
    expect(fact({ ...fresh('chain', 2), teethDriver: 17, teethDriven: 17 }, 'wrap')).toBeCloseTo(Math.PI, 9);
    expect(fact({ ...fresh('timing-belt', 2), teethDriver: 20, teethDriven: 20 }, 'wrap')).toBeCloseTo(
      Math.PI,
      9,
    );
    // 12 and 36 teeth of 3/8 in, about 200 mm apart, as far as an even number of links reaches: 180° − 2 asin((D − d)/2C).
    const chain = { ...fresh('chain', 3), teethDriver: 12, teethDriven: 36, centre: typed(0.2, 'mm') };
    const [small, large] = [12, 36].map((z) => 9.525 / Math.sin(Math.PI / z)) as [number, number];
    expect(fact(chain, 'wrap')).toBeCloseTo(
      Math.PI - 2 * Math.asin((large - small) / 2 / chainGeometry(chain).centreForLinksMm),
      6,
    );
  });

  it('names how far gears and belts stand apart', () => {
    // Module 1.5, 16 and 48 teeth: 1.5 · 64/2 = 48 mm.
    expect(fact({ ...fresh('spur', 3), teethDriver: 16, teethDriven: 48 }, 'shafts apart')).toBeCloseTo(
      0.048,
      12,
    );
  });
});

describe('what cannot be built', () => {
  it('says what to change', () => {
    const problem = (stage: Stage): string => stageFigures(stage).problem ?? '';
    expect(problem({ ...fresh('timing-belt', 3), beltTeeth: 20 })).toMatch(/take one with more teeth/);
    expect(problem({ ...fresh('friction-belt', 3), centre: typed(0.05, 'mm') })).toMatch(/overlap/);
    expect(problem({ ...fresh('planetary', 4), planets: 5 })).toMatch(/divide by the planets/);
    expect(problem({ ...fresh('planetary', 4), sunTeeth: 90 })).not.toBe('');
    expect(problem({ ...fresh('bevel', 1), faceWidth: typed(0.5, 'mm') })).toMatch(/make it narrower/);
  });
});

describe('any stages in a row', () => {
  it('give out no more than went in, and never a NaN', () => {
    const kinds = fc.array(fc.constantFrom(...STAGE_KINDS), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(kinds, fc.double({ min: 1.2, max: 8, noNaN: true }), (list, ratio) => {
        const report = evaluate(
          withStages(...list.map((kind, n) => freshStage(kind, `stage-${n + 1}`, ratio))),
        );
        expect(report.train.efficiency).toBeLessThanOrEqual(1);
        expect(report.train.backEfficiency).toBeLessThanOrEqual(report.train.efficiency + 1e-12);
        for (const { needs, has, ratio: margin } of report.links)
          expect([needs, has, margin].every(Number.isFinite)).toBe(true);
      }),
      { numRuns: 150 },
    );
  });
});

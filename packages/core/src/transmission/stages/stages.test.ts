import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemblyOutlook } from '../../assembly/index.ts';
import { evaluate, linkDefinition } from '../../judge/index.ts';
import { buildSchema, readBuild, type Build, changeDrive } from '../../vehicle/index.ts';
import { isStated, workingOfLink } from '../../working/index.ts';
import { findCalculator } from '../../calculators/index.ts';
import type { Notice } from '../../contract/index.ts';
import { inUnits, typed } from '../../quantity/index.ts';
import {
  STAGE_KINDS,
  beltWidthFor,
  chainGeometry,
  freshStage,
  stageFigures,
  stageSchema,
  stageStrength,
  usualPullPerWidth,
  type Stage,
  type StageKind,
  type StageOf,
} from '../index.ts';
import { many } from '../../testing/many.ts';

const said = (notice: Notice | undefined): string =>
  notice ? inUnits(notice.sentence, 'metric').replaceAll('\u00a0', ' ') : '';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build does not read');
const puffin = read.build;
const withStages = (...stages: readonly Stage[]): Build => changeDrive(puffin, { stages });

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
    expect(warnings.map(said).join()).toMatch(locks ? /never a brake/ : /^$/);
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
  const { section: _any, ...unsaid } = fresh('friction-belt', 3);
  const belt = {
    ...unsaid,
    driverDiameter: typed(0.05, 'mm'),
    drivenDiameter: typed(0.15, 'mm'),
    centre: typed(0.25, 'mm'),
    tension: typed(40, 'N'),
  };
  const load = { inputTorqueNm: 9, inputRpm: 130 };
  const holds = (change: Partial<StageOf<'friction-belt'>>): number =>
    stageStrength({ ...belt, ...change }, load)?.has ?? NaN;

  it('slips where a chain holds', () => {
    // 9 N·m at 25 mm are 360 N. Wrap 180° − 2 asin(100/500) = 156.9°; μ′ = 0.35/sin 19° = 1.075;
    // e^(1.075 · 2.739) = 19.0, so 2 · 40 · 18/20 = 72 N is all that friction holds (by hand).
    const slip = stageStrength(belt, load);
    expect(slip?.needs).toBeCloseTo(360, 9);
    expect(slip?.has).toBeCloseTo(72, 0);
    const chain = { ...fresh('chain', 3), teethDriver: 17, teethDriven: 51 };
    const held = stageStrength(chain, load);
    // 17 teeth of 3/8 in: 51.8 mm, 347 N of 7830/7 = 1119 N.
    expect(held?.needs).toBeCloseTo(347.3, 0);
    expect((held?.has ?? 0) / (held?.needs ?? NaN)).toBeGreaterThan(3);
  });

  it('holds more with an idler, and with more tension, but no more than its section stands', () => {
    expect(holds({ idlerWrap: typed(0.8, '°') })).toBeGreaterThan(holds({}));
    expect(holds({ tension: typed(20, 'N') })).toBeCloseTo(holds({}) / 2, 9);
    // No tension makes a bad V-belt good: a 10 mm belt pulls 80 N and no more.
    expect(holds({ tension: typed(2000, 'N') })).toBe(80);
    expect(holds({ tension: typed(20_000, 'N') })).toBe(80);
    // Nor does a larger belt round a pulley too small for it: two thirds of 200 N.
    expect(holds({ section: 'A', tension: typed(2000, 'N') })).toBeCloseTo((200 * 50) / 75, 9);
    // A flat belt has no section: its friction alone counts.
    expect(holds({ groove: typed(Math.PI, '°'), tension: typed(2000, 'N') })).toBeGreaterThan(200);
  });

  it('takes the largest section that its small pulley allows, and warns of what is too small or too tight', () => {
    const wide = {
      driverDiameter: typed(0.2, 'mm'),
      drivenDiameter: typed(0.6, 'mm'),
      centre: typed(0.8, 'mm'),
    };
    expect(holds({ ...wide, tension: typed(5000, 'N') })).toBe(650);
    const warned = (change: Partial<StageOf<'friction-belt'>>): string =>
      stageFigures({ ...belt, ...change })
        .warnings.map(said)
        .join();
    expect(warned({})).toBe('');
    expect(warned({ section: 'A' })).toMatch(/round a pulley of 50 mm bends badly/);
    expect(warned({ tension: typed(500, 'N') })).toMatch(/takes 110 N of tension in each strand/);
    expect(warned({ section: 'A', groove: typed(Math.PI, '°'), tension: typed(500, 'N') })).toBe('');
  });
});

describe('a toothed belt', () => {
  const load = { inputTorqueNm: 1, inputRpm: 0 };
  const belt = fresh('timing-belt', 1);
  const carries = (change: Partial<StageOf<'timing-belt'>>): number =>
    stageStrength({ ...belt, ...change }, load)?.has ?? NaN;

  it('pulls by its width and pitch: one of 2 mm pitch, 6 mm wide, carries some newtons, not 300 (common practice)', () => {
    const fine = { pitch: typed(0.002, 'mm'), width: typed(0.006, 'mm'), beltTeeth: 120 };
    const few = carries({ ...fine, pullPerWidth: typed(usualPullPerWidth(0.002), 'N/mm') });
    expect(few).toBeGreaterThan(10);
    expect(few).toBeLessThan(40);
    expect(carries({ width: typed(0.03, 'mm') })).toBeCloseTo(2 * carries({ width: typed(0.015, 'mm') }), 9);
    // Coarser belts carry more for their width, between and beyond the pitches of the table too.
    const pitches = [0.001, 0.002, 0.0025, 0.004, 0.005, 0.008, 0.011, 0.014, 0.02, 0.03];
    const pulls = pitches.map(usualPullPerWidth);
    expect([...pulls].sort((a, b) => a - b)).toEqual(pulls);
  });

  it('loses a fifth of it for each tooth under six in mesh (common practice, no source)', () => {
    // Alike pulleys have half of their teeth in mesh.
    const alike = (teeth: number): number =>
      carries({ teethDriver: teeth, teethDriven: teeth, beltTeeth: 100 }) /
      carries({ teethDriver: 20, teethDriven: 20, beltTeeth: 100 });
    expect(alike(12)).toBe(1);
    expect(alike(10)).toBeCloseTo(0.8, 12);
    expect(alike(8)).toBeCloseTo(0.6, 12);
  });

  it('is sold in widths: the least that carries a pull, the widest where none does', () => {
    expect(beltWidthFor(80, 8000)).toBe(0.01);
    expect(beltWidthFor(81, 8000)).toBe(0.012);
    expect(beltWidthFor(1e6, 8000)).toBe(0.1);
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
    const problem = (stage: Stage): string => said(stageFigures(stage).problem);
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
      { numRuns: many(150, 1500) },
    );
  });
});

describe('a fresh stage', () => {
  it.each(STAGE_KINDS)('of the kind %s can be built as it is, and near the ratio asked', (kind) => {
    for (const ratio of [1.5, 2, 3, 5, 8]) {
      const stage = freshStage(kind, 's', ratio);
      const { ratio: made, problem, warnings } = stageFigures(stage);
      expect(problem, `${kind} at ${ratio}`).toBeUndefined();
      // A pair of gears that does not undercut; what is warned of is what its kind is like (a worm that locks).
      expect(warnings, `${kind} at ${ratio}`).toEqual([]);
      if (['direct', 'spool', 'track'].includes(kind)) expect(made).toBe(1);
      // Worms and planetary sets begin at a reduction of their own.
      else if (kind !== 'worm' && kind !== 'planetary') expect(Math.abs(made / ratio - 1)).toBeLessThan(0.06);
    }
  });
});

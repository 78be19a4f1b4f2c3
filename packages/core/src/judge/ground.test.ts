import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { extentOf, gripLimit, massAlong } from '../demand/index.ts';
import { typed } from '../quantity/index.ts';
import { finite, G } from '../testing/numbers.ts';
import { firstDuty, on, reportOf, twoAxles, withDuty, saidOf } from '../testing/vehicles.ts';
import { newBuild, type Build, changeDrive, type Drive } from '../vehicle/index.ts';
import { cautionsOf } from '../say/index.ts';
import { evaluate } from './evaluate.ts';
import { many } from '../testing/many.ts';

describe('the grade that grip and weight allow', () => {
  const vehicle = fc.record({
    wheelbaseM: finite(0.3, 2),
    along: finite(0.1, 0.9),
    low: finite(0.1, 0.9),
    friction: finite(0.2, 0.9),
    rolling: finite(0, 0.1),
  });
  it.each([
    ['rear-drive', 'rear'],
    ['front-drive', 'front'],
    ['all-drive', 'all'],
  ] as const)('of %s is what Wong’s equations say', (layout, driven) => {
    fc.assert(
      fc.property(vehicle, ({ wheelbaseM, along, low, friction, rolling }) => {
        const [ahead, height] = [along * wheelbaseM, low * wheelbaseM * 0.6];
        const build = twoAxles({ layout, wheelbaseM, ahead, height, friction, rolling });
        const wong = calculate('grip-limited-grade', {
          driven,
          friction,
          rollingCoefficient: rolling,
          wheelbaseM,
          cgAheadOfRearAxleM: ahead,
          cgHeightM: height,
        }) as { limitDeg: number; limitedBy: string };
        fc.pre(wong.limitDeg < 88);
        const { limitRad, limitedBy } = gripLimit(build, firstDuty(build));
        expect((limitRad * 180) / Math.PI).toBeCloseTo(wong.limitDeg, 6);
        if (wong.limitDeg > 0) expect(limitedBy).toBe(wong.limitedBy);
      }),
      { numRuns: many(120, 1200) },
    );
  });

  const ballasted = (build: Build, kg: number, ahead: number, height: number): Build => ({
    ...build,
    masses: {
      ...build.masses,
      others: [
        {
          id: 'ballast',
          name: 'Ballast',
          kind: 'ballast',
          mass: typed(kg, 'kg'),
          aheadOfRearAxle: typed(ahead, 'm'),
          left: typed(0, 'm'),
          height: typed(height, 'm'),
        },
      ],
    },
  });

  it('is never lowered by ballast over the driven axle at the height of the centre of gravity', () => {
    fc.assert(
      fc.property(vehicle, finite(1, 60), fc.boolean(), (v, kg, rear) => {
        const build = twoAxles({
          layout: rear ? 'rear-drive' : 'front-drive',
          wheelbaseM: v.wheelbaseM,
          ahead: v.along * v.wheelbaseM,
          height: v.low * v.wheelbaseM * 0.4,
          friction: v.friction,
          rolling: v.rolling,
        });
        const before = gripLimit(build, firstDuty(build));
        const more = ballasted(build, kg, rear ? 0 : v.wheelbaseM, v.low * v.wheelbaseM * 0.4);
        const after = gripLimit(more, firstDuty(more));
        // Where it rears before a wheel slips it is weight, not grip, that ends the climb.
        fc.pre(before.limitedBy === 'grip' && after.limitedBy === 'grip');
        expect(after.limitRad).toBeGreaterThanOrEqual(before.limitRad - 1e-9);
      }),
      { numRuns: many(150, 1500) },
    );
  });

  it('may be lowered by ballast that is higher, with front drive, or lower, with rear drive', () => {
    const climbs = (build: Build): number => gripLimit(build, firstDuty(build)).limitRad;
    const front = twoAxles({
      layout: 'front-drive',
      wheelbaseM: 1,
      ahead: 0.6,
      height: 0.3,
      friction: 0.6,
      rolling: 0.02,
    });
    expect(climbs(ballasted(front, 10, 1, 3))).toBeLessThan(climbs(front));
    // Far back and high, rear drive lives by the weight that a climb throws on it: what lowers it takes some away.
    const grip = (ballastKg: number): number =>
      (
        calculate('grip-limited-grade', {
          driven: 'rear',
          friction: 0.6,
          rollingCoefficient: 0.02,
          wheelbaseM: 1,
          cgAheadOfRearAxleM: (50 * 0.1) / (50 + ballastKg),
          cgHeightM: (50 * 0.8) / (50 + ballastKg),
        }) as { gripDeg: number }
      ).gripDeg;
    expect(grip(10)).toBeLessThan(grip(0));
  });

  it('rises as the payload comes over the driven wheels', () => {
    const build = twoAxles({ layout: 'front-drive', wheelbaseM: 1, ahead: 0.4, height: 0.2, friction: 0.5 });
    const places = massAlong(build, firstDuty(build), 'payload', { from: 0.1, to: 0.9, points: 5 });
    for (let n = 1; n < places.length; n++)
      expect(places[n]?.limitRad).toBeGreaterThan(places[n - 1]?.limitRad ?? Infinity);
  });
});

describe('grip by how the wheels are driven', () => {
  const lopsided = (together: Drive['together'], differential: Drive['differential']): number => {
    const build = twoAxles({ layout: 'rear-drive', wheelbaseM: 1, ahead: 0.4, height: 0.2, friction: 0.5 });
    const aside = { ...build.masses.own, left: typed(0.05, 'm') };
    const { footing } = reportOf({
      ...build,
      drives: changeDrive(build, { together, differential }).drives,
      masses: { ...build.masses, own: aside },
    });
    const [left = 0, right = 0] = footing.contacts.filter((c) => c.driven).map((c) => c.gripN);
    expect(left).toBeGreaterThan(right);
    return (footing.gripN ?? NaN) / (left + right);
  };
  const lesser = lopsided('axle', 'open');

  it('is twice the lesser wheel with an open differential, all of it with a locked axle (statics)', () => {
    expect(lopsided('axle', 'locked')).toBeCloseTo(1, 12);
    expect(lesser).toBeLessThan(1);
    expect(lopsided('wheel', 'open')).toBeCloseTo(lesser, 12);
    expect(lopsided('all', 'locked')).toBeCloseTo(1, 12);
  });

  it('of a winch is that of its rope: nothing slips, and no margin of grip stands in the way', () => {
    const build = on('winch');
    expect(reportOf(build).footing.gripN).toBeUndefined();
    expect(evaluate(build).links.some(({ link }) => link === 'grip')).toBe(false);
    expect(cautionsOf(build).join()).toMatch(/in line with the rope/);
  });

  it('of a sphere ends where the mass inside would go over', () => {
    const build = on('sphere');
    const inner = { mass: typed(2, 'kg'), offset: typed(0.1, 'm'), shellMass: typed(1, 'kg') };
    const [shell] = build.layout.axles;
    const { footing } = reportOf({ ...build, innerDrive: inner });
    // 2 · 2 kg · g · 0.1 m over the diameter (by hand).
    expect(footing.gripN).toBeCloseTo((2 * 2 * G * 0.1) / (shell?.diameter.value ?? NaN), 9);
  });
});

describe('a step', () => {
  it('is climbed by a pushed wheel where push over load reaches the edge: tan of the sum of both angles (statics)', () => {
    const build = withDuty(
      twoAxles({ layout: 'all-drive', wheelbaseM: 1, ahead: 0.5, height: 0.2, friction: 0.5 }),
      { step: typed(0.03, 'm') },
    );
    const report = reportOf(build);
    const step = report.step;
    if (!step || 'problem' in step) throw new Error('the step can be judged');
    // Both axles alike: the push is μ of the same load, so tan(2 atan μ).
    expect(step.has).toBeCloseTo(Math.tan(2 * Math.atan(0.5)), 9);
    const r = 0.15;
    expect(step.needs).toBeCloseTo(Math.sqrt(2 * r * 0.03 - 0.03 ** 2) / (r - 0.03), 9);
    // Grip is asked for the road alone: the edge has a margin of its own.
    const grip = evaluate(build).links.find(({ link }) => link === 'grip');
    expect(grip?.needs ?? 0).toBeLessThan(report.resistance.totalN);
  });

  it('higher than the wheel says what to change', () => {
    const build = withDuty(
      twoAxles({ layout: 'rear-drive', wheelbaseM: 1, ahead: 0.5, height: 0.2, friction: 0.5 }),
      {
        step: typed(0.4, 'm'),
      },
    );
    expect(saidOf(build).some((f) => f.severity === 'stop' && /larger wheel or a ramp/.test(f.text))).toBe(
      true,
    );
  });
});

describe('how much of a job', () => {
  it('becomes time by its route or its area', () => {
    const duty = firstDuty(newBuild('Gull'));
    expect(extentOf({ ...duty, speed: typed(0.5, 'm/s'), duration: typed(60, 's') })).toEqual({
      durationS: 60,
      distanceM: 30,
    });
    const route = { kind: 'route', length: typed(20, 'm'), times: 3 } as const;
    expect(extentOf({ ...duty, speed: typed(0.5, 'm/s'), extent: route }).durationS).toBe(120);
    expect(extentOf({ ...duty, speed: typed(0, 'm/s'), extent: route })).toEqual({
      durationS: 0,
      distanceM: 0,
    });
    const area = {
      kind: 'area',
      area: typed(90, 'm²'),
      width: typed(0.5, 'm'),
      overlap: typed(0.1, '%'),
    } as const;
    expect(extentOf({ ...duty, speed: typed(0.5, 'm/s'), extent: area }).durationS).toBeCloseTo(400, 9);
  });
});

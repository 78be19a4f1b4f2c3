/** What a job asks, where one case becomes another, by laws that a wrong sign or a wrong side would break. */
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { G } from '../testing/numbers.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { degrees, firstDuty, on, rearDriven, twoAxles, withDuty, withGround } from '../testing/vehicles.ts';
import { changeAxle, changeDrive, usualPush, type Build, type Duty } from '../vehicle/index.ts';
import { stepOf } from './obstacle.ts';
import { hangingOf } from './hanging.ts';
import { contactArea, gripOf } from './footing.ts';
import { tipOf } from './tipping.ts';
import {
  askedOfGrip,
  catchInput,
  demandOf,
  footingOf,
  gripLimit,
  massAlong,
  meanFigure,
  meanRollingInput,
  roughAnswer,
  sidesAlike,
  stepInput,
  threeAgainstFour,
} from './index.ts';

const { puffin, teasel } = demoBuilds();
if (!puffin || !teasel) throw new Error('they are builds of the club');

const hangingAt = (build: Build, duty: Duty) => hangingOf(build, duty, footingOf(build, duty));
const bend = (metres: number) => ({ kind: 'radius', radius: typed(metres, 'm') }) as const;

describe('a figure of the ground over several wheels', () => {
  const build = withGround(on('two-castors'), {
    rolling: typed(0.03, ''),
    freeRolling: typed(0.2, ''),
    friction: typed(0.7, ''),
  });
  const [driven = '', free = ''] = build.layout.axles.map(({ id }) => id);
  const mean = (...loads: readonly [string, number][]) =>
    meanFigure(
      build,
      firstDuty(build),
      loads.map(([axleId, loadN]) => ({ axleId, loadN })),
      'rolling',
    );

  it('is their mean by load; what is lifted counts for nothing', () => {
    expect(mean([driven, 100], [free, 300])).toBeCloseTo((0.03 * 100 + 0.2 * 300) / 400, 12);
    expect(mean([driven, 100], [free, -300])).toBeCloseTo(0.03, 12);
  });

  it('is plainly the mean where none carries, and the ground’s own where there is none', () => {
    expect(mean([driven, 0], [free, 0])).toBeCloseTo((0.03 + 0.2) / 2, 12);
    expect(mean()).toBe(0.03);
  });

  it('of free wheels is left out where they are dragged round on the spot, as their drag is in the moment', () => {
    const duty = firstDuty(build);
    const footing = footingOf(build, duty);
    const { drivenLoadN, freeLoadN, weightN } = meanRollingInput(build, duty, footing);
    expect(drivenLoadN + freeLoadN).toBeCloseTo(weightN, 6);
    const turning = meanRollingInput(build, { ...duty, turn: { kind: 'on-the-spot' } }, footing);
    expect(turning).toMatchObject({ drivenLoadN, freeLoadN: 0 });
  });
});

describe('the first rough answer', () => {
  it('is of the hardest pull and of the most power, which need not be one job, and of equals the first', () => {
    const [one] = puffin.duties;
    if (!one) throw new Error('Puffin has jobs');
    const job = (id: string, deg: number, mps: number): Duty => ({
      ...one,
      ...{ id, grade: degrees(deg), speed: typed(mps, 'm/s') },
    });
    const answer = roughAnswer({
      ...puffin,
      duties: [job('flat', 0, 1), job('steep', 10, 0.1), job('fast', 2, 3), job('steep again', 10, 0.1)],
    });
    expect(answer?.pullsHardest.id).toBe('steep');
    expect(answer?.takesMost.id).toBe('fast');
    // Power at the wheels is power along the ground.
    const { wheelTorqueNm = NaN, wheelRpm = NaN, drivelines = NaN, forceN = NaN } = answer ?? {};
    expect(wheelTorqueNm * drivelines * ((wheelRpm * Math.PI) / 30)).toBeCloseTo(forceN * 0.1, 9);
  });
});

describe('a step', () => {
  const vehicle = (together: 'wheel' | 'axle' | 'all'): Build =>
    changeDrive(rearDriven({ friction: 0.8 }), { together });

  it('asks of one driveline the torque of as many wheels as hang on it', () => {
    const forces = (['wheel', 'axle', 'all'] as const).map((together) => {
      const build = withDuty(vehicle(together), { step: typed(0.02, 'm') });
      const duty = firstDuty(build);
      const found = stepOf(build, duty, footingOf(build, duty));
      return found && 'forceN' in found ? found : undefined;
    });
    const [wheel, axle, all] = forces.map((found) => found?.forceN ?? NaN);
    // Two drivelines of a wheel each, or one of both: the same force along the ground.
    expect(axle).toBeCloseTo(wheel ?? NaN, 9);
    expect(all).toBeCloseTo(axle ?? NaN, 9);
  });

  it('is climbed by the edge of the wheel: its push and its load turn about the edge (statics)', () => {
    const build = withDuty(rearDriven({ friction: 0.8 }), { step: typed(0.02, 'm') });
    const duty = firstDuty(build);
    const footing = footingOf(build, duty);
    const [rear] = build.layout.axles;
    if (!rear) throw new Error('it has an axle');
    const { wheelRadiusM, stepM, wheelLoadN, friction } = stepInput(build, rear, duty, footing);
    expect({ stepM, friction }).toEqual({ stepM: 0.02, friction: 0.8 });
    expect(wheelLoadN).toBeCloseTo((footing.axles[0]?.loadN ?? NaN) / 2, 9);
    const found = stepOf(build, duty, footing);
    // Line from the edge to the axle: tan = √(r² − (r − h)²)/(r − h); the free front is pushed, N tan of it.
    const slope = Math.sqrt(wheelRadiusM ** 2 - (wheelRadiusM - 0.02) ** 2) / (wheelRadiusM - 0.02);
    expect(found && 'needs' in found ? found.needs : NaN).toBeCloseTo(slope, 9);
    expect(askedOfGrip({ ...demandOf(build, duty).resistance, totalN: 100, obstacleN: 30 })).toBe(70);
  });

  it('of a winch’s load, or higher than its wheels, is not climbed', () => {
    const winch = withDuty(on('winch'), { step: typed(0.02, 'm') });
    expect(stepOf(winch, firstDuty(winch), footingOf(winch, firstDuty(winch)))).toBeUndefined();
    const high = withDuty(rearDriven(), { step: typed(2, 'm') });
    expect(stepOf(high, firstDuty(high), footingOf(high, firstDuty(high)))).toHaveProperty('problem');
  });
});

/** Soft, of any figures. */
const soil = {
  name: 'loam',
  kcKnPerM: 1,
  kphiKnPerM: 1500,
  exponent: 1.1,
  cohesionKPa: 1,
  shearAngleDeg: 30,
};

describe('soft ground', () => {
  const sunk = (of: Partial<typeof soil>, layout = 'rear-drive') => {
    const build = withGround(on(layout), { soil: { ...soil, ...of } });
    return demandOf(build, firstDuty(build)).sink;
  };

  it('drags every wheel that it gives way under, and says the deepest', () => {
    const found = sunk({});
    expect(found?.sinkageM).toBeGreaterThan(0);
    expect(found?.compactionN).toBeGreaterThan(0);
    expect(found?.warnings.map(({ code }) => code)).not.toContain('no-such-soil');
    expect(sunk({ kphiKnPerM: 300 })?.sinkageM).toBeGreaterThan(found?.sinkageM ?? NaN);
  });

  // Rc of both models with z put in: of a wheel W^((2 n + 2)/(2 n + 1)), of a track W^((n + 1)/n) (Wong, ch. 2).
  it.each([
    { layout: 'four-skid', exponent: 4.2 / 3.2 },
    { layout: 'tracked', exponent: 2.1 / 1.1 },
  ])('drags by a power of the load: $layout', ({ layout, exponent }) => {
    const laden = (times: number) => {
      const build = withDuty(withGround(on(layout), { soil }), { payloadShare: typed(0, '%') });
      const { own } = build.masses;
      const masses = { ...build.masses, own: { ...own, mass: typed(20 * times, 'kg') } };
      return demandOf({ ...build, masses }, firstDuty(build)).sink;
    };
    expect(laden(1)?.loadExponent).toBeCloseTo(exponent, 12);
    expect((laden(3)?.compactionN ?? NaN) / (laden(1)?.compactionN ?? NaN)).toBeCloseTo(3 ** exponent, 6);
    // All of its wheels are driven.
    expect(laden(3)?.drivenN).toBeCloseTo(laden(3)?.compactionN ?? NaN, 9);
  });

  it('drags what is not driven, too', () => {
    const found = sunk({});
    expect(found?.drivenN).toBeGreaterThan(0);
    expect(found?.drivenN).toBeLessThan(found?.compactionN ?? NaN);
  });

  it('that carries nothing is no ground, and says so instead of a depth', () => {
    for (const of of [
      { kcKnPerM: -1000, kphiKnPerM: 1 },
      { kcKnPerM: 1e-9, kphiKnPerM: 1e-9 },
    ])
      expect(sunk(of)).toMatchObject({ sinkageM: 0, compactionN: 0, warnings: [{ code: 'no-such-soil' }] });
  });
});

it('what balances is caught, and does not hang by a wheel', () => {
  const [job] = teasel.duties;
  if (!job) throw new Error('Teasel has a job');
  const { lean: _none, ...upright } = job;
  expect(catchInput(teasel, upright, footingOf(teasel, upright)).leanDeg).toBe(0);
  expect(hangingAt(withGround(teasel, { uneven: true }), upright)).toBeUndefined();
  expect(sidesAlike(job)).toBe(job.turn?.kind !== 'radius');
  expect(sidesAlike({ ...upright, turn: bend(2) })).toBe(false);
  expect(sidesAlike({ ...upright, turn: { kind: 'on-the-spot' } })).toBe(true);
});

describe('the steepest grade', () => {
  it('is none where it cannot stand on the level, and no end is found where all wheels grip without bound', () => {
    const behind = twoAxles({ layout: 'rear-drive', wheelbaseM: 1, ahead: -0.2, height: 0.3, friction: 0.7 });
    expect(gripLimit(behind, firstDuty(behind))).toEqual({ limitRad: 0, limitedBy: 'tipping' });
    const slick = twoAxles({
      ...{ layout: 'rear-drive', wheelbaseM: 1, ahead: 0.4, height: 0.3 },
      ...{ friction: 0.01, rolling: 0.2 },
    });
    expect(gripLimit(slick, firstDuty(slick))).toEqual({ limitRad: 0, limitedBy: 'grip' });
    const low = twoAxles({ layout: 'four-skid', wheelbaseM: 1, ahead: 0.5, height: 1e-6, friction: 2000 });
    expect(gripLimit(low, firstDuty(low)).limitedBy).toBe('nothing');
  });

  it('is asked at each place of a mass, from end to end', () => {
    const points = massAlong(puffin, firstDuty(puffin), 'payload', { from: 0.2, to: 0.6, points: 5 });
    expect(points.map(({ aheadM }) => aheadM)).toEqual(
      [0.2, 0.3, 0.4, 0.5, 0.6].map((x) => expect.closeTo(x, 12)),
    );
    const { own, payload } = puffin.masses;
    const there = {
      ...payload,
      aheadOfRearAxle: { ...payload.aheadOfRearAxle, value: points[4]?.aheadM ?? NaN },
    };
    const moved = { ...puffin, masses: { ...puffin.masses, own, payload: there } };
    expect(points[4]).toMatchObject(gripLimit(moved, firstDuty(moved)));
  });
});

describe('where it stands', () => {
  it('on soft ground grips by the lesser of friction and what the soil bears before it shears (Coulomb)', () => {
    const [axle] = rearDriven().layout.axles;
    const [ground] = rearDriven().grounds;
    if (!axle || !ground) throw new Error('it stands on something');
    const contact = { axle, side: 'left', aheadM: 0, leftM: 0, driven: true } as Parameters<typeof gripOf>[1];
    const grip = (friction: number, loadN: number): number =>
      gripOf({ ...ground, soil, friction: typed(friction, '') }, contact, loadN);
    const shears = contactArea(axle) * 1000 + 400 * Math.tan(Math.PI / 6);
    expect(grip(5, 400)).toBeCloseTo(shears, 9);
    expect(grip(0.1, 400)).toBeCloseTo(40, 9);
    expect([grip(5, 0), grip(5, -5)]).toEqual([0, 0]);
  });

  it('a wheel bears over a sixth of its diameter, a track over its length', () => {
    const [wheel] = rearDriven().layout.axles;
    const [track] = on('tracked').layout.axles;
    if (!wheel || !track) throw new Error('they have axles');
    expect(contactArea(wheel)).toBeCloseTo((wheel.diameter.value / 6) * wheel.width.value, 12);
    const { contactLength = track.diameter } = track;
    const area = contactLength.value * track.width.value;
    expect(area / contactArea(track)).toBeCloseTo(Math.round(area / contactArea(track)), 9);
  });

  it('with a wheel in the air pulls less by what that wheel held, and only on ground that is said to be uneven', () => {
    const even = rearDriven({ friction: 0.6 });
    expect(hangingAt(even, firstDuty(even))).toBeUndefined();
    const four = withGround(changeDrive(on('four-skid'), { together: 'wheel' }), { uneven: true });
    const duty = firstDuty(four);
    const hanging = hangingAt(four, duty);
    const { massKg, contacts } = footingOf(four, duty);
    // The other three, each with its motor, bear all the weight.
    const { friction } = four.grounds[0] ?? {};
    expect(hanging?.gripN).toBeCloseTo((friction?.value ?? NaN) * massKg * G, 6);
    expect(contacts.some(({ axleId }) => axleId === hanging?.axleId)).toBe(true);
  });

  it('on three wheels tips sooner than on four; what balances is not counted so', () => {
    const four = threeAgainstFour(puffin, footingOf(puffin, firstDuty(puffin)));
    const own = tipOf(puffin, firstDuty(puffin), footingOf(puffin, firstDuty(puffin)), [])?.sideDeg ?? NaN;
    expect(four).toMatchObject({ wheels: 4, otherWheels: 3 });
    expect(four?.sideDeg).toBeLessThan(own);
    const single = changeAxle(puffin, puffin.layout.axles[1]?.id ?? '', { track: typed(0, 'm') });
    const three = threeAgainstFour(single, footingOf(single, firstDuty(single)));
    expect(three).toMatchObject({ wheels: 3, otherWheels: 4 });
    expect(threeAgainstFour(teasel, footingOf(teasel, firstDuty(teasel)))).toBeUndefined();
  });
});

it('a job that only holds is pulled by its slope, and pushes nothing', () => {
  const hold = { ...firstDuty(puffin), task: 'hold', grade: degrees(7), push: usualPush(puffin) } as const;
  const { resistance, footing } = demandOf(puffin, hold);
  expect(resistance.gradeN).toBeCloseTo(footing.massKg * G * Math.sin((7 * Math.PI) / 180), 6);
  expect(resistance.pushingN).toBe(0);
  expect(demandOf(puffin, { ...hold, task: 'drive' }).resistance.pushingN).toBeGreaterThan(0);
});

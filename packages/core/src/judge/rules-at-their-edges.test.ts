/** Rules about ground, turning, towing and the way from the motor, where a step more or less turns them. */
import { describe, expect, it } from 'vitest';
import { ackermann } from '../ground/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { foundOf } from '../testing/on-the-shelf.ts';
import { degrees, firstDuty, on, rearDriven, withDuty } from '../testing/vehicles.ts';
import {
  LAYOUT_TEMPLATES,
  dutyFrom,
  dutyTemplatesFor,
  withLayout,
  type Build,
  type Steering,
} from '../vehicle/index.ts';
import { limitsOf } from './event-limits.ts';
import { evaluate } from './evaluate.ts';
import { steerInput } from './ground-links.ts';

const builds = demoBuilds();
const puffin = needed(builds.puffin, 'Puffin');
const steering = (lockDeg: number, more: Partial<Steering> = {}): Steering => ({
  ...{ linkageRatio: typed(1, ': 1'), kingpinOffset: typed(0.05, 'mm'), lockToLock: degrees(lockDeg) },
  ...{ knowsPosition: true, actuatorTorque: typed(5, 'N·m') },
  ...more,
});
const turning = (radiusM: number): Parameters<typeof withDuty>[1] => ({
  turn: { kind: 'radius', radius: typed(radiusM, 'm') },
});

it('every finding is one, of a code and an id that no other has, on each layout with every job it can do', () => {
  const every = [
    ...Object.values(builds),
    ...LAYOUT_TEMPLATES.map((template) => withLayout(puffin, template)),
  ].map((build) => ({
    ...build,
    duties: [
      ...build.duties,
      ...dutyTemplatesFor(build).map((template) => dutyFrom(build, template, `usual-${template.id}`)),
    ],
  }));
  for (const build of every) {
    const { findings } = evaluate(build);
    for (const finding of findings) expect(finding).toMatchObject({ code: expect.any(String) as string });
    const ids = findings.map(({ id }) => id);
    expect(new Set(ids).size, build.name).toBe(ids.length);
  }
});

describe('a bend for steered wheels', () => {
  const cart = (lockDeg: number, radiusM: number): Build => ({
    ...withDuty(rearDriven(), turning(radiusM)),
    steering: steering(lockDeg),
  });
  const trackM = 0.5;
  const tracked = (build: Build): Build => ({
    ...build,
    layout: {
      ...build.layout,
      axles: build.layout.axles.map((axle) => ({ ...axle, track: typed(trackM, 'm') })),
    },
  });

  it('is too tight where the inner wheel would turn past its lock (Ackermann), and says the least it could', () => {
    const inner = ackermann.run({ wheelbaseM: 1, trackM, turnRadiusM: 1.5 }).innerDeg;
    const [stop, ...more] = foundOf(tracked(cart(40, 1.5)), 'turn-too-tight');
    expect(more).toEqual([]);
    expect(stop?.figures.inner.value).toBeCloseTo((inner * Math.PI) / 180, 9);
    expect(stop?.figures.lock.value).toBeCloseTo((20 * Math.PI) / 180, 9);
    const least = needed(stop, 'stop').figures.least.value;
    expect(least).toBeCloseTo(1 / Math.tan((20 * Math.PI) / 180) + trackM / 2, 9);
    // At just that radius it can.
    expect(foundOf(tracked(cart(40, least * 1.0001)), 'turn-too-tight')).toEqual([]);
    expect(foundOf(tracked(cart(40, least * 0.9999)), 'turn-too-tight')).toHaveLength(1);
  });

  it('within its own track asks for a wheel at right angles', () => {
    const [stop] = foundOf(tracked(cart(120, trackM / 2)), 'turn-too-tight');
    expect(stop?.figures.inner.value).toBeCloseTo(Math.PI / 2, 9);
  });

  it('without any lock is told as that', () => {
    expect(foundOf(tracked(cart(0, 3)), 'no-lock')).toHaveLength(1);
    expect(foundOf(tracked(cart(0, 3)), 'turn-too-tight')).toEqual([]);
  });
});

describe('the sum of a standing start', () => {
  const first = (build: Build) => {
    const [duty] = build.duties;
    const [report] = evaluate(build).duties;
    return steerInput(build, needed(duty, 'duty'), needed(report, 'report'));
  };

  it('takes the time of its actuator, and its lock from end to end, where that is said', () => {
    const cart = { ...rearDriven(), steering: steering(70) };
    expect(first(cart)).not.toHaveProperty('servoSecPer60Deg');
    expect(first({ ...cart, steering: steering(70, { secondsPer60: typed(0.2, 's') }) })).toMatchObject({
      servoSecPer60Deg: 0.2,
      lockToLockDeg: expect.closeTo(70, 9) as number,
    });
  });

  it('turns two wheels of a steered axle, and the one of a steered wheel alone, with all of its load', () => {
    const two = needed(first({ ...rearDriven(), steering: steering(70) }), 'two wheels');
    const cart = rearDriven();
    const one = needed(
      first({
        ...cart,
        steering: steering(70),
        layout: {
          ...cart.layout,
          axles: cart.layout.axles.map((axle) => (axle.steered ? { ...axle, track: typed(0, 'm') } : axle)),
        },
      }),
      'one wheel',
    );
    expect([two.wheels, one.wheels]).toEqual([2, 1]);
    expect(one.wheelLoadN).toBeCloseTo(2 * two.wheelLoadN, 6);
  });
});

describe('towing', () => {
  const slippery = rearDriven({ friction: 0.12 });
  const towing = (kg: number, gradeDeg = 0): Build =>
    withDuty(slippery, {
      ...{ towed: { mass: typed(kg, 'kg'), rolling: typed(0.05, '') }, grade: degrees(gradeDeg) },
    });

  it('that slips says how much of the load on the vehicle would do; of an empty hitch it says nothing', () => {
    const ids = (build: Build): string[] =>
      evaluate(build).findings.flatMap(({ id }) => (id.startsWith('load-on-tug') ? [id] : []));
    expect(ids(towing(60, 4))).toHaveLength(1);
    expect(ids(towing(0, 4))).toEqual([]);
  });

  it('pushes when it slows down a slope, as its weight along it and its own slowing less its rolling', () => {
    const gripping = withDuty(rearDriven(), { ...firstDuty(towing(60, -6)) });
    const build = { ...gripping, brake: { ...slippery.brake, kind: 'friction' as const } };
    const braked = {
      ...build,
      layout: { ...build.layout, axles: build.layout.axles.map((axle) => ({ ...axle, braked: true })) },
    };
    const [duty] = evaluate(braked).duties;
    const slowing = needed(duty?.brake?.decelerationMps2, 'slowing');
    const [note] = foundOf(braked, 'towed-pushes');
    const down = (6 * Math.PI) / 180;
    const g = 9.80665;
    expect(slowing).toBeGreaterThan(0);
    expect(note?.figures.force.value).toBeCloseTo(
      60 * (g * Math.sin(down) + slowing - 0.05 * g * Math.cos(down)),
      6,
    );
    // Asked up the same slope it is braked down it all the same: a slope is gone both ways.
    const up = withDuty(braked, { grade: degrees(6) });
    expect(foundOf(up, 'towed-pushes')[0]?.figures.force.value ?? 0).toBeGreaterThan(0);
  });
});

describe('a wheel in the air', () => {
  const uneven = (friction: number): Build => {
    const build = withDuty(on('all-drive', puffin), { grade: degrees(8) });
    return {
      ...build,
      grounds: build.grounds.map((ground) => ({ ...ground, uneven: true, friction: typed(friction, '') })),
    };
  };

  it('stops a job that the others do not hold, and leaves one short that they hold under the rule', () => {
    const severities = Array.from({ length: 60 }, (_, n) => 0.2 + n / 20).flatMap((friction) =>
      foundOf(uneven(friction), 'hangs').map(({ severity, figures }) => ({
        severity,
        fails: figures.has.value < figures.needs.value,
      })),
    );
    for (const { severity, fails } of severities) expect(severity).toBe(fails ? 'stop' : 'short');
    expect(new Set(severities.map(({ severity }) => severity))).toEqual(new Set(['stop', 'short']));
  });
});

describe('what it carries, weighs and is steered by', () => {
  it('is heavy to carry over three times of itself, not at three times', () => {
    const carrying = (times: number): Build => ({
      ...puffin,
      masses: {
        ...puffin.masses,
        payload: {
          ...puffin.masses.payload,
          mass: typed(times * puffin.masses.own.mass.value, 'kg'),
        },
      },
    });
    expect(foundOf(carrying(3), 'heavy-payload')).toEqual([]);
    expect(foundOf(carrying(3.01), 'heavy-payload')[0]?.figures.times.value).toBeCloseTo(3.01, 9);
  });

  it('is steered by hand without an actuator, and wants one where nothing is said', () => {
    const by = (how: Partial<Steering>): Build => {
      const { actuatorTorque: _none, ...bare } = steering(60);
      return { ...rearDriven(), steering: { ...bare, ...how } };
    };
    expect(foundOf(by({}), 'no-steering')).toHaveLength(1);
    expect(foundOf(by({ hand: { arm: typed(0.3, 'm'), force: typed(60, 'N') } }), 'no-steering')).toEqual([]);
  });

  it('is held to its event with ballast and parts, without riders and payload', () => {
    const other = (kind: 'rider' | 'ballast', kg: number) => ({
      ...puffin.masses.payload,
      ...{ id: kind, name: kind, kind, mass: typed(kg, 'kg') },
    });
    const build: Build = {
      ...puffin,
      aims: { ...puffin.aims, mass: typed(60, 'kg') },
      masses: { ...puffin.masses, others: [other('rider', 70), other('ballast', 6)] },
    };
    const [check] = limitsOf(build);
    expect(check).toMatchObject({ value: puffin.masses.own.mass.value + 6, limit: 60, holds: false });
  });
});

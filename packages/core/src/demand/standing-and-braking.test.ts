/** How a job stands, slides and is braked, by moments, kinematics and friction. */
import { describe, expect, it } from 'vitest';
import { drivelineOf, type Driveline } from '../drive/index.ts';
import { typed } from '../quantity/index.ts';
import { fullCommandTorque } from '../supply/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { G, needed } from '../testing/numbers.ts';
import { degrees, firstDuty, on, rearDriven, withDuty } from '../testing/vehicles.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { hitchLoadOf } from './footing.ts';
import { stancesOf } from './tipping.ts';
import {
  brakedSlowing,
  brakeOf,
  brakingIn,
  cornerOf,
  demandOf,
  footingOf,
  pushOf,
  slideInput,
  speedUpInput,
  stanceOf,
  wheelLoadInput,
} from './index.ts';

const puffin = needed(demoBuilds().puffin, 'Puffin');
const line = needed(drivelineOf(puffin), 'drive');
const bend = (metres: number) => ({ kind: 'radius', radius: typed(metres, 'm') }) as const;

describe('what brakes', () => {
  const cart = (part: Partial<Duty>, brake: Partial<Build['brake']> = {}): Build => {
    const base = rearDriven({ friction: 0.6, rolling: 0.02, height: 0.2 });
    return withDuty(
      { ...base, brake: { ...base.brake, kind: 'friction', ...brake } },
      { task: 'stop', ...part },
    );
  };
  const massOf = (build: Build): number => footingOf(build, firstDuty(build)).massKg;

  it('drags the towed load too, less what presses on the hitch', () => {
    const towed = { mass: typed(40, 'kg'), rolling: typed(0.1, '') };
    const build = {
      ...cart({ towed }),
      hitch: { behind: typed(0.1, 'm'), height: typed(0.2, 'm'), load: typed(50, 'N') },
    };
    const duty = firstDuty(build);
    const { massKg, partAt } = brakingIn(build, duty, undefined);
    const own = massOf(build);
    expect(massKg).toBeCloseTo(own + 40, 9);
    // All wheels roll alike: own weight and the hitch on them, the rest on the towed load's.
    const drag = 0.02 * (own * G + 50) + 0.1 * (40 * G - 50);
    expect(partAt({ gradeRad: 0, slowing: 0 }).meanRolling * massKg * G).toBeCloseTo(drag, 6);
    expect(hitchLoadOf(build, duty)).toBe(50);
    expect(hitchLoadOf(build, firstDuty(cart({})))).toBe(0);
  });

  it('holds m g sin of its slope up or down, by grip or by its brake, whichever is less', () => {
    for (const deg of [8, -8]) {
      const steep = (force: number) => {
        const build = cart({ task: 'hold', grade: degrees(deg) }, { force: typed(force, 'N') });
        return { report: brakeOf(build, firstDuty(build), undefined), massKg: massOf(build) };
      };
      const { report, massKg } = steep(30);
      expect(report?.holdNeedsN).toBeCloseTo(massKg * G * Math.sin((8 * Math.PI) / 180), 9);
      expect(report?.holdHasN).toBe(30);
      const byGrip = steep(1e6).report?.holdHasN ?? NaN;
      expect(byGrip).toBeGreaterThan(30);
      expect(byGrip).toBeLessThan(0.6 * massKg * G);
    }
    const none = cart({ task: 'hold', grade: degrees(8) }, { kind: 'none' });
    expect(brakeOf(none, firstDuty(none), undefined)).toMatchObject({ holdHasN: 0 });
    expect(brakeOf(none, firstDuty(none), undefined)).not.toHaveProperty('distanceM');
  });

  it('stops in the way that its reaction and v²/2a take (kinematics), later downhill', () => {
    const stopping = (deg: number) => {
      const build = cart({ speed: typed(2, 'm/s'), grade: degrees(deg) });
      const duty = firstDuty(build);
      const brakes = brakingIn(build, duty, undefined);
      return { brake: brakeOf(build, duty, undefined), brakes, reactionS: build.brake.reaction.value };
    };
    const { brake, brakes, reactionS } = stopping(0);
    const slowing = brake?.decelerationMps2 ?? NaN;
    expect(slowing).toBeCloseTo(brakedSlowing(brakes, 0), 9);
    expect(brake?.distanceM).toBeCloseTo(brakes.run.distanceM + brakes.run.speedMps ** 2 / (2 * slowing), 9);
    expect(brake?.timeS).toBeCloseTo(reactionS + brakes.run.speedMps / slowing, 9);
    // Up a slope it is the way down it that counts.
    const [up, down] = [stopping(5).brake, stopping(-5).brake];
    expect(up?.distanceM).toBeCloseTo(down?.distanceM ?? NaN, 9);
    expect(down?.distanceM ?? NaN).toBeGreaterThan(brake?.distanceM ?? NaN);
  });

  it('by its motors is held by all of them, through the train the hard way round; not by those that cannot', () => {
    const build = { ...puffin, brake: { ...puffin.brake, kind: 'electronic' as const } };
    const force = (part: Partial<Driveline>) =>
      brakingIn(build, firstDuty(build), { ...line, brakes: true, ...part }).forceN;
    const one = force({}) ?? NaN;
    const torqueNm = fullCommandTorque(line.circuit, 0);
    expect(one).toBeCloseTo(
      (line.outputs * line.motorsPerWheel * torqueNm * line.ratio) / line.efficiency / line.wheelRadiusM,
      6,
    );
    expect(force({ motorsPerWheel: 2 * line.motorsPerWheel })).toBeCloseTo(2 * one, 6);
    expect(force({ brakes: false })).toBe(0);
    const other = { ...line, brakes: true, beside: [] };
    expect(force({ beside: [other] })).toBeCloseTo(2 * one, 6);
    expect(force({ brakes: false, beside: [other] })).toBeCloseTo(one, 6);
    expect(brakingIn(build, firstDuty(build), undefined).forceN).toBeUndefined();
  });

  it('holds its speed until the brake bites where a motor of any drive brakes, or its train locks', () => {
    const held = (kind: Build['brake']['kind'], of: Driveline | undefined): boolean => {
      const build = { ...puffin, brake: { ...puffin.brake, kind } };
      return brakingIn(build, firstDuty(build), of).reaction.held;
    };
    const free = { ...line, brakes: false, beside: [] };
    const able = { ...line, brakes: true, beside: [] };
    expect(held('electronic', undefined)).toBe(true);
    expect(held('electronic', free)).toBe(false);
    expect(held('electronic', { ...free, beside: [able] })).toBe(true);
    expect(held('friction', able)).toBe(false);
    expect(held('friction', undefined)).toBe(false);
    expect(held('friction', { ...able, backEfficiency: 0 })).toBe(true);
  });

  it('does not slow it where the slope is steeper than its grip', () => {
    const slick = cart({}, {});
    const grounds = slick.grounds.map((ground) => ({ ...ground, friction: typed(0.05, '') }));
    const brakes = brakingIn({ ...slick, grounds }, firstDuty(slick), undefined);
    expect(brakedSlowing(brakes, -0.35)).toBe(0);
    expect(brakedSlowing(brakes, 0)).toBeGreaterThan(0);
    const steep = withDuty({ ...slick, grounds }, { grade: degrees(-20), speed: typed(1, 'm/s') });
    expect(brakeOf(steep, firstDuty(steep), undefined)).toMatchObject({ decelerationMps2: 0 });
    expect(brakeOf(steep, firstDuty(steep), undefined)).not.toHaveProperty('distanceM');
  });

  it('puts on the ground no more than its grip', () => {
    const build = cart({ speed: typed(2, 'm/s') });
    const { brakeN = NaN, share = NaN } = brakeOf(build, firstDuty(build), undefined) ?? {};
    expect(brakeN).toBeCloseTo(0.6 * share * massOf(build) * G, 6);
    const weak = cart({ speed: typed(2, 'm/s') }, { force: typed(40, 'N') });
    expect(brakeOf(weak, firstDuty(weak), undefined)?.brakeN).toBe(40);
  });

  it('needs v²/2s of what is left of its distance, and more than any brake has where none is left', () => {
    const within = (metres: number) => {
      const build = cart({ speed: typed(2, 'm/s'), stopWithin: typed(metres, 'm') });
      const duty = firstDuty(build);
      return {
        needed: brakeOf(build, duty, undefined)?.neededMps2,
        run: brakingIn(build, duty, undefined).run,
      };
    };
    const { needed, run } = within(4);
    expect(needed).toBeCloseTo(run.speedMps ** 2 / (2 * (4 - run.distanceM)), 9);
    expect(within(run.distanceM / 2).needed).toBe(1e6);
  });

  it('is asked of a job that stops, holds, comes down or has a distance, and of no other', () => {
    const asks = (part: Partial<Duty>): boolean => {
      const build = cart({ task: 'drive', grade: degrees(0), ...part });
      return brakeOf(build, firstDuty(build), undefined) !== undefined;
    };
    expect(asks({})).toBe(false);
    expect(asks({ task: 'stop' })).toBe(true);
    expect(asks({ grade: degrees(-5) })).toBe(true);
    expect(asks({ stopWithin: typed(1, 'm') })).toBe(true);
  });
});

describe('how a job stands', () => {
  const base = rearDriven();
  const duty = (part: Partial<Duty>): Duty => ({ ...firstDuty(base), speed: typed(2, 'm/s'), ...part });
  const slowed = (slowing: number) => ({ ...stanceOf(base, duty({})), accelerationMps2: -slowing });

  it('in a bend on the level leans to both sides, on a bank to the lower, and once more as it stops', () => {
    const bends = stancesOf(base, duty({ turn: bend(4) }), undefined, slowed);
    expect(bends.map(({ cornerMps2 }) => cornerMps2)).toEqual([1, -1]);
    const bank = (deg: number) =>
      stancesOf(base, duty({ turn: bend(4), sideSlope: degrees(deg) }), undefined, slowed);
    expect(bank(5).map(({ cornerMps2 }) => cornerMps2)).toEqual([1]);
    expect(bank(-5).map(({ cornerMps2 }) => cornerMps2)).toEqual([-1]);
    const stops = stancesOf(base, duty({}), 3, slowed);
    expect(stops).toHaveLength(2);
    expect(stops[1]?.accelerationMps2).toBeCloseTo(-3, 4);
    expect(cornerOf(duty({ turn: { kind: 'on-the-spot' } }))).toBe(0);
  });

  it('speeds up by the way or the time that is said, or by neither', () => {
    expect(speedUpInput(duty({ upToSpeed: { kind: 'time', time: typed(4, 's') } }))).toEqual({
      speedMps: 2,
      timeS: 4,
    });
    expect(speedUpInput(duty({ upToSpeed: { kind: 'distance', distance: typed(4, 'm') } }))).toEqual({
      speedMps: 2,
      distanceM: 4,
    });
  });

  it('pushes only while it drives', () => {
    const push = {
      kind: 'force',
      ...{ force: typed(200, 'N'), height: typed(0.1, 'm'), ahead: typed(1, 'm'), load: typed(20, 'N') },
    } as const;
    expect(pushOf(duty({ push }))).toBe(200);
    expect(pushOf(duty({ push, task: 'hold' }))).toBe(0);
    const given = (part: Partial<Duty>) => {
      const job = duty(part);
      return wheelLoadInput(base, job, { ...footingMass(job) }, stanceOf(base, job));
    };
    const footingMass = (job: Duty) => {
      const { massKg, cgAheadM, cgLeftM, cgHeightM } = footingOf(base, job);
      return {
        ...{ massKg, cgAheadOfRearAxleM: cgAheadM, cgLeftM, cgHeightM },
      };
    };
    expect(given({ push })).toMatchObject({ pushN: 200, pushVerticalN: 20 });
    expect(given({ push, task: 'hold' })).toMatchObject({ pushN: 0, pushVerticalN: 0 });
  });
});

describe('sliding sideways', () => {
  const build = rearDriven({ friction: 0.6 });
  const slide = (part: Partial<Duty>, of: Build = build) => {
    const bank = withDuty(of, part);
    return slideInput(bank, firstDuty(bank), demandOf(bank, firstDuty(bank)));
  };

  it('is pulled by m g sin of the bank and by the bend, whichever side is low', () => {
    const massKg = footingOf(build, firstDuty(build)).massKg;
    const aside = (deg: number) =>
      slide({ sideSlope: degrees(deg), speed: typed(2, 'm/s'), turn: bend(8) })?.sideN;
    expect(aside(6)).toBeCloseTo(massKg * (G * Math.sin((6 * Math.PI) / 180) + 4 / 8), 6);
    expect(aside(-6)).toBeCloseTo(aside(6) ?? NaN, 9);
    expect(slide({})).toBeUndefined();
  });

  it('is held by what pushes: driven wheels as it goes, braked ones as it stands', () => {
    const contacts = (part: Partial<Duty>) => slide({ sideSlope: degrees(6), ...part })?.contacts ?? [];
    expect(contacts({}).filter(({ pushes }) => pushes)).toHaveLength(2);
    const braked = build.layout.axles.filter((axle) => axle.braked).length;
    expect(contacts({ task: 'hold' }).filter(({ pushes }) => pushes)).toHaveLength(2 * braked);
    const held = slide({ sideSlope: degrees(6), grade: degrees(5), task: 'hold' });
    expect(held?.pushN).toBeCloseTo(
      footingOf(build, firstDuty(build)).massKg * G * Math.sin((5 * Math.PI) / 180),
      6,
    );
  });

  it('is not by castors', () => {
    const castors = slide({ sideSlope: degrees(6) }, on('two-castors'));
    expect(castors?.contacts.map(({ across }) => across > 0)).toEqual([true, true, false, false]);
  });
});

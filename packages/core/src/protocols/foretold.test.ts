import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { COPPER_PER_K } from '../motor/index.ts';
import { typed } from '../quantity/index.ts';
import {
  balanceReport,
  launchOfBuild,
  nudgedBalance,
  runLaunch,
  timeOver,
  USUAL_CYCLE,
} from '../simulate/index.ts';
import { USUAL_MISMATCH } from '../driving/index.ts';
import { SteeringGear } from '../driving/steering-gear.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { dataSheetOf, motorOf, motorThermal, type Build } from '../vehicle/index.ts';
import { compared, allAgree } from './agreement.ts';
import { warmingOf } from './endurance.ts';
import { shaftSpeed } from './foretold-parts.ts';
import { needed } from '../testing/numbers.ts';
import { neededFor, predictedOf } from './predicted.ts';
import type { ProtocolName } from './protocols.ts';
import type { TrialConditions } from './reading.ts';
import { takeOver } from './take-over.ts';
import { resultOfSet } from './trial-set.ts';

const { puffin, teasel, moth, pip } = demoBuilds() as Record<string, Build>;
const q = (value: number, unit: string) => typed(value, unit, 'measured');
const oneOf = (
  name: ProtocolName,
  build: Build,
  conditions: TrialConditions,
  key: string,
  measured: readonly { key: string; value: number }[] = [],
) => predictedOf(name, build, conditions, measured).find((one) => one.key === key);

describe('the speed of a motor on the brake', () => {
  const build = needed(puffin, 'puffin');
  const sheet = needed(dataSheetOf(needed(motorOf(build), 'motor')), 'data sheet');
  // Puffin's motor has its gearhead on: the shaft that can be reached is behind it.
  const { ratio, efficiency } = needed(needed(motorOf(build), 'motor').gearhead, 'gearhead');
  const stall = sheet.stallTorqueNm * ratio * efficiency;
  const rpm = (radS: number) => (radS * 30) / Math.PI;
  const at = (load: number, volts = sheet.voltageV, power = 1) =>
    shaftSpeed(build, { powers: [q(power, '%')], batteryBefore: q(volts, 'V'), load: q(load, 'N·m') }) ?? NaN;

  it('is its printed free speed without load, half of it at half of its stall torque, none at its stall', () => {
    // The line between the two printed points of a motor with magnets (handbook); friction is in both.
    const free = at(0);
    expect(rpm(free)).toBeCloseTo(sheet.noLoadRpm / ratio, 0);
    expect(at(stall / 2) / free).toBeCloseTo(1 / 2, 2);
    expect(at(1.001 * stall)).toBe(0);
  });

  it('goes with the volts: at half power as on half the battery, and steeper where the brake holds', () => {
    expect(at(1, sheet.voltageV, 0.5)).toBeCloseTo(at(1, sheet.voltageV / 2), 6);
    const perVolt = (load: number) => (at(load, 24) - at(load, 20)) / 4;
    expect(perVolt(0)).toBeCloseTo(perVolt(2), 5);
  });

  it('is not foretold where nobody said the load, and then it is said what to say', () => {
    expect(shaftSpeed(build, { powers: [q(1, '%')] })).toBeUndefined();
    expect(neededFor('motor-matching', {})).toContain('load on the shaft');
    expect(neededFor('motor-matching', { load: q(0, 'N·m') })).toBeUndefined();
    expect(neededFor('pull', {})).toBeUndefined();
  });

  it('stands beside the mean of the motors, each counted once', () => {
    const conditions = {
      motors: ['1', '2', '3'],
      powers: [q(0.5, '%'), q(1, '%')],
      ways: 'forward',
      reads: 'speed',
      load: q(0, 'N·m'),
      batteryBefore: q(sheet.voltageV, 'V'),
    };
    const speeds = [0.98, 1, 1.02].map((share) => (share * sheet.noLoadRpm * Math.PI) / 30 / ratio);
    const trials = speeds.flatMap((speed, n) =>
      [0.5, 1].flatMap((power) =>
        [0, 1].map(() => ({
          reading: {
            motor: String(n + 1),
            power: q(power, '%'),
            way: 'forward',
            speed: q(power * speed, 'rpm'),
          },
        })),
      ),
    );
    const result = resultOfSet({ protocol: 'motor-matching', conditions, trials });
    const [speed] = result.measured;
    expect(speed).toMatchObject({ key: 'speed', n: 3 });
    // Mean of three, t of two degrees of freedom 4.303 (table of Student's t), sd 2 %.
    expect(((speed?.high ?? 0) - (speed?.value ?? 0)) / (speed?.value ?? 1)).toBeCloseTo(
      (4.303 * 0.02) / Math.sqrt(3),
      4,
    );
    expect(allAgree(compared(result, predictedOf('motor-matching', build, conditions)))).toBe(true);
    const slow = { measured: [{ ...needed(speed, 'speed'), value: 1, low: 0.9, high: 1.1 }] };
    expect(allAgree(compared(slow, predictedOf('motor-matching', build, conditions)))).toBe(false);
  });
});

describe('where a motor is bound for', () => {
  it('gives off as much heat as its winding makes: the balance of energy at the end', () => {
    const build = needed(puffin, 'puffin');
    const ambient = 293.15;
    const end = needed(oneOf('warming', build, { ambient: q(ambient, '°C') }, 'motorFinal'), 'end');
    const { nodes, windingOhm } = motorThermal(needed(motorOf(build), 'motor'));
    const currentA = needed(evaluate(build).duties[0]?.point?.currentA, 'current');
    const offW = (end.value - ambient) / nodes[0].kPerW;
    const windingC = end.value - 273.15 + nodes[1].kPerW * offW;
    expect(offW).toBeCloseTo(currentA ** 2 * windingOhm * (1 + COPPER_PER_K * (windingC - 20)), 6);
    // Known to three tenths of what it rises, not of what it is over absolute zero.
    expect(end.high - end.value).toBeGreaterThanOrEqual(0.3 * (end.value - ambient) - 1e-9);
    expect(end.high - end.value).toBeLessThan(0.6 * (end.value - ambient));
  });

  it('is fitted as certified: NIST StRD, Misra1a, y = b1(1 − e^(−b2 x))', () => {
    // Data and certified values from memory: NIST Statistical Reference Datasets, nonlinear regression, D. Misra 1978.
    const y = [
      ...[10.07, 14.73, 17.94, 23.93, 29.61, 35.18, 40.02],
      ...[44.82, 50.76, 55.05, 61.01, 66.4, 75.47, 81.78],
    ];
    const x = [
      ...[77.6, 114.9, 141.1, 190.8, 239.9, 289, 332.8],
      ...[378.4, 434.8, 477.3, 536.8, 593.1, 689.1, 760],
    ];
    const found = needed(
      warmingOf(
        x.map((t, n) => [t, y[n] ?? NaN] as const),
        0,
      ),
      'fit',
    );
    expect(found.final).toBeCloseTo(238.94212918, 4);
    expect(1 / found.timeConstantS).toBeCloseTo(5.5015643181e-4, 9);
    // Certified standard deviation of b1, 2.7070075241, times t of 12 degrees of freedom, 2.178813.
    expect((found.high ?? NaN) - found.final).toBeCloseTo(2.7070075241 * 2.178813, 3);
    expect(found.final - (found.low ?? NaN)).toBeCloseTo(2.7070075241 * 2.178813, 3);
  });
});

describe('a battery run down', () => {
  it('is known as nearly as it was read: between the reading before and the one after', () => {
    const trials = [
      [0, 12.6],
      [600, 12],
      [1200, 11],
      [1800, 10],
    ].map(([time = 0, volts = 0]) => ({ reading: { time: q(time, 'min'), voltage: q(volts, 'V') } }));
    const { measured } = resultOfSet({
      protocol: 'run-down',
      conditions: { stopAt: q(10.25, 'V'), current: q(2, 'A') },
      trials,
    });
    expect(measured[0]).toMatchObject({ key: 'runTime', value: 1650, low: 1200, high: 1800 });
    expect(measured[1]).toMatchObject({ key: 'capacity', value: 3300, low: 2400, high: 3600 });
  });
});

describe('a balancer nudged', () => {
  const build = needed(teasel, 'teasel');

  it('runs twice as far after twice the momentum while it leans little, and nowhere after none', () => {
    const [none, once, twice] = [0, 0.01, 0.02].map((ns) => nudgedBalance(build, ns) ?? NaN);
    expect(none).toBeCloseTo(0, 9);
    expect(twice).toBeCloseTo(2 * (once ?? NaN), 3);
    expect(once).toBeGreaterThan(0);
  });

  it('is foretold from the bag and its drop: m√(2gh)', () => {
    const bag = { bag: q(0.05, 'g'), drop: q(0.2, 'mm') };
    const far = needed(oneOf('balance', build, bag, 'nudge'), 'way');
    expect(far.value).toBe(nudgedBalance(build, 0.05 * Math.sqrt(2 * 9.80665 * 0.2)));
    expect(oneOf('balance', build, { bag: q(0.05, 'g') }, 'nudge')).toBeUndefined();
    expect(oneOf('balance', needed(puffin, 'puffin'), bag, 'nudge')).toBeUndefined();
  });

  it('ends where the report’s own run ends once it stands', () => {
    const ask = { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 0, nudgeNs: 0.05, durationS: 10 };
    const run = needed(balanceReport(build, ask)?.run ?? undefined, 'run');
    expect(nudgedBalance(build, 0.05)).toBeGreaterThanOrEqual(Math.abs(run.endM));
  });
});

describe('a steering that comes back', () => {
  it('rests apart by its play, as the linkage on the Test track does', () => {
    const base = needed(moth, 'moth');
    const mismatch = { ...USUAL_MISMATCH, playDeg: 3, steerDeg: 1.5 };
    const build: Build = { ...base, driving: { ...base.driving, mismatch } };
    const [off, play] = ['off', 'play'].map((key) => oneOf('steering-return', build, {}, key));
    expect(off).toMatchObject({ value: 0 });
    expect(off?.high).toBeCloseTo((1.5 * Math.PI) / 180, 9);
    const steering = {
      rateRadS: Infinity,
      offRad: 0,
      playRad: (3 * Math.PI) / 180,
      lockRad: 0.6,
      swivels: false,
    };
    const rests = (side: number): number => {
      const [points, to] = [new Float64Array(1), new Float64Array(1)];
      const gear = new SteeringGear({ contacts: [{ steered: true }], steering } as never, points, to);
      for (const told of [side, 0]) {
        to[0] = told;
        gear.turn(1);
      }
      return points[0] ?? NaN;
    };
    expect(play?.value).toBeCloseTo(rests(0.4) - rests(-0.4), 9);
  });

  it('is not foretold of what has none, and its play is taken over where there is one', () => {
    expect(predictedOf('steering-return', needed(puffin, 'puffin'), {})).toEqual([]);
    const trials = Array.from({ length: 10 }, (_, n) => ({
      reading: {
        from: n % 2 ? 'left' : 'right',
        off: q(((n % 2 ? -1 : 1) * 0.02 + 0.001 * (n % 3)) as number, '°'),
      },
    }));
    const result = resultOfSet({ protocol: 'steering-return', conditions: {}, trials });
    const play = needed(
      result.measured.find(({ key }) => key === 'play'),
      'play',
    );
    expect(play.low ?? NaN).toBeLessThan(0.04);
    expect(play.high ?? NaN).toBeGreaterThan(0.04);
    const next = takeOver('steering-return', needed(moth, 'moth'), {
      measured: play,
      conditions: {},
      result,
    });
    expect(next).toMatchObject({ driving: { mismatch: { playDeg: (play.value * 180) / Math.PI } } });
    expect(
      takeOver('steering-return', needed(puffin, 'puffin'), { measured: play, conditions: {}, result }),
    ).toContain('no steering');
  });
});

describe('what trips carry a minute', () => {
  const build = needed(puffin, 'puffin');
  const [duty] = build.duties;
  const job = needed(duty, 'job');

  it('takes so long over a way that a launch of that long goes just so far', () => {
    const launch = needed(launchOfBuild(build, job, needed(evaluate(build).duties[0], 'duty'), 4), 'launch');
    for (const way of [0.5, 5, 60, 5000]) {
      const seconds = needed(timeOver(launch, way), 'time');
      expect(runLaunch({ ...launch, durationS: seconds }).distanceM / way).toBeCloseTo(1, 6);
    }
    expect(timeOver({ ...launch, slopeRad: 1.2 }, 5)).toBeUndefined();
  });

  const rate = (kg: number, more: TrialConditions) =>
    oneOf('score', build, { job: job.id, ...more }, 'rate', [{ key: 'payload', value: kg }])?.value ?? NaN;

  it('is the payload over both ways and what is done between', () => {
    const [way, kg] = [20, 30];
    const plain = rate(kg, { distance: q(way, 'm') });
    const trip = (60 * kg) / plain;
    expect((60 * kg) / rate(kg, { distance: q(way, 'm'), between: q(45, 's') })).toBeCloseTo(trip + 45, 6);
    // Loaded it is slower than empty, and a longer way takes longer in proportion once the start is behind it.
    expect(rate(2 * kg, { distance: q(way, 'm') })).toBeLessThan(2 * plain);
    const further = (60 * kg) / rate(kg, { distance: q(2 * way, 'm') });
    expect(further).toBeGreaterThan(1.8 * trip);
    expect(further).toBeLessThan(2 * trip);
  });

  it('is foretold for the payload that came out best, and only with a distance', () => {
    expect(rate(30, {})).toBeNaN();
    expect(predictedOf('score', build, { distance: q(20, 'm') })).toEqual([]);
  });
});

describe('a drift with the battery', () => {
  const runs = (sideAt: (volts: number) => number) =>
    [12.6, 12.5, 12.4, 12.3, 12.2, 12.1].map((volts, n) => ({
      reading: {
        side: q(sideAt(volts) + 0.0002 * ((n % 2) - 0.5), 'mm'),
        distance: q(2, 'm'),
        battery: q(volts, 'V'),
      },
    }));
  const notes = (sideAt: (volts: number) => number) =>
    resultOfSet({ protocol: 'straight-run', conditions: { batteryRead: 'each' }, trials: runs(sideAt) })
      .notes.map((note) => JSON.stringify(note))
      .join();

  it('is told by its side and its size for each tenth of a volt, and only where it is no luck', () => {
    const right = notes((volts) => 0.05 * (12.6 - volts));
    expect(right).toContain('It goes with the battery');
    expect(right).toContain('right');
    expect(notes((volts) => -0.05 * (12.6 - volts))).toContain('left');
    expect(notes(() => 0.01)).not.toContain('It goes with the battery');
  });
});

describe('wheels by a flip', () => {
  it('are foretold to leave what is the vehicle’s own: less than with wheels that are unlike', () => {
    const base = needed(pip, 'pip');
    const build: Build = {
      ...base,
      driving: { ...base.driving, mismatch: { ...USUAL_MISMATCH, rightLarger: 0.02, motors: 0, floor: 0 } },
    };
    const conditions = { commanded: q(2, 'm'), by: 'counts' };
    const own = needed(oneOf('wheel-matching', build, conditions, 'own'), 'own');
    const with2 = needed(oneOf('straight-run', build, conditions, 'side'), 'side');
    expect(Math.abs(own.value)).toBeLessThan(Math.abs(with2.value) / 3);
    expect(oneOf('wheel-matching', build, {}, 'own')).toBeUndefined();
  });
});

describe('a square driven both ways', () => {
  it('has sides as alike as the build says, and the correction of its turns', () => {
    const build = needed(pip, 'pip');
    const foretold = predictedOf('square', build, {});
    expect(foretold.map(({ key }) => key)).toEqual(['diameterRatio', 'trackRatio']);
    const larger = { ...needed(foretold[0], 'ratio') };
    expect(larger.value).toBeCloseTo(1 + (build.driving?.mismatch?.rightLarger ?? 0), 9);
  });
});

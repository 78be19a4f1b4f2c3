import { describe, expect, it } from 'vitest';
import { ackermann, skidTurnWheeled } from '../ground/index.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { runLaunch } from '../simulate/index.ts';
import { simulateStraight } from '../simulate/simulate-straight.ts';
import { unequalWheels } from '../ground/rolling-bodies.ts';
import { Motion } from './motion.ts';
import type { Rig, Terrain } from './rig.ts';
import { cart, driven, even, floor, H, motorOn, skid, tricycle, twoWheels } from '../testing/rigs.ts';

/** A floor on which nothing slips to speak of. */
const sticky = { rolling: 0.02, along: 60, across: 60 };

describe('driving straight and round', () => {
  it('ends where two wheels without slip end in closed form (simulate-straight)', () => {
    const side = (ktNmPerA: number) => ({
      ...{ diameterM: 0.1, ratio: 30, efficiency: 0.8, resistanceOhm: 1.5, noLoadA: 0.15 },
      ktNmPerA,
    });
    const closed = simulateStraight.run(
      simulateStraight.input.parse({
        ...{ massKg: 2, yawInertiaKgM2: 0.02, trackM: 0.2, rollingCoefficient: 0.02, voltageV: 7.4 },
        ...{ command: 0.8, left: side(0.02), right: side(0.021), distanceM: 3 },
      }),
    );
    const rig = twoWheels({
      motors: [motorOn('left', 0), motorOn('right', 1, { ktNmPerA: 0.021, keVsPerRad: 0.021 })],
    });
    const motion = driven(rig, even(rig, sticky), [0.8, 0.8], closed.timeS);
    expect(-motion.pose.y).toBeCloseTo(closed.sideM, 3);
    expect((-motion.pose.heading * 180) / Math.PI).toBeCloseTo(closed.headingDeg, 1);
    expect(motion.aheadMps).toBeCloseTo(closed.endMps, 3);
  });

  it('goes round as unlike wheels on stiff motors do (unequal-wheels)', () => {
    const stiff = { resistanceOhm: 1e-3, noLoadA: 0 };
    const rig = twoWheels({ motors: [motorOn('left', 0, stiff), motorOn('right', 1, stiff)] });
    const larger = {
      ...rig,
      contacts: rig.contacts.map((c, i) => ({ ...c, radiusM: i === 0 ? 0.051 : 0.05 })),
    };
    const rpm = (7.4 * 0.5 * 60) / (2 * Math.PI * 0.02 * 30);
    const distanceM = 2;
    const meant = unequalWheels.run({
      ...{ trackM: 0.2, leftDiameterM: 0.102, rightDiameterM: 0.1, leftRpm: rpm, rightRpm: rpm, distanceM },
    });
    const motion = new Motion(larger, even(larger, sticky));
    const rim = (rpm * 2 * Math.PI) / 60;
    motion.speeds.set([meant.speedMps, 0, -meant.speedMps / (meant.turnRadiusM ?? NaN), rim, rim]);
    motion.commands.fill(0.5);
    motion.go(distanceM / meant.speedMps);
    expect((-motion.pose.heading * 180) / Math.PI).toBeCloseTo(meant.headingDeg, 0);
    expect(-motion.pose.y / meant.sideM).toBeCloseTo(1, 1);
  });

  it('follows the radius of its steered wheel where it goes slowly (ackermann)', () => {
    const rig = tricycle({
      steering: { rateRadS: Infinity, offRad: 0, playRad: 0, lockRad: 0.6, swivels: false },
    });
    const radius = 2;
    const { innerDeg } = ackermann.run(
      ackermann.input.parse({ wheelbaseM: 0.6, trackM: 1e-6, turnRadiusM: radius }),
    );
    const motion = new Motion(rig, even(rig, { ...sticky, rolling: 0.01 }));
    motion.commands.fill(0.1);
    motion.steerTo[2] = (innerDeg * Math.PI) / 180;
    for (let n = 0; n < 6000; n += 1) motion.go(H);
    const rearMps = motion.aheadMps;
    expect(rearMps / (motion.speeds[2] ?? 0)).toBeCloseTo(radius, 2);
  });

  it('starts as the launch of the same vehicle does', () => {
    const rig = twoWheels({ supply: { openCircuitV: 7.4, resistanceOhm: 0.2, auxiliaryW: 0 } });
    const launch = runLaunch({
      ...{ massKg: 2, wheelRadiusM: 0.05, ratio: 30, efficiency: 0.8, motors: 2, voltageV: 7.4 },
      ...{ commandShare: 0.9, supplyResistanceOhm: 0.2, currentLimitA: Infinity, motorInertiaKgM2: 0 },
      ...{ rotatingMassKg: 2e-5 / 0.05 ** 2, rollingCoefficient: 0.02, dragAreaM2: 0, slopeRad: 0 },
      ...{ drawbarN: 0, gripN: Infinity, durationS: 2 },
      ...{ resistanceOhm: 1.5, ktNmPerA: 0.02, keVsPerRad: 0.02, noLoadA: 0.15 },
    });
    const motion = driven(rig, even(rig, sticky), [0.9, 0.9], 2);
    expect(motion.aheadMps).toBeCloseTo(launch.finalMps, 3);
    expect(motion.pose.x).toBeCloseTo(launch.distanceM, 2);
    expect(motion.energies.given / launch.energyJ).toBeCloseTo(1, 1);
  });

  it('is mirrored with its vehicle and its commands', () => {
    const rig = cart();
    const other: Rig = {
      ...rig,
      contacts: rig.contacts.map((c) => ({ ...c, leftM: -c.leftM })),
    };
    const [here, there] = [
      driven(rig, even(rig, floor), [0.7, 0.55], 3),
      driven(other, even(other, floor), [0.7, 0.55], 3),
    ];
    expect(there.pose.x).toBeCloseTo(here.pose.x, 9);
    expect(there.pose.y).toBeCloseTo(-here.pose.y, 9);
    expect(there.pose.heading).toBeCloseTo(-here.pose.heading, 9);
  });
});

describe('holding, sliding and tipping', () => {
  it('stops with its wheels locked within v²/(2 μ g) (handbook, braking distance)', () => {
    const held = { noLoadA: 1e4 };
    const rig = twoWheels({ motors: [motorOn('left', 0, held), motorOn('right', 1, held)] });
    const motion = new Motion(rig, even(rig, { rolling: 0, along: 0.7, across: 0.7 }));
    motion.speeds.set([1.5, 0, 0, 0, 0]);
    for (let n = 0; n < 1000; n += 1) motion.go(H);
    expect(motion.pose.x / (1.5 ** 2 / (2 * 0.7 * STANDARD_GRAVITY))).toBeCloseTo(1, 1);
    expect(motion.aheadMps).toBeCloseTo(0, 3);
  });

  it('turns four wheels on the spot against what full slip sideways takes (skid-turn-wheeled), where the rims hold', () => {
    const rig = skid();
    const across = 0.5;
    const ground = even(rig, { rolling: 0, along: 50, across });
    const motion = driven(rig, ground, [-0.7, 0.7], 2);
    const loadN = 6 * STANDARD_GRAVITY;
    const bound = skidTurnWheeled.run(
      skidTurnWheeled.input.parse({
        ...{ weightN: loadN, wheelbaseM: 0.3, trackM: 0.2, lateralCoefficient: across },
        ...{ rollingCoefficient: 0, longitudinalFriction: 50 },
      }),
    );
    const thrustN = (motion.circuit.torqueNm[1] ?? 0) / 0.05;
    expect(motion.speeds[2]).toBeGreaterThan(1);
    expect(thrustN / bound.thrustPerSideN).toBeCloseTo(1, 2);
    // With as much grip along as across, combined slip asks less: the closed form is an upper bound.
    const even2 = driven(rig, even(rig, { rolling: 0, along: across, across }), [-0.7, 0.7], 2);
    expect(Math.abs(even2.circuit.torqueNm[1] ?? 0) / 0.05).toBeLessThan(bound.thrustPerSideN);
  });

  it('never pulls sideways harder than μ g in a bend, and holds its bend well below that', () => {
    const rig = tricycle({
      motors: [motorOn('middle', 0, { noLoadA: 0, turns: tricycle().motors[0]?.turns ?? [] })],
    });
    const mu = 0.6;
    const at = (mps: number): Motion => {
      const motion = new Motion(rig, even(rig, { rolling: 0, along: mu, across: mu }));
      motion.speeds.set([mps, 0, 0, mps / 0.05, mps / 0.05]);
      motion.commands.fill((mps / 0.05) * 30 * (0.02 / 7.4));
      motion.steerTo[2] = Math.atan(0.6 / 1.5);
      for (let n = 0; n < 1500; n += 1) {
        motion.go(H);
        const { pushAheadN, pushLeftN } = motion.ground;
        expect(Math.hypot(pushAheadN, pushLeftN)).toBeLessThan(1.001 * mu * rig.massKg * STANDARD_GRAVITY);
      }
      return motion;
    };
    const limit = Math.sqrt(mu * STANDARD_GRAVITY * 1.5);
    const slow = at(limit * 0.3);
    expect(slow.aheadMps / (slow.speeds[2] ?? 0)).toBeCloseTo(1.5, 0);
    const fast = at(limit * 1.5);
    // Heavier behind, it comes round: it no longer goes where it points.
    expect(Math.abs(fast.aheadMps / (fast.speeds[2] ?? 0) - 1.5)).toBeGreaterThan(0.5);
  });

  it('tips round a bend where m v²/R h passes m g t/2, and not before', () => {
    const mps = 1.5;
    const turned = (heightM: number): boolean => {
      const rig = { ...skid(), cgHeightM: heightM };
      const motion = new Motion(rig, even(rig, { rolling: 0, along: 3, across: 3 }));
      motion.speeds.set([mps, 0, 0, mps / 0.05, mps / 0.05]);
      motion.commands.set([0.2, 0.7]);
      for (let n = 0; n < 1500 && !motion.standing.tipped; n += 1) motion.go(H);
      return motion.standing.tipped;
    };
    expect(turned(0.03)).toBe(false);
    expect(turned(0.4)).toBe(true);
  });

  it('shares its weight as its speeding up asks: N of the rear grows by m a h/L (statics)', () => {
    const rig = skid({ cgHeightM: 0.1 });
    const motion = new Motion(rig, even(rig, { rolling: 0, along: 5, across: 5 }));
    motion.commands.fill(1);
    let before = 0;
    for (let n = 0; n < 300; n += 1) {
      before = motion.aheadMps;
      motion.go(H);
    }
    const accelerated = (motion.aheadMps - before) / H;
    const rearN = (motion.standing.loadN[0] ?? 0) + (motion.standing.loadN[1] ?? 0);
    expect(rearN).toBeCloseTo((6 * STANDARD_GRAVITY) / 2 + (6 * accelerated * 0.1) / 0.3, 0);
  });

  it('leans on its outer wheels in a bend: N of the right grows by m v ω h/t to the left (statics)', () => {
    const rig = skid({ cgHeightM: 0.1 });
    const motion = new Motion(rig, even(rig, { rolling: 0, along: 5, across: 0.3 }));
    motion.commands.set([0.4, 0.7]);
    motion.go(2);
    const [rearLeft = 0, rearRight = 0, frontLeft = 0, frontRight = 0] = motion.standing.loadN;
    const shift = (6 * motion.aheadMps * (motion.speeds[2] ?? 0) * 0.1) / 0.2;
    expect(motion.speeds[2]).toBeGreaterThan(0.1);
    expect((rearRight + frontRight - rearLeft - frontLeft) / 2).toBeCloseTo(shift, 2);
    expect(shift).toBeGreaterThan(0.1);
  });

  it('rolls up a kerb with the energy for it, and back where it has less (energy)', () => {
    const rig = twoWheels({ motors: [] });
    const heightM = 0.02;
    const kerb: Terrain = {
      ...even(rig, { rolling: 0, along: 0.8, across: 0.8 }),
      kerbs: [{ aheadM: 0.2, leftM: 0, headingRad: 0, heightM }],
    };
    const least = Math.sqrt(2 * STANDARD_GRAVITY * heightM);
    const after = (mps: number): Motion => {
      const free = { ...rig, contacts: rig.contacts.map(({ spin: _spin, ...c }) => c), spins: [] };
      const motion = new Motion(free, kerb);
      motion.speeds.set([mps, 0, 0]);
      for (let n = 0; n < 1000; n += 1) motion.go(H);
      return motion;
    };
    const over = after(least * 1.2);
    expect(over.aheadMps).toBeCloseTo(least * Math.sqrt(1.2 ** 2 - 1), 2);
    expect(after(least * 0.9).aheadMps).toBeCloseTo(-least * 0.9, 2);
  });

  it('swings its castors round behind as it sets off backwards', () => {
    const rig = cart();
    const motion = driven(rig, even(rig, floor), [-0.6, -0.58], 3);
    expect(Math.cos(motion.points[2] ?? 0)).toBeLessThan(-0.95);
    expect(motion.pose.x).toBeLessThan(-0.5);
  });

  it('stands on a hill with its motors shorted, but for a creep', () => {
    const rig = cart();
    const motion = driven(rig, even(rig, floor, { riseX: 0.1 }), [0, 0], 5);
    expect(Math.abs(motion.pose.x)).toBeLessThan(0.2);
    const free = { ...rig, motors: rig.motors.map((m) => ({ ...m, resistanceOhm: 1e6, noLoadA: 0 })) };
    expect(driven(free, even(free, floor, { riseX: 0.1 }), [0, 0], 2).pose.x).toBeLessThan(-1);
  });

  it('drifts down a side slope, to the right where the right side is low', () => {
    const rig = cart();
    expect(driven(rig, even(rig, floor, { riseY: 0.15 }), [0.6, 0.6], 4).pose.y).toBeLessThan(-0.002);
  });
});

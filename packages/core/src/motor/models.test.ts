/** The law of every type of motor, against the sums of section H and against energy in and out. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { finite } from '../testing/numbers.ts';
import { fullCommand, fullCommandTorque, pointAt, type Circuit } from '../supply/index.ts';
import { magnetMotor, MOTOR_TYPES, seriesMotor, steppingMotor, type MotorModel } from './index.ts';

const RAD_S = Math.PI / 30;
const near = (got: number, wanted: number, share = 1e-9): void =>
  expect(Math.abs(got - wanted)).toBeLessThanOrEqual(share * Math.max(1e-9, Math.abs(wanted)));

const magnets = fc
  .record({ resistanceOhm: finite(0.05, 3), k: finite(0.005, 0.3), noLoadA: finite(0, 0.5) })
  .map(({ resistanceOhm, k, noLoadA }) =>
    magnetMotor({ resistanceOhm, keVsPerRad: k, ktNmPerA: k, noLoadA }),
  );
const series = fc
  .record({ constant: finite(1e-4, 0.05), resistanceOhm: finite(0.05, 2), frictionNm: finite(0, 0.05) })
  .map(seriesMotor);
const STEPPING = {
  holdingTorqueNm: 1.2,
  ratedA: 2,
  resistanceOhm: 1.4,
  inductanceMilliH: 3,
  stepsPerTurn: 200,
};
const stepping = steppingMotor({
  k: STEPPING.holdingTorqueNm / (Math.SQRT2 * STEPPING.ratedA),
  resistanceOhm: STEPPING.resistanceOhm,
  henry: STEPPING.inductanceMilliH / 1000,
  stepsPerTurn: 200,
  driveA: 2,
});

describe('a motor by its law', () => {
  it.each([
    ['magnets', magnets],
    ['series-wound', series],
  ] as const)('%s: what is drawn is heat in the winding, friction, and what its shaft gives', (_, motors) => {
    fc.assert(
      fc.property(motors, finite(6, 48), finite(0, 0.9), (motor, volts, share) => {
        const speed = share * motor.fastestRadS(volts);
        const torque = motor.torqueAt(volts, speed);
        const { currentA, motorV } = motor.pointAt(torque, speed);
        near(motorV, volts, 1e-7);
        const ohm = motor.winding?.at(0).ohm ?? NaN;
        near(motorV * currentA, currentA ** 2 * ohm + (torque + motor.idleNm) * speed, 1e-7);
      }),
    );
  });

  it('with magnets gives the most power at half of its free speed, a quarter of stall torque times speed', () => {
    fc.assert(
      fc.property(finite(0.05, 3), finite(0.005, 0.3), finite(6, 48), (resistanceOhm, k, volts) => {
        const motor = magnetMotor({ resistanceOhm, keVsPerRad: k, ktNmPerA: k, noLoadA: 0 });
        const free = motor.fastestRadS(volts);
        const powerAt = (share: number): number => motor.torqueAt(volts, share * free) * share * free;
        near(powerAt(0.5), (motor.torqueAt(volts, 0) * free) / 4);
        expect(powerAt(0.5)).toBeGreaterThan(Math.max(powerAt(0.49), powerAt(0.51)));
      }),
    );
  });

  it('series-wound is that of the quick sum, has a quarter of its torque at half the current, and no free speed without friction', () => {
    const motor = seriesMotor({ constant: 0.01, resistanceOhm: 1, frictionNm: 0 });
    const { currentA, speedRpm } = calculate('series-motor-point', {
      constant: 0.01,
      resistanceOhm: 1,
      voltageV: 20,
      torqueNm: 1,
    }) as { currentA: number; speedRpm: number };
    near(motor.torqueAt(20, speedRpm * RAD_S), 1);
    near(motor.pointAt(1, speedRpm * RAD_S).currentA, currentA);
    const { torqueOf } = motor.winding ?? { torqueOf: () => NaN };
    near(torqueOf(5) / torqueOf(10), 0.25);
    expect(motor.torqueAt(20, 1e6)).toBeGreaterThan(0);
    // Reversed volts reverse the current and the field with it: it neither brakes nor turns about (sign of I²).
    expect(motor.pointAt(-1, 100).currentA).toBe(0);
  });

  it('stepping pulls what the quick sum says at every speed, and nothing where that is too fast', () => {
    fc.assert(
      fc.property(finite(0, 2999), finite(8, 60), (rpm, supplyV) => {
        let expected = 0;
        try {
          expected = (
            calculate('stepping-motor-torque', { ...STEPPING, supplyV, rpm }) as { torqueNm: number }
          ).torqueNm;
        } catch (error) {
          expect(error).toMatchObject({ code: 'too-fast' });
        }
        near(stepping.torqueAt(supplyV, rpm * RAD_S), expected);
      }),
    );
  });

  it('stepping loses its steps past ten thousand a second, whatever the sum says (common practice, no source)', () => {
    expect(stepping.torqueAt(60, 2999 * RAD_S)).toBeGreaterThan(0);
    expect(stepping.torqueAt(60, 3001 * RAD_S)).toBe(0);
  });

  it('stepping draws its heat whether it pulls or not, and the volts that just drive it', () => {
    fc.assert(
      fc.property(finite(1, 1500), finite(0.05, 0.95), (rpm, share) => {
        const speed = rpm * RAD_S;
        const torque = share * stepping.torqueAt(24, speed);
        if (torque === 0) return;
        const { currentA, motorV, leastV } = stepping.pointAt(torque, speed);
        near(currentA * motorV, 2 ** 2 * STEPPING.resistanceOhm + torque * speed);
        expect(leastV).toBeLessThan(24);
        expect(stepping.torqueAt(leastV * 1.0001, speed)).toBeGreaterThanOrEqual(torque);
        expect(stepping.torqueAt(leastV * 0.9999, speed)).toBeLessThan(torque);
      }),
    );
    expect(stepping.pointAt(0, 0).currentA).toBe(2);
  });

  it('a servo is that of the quick sum at its own volts', () => {
    const sheet = {
      voltageV: 6,
      stallTorqueNm: 1.5,
      secPer60Deg: 0.18,
      stallA: 2.4,
      noLoadA: 0.2,
      travelDeg: 180,
    };
    const motor = MOTOR_TYPES.servo.model(sheet, { ohm: 0, limitA: Infinity });
    const { rpm } = calculate('servo-motor', {
      ratedV: 6,
      stallTorqueNm: 1.5,
      secPer60Deg: 0.18,
      torqueNm: 0.6,
    }) as { rpm: number };
    near(motor.torqueAt(6, rpm * RAD_S), 0.6);
  });
});

describe('a series-wound motor by its rated load', () => {
  const drill = { voltageV: 18, ratedRpm: 12000, ratedA: 20, ratedTorqueNm: 0.19, stallA: 120 };

  it('gives that load at that speed and current', () => {
    const motor = MOTOR_TYPES['series-wound'].model(drill, { ohm: 0, limitA: Infinity });
    near(motor.torqueAt(18, drill.ratedRpm * RAD_S), drill.ratedTorqueNm);
    near(motor.pointAt(drill.ratedTorqueNm, drill.ratedRpm * RAD_S).currentA, drill.ratedA);
    near(motor.winding?.at(0).ohm ?? NaN, 18 / 120);
  });

  it('that gives more than it is given is none', () => {
    const { impossible } = MOTOR_TYPES['series-wound'];
    expect(impossible(drill)).toBeUndefined();
    // 20 A through 18 V less 3 V in the winding are 300 W: 0.2387 N·m at 12000 rpm.
    expect(impossible({ ...drill, ratedTorqueNm: 0.2388 })?.key).toBe('ratedTorqueNm');
    expect(impossible({ ...drill, ratedTorqueNm: 0.2386 })).toBeUndefined();
    expect(impossible({ ...drill, ratedA: 120 })?.key).toBe('ratedA');
  });
});

const circuitOf = (motor: MotorModel, more: Partial<Circuit> = {}): Circuit => ({
  motors: 2,
  motor,
  openCircuitV: 24,
  supplyResistanceOhm: 0.05,
  currentLimitA: Infinity,
  batteryLimitA: Infinity,
  auxiliaryW: 5,
  commandShare: 1,
  ...more,
});

describe('motors of any law on one battery', () => {
  it.each([
    ['magnets', magnets],
    ['series-wound', series],
    ['stepping', fc.constant(stepping)],
  ] as const)('%s: at full command the battery gives what motors, cable and the rest take', (_, motors) => {
    fc.assert(
      fc.property(motors, finite(0.02, 0.7), (motor, share) => {
        const circuit = circuitOf(motor);
        const speed = share * motor.fastestRadS(circuit.openCircuitV);
        const { torqueNm, currentA, motorV, batteryA, batteryV, reachable } = fullCommand(circuit, speed);
        near(batteryV, circuit.openCircuitV - circuit.supplyResistanceOhm * batteryA, 1e-6);
        near(batteryV * batteryA, 2 * currentA * motorV + 5, 1e-6);
        near(torqueNm, fullCommandTorque(circuit, speed));
        near(torqueNm, motor.torqueAt(motor.winding ? motorV : batteryV, speed), 1e-6);
        expect(reachable).toBe(true);
      }),
    );
  });

  it('what is asked up to full command is reached, and what is over it is not', () => {
    for (const motor of [stepping, seriesMotor({ constant: 0.002, resistanceOhm: 0.2, frictionNm: 0.01 })]) {
      const circuit = circuitOf(motor);
      const most = fullCommandTorque(circuit, 40);
      expect(pointAt(circuit, 0.99 * most, 40).reachable).toBe(true);
      expect(pointAt(circuit, 1.01 * most, 40)).toMatchObject({ reachable: false, shortOf: 'voltage' });
    }
  });
});

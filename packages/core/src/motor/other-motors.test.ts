import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { steppingMotorTorque } from './stepping-motor-torque.ts';
import { servoMotor } from './servo-motor.ts';
import { brushlessConstants } from './brushless-constants.ts';
import { dcMotorPoint } from './index.ts';

interface Stepper {
  readonly holdingTorqueNm: number;
  readonly ratedA: number;
  readonly resistanceOhm: number;
  readonly inductanceMilliH: number;
  readonly supplyV: number;
  readonly rpm: number;
}
const STEPS = 200;

/**
 * The greatest torque by trying every current phasor that the driver may set: I = Iq + j Id with the back-voltage on
 * the real axis, |I| within the limit and |E + (R + jX) I| within the supply; torque is K Iq.
 */
function byPhasors({
  holdingTorqueNm,
  ratedA,
  resistanceOhm: r,
  inductanceMilliH,
  supplyV,
  rpm,
}: Stepper): number {
  const k = holdingTorqueNm / (Math.SQRT2 * ratedA);
  const speed = rpm * (Math.PI / 30);
  const [e, x] = [k * speed, speed * (STEPS / 4) * (inductanceMilliH / 1000)];
  let most = 0;
  for (let n = 0; n < 400; n++)
    for (let m = -400; m <= 400; m++) {
      const [q, d] = [(ratedA * n) / 399, (ratedA * m) / 400];
      if (q * q + d * d > ratedA * ratedA * (1 + 1e-12)) continue;
      const volts = Math.hypot(e + r * q - x * d, x * q + r * d);
      if (volts <= supplyV) most = Math.max(most, k * q);
    }
  return most;
}

const stepper = (rpm: number): Stepper => ({
  holdingTorqueNm: 0.45,
  ratedA: 1.5,
  resistanceOhm: 1.6,
  inductanceMilliH: 3,
  supplyV: 24,
  rpm,
});

describe('a stepping motor', () => {
  it.each([0, 120, 300, 500, 700, 1000, 1500, 2500])('at %d rpm pulls what a sum of phasors gives', (rpm) => {
    const tried = byPhasors(stepper(rpm));
    const { torqueNm } = steppingMotorTorque.run({ ...stepper(rpm), stepsPerTurn: STEPS });
    // The grid of currents is no finer than a four-hundredth.
    expect(Math.abs(torqueNm - tried)).toBeLessThan(0.02 * 0.3 + 0.01 * torqueNm);
  });

  it('has the same torque on both sides of its corner, and less beyond it', () => {
    const at = (rpm: number) => steppingMotorTorque.run({ ...stepper(rpm), stepsPerTurn: STEPS });
    const { cornerRpm, torqueNm } = at(100);
    expect(at(cornerRpm * 0.999).limitedBy).toBe('current');
    const beyond = at(cornerRpm * 1.001);
    expect(beyond.limitedBy).toBe('voltage');
    expect(beyond.torqueNm / torqueNm).toBeCloseTo(1, 2);
    expect(at(cornerRpm * 3).torqueNm).toBeLessThan(torqueNm / 2);
  });

  it('has no corner where its resistance takes all of the supply', () => {
    const weak = { ...stepper(0), supplyV: 2, stepsPerTurn: STEPS };
    expect(steppingMotorTorque.run(weak).cornerRpm).toBe(0);
    expect(() => steppingMotorTorque.run({ ...weak, rpm: 30_000 })).toThrow(/no torque left/);
  });
});

describe('a servo', () => {
  it('gives its greatest power at half of its stall torque', () => {
    const power = (torqueNm: number) =>
      servoMotor.run({ ratedV: 6, stallTorqueNm: 2, secPer60Deg: 0.15, torqueNm }).shaftW ?? NaN;
    expect(power(1)).toBeGreaterThan(power(0.98));
    expect(power(1)).toBeGreaterThan(power(1.02));
    expect(power(2)).toBe(0);
  });

  it('goes with its voltage, and refuses more than its stall torque', () => {
    const at = { ratedV: 6, stallTorqueNm: 1, secPer60Deg: 0.2 };
    const slow = servoMotor.run({ ...at, voltageV: 4.8 });
    expect([slow.noLoadRpm, slow.stallTorqueNm].map((n) => Number(n.toPrecision(9)))).toEqual([40, 0.8]);
    expect(() => servoMotor.run({ ...at, voltageV: 4.8, torqueNm: 0.9 })).toThrow(/stands still/);
    expect(servoMotor.run({ ...at, torqueNm: 0.6 }).warnings).toHaveLength(1);
  });
});

describe('a brushless motor', () => {
  it('is a brushed one of the same constants at its limit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 4000, noNaN: true }),
        fc.double({ min: 0.01, max: 0.2, noNaN: true }),
        (kvRpmPerV, resistanceOhm) => {
          const motor = { kvRpmPerV, resistanceOhm, noLoadA: 1, voltageV: 24, limitA: 30 };
          const found = brushlessConstants.run(motor);
          const point = dcMotorPoint.run({
            resistanceOhm,
            ktNmPerA: found.ktNmPerA,
            noLoadA: 1,
            voltageV: 24,
            currentA: 30,
          });
          expect((found.limitTorqueNm ?? NaN) / point.torqueNm).toBeCloseTo(1, 9);
          expect((found.rpmAtLimit ?? NaN) / point.speedRpm).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it.each([
    [{ noLoadA: 300 }, /own friction/],
    [{ limitA: 1 }, /does not turn it/],
    [{ limitA: 500 }, /never reached/],
  ])('refuses %j and says why', (wrong, why) => {
    const motor = { kvRpmPerV: 900, resistanceOhm: 0.05, noLoadA: 2, voltageV: 12 };
    expect(() => brushlessConstants.run({ ...motor, ...wrong })).toThrow(why);
  });
});

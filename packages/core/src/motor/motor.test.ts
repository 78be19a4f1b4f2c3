import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dcMotorAtVoltage } from './dc-motor-at-voltage.ts';
import { dcMotorConstants, dcMotorPoint } from './index.ts';

const sheet = { voltageV: 24, noLoadRpm: 3000, noLoadA: 1.1, stallTorqueNm: 3.2, stallA: 44 };

describe('dc-motor-constants', () => {
  it('gives back the data sheet it came from: no load and stall (DC motor theory)', () => {
    const { resistanceOhm, keVsPerRad, ktNmPerA } = dcMotorConstants.run(sheet);
    expect(((24 - 1.1 * resistanceOhm) / keVsPerRad) * (30 / Math.PI)).toBeCloseTo(3000, 9);
    expect(ktNmPerA * (44 - 1.1)).toBeCloseTo(3.2, 12);
    expect(24 / resistanceOhm).toBeCloseTo(44, 12);
  });

  it('finds peak efficiency where a fine search over the current does (brute force)', () => {
    const even = { voltageV: 12, noLoadRpm: 6000, noLoadA: 1, stallTorqueNm: 1.87154, stallA: 100 };
    const { resistanceOhm, keVsPerRad, peakEfficiency } = dcMotorConstants.run(even);
    const at = (i: number): number =>
      (keVsPerRad * (i - 1) * ((12 - i * resistanceOhm) / keVsPerRad)) / (12 * i);
    const best = Math.max(...Array.from({ length: 9900 }, (_, n) => at(1 + n / 100)));
    expect(peakEfficiency).toBeCloseTo(best, 6);
  });

  it('warns of a data sheet that contradicts itself, and refuses an impossible one', () => {
    expect(dcMotorConstants.run(sheet).warnings).toEqual([]);
    expect(dcMotorConstants.run({ ...sheet, stallTorqueNm: 5 }).warnings).toHaveLength(1);
    expect(() => dcMotorConstants.run({ ...sheet, noLoadA: 50 })).toThrow(
      expect.objectContaining({ code: 'stall-below-no-load' }),
    );
  });
});

describe('dc-motor-point', () => {
  const motor = { resistanceOhm: 0.5, ktNmPerA: 0.07, noLoadA: 1, voltageV: 24 };

  it('is the same point by torque, by current and by speed; energy in is shaft and heat', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 48, noNaN: true }), (currentA) => {
        const byCurrent = dcMotorPoint.run({ ...motor, currentA });
        const byTorque = dcMotorPoint.run({ ...motor, torqueNm: byCurrent.torqueNm });
        const bySpeed = dcMotorPoint.run({ ...motor, speedRpm: byCurrent.speedRpm });
        expect(byTorque.currentA).toBeCloseTo(currentA, 9);
        expect(bySpeed.currentA).toBeCloseTo(currentA, 9);
        expect(byCurrent.shaftW + byCurrent.heatW).toBeCloseTo(byCurrent.inputW, 9);
        expect(byCurrent.efficiency).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('refuses more than stall and faster than no load', () => {
    expect(() => dcMotorPoint.run({ ...motor, currentA: 48.1 })).toThrow(
      expect.objectContaining({ code: 'beyond-stall' }),
    );
    expect(() => dcMotorPoint.run({ ...motor, speedRpm: 4000 })).toThrow(
      expect.objectContaining({ code: 'above-no-load' }),
    );
    expect(dcMotorPoint.run({ ...motor, currentA: 48 }).speedRpm).toBe(0);
  });
});

describe('dc-motor-at-voltage', () => {
  it('at half the voltage has half the stall current and a little under half the speed: (V/2 − I0R)/(V − I0R) (common practice, no source)', () => {
    const half = dcMotorAtVoltage.run({ ...sheet, newVoltageV: 12 });
    const drop = 1.1 * (24 / 44);
    expect(half.stallA).toBe(22);
    expect(half.noLoadRpm / 3000).toBeCloseTo((12 - drop) / (24 - drop), 12);
    expect(half.noLoadRpm).toBeLessThan(1500);
  });

  it('refuses a voltage that does not turn it', () => {
    expect(() => dcMotorAtVoltage.run({ ...sheet, newVoltageV: 0.5 })).toThrow(
      expect.objectContaining({ code: 'voltage-too-low' }),
    );
  });
});

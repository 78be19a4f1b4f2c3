import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { magnetMotor } from '../motor/index.ts';
import { batterySag } from './battery-sag.ts';
import {
  batteryPack,
  fullCommand,
  idleCurrent,
  packAfter,
  pointAt,
  runTime,
  startingCurrent,
  type Circuit,
} from './index.ts';
import { many } from '../testing/many.ts';

const magnets = { resistanceOhm: 0.56, keVsPerRad: 0.0745, ktNmPerA: 0.0745, noLoadA: 1.1 };
const circuit: Circuit = {
  commandShare: 1,
  motors: 2,
  motor: magnetMotor(magnets),
  openCircuitV: 25.6,
  supplyResistanceOhm: 0.026,
  currentLimitA: 40,
  batteryLimitA: Infinity,
  auxiliaryW: 0,
};

describe('battery-pack and battery-sag', () => {
  it('makes a 24 V lithium-iron pack of eight cells (common practice, no source)', () => {
    const pack = batteryPack.run({
      chemistry: 'lifepo4',
      series: 8,
      parallel: 1,
      cellAh: 20,
      cellMilliohm: 2.5,
      maxC: 3,
    });
    expect(pack).toMatchObject({
      nominalV: 25.6,
      fullV: 29.2,
      emptyV: 20,
      capacityAh: 20,
      energyWh: 512,
      resistanceOhm: 0.02,
      maxA: 60,
    });
  });

  it('gives the most power at half its voltage, and refuses more (maximum power transfer)', () => {
    expect(batterySag.run({ openCircuitV: 12, resistanceOhm: 0.1, powerW: 360 })).toMatchObject({
      terminalV: 6,
      currentA: 60,
    });
    expect(() => batterySag.run({ openCircuitV: 12, resistanceOhm: 0.1, powerW: 361 })).toThrow(
      expect.objectContaining({ code: 'beyond-peak-power' }),
    );
    expect(() => batterySag.run({ openCircuitV: 12, resistanceOhm: 0.1, currentA: 121 })).toThrow(
      expect.objectContaining({ code: 'beyond-short-circuit' }),
    );
    expect(batterySag.run({ openCircuitV: 12, resistanceOhm: 0, powerW: 24 })).toEqual({
      terminalV: 12,
      currentA: 2,
      lossW: 0,
    });
  });

  it('loses nothing: power of the cells is power out and heat', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 1e-4, max: 1, noNaN: true }),
        (part, resistanceOhm) => {
          const powerW = (part * 24 ** 2) / (4 * resistanceOhm);
          const { terminalV, currentA, lossW } = batterySag.run({ openCircuitV: 24, resistanceOhm, powerW });
          expect(terminalV * currentA + lossW).toBeCloseTo(24 * currentA, 4);
        },
      ),
    );
  });
});

describe('a pack that is nearly drawn', () => {
  it('is as new to the half, then falls evenly to what its last tenth has (common practice, no source)', () => {
    expect(packAfter('lead-acid', 0.5)).toEqual({ voltageShare: 1, resistanceTimes: 1 });
    expect(packAfter('lead-acid', 0.2)).toEqual({ voltageShare: 1, resistanceTimes: 1 });
    const last = packAfter('lead-acid', 0.9);
    expect(last.voltageShare).toBeCloseTo(1.93 / 2, 12);
    expect(last.resistanceTimes).toBeCloseTo(2, 12);
    expect(packAfter('lead-acid', 3)).toEqual(last);
    const between = packAfter('lead-acid', 0.7);
    expect(between.voltageShare).toBeCloseTo((1 + last.voltageShare) / 2, 12);
    expect(between.resistanceTimes).toBeCloseTo(1.5, 12);
  });
});

describe('run-time', () => {
  it('gives the usual Peukert example: 200 Ah at 20 h, k 1.2, 20 A lasts 8.7 h (from memory), and no loss at k 1', () => {
    expect(
      runTime.run({ capacityAh: 200, ratedHours: 20, exponent: 1.2, currentA: 20, usableShare: 1 }).hours,
    ).toBeCloseTo(8.70551, 5);
    expect(
      runTime.run({ capacityAh: 20, ratedHours: 1, exponent: 1, currentA: 10, usableShare: 0.8 }),
    ).toEqual({ hours: 1.6, effectiveAh: 16 });
  });
});

describe('the operating point with sag and driver limit', () => {
  /** The closed form of the design, written out on its own: one quadratic in the battery current. */
  function byHand(c: Circuit, torqueNm: number, speedRadS: number) {
    const i = torqueNm / magnets.ktNmPerA + magnets.noLoadA;
    const vm = i * magnets.resistanceOhm + magnets.keVsPerRad * speedRadS;
    const p = c.motors * vm * i + c.auxiliaryW;
    const [a, b, cc] = [c.supplyResistanceOhm, -c.openCircuitV, p];
    const ib = (-b - Math.sqrt(b * b - 4 * a * cc)) / (2 * a);
    return { i, vm, ib, vb: c.openCircuitV - c.supplyResistanceOhm * ib };
  }

  it('agrees with the closed form', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.6, noNaN: true }),
        fc.double({ min: 0, max: 150, noNaN: true }),
        (torqueNm, speedRadS) => {
          const hand = byHand(circuit, torqueNm, speedRadS);
          const point = pointAt(circuit, torqueNm, speedRadS);
          expect(point.currentA).toBeCloseTo(hand.i, 9);
          expect(point.motorV).toBeCloseTo(hand.vm, 9);
          expect(point.batteryA).toBeCloseTo(hand.ib, 6);
          expect(point.batteryV).toBeCloseTo(hand.vb, 8);
          expect(point.reachable).toBe(hand.vm <= hand.vb && hand.i <= 40);
        },
      ),
      { numRuns: many(1000, 10000) },
    );
  });

  it('at full command without limits is I = (V − keω)/(R + nRs), and full command is just reachable', () => {
    const free = { ...circuit, currentLimitA: Infinity };
    for (const speedRadS of [0, 40, 120, 250]) {
      const full = fullCommand(free, speedRadS);
      expect(full.currentA).toBeCloseTo((25.6 - 0.0745 * speedRadS) / (0.56 + 2 * 0.026), 9);
      expect(pointAt(free, full.torqueNm, speedRadS).reachable).toBe(true);
      expect(pointAt(free, full.torqueNm + 0.01, speedRadS)).toMatchObject({
        reachable: false,
        shortOf: 'voltage',
      });
    }
  });

  it('is held by the driver at a crawl, by the volts when fast, by the battery where it is weak', () => {
    expect(fullCommand(circuit, 0)).toMatchObject({ currentA: 40, limitedBy: 'driver' });
    expect(fullCommand(circuit, 250).limitedBy).toBe('voltage');
    const weak = fullCommand({ ...circuit, batteryLimitA: 20 }, 100);
    expect(weak.limitedBy).toBe('battery');
    expect(weak.batteryA).toBeCloseTo(20, 9);
  });

  it('with half of full command gives the motor half of the battery, and takes half of its current (energy balance)', () => {
    const half = { ...circuit, currentLimitA: Infinity, auxiliaryW: 40, commandShare: 0.5 };
    const full = fullCommand(half, 60);
    expect(full.motorV).toBeCloseTo(full.batteryV / 2, 9);
    expect(full.batteryV * full.batteryA).toBeCloseTo(2 * full.motorV * full.currentA + 40, 6);
    expect(pointAt(half, full.torqueNm, 60).reachable).toBe(true);
    expect(pointAt(half, full.torqueNm + 0.01, 60).reachable).toBe(false);
  });

  it('in a start draws what the motors and what is beside them do: at stall, or where the driver stops chopping', () => {
    // Unlimited the battery stands at the stalled motors with the load beside them (energy balance).
    const free = { ...circuit, currentLimitA: Infinity, auxiliaryW: 50 };
    const stall = fullCommand(free, 0);
    expect(startingCurrent(free)).toBeCloseTo(stall.batteryA, 9);
    // Limited: straight through at the limit, n I and what the load takes at that voltage.
    for (const supplyResistanceOhm of [0, 0.026]) {
      const limited = { ...circuit, supplyResistanceOhm, auxiliaryW: 50 };
      const batteryA = startingCurrent(limited);
      const batteryV = limited.openCircuitV - supplyResistanceOhm * batteryA;
      expect(batteryA).toBeCloseTo(2 * 40 + 50 / batteryV, 9);
    }
    expect(idleCurrent({ ...circuit, supplyResistanceOhm: 0, auxiliaryW: 51.2 })).toBeCloseTo(2, 12);
  });

  it('counts an auxiliary load in the sag at full command (energy balance)', () => {
    const full = fullCommand({ ...circuit, currentLimitA: Infinity, auxiliaryW: 60 }, 100);
    expect(full.batteryV * full.batteryA).toBeCloseTo(2 * full.motorV * full.currentA + 60, 6);
    expect(full.motorV).toBeCloseTo(full.batteryV, 6);
  });

  it('never gives more torque at a higher speed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        (a, b) => {
          const [slow, fast] = [Math.min(a, b), Math.max(a, b)];
          expect(fullCommand(circuit, fast).torqueNm).toBeLessThanOrEqual(
            fullCommand(circuit, slow).torqueNm + 1e-9,
          );
        },
      ),
    );
  });
});

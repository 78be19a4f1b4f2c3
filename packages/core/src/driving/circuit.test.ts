import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DriveCircuit } from './circuit.ts';
import { motorOn, twoWheels } from '../testing/rigs.ts';

const at = (rig: ReturnType<typeof twoWheels>, commands: number[], speeds: number[]): DriveCircuit => {
  const circuit = new DriveCircuit(rig);
  circuit.at(Float64Array.from(commands), Float64Array.from(speeds));
  return circuit;
};
const sagging = twoWheels({ supply: { openCircuitV: 7.4, resistanceOhm: 0.3, auxiliaryW: 0 } });

describe('motors on one battery', () => {
  it('stalled at full command draw V/(R/n + Rs) of it (Ohm)', () => {
    const { batteryA, batteryV, currentA } = at(sagging, [1, 1], [0, 0]);
    expect(batteryA).toBeCloseTo(7.4 / (0.75 + 0.3), 9);
    expect(batteryV).toBeCloseTo(7.4 - 0.3 * batteryA, 9);
    expect(currentA[0]).toBeCloseTo(batteryV / 1.5, 9);
  });

  it('chopped to half take half the current for the same at the motor (ideal chopper)', () => {
    const { batteryA, currentA } = at(twoWheels(), [0.5, 0], [0, 0]);
    expect(currentA[0]).toBeCloseTo((0.5 * 7.4) / 1.5, 9);
    expect(batteryA).toBeCloseTo(0.5 * (currentA[0] ?? 0), 9);
  });

  it('is held to what its driver lets through, and draws the power of that', () => {
    const rig = twoWheels({
      motors: [motorOn('left', 0, { limitA: 2 }), motorOn('right', 1)],
      supply: sagging.supply,
    });
    const { batteryA, batteryV, currentA } = at(rig, [1, 0], [20, 0]);
    expect(currentA[0]).toBe(2);
    expect(batteryV * batteryA).toBeCloseTo(2 * (2 * 1.5 + 0.02 * 20), 9);
  });

  it('loses what does not come out at the wheels, driving and braking', () => {
    const command = fc.double({ min: -1, max: 1, noNaN: true });
    const speed = fc.double({ min: -400, max: 400, noNaN: true });
    fc.assert(
      fc.property(command, command, speed, speed, (left, right, slow, quick) => {
        const { batteryA, torqueNm, lostW } = at(sagging, [left, right], [slow, quick]);
        const outW = ((torqueNm[0] ?? 0) * slow + (torqueNm[1] ?? 0) * quick) / 30;
        expect(7.4 * batteryA).toBeCloseTo(lostW + outW, 6);
        expect(lostW).toBeGreaterThanOrEqual(-1e-9);
      }),
    );
  });

  it('on a battery that cannot feed what their drivers would let through, draw what it can give, and lose no energy', () => {
    const weak = twoWheels({
      motors: [motorOn('left', 0, { limitA: 2 }), motorOn('right', 1, { limitA: 2 })],
      supply: { openCircuitV: 7.4, resistanceOhm: 6, auxiliaryW: 40 },
    });
    // The most that a battery gives is V²/4R, at half its voltage (maximum power transfer).
    const { batteryV, batteryA } = at(weak, [0, 0], [0, 0]);
    expect(batteryV).toBeCloseTo(3.7, 9);
    expect(batteryV * batteryA).toBeCloseTo(7.4 ** 2 / 24, 9);
    const command = fc.double({ min: -1, max: 1, noNaN: true });
    const speed = fc.double({ min: -200, max: 200, noNaN: true });
    const ohm = fc.double({ min: 0.5, max: 60, noNaN: true });
    const watts = fc.double({ min: 0, max: 40, noNaN: true });
    fc.assert(
      fc.property(command, command, speed, speed, ohm, watts, (left, right, slow, quick, r, auxiliaryW) => {
        const rig = { ...weak, supply: { openCircuitV: 7.4, resistanceOhm: r, auxiliaryW } };
        const { batteryA, torqueNm, lostW, currentA } = at(rig, [left, right], [slow, quick]);
        const outW = ((torqueNm[0] ?? 0) * slow + (torqueNm[1] ?? 0) * quick) / 30;
        expect(7.4 * batteryA).toBeCloseTo(lostW + outW, 6);
        for (const amps of currentA) expect(Math.abs(amps)).toBeLessThanOrEqual(2 + 1e-9);
      }),
    );
  });

  it('turned by the wheels gives back less than it takes: a gear loses both ways', () => {
    const [driving, driven] = [at(twoWheels(), [0.5, 0], [50, 0]), at(twoWheels(), [0, 0], [50, 0])];
    expect(driving.torqueNm[0]).toBeCloseTo(30 * 0.8 * 0.02 * ((3.7 - 1) / 1.5 - 0.15), 4);
    expect(driven.torqueNm[0]).toBeCloseTo((-30 / 0.8) * 0.02 * (1 / 1.5 + 0.15), 4);
  });
});

import fc from 'fast-check';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { motorHeat } from './motor-heat.ts';
import { heatCycle } from './heat-cycle.ts';
import { burnTime, coldRises, heated, thermalOf, timeToLimit, type Thermal } from './thermal.ts';

/** Copper, 1/K (IEC 60028). */
const ALPHA = 0.00393;

const motor = {
  continuousA: 10,
  massKg: 1,
  thermalResistanceKPerW: 3,
  timeConstantS: 600,
  windingKPerW: 1.5,
  windingTimeConstantS: 25,
} as const;
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** The same two equations by an independent solver (odex, extrapolation). */
function integrated(
  { nodes, windingOhm }: Thermal,
  [x = 0, y = 0]: readonly number[],
  currentA: number,
  ambientC: number,
  seconds: number,
) {
  const [one, two] = nodes;
  const solver = new Solver(2);
  solver.absoluteTolerance = 1e-12;
  solver.relativeTolerance = 1e-12;
  const slopes = (_t: number, [a = 0, b = 0]: readonly number[]) => {
    const heatW = currentA ** 2 * windingOhm * (1 + ALPHA * (ambientC + a + b - 20));
    return [(heatW * one.kPerW - a) / one.tauS, (heatW * two.kPerW - b) / two.tauS];
  };
  return solver.solve(slopes, 0, [x, y], seconds).y;
}

describe('a motor that heats', () => {
  it('does as an integrator finds, its winding over its body, whatever the current', () => {
    fc.assert(
      fc.property(
        number(0, 30),
        number(-20, 45),
        number(0, 40),
        number(0, 30),
        number(0.1, 900),
        number(2, 200),
        (currentA, ambientC, body, winding, seconds, tau) => {
          const thermal = thermalOf({ ...motor, windingTimeConstantS: tau }, 0.08);
          const found = heated(thermal, [body, winding], currentA, ambientC, seconds);
          const other = integrated(thermal, [body, winding], currentA, ambientC, seconds);
          found.forEach((rise, n) =>
            expect(Math.abs(rise - (other[n] ?? NaN))).toBeLessThan(1e-7 * (1 + Math.abs(rise))),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('settles where the sum of a motor’s heat says, its winding known or guessed', () => {
    const asked = { resistanceOhm: 0.1, timeConstantS: 600, ambientC: 25, limitC: 120, currentA: 13 };
    const settled = (thermal: Thermal): number =>
      heated(thermal, coldRises(thermal), 13, 25, 1e6).reduce((a, b) => a + b, 25);
    const whole = { continuousA: 10, massKg: 1, thermalResistanceKPerW: 3, timeConstantS: 600 };
    // Of a data sheet with one figure, that is all of the way from winding to air.
    expect(settled(thermalOf(whole, 0.1))).toBeCloseTo(
      motorHeat.run({ ...asked, thermalResistanceKPerW: 3 }).steadyC ?? NaN,
      6,
    );
    const both = { ...whole, windingKPerW: 1.5, windingTimeConstantS: 25 };
    expect(settled(thermalOf(both, 0.1))).toBeCloseTo(
      motorHeat.run({ ...asked, thermalResistanceKPerW: 4.5 }).steadyC ?? NaN,
      6,
    );
  });

  it('goes through a cycle of two stretches as its closed form, where its resistance is held', () => {
    // A cycle’s sum holds the resistance hot: with the air at the limit less a hair, and little current, they are the same.
    const thermal = thermalOf(motor, 0.08);
    let rises = coldRises(thermal);
    const [hard, rest] = [
      { currentA: 1, durationS: 20 },
      { currentA: 0, durationS: 40 },
    ];
    for (let n = 0; n < 400; n += 1)
      for (const { currentA, durationS } of [hard, rest])
        rises = heated(thermal, rises, currentA, 119, durationS);
    const { troughC } = heatCycle.run({
      segments: [hard, rest],
      resistanceOhm: 0.08,
      thermalResistanceKPerW: 3,
      timeConstantS: 600,
      windingKPerW: 1.5,
      windingTimeConstantS: 25,
      ambientC: 119,
      limitC: 120,
    });
    expect(rises.reduce((a, b) => a + b, 119)).toBeCloseTo(troughC, 2);
  });

  it('guessed, comes to its limit at the current that it may carry all day, and to no more', () => {
    fc.assert(
      fc.property(number(0.2, 80), number(0.02, 8), number(0.005, 3), (continuousA, massKg, ohm) => {
        const thermal = thermalOf({ continuousA, massKg }, ohm);
        expect(thermal.known).toBe(false);
        const settled = heated(thermal, [0, 0], continuousA, 25, 200 * thermal.nodes[0].tauS);
        expect(settled.reduce((a, b) => a + b, 25)).toBeCloseTo(120, 5);
      }),
    );
  });

  it('held, is at the limit no sooner than the bound without cooling says, and hardly later in a short burst', () => {
    fc.assert(
      fc.property(number(20, 200), (currentA) => {
        const thermal = thermalOf(motor, 0.08);
        const seconds = burnTime(thermal, currentA, 25);
        const [body = NaN, winding = NaN] = heated(thermal, [0, 0], currentA, 25, seconds);
        expect(25 + body + winding).toBeLessThan(120 + 1e-9);
        // Of a burst that is short beside the winding’s own time next to nothing has left it.
        if (seconds < 0.25) expect(25 + body + winding).toBeGreaterThan(119);
      }),
    );
    expect(burnTime(thermalOf(motor, 0.08), 0, 25)).toBe(Infinity);
    expect(burnTime(thermalOf(motor, 0.08), 5, 130)).toBe(0);
  });

  it('of its bound: 1 kg at 100 A through a tenth of an ohm takes 2.8 s', () => {
    // A tenth of it copper of 385 J/(kg·K), all of it 440 J/(kg·K): their slopes together (arithmetic).
    const thermal = thermalOf({ continuousA: 10, massKg: 1 }, 0.1);
    const kPerJ = 1 / 38.5 + 1 / 440;
    expect(burnTime(thermal, 100, 25)).toBeCloseTo(Math.log(1.393 / 1.01965) / (3.93 * kPerJ), 9);
    // From winding to air 95 K for the heat of 10 A, hot; a quarter of it before the body.
    const all = 95 / (10 * 1.393);
    expect(thermal.nodes[0].kPerW).toBeCloseTo(0.75 * all, 9);
    expect(thermal.nodes[0].tauS).toBeCloseTo(0.75 * all * 440, 6);
    expect(thermal.nodes[1].kPerW).toBeCloseTo(0.25 * all, 9);
    expect(thermal.nodes[1].tauS).toBeCloseTo(0.25 * all * 38.5, 9);
  });

  it('from cold is at its limit when an integrator has it there, or never', () => {
    const two = thermalOf(motor, 0.08);
    fc.assert(
      fc.property(number(0, 200), (currentA) => {
        const seconds = timeToLimit(two, currentA, 25);
        const settlesC = motorHeat.run({
          currentA,
          resistanceOhm: 0.08,
          ambientC: 25,
          thermalResistanceKPerW: 4.5,
          timeConstantS: 600,
          limitC: 120,
        }).steadyC;
        expect(seconds === null).toBe(settlesC !== null && settlesC <= 120);
        if (seconds === null) return;
        const there = integrated(two, [0, 0], currentA, 25, seconds).reduce((a, b) => a + b, 25);
        expect(there).toBeCloseTo(120, 4);
      }),
    );
    expect(timeToLimit(two, 30, 120)).toBe(0);
  });
});

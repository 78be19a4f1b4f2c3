/** The sums of section I against other routes: stepping through time, brute force, tables of the trade. */
import fc from 'fast-check';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { finite, near } from '../testing/numbers.ts';
import { many } from '../testing/many.ts';

type Numbers = Record<string, number>;
const ask = (name: string, given: object): Numbers => calculate(name, { ...given }) as Numbers;
const codes = (name: string, given: object): number =>
  (calculate(name, { ...given }) as { warnings: readonly unknown[] }).warnings.length;

interface Cycle {
  readonly segments: readonly { readonly currentA: number; readonly durationS: number }[];
  readonly resistanceOhm: number;
  readonly thermalResistanceKPerW: number;
  readonly timeConstantS: number;
  readonly windingKPerW?: number;
  readonly windingTimeConstantS?: number;
  readonly ambientC: number;
  readonly limitC: number;
}
const motor = {
  resistanceOhm: 0.2,
  thermalResistanceKPerW: 1.5,
  timeConstantS: 600,
  ambientC: 25,
  limitC: 120,
};
const winding = { windingKPerW: 0.6, windingTimeConstantS: 20 };
const hotOhm = 0.2 * (1 + 0.00393 * 100);

/** Temperatures through so many cycles from cold, by an integrator of the trade; every second of the last one. */
function integrated(c: Cycle, cycles: number): number[] {
  const { windingKPerW = 0, windingTimeConstantS = 1 } = c;
  const ohm = c.resistanceOhm * (1 + 0.00393 * (c.limitC - 20));
  let at: [number, number] = [0, 0];
  let seen: number[] = [];
  for (let n = 0; n < cycles; n += 1) {
    seen = [];
    for (const { currentA, durationS } of c.segments) {
      const watts = currentA ** 2 * ohm;
      const solver = new Solver(2);
      solver.absoluteTolerance = 1e-10;
      solver.relativeTolerance = 1e-10;
      const warming = (_t: number, [x = 0, y = 0]: number[]): number[] => [
        (watts * c.thermalResistanceKPerW - x) / c.timeConstantS,
        (watts * windingKPerW - y) / windingTimeConstantS,
      ];
      const samples = 40;
      for (let k = 1; k <= samples; k += 1) {
        const to = solver.solve(warming, 0, at, durationS / samples).y;
        at = [to[0] ?? 0, to[1] ?? 0];
        seen.push(c.ambientC + at[0] + at[1]);
      }
    }
  }
  return seen;
}

describe('a motor heated by a cycle', () => {
  it('on and off, is the closed form of one node: P R (1 − e^−t1/τ)/(1 − e^−(t1+t2)/τ)', () => {
    fc.assert(
      fc.property(finite(5, 60), finite(1, 900), finite(1, 900), (currentA, on, off) => {
        const found = ask('heat-cycle', {
          ...motor,
          segments: [
            { currentA, durationS: on },
            { currentA: 0, durationS: off },
          ],
        });
        const rise = currentA ** 2 * hotOhm * 1.5;
        const peak = (rise * -Math.expm1(-on / 600)) / -Math.expm1(-(on + off) / 600);
        near(found.peakC ?? NaN, 25 + peak, 1e-9);
        near(found.troughC ?? NaN, 25 + peak * Math.exp(-off / 600), 1e-9);
        near(found.meanC ?? NaN, 25 + (rise * on) / (on + off), 1e-9);
        near(found.rmsA ?? NaN, currentA * Math.sqrt(on / (on + off)), 1e-9);
      }),
    );
  });

  it('with its winding, is what an integrator finds after many cycles', () => {
    const cycle = {
      ...motor,
      ...winding,
      segments: [
        { currentA: 30, durationS: 15 },
        { currentA: 5, durationS: 60 },
        { currentA: 18, durationS: 30 },
      ],
    };
    const seen = integrated(cycle, 120);
    const found = ask('heat-cycle', cycle);
    expect(found.peakC).toBeCloseTo(Math.max(...seen), 2);
    expect(found.troughC).toBeCloseTo(Math.min(...seen), 1);
    expect(found.meanC).toBeCloseTo(25 + (((900 * 15 + 25 * 60 + 324 * 30) * hotOhm) / 105) * (1.5 + 0.6), 9);
  });

  it('reaches its limit from cold when small steps through time say so', () => {
    fc.assert(
      fc.property(finite(24, 60), finite(5, 60), finite(5, 60), (currentA, on, off) => {
        const cycle = {
          ...motor,
          ...winding,
          segments: [
            { currentA, durationS: on },
            { currentA: 2, durationS: off },
          ],
        };
        const { peakC = NaN, timeToLimitS } = calculate('heat-cycle', cycle) as {
          peakC: number;
          timeToLimitS: number | null;
        };
        if (peakC <= 120) expect(timeToLimitS).toBeNull();
        if (timeToLimitS === null) return;
        // Walked from cold stretch by stretch in closed form, to that moment and no further.
        let [x, y, t, hottestBefore] = [0, 0, 0, 0];
        for (let heating = true; t < timeToLimitS; heating = !heating) {
          hottestBefore = Math.max(hottestBefore, x + y);
          const dt = Math.min(heating ? on : off, timeToLimitS - t);
          const watts = (heating ? currentA ** 2 : 4) * hotOhm;
          x += (watts * 1.5 - x) * -Math.expm1(-dt / 600);
          y += (watts * 0.6 - y) * -Math.expm1(-dt / 20);
          t += dt;
        }
        near(25 + x + y, 120, 1e-6);
        expect(25 + hottestBefore).toBeLessThanOrEqual(120 + 1e-6);
      }),
      { numRuns: many(100, 1000) },
    );
  });

  it('of a million short cycles is found at once, and as it is of their mean', () => {
    const segments = [
      { currentA: 40, durationS: 0.001 },
      { currentA: 0, durationS: 0.001 },
    ];
    const found = calculate('heat-cycle', { ...motor, segments }) as { timeToLimitS: number };
    // Even heat of half the power: Ta + P R (1 − e^−t/τ) = limit.
    const rise = (1600 / 2) * hotOhm * 1.5;
    near(found.timeToLimitS, -600 * Math.log(1 - 95 / rise), 1e-4);
  });

  it('warns of one node, and refuses a limit under the air', () => {
    const segments = [{ currentA: 1, durationS: 1 }];
    expect(codes('heat-cycle', { ...motor, segments })).toBe(1);
    expect(codes('heat-cycle', { ...motor, ...winding, segments })).toBe(0);
    expect(() => ask('heat-cycle', { ...motor, segments, limitC: 20 })).toThrow(
      expect.objectContaining({ code: 'limit-below-ambient' }),
    );
    expect(() => ask('heat-cycle', { ...motor, segments, windingKPerW: 1 })).toThrow();
  });
});

describe('a low-voltage supply', () => {
  it('is asked for the worst that any so many single ones can do', () => {
    const load = fc.record({
      label: fc.constant('load'),
      count: fc.integer({ min: 1, max: 2 }),
      runningA: finite(0.1, 1),
      extra: finite(0, 2),
    });
    fc.assert(
      fc.property(
        fc.array(load, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 0, max: 7 }),
        (loads, atOnce) => {
          const single = loads.flatMap(({ count, extra }) => Array.from({ length: count }, () => extra));
          // Every choice of single ones, counted out.
          let worst = 0;
          for (let mask = 0; mask < 2 ** single.length; mask += 1) {
            const taken = single.filter((_, n) => (mask >> n) & 1);
            if (taken.length <= atOnce)
              worst = Math.max(
                worst,
                taken.reduce((sum, extra) => sum + extra, 0),
              );
          }
          const running = loads.reduce((sum, { count, runningA }) => sum + count * runningA, 0);
          const found = ask('supply-rail', {
            supplyA: 5,
            atOnce,
            loads: loads.map(({ extra, ...rest }) => ({ ...rest, peakA: rest.runningA + extra })),
          });
          near(found.runningA ?? NaN, running);
          near(found.peakA ?? NaN, running + worst);
          expect(found.holds).toBe(running + worst <= 5);
        },
      ),
    );
  });

  it('that feeds nothing is told', () => {
    const loads = [{ label: 'idle', count: 1, runningA: 0, peakA: 0 }];
    expect(() => ask('supply-rail', { supplyA: 1, loads })).toThrow(
      expect.objectContaining({ code: 'nothing-to-feed' }),
    );
  });
});

describe('packs in series', () => {
  it('end with the least of them; of equals the first is named, and unlike ones are warned of', () => {
    const pack = (label: string, capacityAh: number) => ({
      label,
      capacityAh,
      nominalV: 18,
      resistanceOhm: 0.04,
    });
    const found = calculate('packs-in-series', { packs: [pack('a', 5), pack('b', 5)], currentA: 10 }) as {
      firstEmpty: string;
      leftAh: number[];
      warnings: unknown[];
    };
    expect([found.firstEmpty, found.leftAh, found.warnings.length]).toEqual(['a', [0, 0], 1]);
    expect(codes('packs-in-series', { packs: [pack('a', 5), pack('b', 4.7)], currentA: 10 })).toBe(2);
    expect(codes('packs-in-series', { packs: [pack('a', 5), pack('b', 4.8)], currentA: 10 })).toBe(1);
    expect(() => ask('packs-in-series', { packs: [pack('a', 5), pack('a', 5)], currentA: 1 })).toThrow();
  });
});

describe('choosing a wire', () => {
  // 3 % at 12 V over 10 feet each way: marine wiring tables (ABYC E-11, from memory).
  it.each([
    [10, 12],
    [20, 8],
    [50, 4],
  ])('%d A over three metres at 12 V take %d AWG', (currentA, awg) => {
    expect(ask('wire-choice', { currentA, lengthM: 3.048, voltageV: 12 }).awg).toBe(awg);
  });

  it('is the thinnest that does: the next thinner carries too little or loses too much', () => {
    fc.assert(
      fc.property(finite(1, 200), finite(0.1, 8), finite(6, 48), (currentA, lengthM, voltageV) => {
        let found: Numbers;
        try {
          found = ask('wire-choice', { currentA, lengthM, voltageV });
        } catch (error) {
          expect(error).toMatchObject({ code: 'no-wire-thick-enough' });
          return;
        }
        const { awg = NaN, dropV = NaN, ampacityA = NaN, metricMm2 } = found;
        const own = ask('wire', { awg, lengthM, currentA });
        near(dropV, own.dropV ?? NaN);
        expect(ampacityA).toBeGreaterThanOrEqual(currentA);
        expect(dropV).toBeLessThanOrEqual(0.03 * voltageV);
        if (awg < 22) {
          const thinner = ask('wire', { awg: awg + 2, lengthM, currentA });
          const carries = (thinner.ampacityA ?? 0) >= currentA;
          const spares = (thinner.dropV ?? Infinity) <= 0.03 * voltageV;
          expect(carries && spares).toBe(false);
          expect(found.decidedBy).toBe(carries ? 'drop' : 'ampacity');
        }
        if (typeof metricMm2 === 'number') {
          const metric = ask('wire', { areaMm2: metricMm2, lengthM, currentA });
          expect(metric.dropV).toBeLessThanOrEqual(0.03 * voltageV);
          expect(metric.ampacityA ?? 0).toBeGreaterThanOrEqual(currentA);
        }
      }),
    );
  });
});

describe('heat of braking', () => {
  it('is what speed and fall had, less what drag took; never under nought', () => {
    fc.assert(
      fc.property(
        finite(1, 500),
        finite(0, 10),
        finite(0, 5),
        finite(0, 1e4),
        (massKg, speedMps, dropM, dragWorkJ) => {
          const { energyJ = NaN } = ask('braking-heat', { massKg, speedMps, dropM, dragWorkJ });
          near(energyJ, Math.max(0, massKg * (speedMps ** 2 / 2 + 9.80665 * dropM) - dragWorkJ), 1e-9);
        },
      ),
    );
    const twice = ask('braking-heat', { massKg: 90, speedMps: 4, brakeMassKg: 0.5, stops: 2 });
    near(twice.temperatureRiseC ?? NaN, (2 * 720) / (0.5 * 460));
  });
});

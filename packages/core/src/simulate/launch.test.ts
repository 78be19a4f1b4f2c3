import { Solver } from 'odex';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runLaunch } from './launch.ts';
import { launchModel, type LaunchInput } from './launch-model.ts';
import { sampleLaunch, simulateLaunch } from './index.ts';
import { many } from '../testing/many.ts';

const smooth = {
  massKg: 10,
  wheelRadiusM: 0.05,
  ratio: 10,
  efficiency: 1,
  motors: 1,
  resistanceOhm: 0.5,
  ktNmPerA: 0.02,
  noLoadA: 0,
  voltageV: 12,
  supplyResistanceOhm: 0,
  motorInertiaKgM2: 0,
  rotatingMassKg: 0,
  rollingCoefficient: 0,
  dragAreaM2: 0,
  gradeDeg: 0,
  durationS: 1,
  series: false,
};

/** A barrow with everything in play: sag, limit, grip, drag, grade, inertia. */
const barrow: LaunchInput = {
  massKg: 178,
  wheelRadiusM: 0.2,
  ratio: 32.4,
  efficiency: 0.864,
  motors: 2,
  resistanceOhm: 0.56,
  ktNmPerA: 0.0745,
  keVsPerRad: 0.0745,
  commandShare: 1,
  noLoadA: 1.1,
  voltageV: 25.6,
  supplyResistanceOhm: 0.026,
  currentLimitA: 40,
  motorInertiaKgM2: 2e-4,
  rotatingMassKg: 3,
  rollingCoefficient: 0.08,
  dragAreaM2: 0.6,
  slopeRad: 0.15,
  drawbarN: 0,
  gripN: 578,
  durationS: 3,
};

/** The same equations by an independent solver (odex, extrapolation): v, x and the charge drawn. */
function byOdex(i: LaunchInput) {
  const model = launchModel(i);
  const solver = new Solver(3);
  solver.absoluteTolerance = 1e-10;
  solver.relativeTolerance = 1e-10;
  solver.maxSteps = 1e6;
  const derivative = (_t: number, [v = 0]: number[]): number[] => {
    const { accelerationMps2, batteryA } = model.at(v);
    return [accelerationMps2, v, batteryA];
  };
  const { y } = solver.solve(derivative, 0, [0, 0, 0], i.durationS);
  return { finalMps: y[0] ?? 0, distanceM: y[1] ?? 0, energyJ: i.voltageV * (y[2] ?? 0) };
}

describe('simulate-launch', () => {
  it('follows v = vf(1 − e^(−t/τ)) where nothing resists, τ = mR/k² = 0.3125 s (closed form)', () => {
    const [vf, tau] = [3, 0.3125];
    for (const durationS of [0.01, 0.1, 1, 3]) {
      const { finalMps, distanceM } = simulateLaunch.run({ ...smooth, durationS });
      expect(finalMps).toBeCloseTo(vf * (1 - Math.exp(-durationS / tau)), 8);
      expect(distanceM).toBeCloseTo(vf * (durationS - tau * (1 - Math.exp(-durationS / tau))), 6);
    }
    const { timeTo90S } = simulateLaunch.run(smooth);
    expect(timeTo90S).toBeCloseTo(-tau * Math.log(1 - 0.9 * (1 - Math.exp(-1 / tau))), 6);
  });

  it.each([
    ['with everything in play', barrow],
    ['without limits', { ...barrow, currentLimitA: Infinity, gripN: Infinity }],
    ['downhill, past no-load speed', { ...barrow, slopeRad: -0.3, dragAreaM2: 2 }],
    ['long after it has settled', { ...barrow, durationS: 60 }],
    ['spinning its wheels all the way', { ...barrow, gripN: 430 }],
  ])('agrees with odex to 1e-4 %s', (_, input) => {
    const ours = runLaunch(input);
    const theirs = byOdex(input);
    for (const key of ['finalMps', 'distanceM', 'energyJ'] as const)
      expect(Math.abs(ours[key] / theirs[key] - 1), key).toBeLessThan(1e-4);
  });

  it('stands stalled where it cannot start, and the stall draws energy', () => {
    const { stretches, ...scalars } = runLaunch({ ...barrow, gripN: 300 });
    expect(scalars).toMatchObject({ finalMps: 0, distanceM: 0, timeTo90S: null });
    expect(scalars.energyJ).toBeCloseTo(25.6 * scalars.peakA * 3, 6);
    expect(stretches).toEqual([]);
  });

  it('draws the most at the speed where the driver stops chopping: both motors at the limit', () => {
    expect(runLaunch(barrow).peakA).toBeCloseTo(80, 9);
    expect(runLaunch({ ...barrow, currentLimitA: Infinity }).peakA).toBeCloseTo(
      (2 * 25.6) / (0.56 + 2 * 0.026),
      9,
    );
  });

  it('loses no energy: drawn is kinetic, lifted, rolled, dragged, and heat in copper and gears', () => {
    const input = {
      ...barrow,
      efficiency: 1,
      noLoadA: 0,
      gripN: Infinity,
      motorInertiaKgM2: 0,
      rotatingMassKg: 0,
    };
    const result = runLaunch(input);
    const { energyJ, finalMps, distanceM } = result;
    const samples = sampleLaunch(input, result, 6001);
    let heatJ = 0;
    let dragJ = 0;
    for (const { speedMps: v, currentA } of samples.slice(1)) {
      const motorA = Math.min(40, (25.6 - 0.0745 * (32.4 / 0.2) * v) / (0.56 + 2 * 0.026));
      heatJ += (3 / 6000) * (2 * 0.56 * motorA ** 2 + 0.026 * currentA ** 2);
      dragJ += (3 / 6000) * 0.5 * 1.204 * 0.6 * v ** 3;
    }
    const kineticJ = 0.5 * 178 * finalMps ** 2;
    const groundJ = 178 * 9.80665 * (0.08 * Math.cos(0.15) + Math.sin(0.15)) * distanceM;
    expect((kineticJ + groundJ + dragJ + heatJ) / energyJ).toBeCloseTo(1, 3);
  });

  it('gives the run at even times where asked, ending where the figures say', () => {
    const { series, finalMps, distanceM } = simulateLaunch.run({ ...smooth, series: true });
    expect(series?.tS.at(-1)).toBe(1);
    expect(series?.speedMps.at(-1)).toBeCloseTo(finalMps, 9);
    expect(series?.distanceM.at(-1)).toBeCloseTo(distanceM, 9);
    expect(new Set(Object.values(series ?? {}).map((a) => a.length))).toEqual(new Set([201]));
    const middle = series?.speedMps[100] ?? 0;
    expect(middle).toBeCloseTo(3 * (1 - Math.exp(-0.5 / 0.3125)), 5);
  });

  it('rises without end of digits however quick the motor is against the length of the run', () => {
    fc.assert(
      fc.property(fc.integer({ min: -6, max: 4 }), fc.integer({ min: -4, max: 7 }), (mass, duration) => {
        const input = {
          ...barrow,
          slopeRad: 0,
          rollingCoefficient: 0,
          massKg: 10 ** mass,
          durationS: 10 ** duration,
        };
        const { finalMps, distanceM } = runLaunch(input);
        expect(finalMps).toBeGreaterThan(0);
        expect(distanceM).toBeLessThanOrEqual(finalMps * input.durationS);
        expect(runLaunch({ ...input, durationS: 2 * input.durationS }).finalMps).toBeGreaterThanOrEqual(
          finalMps * (1 - 1e-12),
        );
      }),
      { numRuns: many(80, 800) },
    );
  });

  it('agrees with odex to 1e-6 on any vehicle', () => {
    const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        between(20, 400),
        between(0, 2),
        between(-0.2, 0.1),
        between(200, 900),
        between(15, 60),
        (massKg, dragAreaM2, slopeRad, gripN, currentLimitA) => {
          const input = { ...barrow, massKg, dragAreaM2, slopeRad, gripN, currentLimitA, durationS: 2 };
          const ours = runLaunch(input);
          fc.pre(ours.timeTo90S !== null);
          const theirs = byOdex(input);
          expect(ours.finalMps / theirs.finalMps).toBeCloseTo(1, 5);
          expect(ours.distanceM / theirs.distanceM).toBeCloseTo(1, 5);
          expect(Math.abs(ours.energyJ - theirs.energyJ) / (Math.abs(theirs.energyJ) + 10)).toBeLessThan(
            1e-4,
          );
        },
      ),
      { numRuns: 60 },
    );
  });
});

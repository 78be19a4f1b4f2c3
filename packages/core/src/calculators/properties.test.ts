import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from './index.ts';
import { many } from '../testing/many.ts';

const finite = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('belts', () => {
  it('give the belt back from its centre distance, and the centre distance from its belt', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: 4, max: 200 }),
        (teethSmall, more, extra) => {
          const pulleys = { pitchMm: 5, teethSmall, teethLarge: teethSmall + more };
          const beltTeeth = 2 * (teethSmall + more) + extra;
          const byBelt = calculate('timing-belt', { ...pulleys, beltTeeth }) as {
            centreMm: number;
            beltLengthMm: number;
          };
          const byCentre = calculate('timing-belt', { ...pulleys, centreMm: byBelt.centreMm }) as {
            beltTeeth: number;
            centreMm: number;
          };
          expect(byCentre.beltTeeth).toBe(beltTeeth);
          expect(byCentre.centreMm).toBeCloseTo(byBelt.centreMm, 8);
          // The loop as drawn: two tangents and two arcs.
          const [d, D] = [(teethSmall * 5) / Math.PI, ((teethSmall + more) * 5) / Math.PI];
          const lean = Math.asin((D - d) / (2 * byBelt.centreMm));
          const loop =
            2 * Math.sqrt(byBelt.centreMm ** 2 - ((D - d) / 2) ** 2) +
            (D / 2) * (Math.PI + 2 * lean) +
            (d / 2) * (Math.PI - 2 * lean);
          expect(Math.abs(loop - byBelt.beltLengthMm)).toBeLessThan(1e-8);
        },
      ),
      { numRuns: many(1000, 10000) },
    );
  });
});

describe('energy', () => {
  it('comes out of worms, motors and gears as no more than went in', () => {
    fc.assert(
      fc.property(finite(0.5, 44.9), finite(0.005, 0.4), (leadAngleDeg, friction) => {
        const { efficiency, backEfficiency } = calculate('worm-pair', {
          starts: 1,
          wheelTeeth: 30,
          leadAngleDeg,
          friction,
        }) as Record<string, number>;
        expect(efficiency).toBeGreaterThan(0);
        expect(efficiency).toBeLessThan(1);
        expect(backEfficiency).toBeLessThanOrEqual((efficiency ?? 0) + 1e-12);
      }),
    );
  });

  it('heats a motor as its differential equation says (Runge–Kutta, 20,000 steps)', () => {
    // Once settling above the limit, once running away.
    const [r, rth, tau, ambient] = [0.12, 6, 200, 25];
    for (const currentA of [16, 20]) {
      const { timeToLimitS } = calculate('motor-heat', {
        currentA,
        resistanceOhm: r,
        thermalResistanceKPerW: rth,
        timeConstantS: tau,
        ambientC: ambient,
      }) as { timeToLimitS: number };
      const slope = (t: number): number =>
        (ambient + rth * currentA ** 2 * r * (1 + 0.00393 * (t - 20)) - t) / tau;
      let celsius = ambient;
      const h = timeToLimitS / 20_000;
      for (let n = 0; n < 20_000; n++) {
        const k1 = slope(celsius);
        const k2 = slope(celsius + (h * k1) / 2);
        const k3 = slope(celsius + (h * k2) / 2);
        celsius += (h * (k1 + 2 * k2 + 2 * k3 + slope(celsius + h * k3))) / 6;
      }
      expect(celsius).toBeCloseTo(120, 8);
    }
  });
});

describe('fits', () => {
  it('find the motor that made the readings', () => {
    fc.assert(
      fc.property(
        finite(0.05, 5),
        finite(0.005, 0.5),
        fc.array(fc.tuple(finite(0.5, 20), finite(10, 400)), { minLength: 3, maxLength: 10 }),
        (r, ke, loads) => {
          fc.pre(new Set(loads.map(([i, w]) => (i / w).toFixed(3))).size > 2);
          const readings = loads.map(([currentA, w]) => ({
            voltageV: currentA * r + ke * w,
            currentA,
            speedRpm: (w * 30) / Math.PI,
          }));
          const fit = calculate('dc-motor-fit', { readings }) as {
            resistanceOhm: number;
            keVsPerRad: number;
            residualV: number;
          };
          expect(fit.resistanceOhm / r).toBeCloseTo(1, 6);
          expect(fit.keVsPerRad / ke).toBeCloseTo(1, 6);
          expect(fit.residualV).toBeLessThan(1e-6);
        },
      ),
    );
  });

  it('coast-down finds the drag that made the run', () => {
    fc.assert(
      fc.property(finite(0.008, 0.05), finite(0.1, 1.5), finite(3, 9), (f, cda, v0) => {
        const massKg = 80;
        const [a, b] = [f * 9.80665, (0.5 * 1.204 * cda) / massKg];
        const stop = Math.atan(v0 * Math.sqrt(b / a)) / Math.sqrt(a * b);
        const points = Array.from({ length: 40 }, (_, n) => {
          const tS = (n * stop) / 45;
          return {
            tS: tS + 7,
            speedMps: Math.sqrt(a / b) * Math.tan(Math.atan(v0 * Math.sqrt(b / a)) - Math.sqrt(a * b) * tS),
          };
        });
        const fit = calculate('coast-down', { massKg, points }) as {
          rollingCoefficient: number;
          dragAreaM2: number;
          residualMps: number;
        };
        expect(fit.rollingCoefficient / f).toBeCloseTo(1, 4);
        expect(fit.dragAreaM2 / cda).toBeCloseTo(1, 3);
      }),
      { numRuns: 60 },
    );
  });

  it('coast-down never answers a negative drag', () => {
    const points = [5, 4.2, 3.3, 2.3, 1.2, 0].map((speedMps, tS) => ({ tS, speedMps }));
    expect(calculate('coast-down', { massKg: 80, points })).toMatchObject({ dragAreaM2: 0 });
  });
});

describe('matching', () => {
  interface Answer {
    readonly pairs: readonly { readonly a: string; readonly b: string; readonly mismatch: number }[];
    readonly pairing: readonly { readonly a: string; readonly b: string }[];
    readonly total: number;
  }

  /** The least total by trying every pairing. */
  function bruteForce(labels: readonly string[], cost: ReadonlyMap<string, number>, odd: boolean): number {
    const [first, ...rest] = labels;
    if (first === undefined) return 0;
    const taken = rest.map(
      (other) =>
        (cost.get(`${first} ${other}`) ?? 0) +
        bruteForce(
          rest.filter((l) => l !== other),
          cost,
          odd,
        ),
    );
    if (odd) taken.push(bruteForce(rest, cost, false));
    return rest.length === 0 ? (odd ? 0 : Infinity) : Math.min(...taken);
  }

  it('beats every other pairing (brute force), leaving at most one motor over', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(finite(50, 150), { minLength: 3, maxLength: 3 }), { minLength: 2, maxLength: 8 }),
        (values) => {
          const motors = values.map((v, n) => ({ label: `m${n}`, values: v }));
          const { pairs, pairing, total } = calculate('match-motors', { motors }) as Answer;
          const cost = new Map(pairs.map((p) => [`${p.a} ${p.b}`, p.mismatch]));
          expect(total).toBeCloseTo(
            bruteForce(
              motors.map((m) => m.label),
              cost,
              motors.length % 2 === 1,
            ),
            9,
          );
          expect(pairing).toHaveLength(Math.floor(motors.length / 2));
          expect(new Set(pairing.flatMap((p) => [p.a, p.b])).size).toBe(2 * pairing.length);
          for (let n = 1; n < pairs.length; n++)
            expect(pairs[n]?.mismatch).toBeGreaterThanOrEqual(pairs[n - 1]?.mismatch ?? 0);
        },
      ),
      { numRuns: many(200, 2000) },
    );
  });

  it('takes sixty motors', () => {
    const motors = Array.from({ length: 60 }, (_, n) => ({
      label: `m${n}`,
      values: [100 + ((n * 37) % 60)],
    }));
    const { pairing, total } = calculate('match-motors', { motors }) as Answer;
    expect(pairing).toHaveLength(30);
    // Readings are 100 to 159, each once: neighbours go together.
    const neighbours = Array.from({ length: 30 }, (_, n) => 2 / (201 + 4 * n)).reduce((sum, m) => sum + m, 0);
    expect(total).toBeCloseTo(neighbours, 9);
  });
});

describe('ground', () => {
  it('side-tip of three wheels is never better than of four', () => {
    fc.assert(
      fc.property(finite(0.05, 0.95), finite(0.1, 2), (along, cgHeightM) => {
        const vehicle = { trackM: 0.8, wheelbaseM: 1, cgAheadOfRearAxleM: along, cgHeightM };
        const tip = (layout: string) =>
          (calculate('side-tip', { ...vehicle, layout }) as { worstTipDeg: number }).worstTipDeg;
        expect(tip('single-front')).toBeLessThan(tip('four'));
        expect(tip('single-rear')).toBeLessThan(tip('four'));
      }),
    );
  });

  it('stopping takes longer downhill than up, and a step asks the more the higher it is', () => {
    fc.assert(
      fc.property(finite(0.5, 10), finite(0.01, 0.09), (gradeDeg, stepM) => {
        const stop = (deg: number) =>
          (
            calculate('stopping', { speedMps: 2, friction: 0.6, brakedShare: 0.8, gradeDeg: deg }) as {
              distanceM: number;
            }
          ).distanceM;
        expect(stop(-gradeDeg)).toBeGreaterThan(stop(gradeDeg));
        const torque = (h: number) =>
          (
            calculate('obstacle-climb', { wheelRadiusM: 0.1, stepM: h, wheelLoadN: 100, friction: 1 }) as {
              torqueNm: number;
            }
          ).torqueNm;
        expect(torque(stepM)).toBeGreaterThan(torque(stepM / 2));
      }),
    );
  });

  it('tracks: both thrusts do the work of moment and rolling (power balance on the spot)', () => {
    const turn = calculate('skid-turn-tracked', {
      weightN: 900,
      contactLengthM: 0.8,
      gaugeM: 0.5,
      lateralCoefficientMax: 0.7,
      rollingCoefficient: 0.06,
      turnRadiusM: 0,
    }) as { momentNm: number; outerN: number; innerN: number };
    expect(((turn.outerN - turn.innerN) * 0.5) / 2).toBeCloseTo(turn.momentNm + (0.06 * 900 * 0.5) / 2, 9);
  });
});

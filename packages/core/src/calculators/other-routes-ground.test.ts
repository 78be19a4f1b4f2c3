/**
 * Calculators against another way to the same answer: adding up pieces, stepping through time, a balance of power, a
 * calculator that does not share their formula. Each names its route.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { finite, G, near, of, pieces, result, sum } from '../testing/numbers.ts';
import { calculate } from './index.ts';

describe('turning and standing', () => {
  it('skid-turn-wheeled: thrust does the work of scrubbing and rolling (balance of power)', () => {
    fc.assert(
      fc.property(
        finite(20, 5000),
        finite(0.1, 2),
        finite(0.1, 2),
        finite(0.1, 1),
        finite(0, 0.3),
        (weightN, wheelbaseM, trackM, lateralCoefficient, rollingCoefficient) => {
          const { thrustPerSideN = NaN } = result('skid-turn-wheeled', {
            weightN,
            wheelbaseM,
            trackM,
            lateralCoefficient,
            rollingCoefficient,
            longitudinalFriction: 1,
          });
          // At 1 rad/s each wheel slides sideways at a/2 and rolls at B/2.
          const lost = sum(
            [1, 2, 3, 4].map(
              () =>
                (weightN / 4) * (lateralCoefficient * (wheelbaseM / 2) + rollingCoefficient * (trackM / 2)),
            ),
          );
          near(2 * thrustPerSideN * (trackM / 2), lost);
        },
      ),
    );
  });

  it('steer-torque: never under friction added up over a round patch, and at most a tenth over it', () => {
    const [loadN, friction] = [100, 0.8];
    for (const [width, offset] of [
      [0.08, 0],
      [0.08, 0.02],
      [0.05, 0.1],
    ] as const) {
      const radii = pieces(0, width / 2, 200);
      const angles = pieces(0, 2 * Math.PI, 200);
      const pressure = loadN / ((Math.PI * width ** 2) / 4);
      const added = sum(
        radii.middles.flatMap((r) =>
          angles.middles.map(
            (a) =>
              friction *
              pressure *
              Math.hypot(offset + r * Math.cos(a), r * Math.sin(a)) *
              r *
              radii.width *
              angles.width,
          ),
        ),
      );
      const kingpinNm = of('steer-torque', 'kingpinNm', {
        wheelLoadN: loadN,
        friction,
        tyreWidthM: width,
        kingpinOffsetM: offset,
      });
      expect(kingpinNm).toBeGreaterThan(added);
      expect(kingpinNm).toBeLessThan(1.1 * added);
    }
  });

  it('corner-speed: a hair slower all wheels of wheel-loads press, a hair faster it stands no more', () => {
    const [turnRadiusM, trackM, cgHeightM] = [4, 0.5, 0.6];
    const cornerMps = of('corner-speed', 'cornerMps', {
      turnRadiusM,
      friction: 2,
      tipDeg: (Math.atan(trackM / 2 / cgHeightM) * 180) / Math.PI,
    });
    const standsAt = (speed: number): unknown =>
      (
        calculate('wheel-loads', {
          massKg: 40,
          cgAheadOfRearAxleM: 0.4,
          cgHeightM,
          cornerMps2: speed ** 2 / turnRadiusM,
          contacts: [0, 0.8].flatMap((aheadM) => [
            { aheadM, leftM: trackM / 2 },
            { aheadM, leftM: -trackM / 2 },
          ]),
        }) as { stands: boolean }
      ).stands;
    expect([standsAt(0.999 * cornerMps), standsAt(1.001 * cornerMps)]).toEqual([true, false]);
  });

  it('catch-lean: torque is the slope of the energy, and a lean left alone grows by cosh(1) in its time', () => {
    const [massKg, heightM, wheelDiameterM] = [6, 0.35, 0.12];
    const lean = result('catch-lean', { massKg, heightM, leanDeg: 9, wheelDiameterM });
    const energy = (rad: number): number => massKg * G * heightM * Math.cos(rad);
    const [rad, d] = [(9 * Math.PI) / 180, 1e-5];
    near(lean.torqueNm ?? NaN, (energy(rad - d) - energy(rad + d)) / (2 * d), 1e-6);
    // θ'' = (g/h) sin θ from rest at a small lean, in small steps (leapfrog).
    const steps = 20_000;
    const dt = (lean.fallTimeS ?? NaN) / steps;
    let [angle, rate] = [1e-4, 0];
    for (let n = 0; n < steps; n++) {
      rate += (dt / 2) * (G / heightM) * Math.sin(angle);
      angle += dt * rate;
      rate += (dt / 2) * (G / heightM) * Math.sin(angle);
    }
    near(angle, 1e-4 * Math.cosh(1), 1e-6);
    // In the frame that speeds up, gravity and inertia then point along the lean.
    near(Math.atan((lean.accelerationMps2 ?? NaN) / G), rad);
  });

  it('towed-load: what road-load asks of a vehicle of that mass in still air', () => {
    fc.assert(
      fc.property(finite(0, 500), finite(0, 0.3), finite(-30, 30), finite(-2, 2), (massKg, f, deg, a) => {
        const drawbarN = of('towed-load', 'drawbarN', {
          massKg: massKg + 1,
          rollingCoefficient: f,
          gradeDeg: deg,
          accelerationMps2: a,
        });
        const { totalN = NaN } = result('road-load', {
          massKg: massKg + 1,
          rollingCoefficient: f,
          gradeDeg: deg,
          speedMps: 0,
          accelerationMps2: a,
        });
        expect(drawbarN).toBeCloseTo(totalN, 6);
      }),
    );
  });

  it('mean-rolling: the drag of each wheel for itself, added up', () => {
    const loads = [120, 180, 90, 60];
    const drags = [0.02, 0.02, 0.3, 0.3];
    const weightN = sum(loads);
    const mean = of('mean-rolling', 'meanCoefficient', {
      drivenLoadN: 300,
      rollingCoefficient: 0.02,
      freeLoadN: 150,
      freeCoefficient: 0.3,
      weightN,
    });
    near(mean * weightN, sum(loads.map((load, n) => load * (drags[n] ?? NaN))));
  });

  it('soil-thrust: strips of a track, however unevenly pressed, add up to the whole (Mohr–Coulomb)', () => {
    const pressed = [10, 400, 30, 160];
    const soil = { cohesionKPa: 1.5, shearAngleDeg: 27 };
    const strips = pressed.map((loadN) => of('soil-thrust', 'thrustN', { loadN, areaM2: 0.01, ...soil }));
    near(of('soil-thrust', 'thrustN', { loadN: 600, areaM2: 0.04, ...soil }), sum(strips));
  });
});

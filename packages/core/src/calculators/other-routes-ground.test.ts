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

  it('catch-lean: 9 kg, half a metre over 200 mm wheels, 10° (physics.md, put right: 12.9 N, not 76.6)', () => {
    const lean = result('catch-lean', { massKg: 9, heightM: 0.5, leanDeg: 10, wheelDiameterM: 0.2 });
    near(lean.forceN ?? NaN, 12.937, 1e-3);
    near(lean.torqueNm ?? NaN, (lean.forceN ?? NaN) * 0.1);
    near(lean.accelerationMps2 ?? NaN, (lean.forceN ?? NaN) / 9);
    expect(lean).not.toHaveProperty('fallTimeS');
  });

  it('catch-lean: in the frame that speeds up, weight and inertia pass through the contact (moments)', () => {
    fc.assert(
      fc.property(finite(0.01, 2), finite(-60, 60), finite(0.02, 1), (heightM, leanDeg, wheelDiameterM) => {
        const { accelerationMps2 = NaN } = result('catch-lean', {
          massKg: 3,
          heightM,
          leanDeg,
          wheelDiameterM,
        });
        const [rad, r] = [(leanDeg * Math.PI) / 180, wheelDiameterM / 2];
        // Height over the ground times the push back against the overhang times the weight.
        near((r + heightM * Math.cos(rad)) * accelerationMps2, heightM * Math.sin(rad) * G, 1e-9);
      }),
    );
  });

  it('catch-lean and balance-plant mean one fall time: that of the wheels left free, stepped in time', () => {
    const [massKg, heightM, wheelDiameterM, bodyInertiaKgM2, wheelsMassKg] = [6, 0.35, 0.12, 0.2, 0.8];
    const lean = result('catch-lean', {
      massKg,
      heightM,
      leanDeg: 9,
      wheelDiameterM,
      bodyInertiaKgM2,
      wheelsMassKg,
    });
    const plant = result('balance-plant', {
      bodyMassKg: massKg,
      cgHeightM: heightM,
      bodyInertiaKgM2,
      wheelsMassKg,
      wheelRadiusM: wheelDiameterM / 2,
    });
    near(lean.fallTimeS ?? NaN, plant.fallTimeS ?? NaN);
    near(plant.doublingS ?? NaN, (plant.fallTimeS ?? NaN) * Math.log(2));
    near(plant.longestLoopS ?? NaN, (plant.fallTimeS ?? NaN) / 10);
    // (m + mw) x'' + m l θ'' = 0 and m l x'' + (J + m l²) θ'' = m g l θ, from rest at a small lean (leapfrog).
    const whole = massKg + wheelsMassKg;
    const about = bodyInertiaKgM2 + massKg * heightM ** 2;
    const grows = (massKg * G * heightM) / (about - (massKg * heightM) ** 2 / whole);
    const steps = 20_000;
    const dt = (plant.fallTimeS ?? NaN) / steps;
    let [angle, rate] = [1e-4, 0];
    for (let n = 0; n < steps; n++) {
      rate += (dt / 2) * grows * angle;
      angle += dt * rate;
      rate += (dt / 2) * grows * angle;
    }
    near(angle, 1e-4 * Math.cosh(1), 1e-6);
    // Held wheels are a fixed pivot: θ'' = m g l θ/(J + m l²).
    near((plant.heldRateRadS ?? NaN) ** 2, (massKg * G * heightM) / about);
  });

  it('balance-plant: rotors couple body and wheels as the two equations of simulate-balance have it', () => {
    const given = {
      bodyMassKg: 4,
      cgHeightM: 0.2,
      bodyInertiaKgM2: 0.05,
      wheelsMassKg: 0.5,
      wheelsInertiaKgM2: 0.001,
      rotorsInertiaKgM2: 0.004,
      wheelRadiusM: 0.05,
    };
    const [m, l, r] = [4, 0.2, 0.05];
    const M = m + 0.5 + (0.001 + 0.004) / r ** 2;
    const C = m * l - 0.004 / r;
    const B = 0.05 + m * l * l + 0.004;
    near(of('balance-plant', 'fallRateRadS', given), Math.sqrt((m * G * l) / (B - C ** 2 / M)), 1e-9);
    near(of('balance-plant', 'heldRateRadS', given), Math.sqrt((m * G * l) / B), 1e-9);
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

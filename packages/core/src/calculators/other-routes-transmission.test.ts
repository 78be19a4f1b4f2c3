/**
 * Calculators against another way to the same answer: adding up pieces, stepping through time, a balance of power, a
 * calculator that does not share their formula. Each names its route.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { finite, near, of, pieces, result, sum } from '../testing/numbers.ts';

describe('shafts, bolts, gears and ropes', () => {
  it('shaft-torsion: its stress, growing from the middle, adds up to the torque; its twist strains it so', () => {
    const [diameterMm, torqueNm, lengthMm, shearModulusGPa] = [14, 23, 260, 79.3];
    const { shearMPa = NaN, twistDeg = NaN } = result('shaft-torsion', {
      diameterMm,
      torqueNm,
      lengthMm,
      shearModulusGPa,
    });
    const rings = pieces(0, diameterMm / 2, 4000);
    const added = sum(
      rings.middles.map((r) => ((shearMPa * r) / (diameterMm / 2)) * r * 2 * Math.PI * r * rings.width),
    );
    near(added / 1000, torqueNm, 1e-6);
    const strain = (((twistDeg * Math.PI) / 180) * (diameterMm / 2)) / lengthMm;
    near(strain * shearModulusGPa * 1000, shearMPa);
  });

  it('bolt-circle: forces about the middle add up to the torque, bending from the section in strips', () => {
    const given = {
      bolts: 5,
      circleDiameterMm: 62,
      boltDiameterMm: 6,
      torqueNm: 40,
      allowableShearMPa: 200,
      standoffMm: 12,
    };
    const { boltForceN = NaN, bendingMPa = NaN, shearMPa = NaN, factor = NaN } = result('bolt-circle', given);
    const about = [0, 1, 2, 3, 4].map((n) => {
      const a = (2 * Math.PI * n) / 5;
      const [x, y] = [31 * Math.cos(a), 31 * Math.sin(a)];
      const [fx, fy] = [-boltForceN * Math.sin(a), boltForceN * Math.cos(a)];
      return x * fy - y * fx;
    });
    near(sum(about) / 1000, given.torqueNm);
    const strips = pieces(-3, 3, 20_000);
    const second = sum(strips.middles.map((y) => 2 * Math.sqrt(9 - y * y) * y * y * strips.width));
    near(bendingMPa, (boltForceN * given.standoffMm * 3) / second, 1e-4);
    // Both at once by distortion energy, σv² = σ² + 3τ², against √3 times the allowable shear.
    near(factor, (Math.sqrt(3) * 200) / Math.hypot(bendingMPa, Math.sqrt(3) * shearMPa));
  });

  it('bevel-pair: both cones stand on one cone distance, fill the right angle, and mesh without slip', () => {
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 60 }), fc.integer({ min: 12, max: 60 }), (z1, z2) => {
        const pair = { moduleMm: 1.5, teethDriver: z1, teethDriven: z2, faceWidthMm: 4 };
        const driver = result('bevel-pair', pair);
        const turned = result('bevel-pair', { ...pair, teethDriver: z2, teethDriven: z1 });
        const [g1, g2] = [driver, turned].map((r) => ((r.coneAngleDriverDeg ?? NaN) * Math.PI) / 180) as [
          number,
          number,
        ];
        near(g1 + g2, Math.PI / 2);
        near((1.5 * z1) / 2 / Math.sin(g1), driver.coneDistanceMm ?? NaN);
        near((1.5 * z2) / 2 / Math.sin(g2), turned.coneDistanceMm ?? NaN);
        near(driver.ratio ?? NaN, Math.sin(g2) / Math.sin(g1));
      }),
    );
  });

  it('spool: rope times pull is torque times turn on every layer, and each layer is a rope’s width larger all round', () => {
    const given = { torqueNm: 12, rpm: 45, coreDiameterMm: 60, ropeDiameterMm: 5, turns: 3 };
    const layers = [1, 2, 3].map((layer) => result('spool', { ...given, layer }));
    for (const { pullN = NaN, lineMps = NaN, travelM = NaN } of layers) {
      near(pullN * lineMps, (given.torqueNm * 2 * Math.PI * given.rpm) / 60);
      near(travelM, (lineMps * 60 * given.turns) / given.rpm);
    }
    const [first, second, third] = layers.map((l) => l.travelM ?? NaN) as [number, number, number];
    near(second - first, third - second);
    near(second - first, given.turns * Math.PI * 2 * 0.005);
  });

  it('key-shear: the couple on both sides of the key is the torque, shear and bearing carry the same force', () => {
    const key = { keyWidthMm: 4, keyHeightMm: 4, keyLengthMm: 18, torqueNm: 6, shaftDiameterMm: 12 };
    const { shearMPa = NaN, bearingMPa = NaN } = result('key-shear', {
      ...key,
      allowableShearMPa: 100,
      allowableBearingMPa: 200,
    });
    near((shearMPa * 4 * 18 * 6) / 1000, 6);
    near((bearingMPa * (4 / 2) * 18 * 6) / 1000, 6);
  });

  it('delivered-torque gives back what motor-load asked, driving and holding; no power comes from nothing', () => {
    fc.assert(
      fc.property(
        finite(-80, 80),
        finite(0.5, 60),
        finite(0.3, 1),
        fc.integer({ min: 1, max: 3 }),
        (wheelTorqueNm, ratio, efficiency, motorsPerWheel) => {
          const { torqueNm = NaN, rpm = NaN } = result('motor-load', {
            wheelTorqueNm,
            speedMps: 1,
            wheelDiameterM: 0.4,
            ratio,
            efficiency,
            motorsPerWheel,
          });
          const deliveredNm = of('delivered-torque', 'deliveredNm', {
            torqueNm,
            motors: motorsPerWheel,
            ratio,
            efficiency,
          });
          expect(deliveredNm).toBeCloseTo(wheelTorqueNm, 8);
          const [atMotors, atWheel] = [(motorsPerWheel * torqueNm * rpm * Math.PI) / 30, wheelTorqueNm / 0.2];
          expect(atMotors).toBeGreaterThanOrEqual(atWheel - 1e-9);
        },
      ),
    );
  });
});

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

  it('frame-bending: the moment by statics, added up twice along the beam, is its slope and its sag', () => {
    const loads = [
      { atMm: 180, forceN: 620 },
      { atMm: 700, forceN: 350 },
    ];
    const given = {
      spanMm: 900,
      loads,
      spreadNPerM: 240,
      members: 2,
      shape: 'tube',
      heightMm: 30,
      widthMm: 20,
      wallMm: 2,
    };
    const told = result('frame-bending', {
      ...given,
      modulusGPa: 69,
      allowableMPa: 120,
      shaftsMm: [180, 700],
    });
    const span = 0.9;
    // Second moment of the tube by strips of its height: its width, less the hollow between the walls.
    const strips = pieces(-15, 15, 60_000);
    const oneMm4 = sum(strips.middles.map((y) => (Math.abs(y) > 13 ? 20 : 4) * y * y * strips.width));
    const stiff = 69e9 * 2 * oneMm4 * 1e-12;
    const second =
      (sum(loads.map(({ atMm, forceN }) => (forceN * atMm) / 1000)) + (240 * span ** 2) / 2) / span;
    const first = sum(loads.map(({ forceN }) => forceN)) + 240 * span - second;
    const moment = (x: number): number =>
      first * x -
      (240 * x * x) / 2 -
      sum(loads.map(({ atMm, forceN }) => forceN * Math.max(0, x - atMm / 1000)));
    // From rest at the first support: turned so that the sag at the second is nothing.
    const along = pieces(0, span, 20_000);
    let [turnedBy, sunk] = [0, 0];
    const line = along.middles.map((x) => {
      turnedBy += (moment(x) / stiff) * along.width;
      sunk += turnedBy * along.width;
      return { x, turnedBy, sunk };
    });
    const start = sunk / span;
    const slopeDeg = (x: number): number => {
      const there = line[Math.min(line.length - 1, Math.round(x / along.width) - 1)];
      return (Math.atan(start - (there?.turnedBy ?? 0)) * 180) / Math.PI;
    };
    near(told['firstSlopeDeg'] as number, (Math.atan(start) * 180) / Math.PI, 1e-3);
    near(told['secondSlopeDeg'] as number, (Math.atan(turnedBy - start) * 180) / Math.PI, 1e-3);
    near(told['sagMm'] as number, 1000 * Math.max(...line.map((one) => start * one.x - one.sunk)), 1e-3);
    const slopes = told['shaftSlopesDeg'] as unknown as number[];
    near(slopes[0] ?? NaN, slopeDeg(0.18), 2e-3);
    near(slopes[1] ?? NaN, slopeDeg(0.7), 2e-3);
    const most = Math.max(...along.middles.map(moment));
    near(told['momentNm'] as number, most, 1e-6);
    near(told['stressMPa'] as number, (most * 0.015) / (2 * oneMm4 * 1e-12) / 1e6, 1e-6);
    near(told['factor'] as number, 120 / (told['stressMPa'] as number));
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

describe('hubs, tyres, mounts and play', () => {
  it('clamp-hold: friction of both halves about the middle, each pressed by all screws', () => {
    const given = { screws: 2, screwForceN: 3500, friction: 0.12, shaftDiameterMm: 16, torqueNm: 5 };
    const { holdsNm = NaN } = result('clamp-hold', given);
    const pressed = given.screws * given.screwForceN;
    near(holdsNm, sum([1, -1].map((side) => Math.abs(side * given.friction * pressed * 0.008))));
    // Spread evenly round the shaft, the same screws press π/2 as hard: q r ∫ sin = n F, T = μ q r · 2π r.
    const arc = pieces(0, Math.PI, 2000);
    const lift = sum(arc.middles.map((a) => Math.sin(a) * 0.008 * arc.width));
    near((given.friction * pressed * 2 * Math.PI * 0.008 ** 2) / lift, (holdsNm * Math.PI) / 2, 1e-6);
  });

  it('press-fit: hub and shaft give way by just the interference (Lamé, each by its own displacement)', () => {
    const given = {
      shaftDiameterMm: 14,
      hubDiameterMm: 33,
      lengthMm: 18,
      interferenceMm: 0.017,
      friction: 0.14,
      modulusGPa: 200,
      torqueNm: 20,
    };
    const { pressureMPa = NaN, hubStressMPa = NaN, holdsNm = NaN } = result('press-fit', given);
    const [r, R, E, nu] = [7, 16.5, 200_000, 0.29];
    const hub = ((pressureMPa * r) / E) * ((R * R + r * r) / (R * R - r * r) + nu);
    const shaft = ((pressureMPa * r) / E) * (1 - nu);
    near(2 * (hub + shaft), given.interferenceMm);
    // Half of a ring of the hub, cut through: its two walls carry what the pressure lifts.
    const wall = pieces(r, R, 4000);
    const tension = (x: number): number =>
      ((pressureMPa * r * r) / (R * R - r * r)) * (1 + (R * R) / (x * x));
    near(sum(wall.middles.map((x) => 2 * tension(x) * wall.width)), 2 * r * pressureMPa, 1e-6);
    near(tension(r), hubStressMPa);
    near(holdsNm, (given.friction * pressureMPa * 2 * Math.PI * r * given.lengthMm * r) / 1000);
  });

  it('tyre-hold: patches of the seat, each with its friction and glue, about the middle', () => {
    const given = {
      rimDiameterMm: 203,
      seatWidthMm: 24,
      pressureKPa: 180,
      friction: 0.35,
      bondMPa: 0.02,
      torqueNm: 30,
    };
    const { holdsNm = NaN } = result('tyre-hold', given);
    const patches = pieces(0, 2 * Math.PI, 360);
    const patchMm2 = patches.width * 101.5 * 24;
    near(holdsNm, sum(patches.middles.map(() => (0.35 * 0.18 + 0.02) * patchMm2 * 0.1015)));
  });

  it('torque-held: asked just that much, the part has just that factor left', () => {
    const screws = { size: 'M6', count: 2, shaftDiameterMm: 12 };
    const at = (torqueNm: number) => result('set-screw-hold', { ...screws, torqueNm }).factor ?? NaN;
    const { heldNm = NaN } = result('torque-held', { torqueNm: 9, factor: at(9), safetyFactor: 4 });
    near(at(heldNm), 4);
  });

  it('play-sum: turned through by hand, stage by stage, from the motor', () => {
    const stages = [
      { ratio: 4, playDeg: 0.6 },
      { ratio: 3.2, playDeg: 0.3 },
      { ratio: 2.5, playDeg: 1.1 },
    ];
    const { atWheelDeg = NaN, atMotorDeg = NaN } = result('play-sum', { stages });
    // The motor turns until each stage in turn takes up its play; the wheel then just begins to move.
    const takenUp = [...stages]
      .reverse()
      .reduce((turned, { ratio, playDeg }) => (turned + playDeg) * ratio, 0);
    near(atMotorDeg, takenUp);
    near(atWheelDeg, takenUp / (4 * 3.2 * 2.5));
  });

  it('mount-pull: strands added as vectors, their turn about the mount', () => {
    const { shaftN = NaN, momentNm = NaN } = result('mount-pull', {
      tightN: 420,
      slackN: 130,
      wrapDeg: 148,
      leverMm: 35,
    });
    const lean = ((180 - 148) / 2) * (Math.PI / 180);
    const [x, y] = [(420 + 130) * Math.cos(lean), (420 - 130) * Math.sin(lean)];
    near(shaftN, Math.hypot(x, y));
    near(momentNm, Math.hypot(x * 0.035, y * 0.035));
  });

  it('reflected-inertia: energy of what rolls and turns at one speed, and torque for one acceleration', () => {
    const given = {
      massKg: 178,
      wheelDiameterM: 0.4,
      ratio: 32.4,
      motors: 2,
      rotorGcm2: 1900,
      wheelsKgM2: 0.2,
    };
    const { feltGcm2 = NaN, rotatingMassFactor = NaN } = result('reflected-inertia', given);
    const speed = 1.3;
    const wheel = speed / 0.2;
    const energy = 0.5 * 178 * speed ** 2 + 0.5 * 2 * 1900e-7 * (wheel * 32.4) ** 2 + 0.5 * 0.2 * wheel ** 2;
    near(0.5 * rotatingMassFactor * 178 * speed ** 2, energy);
    // A newton metre at each motor speeds the bare vehicle up as it would a rotor of that inertia.
    const pull = (2 * 1 * 32.4) / 0.2;
    near((pull / 178 / 0.2) * 32.4, 1 / (feltGcm2 * 1e-7));
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gripLimitedGrade } from './grip-limited-grade.ts';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { axleLoads, roadLoad } from './index.ts';

const level = {
  massKg: 100,
  rollingCoefficient: 0.02,
  gradeDeg: 0,
  speedMps: 0,
  dragAreaM2: 0,
  airDensityKgM3: 1.204,
  accelerationMps2: 0,
  rotatingMassFactor: 1,
  drawbarN: 0,
};
const standing = {
  massKg: 178,
  wheelbaseM: 0.7,
  cgAheadOfRearAxleM: 0.5,
  cgHeightM: 0.47,
  gradeDeg: 0,
  accelerationMps2: 0,
  drawbarN: 0,
  hitchHeightM: 0,
  hitchVerticalN: 0,
  hitchBehindRearAxleM: 0,
};

describe('road-load', () => {
  it('gives Puffin’s slip: 137.9 N rolling, 273.1 N grade, 411.0 N in all (statics, worked by hand)', () => {
    const slip = roadLoad.run({ ...level, massKg: 178, rollingCoefficient: 0.08, gradeDeg: 9 });
    expect(slip.rollingN).toBeCloseTo(137.9, 0);
    expect(slip.gradeN).toBeCloseTo(273.1, 0);
    expect(Math.abs(slip.totalN - 411.0)).toBeLessThan(0.1);
  });

  it('agrees with the drag of a cyclist: CdA 0.5 m² at 10 m/s in standard air is about 30 N (common practice, no source)', () => {
    expect(roadLoad.run({ ...level, dragAreaM2: 0.5, speedMps: 10 }).dragN).toBeCloseTo(30.1, 6);
  });

  it('lets a motor’s torque over the wheel radius be the force: a wheel twice as large pushes half as hard', () => {
    const { totalN } = roadLoad.run({ ...level, gradeDeg: 5 });
    expect(totalN * 0.4).toBeCloseTo(2 * totalN * 0.2, 12);
  });

  it('adds up, and downhill is uphill the other way round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1e4, noNaN: true }),
        fc.double({ min: 0.01, max: 89, noNaN: true }),
        (massKg, gradeDeg) => {
          const up = roadLoad.run({ ...level, massKg, gradeDeg });
          const down = roadLoad.run({ ...level, massKg, gradeDeg: -gradeDeg });
          expect(up.totalN).toBeCloseTo(up.rollingN + up.gradeN, 8);
          expect(down.gradeN).toBeCloseTo(-up.gradeN, 8);
          expect(down.rollingN).toBeCloseTo(up.rollingN, 8);
        },
      ),
    );
  });
});

describe('axle-loads', () => {
  it('agrees with moments taken about the front axle instead (statics, worked the other way)', () => {
    const { rearN, frontN } = axleLoads.run({
      ...standing,
      gradeDeg: 9,
      accelerationMps2: 0.3,
      drawbarN: 50,
      hitchHeightM: 0.2,
    });
    const weightN = 178 * STANDARD_GRAVITY;
    const slope = degreesToRadians(9);
    const rearByMoments =
      (weightN * Math.cos(slope) * (0.7 - 0.5) + (weightN * Math.sin(slope) + 178 * 0.3) * 0.47 + 50 * 0.2) /
      0.7;
    expect(rearN).toBeCloseTo(rearByMoments, 9);
    expect(frontN + rearN).toBeCloseTo(weightN * Math.cos(slope), 9);
  });

  it('lifts the front where the weight falls behind the rear axle: at atan(c/h) up', () => {
    const tipDeg = (Math.atan2(0.5, 0.47) * 180) / Math.PI;
    expect(axleLoads.run({ ...standing, gradeDeg: tipDeg - 0.01 }).lifts).toBe('none');
    expect(axleLoads.run({ ...standing, gradeDeg: tipDeg + 0.01 }).lifts).toBe('front');
    expect(axleLoads.run({ ...standing, cgAheadOfRearAxleM: 0.8 }).lifts).toBe('rear');
  });

  it('always carries the whole weight across the ground', () => {
    const finite = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        finite(-80, 80),
        finite(-3, 3),
        finite(-500, 500),
        finite(0, 900),
        (gradeDeg, accelerationMps2, drawbarN, hitchVerticalN) => {
          const { frontN, rearN } = axleLoads.run({
            ...standing,
            gradeDeg,
            accelerationMps2,
            drawbarN,
            hitchHeightM: 0.3,
            hitchVerticalN,
            hitchBehindRearAxleM: 0.2,
          });
          const acrossN = 178 * STANDARD_GRAVITY * Math.cos(degreesToRadians(gradeDeg)) + hitchVerticalN;
          expect(frontN + rearN).toBeCloseTo(acrossN, 6);
        },
      ),
    );
  });
});

describe('grip-limited-grade', () => {
  const vehicle = {
    friction: 0.6,
    rollingCoefficient: 0.02,
    wheelbaseM: 1,
    cgAheadOfRearAxleM: 0.4,
    cgHeightM: 0.3,
  };

  it.each(['rear', 'front', 'all'] as const)(
    'is where grip of the %s drive just meets the road load (statics)',
    (driven) => {
      const { gripDeg } = gripLimitedGrade.run({ ...vehicle, driven });
      const { totalN } = roadLoad.run({ ...level, rollingCoefficient: 0.02, gradeDeg: gripDeg });
      const { frontN, rearN } = axleLoads.run({ ...standing, ...vehicle, massKg: 100, gradeDeg: gripDeg });
      const drivenN = { rear: rearN, front: frontN, all: frontN + rearN }[driven];
      expect(0.6 * drivenN).toBeCloseTo(totalN, 6);
    },
  );

  it('says tipping where it rears before it slips, and a grade of 0 where rolling drag eats the grip', () => {
    const tall = gripLimitedGrade.run({ ...vehicle, driven: 'rear', friction: 1.5, cgHeightM: 0.8 });
    expect(tall).toMatchObject({ gripDeg: 90, limitedBy: 'tipping' });
    expect(tall.limitDeg).toBeCloseTo(26.565051177, 8);
    expect(
      gripLimitedGrade.run({ ...vehicle, driven: 'front', friction: 0.01, rollingCoefficient: 0.1 }).gripDeg,
    ).toBe(0);
    expect(gripLimitedGrade.run({ ...vehicle, driven: 'all', cgHeightM: 0 }).tipBackDeg).toBe(90);
  });
});

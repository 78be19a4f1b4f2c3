/** The sums of the floor: rolling, slipping, pulling, turning, counting runs, each by another route. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { finite, near } from '../testing/numbers.ts';
import { seeded } from '../contract/index.ts';

type Numbers = Record<string, number>;
const ask = (name: string, given: object): Numbers => calculate(name, { ...given }) as Numbers;

describe('two unlike wheels', () => {
  const given = fc.record({
    trackM: finite(0.1, 1),
    leftDiameterM: finite(0.05, 0.4),
    rightDiameterM: finite(0.05, 0.4),
    leftRpm: finite(-200, 200),
    rightRpm: finite(-200, 200),
  });

  it('roll as small steps of a differential drive do', () => {
    fc.assert(
      fc.property(given, finite(0.1, 3), (i, distanceM) => {
        const [vl, vr] = [i.leftDiameterM * i.leftRpm, i.rightDiameterM * i.rightRpm].map(
          (x) => (x * Math.PI) / 60,
        ) as [number, number];
        const v = (vl + vr) / 2;
        if (Math.abs(v) < 0.02) return;
        const { headingDeg = NaN, sideM = NaN, speedMps = NaN } = ask('unequal-wheels', { ...i, distanceM });
        const steps = 4000;
        const dt = distanceM / Math.abs(v) / steps;
        const turn = (vl - vr) / i.trackM;
        let [heading, side] = [0, 0];
        for (let n = 0; n < steps; n += 1) {
          side += v * dt * Math.sin(heading + (turn * dt) / 2);
          heading += turn * dt;
        }
        near(speedMps, v, 1e-9);
        near(headingDeg, (heading * 180) / Math.PI, 1e-6);
        expect(Math.abs(sideM - side)).toBeLessThan(
          1e-4 * (1 + Math.abs(side)) * (1 + (turn * dt * steps) ** 2),
        );
      }),
    );
  });

  it('alike and alike fast run straight; one against the other goes nowhere', () => {
    const like = {
      trackM: 0.3,
      leftDiameterM: 0.1,
      rightDiameterM: 0.1,
      leftRpm: 60,
      rightRpm: 60,
      distanceM: 2,
    };
    expect(ask('unequal-wheels', like)).toMatchObject({ turnRadiusM: null, headingDeg: 0, sideM: 0 });
    expect(() => ask('unequal-wheels', { ...like, rightRpm: -60 })).toThrow(
      expect.objectContaining({ code: 'goes-nowhere' }),
    );
    // The larger wheel on the left turns it to the right.
    expect(ask('unequal-wheels', { ...like, leftDiameterM: 0.102 }).sideM).toBeGreaterThan(0);
  });
});

describe('a wheel with a face', () => {
  it('faces right again after the way that is said', () => {
    fc.assert(
      fc.property(finite(0.05, 1), finite(-20, 20), (diameterM, distanceM) => {
        const { pastFaceDeg = NaN, nearestFaceM = NaN } = ask('rolling-facing', { diameterM, distanceM });
        const after = (distanceM + nearestFaceM) / (Math.PI * diameterM);
        expect(Math.abs(after - Math.round(after))).toBeLessThan(1e-9);
        expect(Math.abs(nearestFaceM)).toBeLessThanOrEqual((Math.PI * diameterM) / 2 + 1e-12);
        expect(pastFaceDeg).toBeGreaterThanOrEqual(0);
        expect(pastFaceDeg).toBeLessThan(360);
      }),
    );
    expect(ask('rolling-facing', { diameterM: 1, distanceM: -Math.PI / 2 }).nearestFaceM).toBeCloseTo(
      Math.PI / 2,
      12,
    );
    expect(ask('rolling-facing', { diameterM: 1, distanceM: -Math.PI / 4 }).pastFaceDeg).toBeCloseTo(270, 9);
  });

  it('driven, is at its distance after its time; at rest never', () => {
    const moving = ask('roller-speed', { rpm: 120, ratio: 4, wheelDiameterM: 0.2, distanceM: 1 });
    // Thirty turns a minute of 0.2 π m are 0.1 π m/s.
    near(moving.speedMps ?? NaN, 0.1 * Math.PI);
    near((moving.timeS ?? NaN) * (moving.speedMps ?? NaN), 1);
    near(moving.mmPerS ?? NaN, 100 * Math.PI);
    expect(ask('roller-speed', { rpm: 0, wheelDiameterM: 0.2, distanceM: 1 })).not.toHaveProperty('timeS');
  });
});

describe('grip by hand', () => {
  it('on a board: weight along it is what the held wheels’ friction gives', () => {
    fc.assert(
      fc.property(finite(1, 80), finite(0.2, 1), (slipDeg, heldShare) => {
        const { friction = NaN } = ask('incline-slip', { slipDeg, heldShare });
        const angle = (slipDeg * Math.PI) / 180;
        near(friction * heldShare * Math.cos(angle), Math.sin(angle), 1e-9);
      }),
    );
  });

  it('by a scale: the forces along the slope balance', () => {
    fc.assert(
      fc.property(
        finite(0, 500),
        finite(1, 200),
        finite(-10, 20),
        finite(0, 0.1),
        (pullN, massKg, gradeDeg, rollingCoefficient) => {
          const given = { pullN, massKg, drivenShare: 0.6, gradeDeg, rollingCoefficient, wheelsSpun: false };
          const grade = (gradeDeg * Math.PI) / 180;
          const w = massKg * 9.80665;
          const thrust = pullN + w * Math.sin(grade) + rollingCoefficient * w * Math.cos(grade);
          if (thrust <= 0) {
            expect(() => ask('pull-test', given)).toThrow(expect.objectContaining({ code: 'no-thrust' }));
            return;
          }
          const found = ask('pull-test', given);
          near(found.thrustN ?? NaN, thrust, 1e-9);
          near((found.friction ?? NaN) * 0.6 * w * Math.cos(grade), thrust, 1e-9);
          expect(found.atLeast).toBe(true);
        },
      ),
    );
  });

  it('turning on the spot: both wheels roll the same arc, whatever the track is called', () => {
    const { effectiveTrackM = NaN, correction = NaN } = ask('pivot-calibration', {
      trackM: 0.3,
      commandedDeg: 1800,
      measuredDeg: 1750,
    });
    near(effectiveTrackM * 1750, 0.3 * 1800);
    near(correction * 1750, 1800);
  });
});

describe('payload to and fro', () => {
  it('is carried at its rate: a day of trips carries as much', () => {
    fc.assert(
      fc.property(
        finite(0.5, 50),
        finite(1, 100),
        finite(0.1, 3),
        finite(0, 60),
        (payloadKg, distanceM, speedMps, loadingS) => {
          const {
            tripS = NaN,
            kgPerMinute = NaN,
            kgMetresPerSecond = NaN,
          } = ask('score-rate', { payloadKg, distanceM, speedMps, loadingS, returns: false });
          near(tripS * speedMps, loadingS * speedMps + distanceM, 1e-9);
          near((1440 * kgPerMinute * tripS) / 86400, payloadKg, 1e-9);
          near(kgMetresPerSecond * tripS, payloadKg * distanceM, 1e-9);
          const there = ask('score-rate', { payloadKg, distanceM, speedMps, loadingS });
          near((there.tripS ?? NaN) - tripS, distanceM / speedMps, 1e-9);
        },
      ),
    );
  });
});

describe('how many runs', () => {
  // t of 95 % from tables of Student's t: 12.706, 4.303, 3.182, 2.776, 2.262 (9), 2.093 (19).
  it.each([
    [1, 12.706 / Math.sqrt(2), 2],
    [1, 4.303 / Math.sqrt(3) + 1e-3, 3],
    [2, (2 * 2.262) / Math.sqrt(10) + 1e-3, 10],
    [1, 2.093 / Math.sqrt(20) + 1e-3, 20],
    [0, 1, 2],
  ])('of spread %d to within %d are %d', (sd, halfWidth, runs) => {
    expect(ask('runs-needed', { sd, halfWidth: halfWidth + 1e-3 }).runs).toBe(runs);
  });

  it('are the least: one fewer is not enough', () => {
    fc.assert(
      fc.property(finite(0.1, 5), finite(0.2, 3), finite(0.6, 0.99), (sd, halfWidth, confidence) => {
        const { runs = NaN, halfWidthThen = NaN } = ask('runs-needed', { sd, halfWidth, confidence });
        expect(halfWidthThen).toBeLessThanOrEqual(halfWidth);
        if (runs > 2)
          expect(ask('runs-needed', { sd, halfWidth: halfWidthThen * 1.0000001, confidence }).runs).toBe(
            runs,
          );
      }),
    );
    expect(() => ask('runs-needed', { sd: 1000, halfWidth: 0.1 })).toThrow(
      expect.objectContaining({ code: 'too-many-runs' }),
    );
  });
});

describe('left for right', () => {
  const noisy = (mean: number, seed: number): number[] => {
    const random = seeded(seed);
    return Array.from({ length: 8 }, () => mean + random() + random() + random() - 1.5);
  };
  const verdict = (before: number, after: number) =>
    calculate('swap-verdict', { before: noisy(before, 3), after: noisy(after, 17) }) as {
      verdict: string;
    } & Numbers;

  it.each([
    [10, -10, 'flips'],
    [10, 10, 'stays'],
    [10, 4, 'partly'],
    [4, 10, 'grew'],
    [0, 0, 'unclear'],
  ])('a veer of %d that becomes %d %s', (before, after, says) => {
    expect(verdict(before, after).verdict).toBe(says);
  });

  it('is parted into what goes with the swapped and what stays: their sum is before, their difference after', () => {
    const { meanBefore = NaN, meanAfter = NaN, swappedPart = NaN, fixedPart = NaN, pStays } = verdict(7, -3);
    near(fixedPart + swappedPart, meanBefore);
    near(fixedPart - swappedPart, meanAfter);
    const compared = ask('compare-trials', { a: noisy(7, 3), b: noisy(-3, 17) });
    near(pStays ?? NaN, compared.p ?? NaN);
  });

  it('without any spread says so', () => {
    expect(() => ask('swap-verdict', { before: [1, 1], after: [1, 1] })).toThrow(
      expect.objectContaining({ code: 'no-variation' }),
    );
  });
});

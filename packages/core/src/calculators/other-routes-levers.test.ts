/** Levers, rings and other small sums by other routes. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { finite, near, pieces, result, sum } from '../testing/numbers.ts';
import { calculate } from './index.ts';

describe('a lever that tightens a belt', () => {
  it('does no more work at the jockey than the hand does, whatever its arms', () => {
    fc.assert(
      fc.property(
        finite(1, 200),
        finite(0.02, 1),
        finite(0.02, 1),
        finite(1, 170),
        (leverForceN, leverArmM, jockeyArmM, turnDeg) => {
          const { jockeyN = NaN, tensionN = NaN } = result('jockey-lever', {
            leverForceN,
            leverArmM,
            jockeyArmM,
            turnDeg,
          });
          // Virtual work over a small turn of the lever.
          near(jockeyN * jockeyArmM * 1e-3, leverForceN * leverArmM * 1e-3, 1e-12);
          // Two strands at the jockey, each at half the turn to its tangent, balance it.
          const half = (turnDeg * Math.PI) / 360;
          near(
            Math.hypot(tensionN * (Math.cos(half) - Math.cos(-half)), 2 * tensionN * Math.sin(half)),
            jockeyN,
            1e-9,
          );
        },
      ),
    );
  });

  it('lets the belt pull what its friction sums up round the pulley', () => {
    const { tensionN = NaN, rimPullN = NaN } = result('jockey-lever', {
      leverForceN: 30,
      leverArmM: 0.2,
      jockeyArmM: 0.1,
      turnDeg: 40,
      friction: 0.4,
      wrapDeg: 200,
    });
    // dT = μ T dβ, stepped through: each piece’s tension grows by its friction.
    const { width, middles } = pieces(0, (200 * Math.PI) / 180, 20_000);
    const tight = middles.reduce((tension) => tension * (1 + 0.4 * width), tensionN);
    near(rimPullN, tight - tensionN, 1e-3);
  });

  it('asks for friction with wrap', () => {
    const lever = { leverForceN: 30, leverArmM: 0.2, jockeyArmM: 0.1, turnDeg: 40 };
    expect(() => calculate('jockey-lever', { ...lever, friction: 0.4 })).toThrow();
    expect(() => calculate('jockey-lever', { ...lever, friction: 5000, wrapDeg: 180 })).toThrow(
      expect.objectContaining({ code: 'never-slips' }),
    );
  });
});

describe('a ring of magnets', () => {
  it('has all its places in a full turn, evenly, each told to half a step', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 90 }), finite(0.2, 10), (pairs, turns) => {
        const marks = 2 * pairs;
        const found = calculate('magnet-ring', { marks, turns }) as {
          readonly placesDeg: readonly number[];
          readonly ringStepDeg: number;
          readonly stepDeg: number;
          readonly errorDeg: number;
        };
        expect(found.placesDeg).toHaveLength(marks);
        const gaps = found.placesDeg.map((place, n) => (found.placesDeg[n + 1] ?? 360) - place);
        near(sum(gaps), 360, 1e-12);
        for (const gap of gaps) near(gap, found.ringStepDeg, 1e-9);
        // As many steps of what it tells as its turns bring past the sensor.
        near(360 / found.stepDeg / turns, marks, 1e-12);
        near(2 * found.errorDeg, found.stepDeg, 1e-12);
      }),
    );
  });

  it('of an odd number closes only where its poles need not alternate', () => {
    expect(() => calculate('magnet-ring', { marks: 7 })).toThrow(
      expect.objectContaining({ code: 'poles-do-not-close' }),
    );
    expect(result('magnet-ring', { marks: 5, alternatePoles: false }).ringStepDeg).toBe(72);
  });
});

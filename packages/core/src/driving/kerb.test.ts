import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kerbRise } from './kerb.ts';

const kerb = { aheadM: 1, leftM: 0, headingRad: 0, heightM: 0.02 };

describe('a kerb under a wheel', () => {
  it('lifts its middle by its height in all: what is climbed, summed over the way (geometry)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.005, max: 0.08, noNaN: true }), (heightM) => {
        const n = 40_000;
        const step = 0.2 / n;
        let sum = 0;
        for (let k = 0; k < n; k += 1)
          sum += kerbRise({ ...kerb, heightM }, 0.1, 0.85 + (k + 0.5) * step, 0) * step;
        expect(sum).toBeCloseTo(heightM, 4);
      }),
      { numRuns: 20 },
    );
  });

  it('drops it by as much where it goes down, begins as steep as a tangent from the edge, and lies along its heading', () => {
    expect(kerbRise({ ...kerb, heightM: -0.02 }, 0.1, 1.03, 0)).toBeCloseTo(
      -kerbRise(kerb, 0.1, 0.97, 0),
      12,
    );
    // √(2 r h − h²)/(r − h), as for an obstacle.
    expect(kerbRise(kerb, 0.1, 1 - 0.0599999, 0)).toBeCloseTo(0.06 / 0.08, 4);
    const turned = { ...kerb, headingRad: Math.PI / 2, aheadM: 0, leftM: 2 };
    expect(kerbRise(turned, 0.1, 5, 1.95)).toBeCloseTo(kerbRise(kerb, 0.1, 0.95, 0), 12);
  });

  it('is a wall where it is as high as the wheel’s middle', () => {
    expect(kerbRise({ ...kerb, heightM: 0.1 }, 0.1, 0.95, 0)).toBeGreaterThan(10);
    expect(kerbRise({ ...kerb, heightM: 0.1 }, 0.1, 1.01, 0)).toBe(0);
  });
});

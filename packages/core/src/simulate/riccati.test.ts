import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  accelerationAt,
  distanceAfter,
  finalSpeed,
  integral,
  settlingTime,
  speedAfter,
  timeToSpeed,
  type Rise,
} from './riccati.ts';

/** The same equation by Runge–Kutta in 4,000 steps: speed and distance. */
function stepped(rise: Rise, t: number): readonly [number, number] {
  const steps = 4000;
  const h = t / steps;
  let [v, x] = [rise.v0, 0];
  for (let n = 0; n < steps; n++) {
    const k1 = accelerationAt(rise, v);
    const k2 = accelerationAt(rise, v + (h * k1) / 2);
    const k3 = accelerationAt(rise, v + (h * k2) / 2);
    const k4 = accelerationAt(rise, v + h * k3);
    x += h * v + (h * h * (k1 + k2 + k3)) / 6;
    v += (h * (k1 + 2 * k2 + 2 * k3 + k4)) / 6;
  }
  return [v, x];
}

const cases: readonly (readonly [string, Rise])[] = [
  ['nothing resists', { v0: 0.5, a: 2, b: 0, c: 0 }],
  ['a motor alone', { v0: 0, a: 3, b: 0.8, c: 0 }],
  ['air alone', { v0: 0.2, a: 3, b: 0, c: 0.4 }],
  ['both', { v0: 0.1, a: 4, b: 1.2, c: 0.3 }],
  ['hardly any air', { v0: 0, a: 4, b: 1.2, c: 1e-13 }],
  ['hardly any motor', { v0: 0, a: 4, b: 1e-12, c: 0.2 }],
  ['hardly anything', { v0: 1, a: 1e-3, b: 1e-9, c: 1e-10 }],
];

describe.each(cases)('a rise where %s', (_, rise) => {
  it.each([1e-6, 0.01, 0.7, 3, 12])('agrees with small steps after %d s', (t) => {
    const [v, x] = stepped(rise, t);
    expect(speedAfter(rise, t) / v).toBeCloseTo(1, 9);
    expect(distanceAfter(rise, t) / x).toBeCloseTo(1, 9);
  });

  it('comes to a speed when it says', () => {
    const v1 = speedAfter(rise, 0.9);
    expect(timeToSpeed(rise, v1)).toBeCloseTo(0.9, 6);
    expect(timeToSpeed(rise, 2 * finalSpeed(rise))).toBe(Infinity);
  });
});

describe('a rise', () => {
  it('settles at the speed where nothing is left over, in its settling time', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0.01, max: 2, noNaN: true }),
        (a, b, c) => {
          const rise = { v0: 0, a, b, c };
          const end = finalSpeed(rise);
          expect(accelerationAt(rise, end)).toBeCloseTo(0, 9);
          expect(speedAfter(rise, settlingTime(rise)) / end).toBeCloseTo(1, 7);
          expect(speedAfter(rise, 1e9)).toBeCloseTo(end, 9);
        },
      ),
    );
  });

  it('of nothing stays where it is', () => {
    const still = { v0: 2, a: 0, b: 0, c: 0 };
    expect(speedAfter(still, 5)).toBe(2);
    expect(distanceAfter(still, 5)).toBeCloseTo(10, 12);
    expect(timeToSpeed(still, 3)).toBe(Infinity);
  });
});

describe('the integral', () => {
  it('is exact for polynomials of the ninth degree', () => {
    expect(integral((t) => 10 * t ** 9, 2)).toBeCloseTo(1024, 9);
    expect(integral((t) => 3 * t * t, 3, 7)).toBeCloseTo(27, 12);
  });
});

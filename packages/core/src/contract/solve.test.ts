import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NotPhysical, bracketedRoot, highestPoint } from './index.ts';

describe('a bracketed root', () => {
  it('finds the roots of polynomials to the tolerance, from either side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        (root, steepness) => {
          const f = (x: number): number => steepness * (x - root) ** 3 + (x - root);
          expect(bracketedRoot(f, root - 7, root + 90, 1e-12)).toBeCloseTo(root, 9);
          expect(bracketedRoot((x) => -f(x), root - 90, root + 7, 1e-12)).toBeCloseTo(root, 9);
        },
      ),
    );
  });

  it('takes a root that lies on an end', () => {
    expect(bracketedRoot((x) => x - 2, 2, 5, 1e-9)).toBe(2);
    expect(bracketedRoot((x) => x - 5, 2, 5, 1e-9)).toBe(5);
  });

  it('counts its steps: a function flat over most of the bracket is still solved', () => {
    let calls = 0;
    const steep = (x: number): number => {
      calls++;
      return Math.tanh(1e6 * (x - 0.123456789));
    };
    expect(bracketedRoot(steep, -1e3, 1e3, 1e-12)).toBeCloseTo(0.123456789, 9);
    expect(calls).toBeLessThan(210);
  });

  it('says that there is none where both ends have the same sign', () => {
    expect(() => bracketedRoot((x) => x * x + 1, -1, 1, 1e-9)).toThrow(NotPhysical);
  });
});

describe('the highest point', () => {
  it('is found to its tolerance on a lopsided hill', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        (top, skew) => {
          const hill = (x: number): number => (x < top ? skew * (x - top) : top - x);
          expect(Math.abs(highestPoint(hill, -8, 8, 1e-6) - top)).toBeLessThan(1e-5);
        },
      ),
    );
  });

  it('is the end of a slope', () => {
    expect(highestPoint((x) => x, 0, 10, 1e-6)).toBeCloseTo(10, 5);
    expect(highestPoint((x) => -x, 0, 10, 1e-6)).toBeCloseTo(0, 5);
  });
});

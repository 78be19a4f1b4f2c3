import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromSi, stepQuantity, unitOf } from './index.ts';

const INCH = 0.0254;

describe('a step of an arrow key', () => {
  it.each([
    [58, 'mass', 'kg', 1, 59],
    [58, 'mass', 'kg', -1, 57],
    [58.3, 'mass', 'kg', 1, 59],
    [58.3, 'mass', 'kg', -1, 58],
    [120, 'mass', 'kg', 1, 122],
    [0.8, 'speed', 'm/s', 1, 0.82],
    [24, 'voltage', 'V', -1, 23.5],
    [0, 'mass', 'kg', 1, 1],
    [0, 'coefficient', '', 1, 0.01],
    [-12, 'force', 'N', 1, -11.8],
    [12 * INCH, 'length', 'in', 1, 12.25 * INCH],
    [(5 / 8) * INCH, 'length', 'in', 1, (41 / 64) * INCH],
  ] as const)('from %d of %s in %s', (si, dimension, unit, by, to) => {
    expect(stepQuantity(si, { dimension, unit, by })).toBeCloseTo(to, 12);
  });

  it('goes ten at once', () => {
    expect(stepQuantity(58, { dimension: 'mass', unit: 'kg', by: 1, times: 10 })).toBe(68);
  });

  it('always moves the way it is asked, to a number of few digits', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-5, max: 1e6, noNaN: true }),
        fc.constantFrom<1 | -1>(1, -1),
        (si, by) => {
          const next = stepQuantity(si, { dimension: 'length', unit: 'mm', by });
          expect(Math.sign(next - si)).toBe(by);
          const shown = fromSi(next, unitOf('length', 'mm'));
          expect(Math.abs(Number(shown.toPrecision(4)) - shown)).toBeLessThanOrEqual(1e-9 * Math.abs(shown));
        },
      ),
    );
  });
});

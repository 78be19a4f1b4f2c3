import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { matchMotors } from './match-motors.ts';
import { finite } from '../testing/numbers.ts';
import { many } from '../testing/many.ts';

const motorsOf = (readings: readonly (readonly number[])[]) =>
  readings.map((values, at) => ({ label: `motor ${at}`, values: [...values] }));

const mismatch = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, x, at) => sum + (2 * Math.abs(x - (b[at] ?? x))) / (x + (b[at] ?? x)), 0) / a.length;

/** Least total of ⌊n/2⌋ disjoint pairs, by trying every way. */
function everyWay(readings: readonly (readonly number[])[], left = readings.map((_, at) => at)): number {
  const [first, ...rest] = left;
  if (first === undefined || rest.length === 0) return 0;
  const paired = rest.map(
    (other) =>
      mismatch(readings[first] ?? [], readings[other] ?? []) +
      everyWay(
        readings,
        rest.filter((at) => at !== other),
      ),
  );
  // With an odd number, any one of them may be left over.
  const leftOver = left.length % 2 === 1 ? [everyWay(readings, rest)] : [];
  return Math.min(...paired, ...leftOver);
}

const drawer = (most: number) =>
  fc.integer({ min: 1, max: 3 }).chain((length) =>
    fc.array(fc.array(finite(50, 150), { minLength: length, maxLength: length }), {
      minLength: 2,
      maxLength: most,
    }),
  );

describe('match-motors', () => {
  it('finds the least total of all pairings, odd numbers and odd cycles too (brute force)', () => {
    fc.assert(
      fc.property(drawer(8), (readings) => {
        const { pairing, total } = matchMotors.run({ motors: motorsOf(readings) });
        expect(pairing).toHaveLength(Math.floor(readings.length / 2));
        expect(new Set(pairing.flatMap(({ a, b }) => [a, b])).size).toBe(2 * pairing.length);
        expect(total).toBeCloseTo(everyWay(readings), 9);
      }),
      { numRuns: many(300, 3000) },
    );
  });

  it('does so for ten motors, of which many read alike', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 100, max: 106 }), { minLength: 10, maxLength: 10 }),
        (speeds) => {
          const readings = speeds.map((speed) => [speed]);
          expect(matchMotors.run({ motors: motorsOf(readings) }).total).toBeCloseTo(everyWay(readings), 9);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('pairs neighbours of sixty motors with one reading each: on a line nothing else is as near', () => {
    const speeds = Array.from({ length: 60 }, (_, n) => 100 + n + 0.3 * Math.sin(7 * n));
    const shuffled = speeds.map((_, n) => [speeds[(n * 37) % 60] ?? 0]);
    const sorted = [...speeds].sort((a, b) => a - b);
    const neighbours = sorted
      .filter((_, n) => n % 2 === 0)
      .reduce((sum, x, n) => sum + mismatch([x], [sorted[2 * n + 1] ?? x]), 0);
    const { pairing, total } = matchMotors.run({ motors: motorsOf(shuffled) });
    expect(pairing).toHaveLength(30);
    expect(total).toBeCloseTo(neighbours, 9);
  });

  it('leaves the odd one out where three readings form a triangle, which crashed once', () => {
    const { pairing } = matchMotors.run({ motors: motorsOf([[100], [101], [140]]) });
    expect(pairing).toMatchObject([{ a: 'motor 0', b: 'motor 1' }]);
  });
});

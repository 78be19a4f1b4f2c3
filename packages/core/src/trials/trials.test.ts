import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { trialSummary } from './trial-summary.ts';
import { signTest, studentCritical, studentTwoSided } from './student.ts';

describe('trial-summary', () => {
  it('agrees with Student’s sleep data of 1908, paired (from memory): mean 1.58, 95 % from 0.7001 to 2.4599', () => {
    const summary = trialSummary.run({ values: [1.2, 2.4, 1.3, 1.3, 0, 1, 1.8, 0.8, 4.6, 1.4] });
    expect(summary.mean).toBeCloseTo(1.58, 12);
    expect(summary.ci95Low).toBeCloseTo(0.7001142, 7);
    expect(summary.ci95High).toBeCloseTo(2.4598858, 7);
    expect(summary).toMatchObject({ n: 10, positive: 9, negative: 0, signTestP: 0.00390625 });
  });

  it('gives the sign test of binomial tables: eight to two is 0.109375, ten of ten about 0.002', () => {
    expect(signTest(8, 2)).toBeCloseTo(0.109375, 12);
    expect(signTest(10, 0)).toBeCloseTo(0.001953125, 12);
    expect(signTest(0, 0)).toBe(1);
    expect(signTest(3, 3)).toBe(1);
  });

  it('has Student’s quantiles of the tables: 12.7062, 4.3027, 2.2622, 1.9840 for 1, 2, 9, 100 (from memory)', () => {
    for (const [df, t] of [
      [1, 12.706204736],
      [2, 4.30265273],
      [9, 2.262157163],
      [100, 1.983971519],
    ] as const)
      expect(studentCritical(0.05, df)).toBeCloseTo(t, 8);
  });

  it('has the chances of the closed forms: 1 − (2/π) atan t for 1, 1 − t/√(2 + t²) for 2, and for 4', () => {
    for (const t of [0.01, 0.3, 1, 1.7, 4, 30, 400]) {
      expect(studentTwoSided(t, 1)).toBeCloseTo(1 - (2 / Math.PI) * Math.atan(t), 13);
      expect(studentTwoSided(t, 2)).toBeCloseTo(1 - t / Math.sqrt(2 + t * t), 13);
      const s = t / Math.sqrt(4 + t * t);
      expect(studentTwoSided(t, 4)).toBeCloseTo(1 - s * (1.5 - 0.5 * s * s), 13);
      expect(studentTwoSided(-t, 5)).toBe(studentTwoSided(t, 5));
    }
    expect(studentTwoSided(0, 7)).toBe(1);
  });

  it('moves with its readings and scales with them', () => {
    const values = fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: 2, maxLength: 30 });
    fc.assert(
      fc.property(values, (xs) => {
        const base = trialSummary.run({ values: xs });
        const moved = trialSummary.run({ values: xs.map((x) => x + 1e6) });
        const scaled = trialSummary.run({ values: xs.map((x) => 3 * x) });
        expect(moved.mean).toBeCloseTo(base.mean + 1e6, 6);
        expect(moved.sd).toBeCloseTo(base.sd, 6);
        expect(scaled.ci95High).toBeCloseTo(3 * base.ci95High, 6);
        expect(base.median).toBeLessThanOrEqual(Math.max(...xs));
      }),
    );
  });

  it('answers for readings all alike', () => {
    expect(trialSummary.run({ values: [2, 2, 2] })).toMatchObject({
      mean: 2,
      sd: 0,
      ci95Low: 2,
      ci95High: 2,
      median: 2,
    });
  });
});

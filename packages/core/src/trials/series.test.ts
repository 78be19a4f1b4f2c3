import { describe, expect, it } from 'vitest';
import { medianOf } from './statistics.ts';
import { outliersOf } from './outliers.ts';
import { trendOf } from './trend.ts';

/** NIST StRD, Norris (from memory; the certified values below would not come out of wrong figures): y, x. */
const NORRIS = [
  [0.1, 0.2],
  [338.8, 337.4],
  [118.1, 118.2],
  [888.0, 884.6],
  [9.2, 10.1],
  [228.1, 226.5],
  [668.5, 666.3],
  [998.5, 996.3],
  [449.1, 448.6],
  [778.9, 777.0],
  [559.2, 558.2],
  [0.3, 0.4],
  [0.1, 0.6],
  [778.1, 775.5],
  [668.8, 666.9],
  [339.3, 338.0],
  [448.9, 447.5],
  [10.8, 11.6],
  [557.7, 556.0],
  [228.3, 228.1],
  [998.0, 995.8],
  [888.8, 887.6],
  [119.6, 120.2],
  [0.3, 0.3],
  [0.6, 0.3],
  [557.6, 556.8],
  [339.3, 339.1],
  [888.0, 887.2],
  [998.5, 999.0],
  [778.9, 779.0],
  [10.2, 11.1],
  [117.6, 118.3],
  [228.9, 229.2],
  [668.4, 669.1],
  [449.2, 448.9],
  [0.2, 0.5],
] as const;

describe('a straight line through points', () => {
  it('has the certified values of NIST StRD Norris to ten digits', () => {
    const found = trendOf(
      NORRIS.map(([, x]) => x),
      NORRIS.map(([y]) => y),
    );
    expect(found?.slope).toBeCloseTo(1.00211681802045, 10);
    expect(found?.intercept).toBeCloseTo(-0.262323073774029, 9);
    expect(found?.slopeSd).toBeCloseTo(0.000429796848199937, 12);
    expect(found?.residualSd).toBeCloseTo(0.884796396144373, 9);
    expect(found?.luck).toBeLessThan(1e-30);
  });

  it('falls as surely as it rises, is no luck where it is exact, and none where all is one place', () => {
    const [xs, ys] = [
      [1, 2, 3, 4],
      [2.1, 3.9, 6.2, 7.8],
    ];
    const [up, down] = [
      trendOf(xs, ys),
      trendOf(
        xs,
        ys.map((y) => -y),
      ),
    ];
    expect(down?.slope).toBeCloseTo(-(up?.slope ?? 0), 12);
    expect(down?.luck).toBeCloseTo(up?.luck ?? 0, 12);
    expect(trendOf([1, 2, 3], [2, 4, 6])?.luck).toBe(0);
    expect(trendOf([1, 2, 3], [5, 5, 5])).toMatchObject({ slope: 0, luck: 1 });
    expect(trendOf([2, 2, 2], [1, 2, 3])).toBeUndefined();
    expect(trendOf([1, 2], [1, 2])).toBeUndefined();
  });
});

describe('readings out of line', () => {
  it('are those past 3.5 by the modified score of Iglewicz and Hoaglin', () => {
    // Median 5, distances 4 3 2 1 0 1 2 3 and x: their median is 2, so that one score is x·0.6745/2.
    const past = 5 + (3.5 * 2) / 0.6745;
    const base = [1, 2, 3, 4, 5, 6, 7, 8];
    expect(outliersOf([...base, past + 0.01])).toEqual([8]);
    expect(outliersOf([...base, past - 0.01])).toEqual([]);
    expect(outliersOf(base.map((x) => -x))).toEqual([]);
  });

  it('can be told where more than half are alike, and not with four', () => {
    expect(outliersOf([2, 2, 2, 2, 2, 2, 2, 2, 3])).toEqual([8]);
    expect(outliersOf([2, 2, 2, 2, 2])).toEqual([]);
    expect(outliersOf([1, 1, 1, 100])).toEqual([]);
  });

  it('stand about the middle one of an odd number, between the two of an even one', () => {
    expect(medianOf([9, 1, 5])).toBe(5);
    expect(medianOf([9, 1, 5, 6])).toBe(5.5);
  });
});

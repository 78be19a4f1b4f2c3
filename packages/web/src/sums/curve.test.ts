import { CALCULATORS, findCalculator } from '@zubric/core/calculators';
import { describe, expect, it } from 'vitest';
import { curvedOf, rangeAround, sampleCurve, stepOf, valueOf } from './curve.ts';
import { exampleEntries, inputFields, outputFields } from './sum-form.ts';

function sum(name: string) {
  const calculator = findCalculator(name);
  if (!calculator) throw new Error(`no ${name}`);
  const fields = inputFields(calculator);
  const field = (key: string) => {
    const found = fields.find((f) => f.key === key);
    if (!found) throw new Error(`no ${key}`);
    return found;
  };
  return { calculator, fields, field, entries: exampleEntries(calculator, fields) };
}

describe('the curve of a sum', () => {
  it('names inputs and results that each calculator has', () => {
    for (const calculator of CALCULATORS) {
      const fields = inputFields(calculator);
      const curved = curvedOf(
        calculator,
        fields,
        outputFields(calculator),
        exampleEntries(calculator, fields),
      );
      if (!curved) continue;
      expect(
        fields.map((f) => f.key),
        calculator.name,
      ).toContain(curved.across);
      expect(
        outputFields(calculator).map((f) => f.key),
        calculator.name,
      ).toContain(curved.up);
    }
  });

  it('goes through the sum’s own result', () => {
    const { calculator, fields, field, entries } = sum('wheel-torque');
    const points = sampleCurve(calculator, fields, entries, {
      across: field('forceN'),
      up: 'torqueNm',
      range: { low: 0, high: 800 },
    });
    expect(points).toHaveLength(97);
    expect(points[48]?.x).toBeCloseTo(400, 9);
    expect(points[48]?.y).toBeCloseTo(40, 6);
    expect(points[0]).toEqual({ x: 0, y: 0 });
  });

  it('leaves a gap where the sum cannot be worked out', () => {
    const { calculator, fields, field, entries } = sum('chain-drive');
    const points = sampleCurve(calculator, fields, entries, {
      across: field('centreMm'),
      up: 'wrapDeg',
      range: { low: 0, high: 800 },
    });
    expect(points[1]?.y).toBeUndefined();
    expect(points.at(-1)?.y).toBeGreaterThan(150);
  });

  it('takes whole numbers where things are counted', () => {
    const { calculator, fields, field, entries } = sum('gear-pair');
    const points = sampleCurve(calculator, fields, entries, {
      across: field('teethDriver'),
      up: 'ratio',
      range: { low: 0, high: 40 },
    });
    expect(points.map((p) => p.x)).toEqual(Array.from({ length: 40 }, (_, n) => n + 1));
    expect(points.every((p) => p.y !== undefined)).toBe(true);
  });

  it('draws as far as twice a value, and a grade both ways', () => {
    const { field, entries } = sum('road-load');
    expect(rangeAround(100, field('massKg'))).toEqual({ low: 0, high: 200 });
    expect(rangeAround(0, field('speedMps'))).toEqual({ low: 0, high: 1 });
    expect(rangeAround(-3, field('accelerationMps2'))).toEqual({ low: -6, high: 0 });
    expect(rangeAround(9, field('gradeDeg'))).toEqual({ low: -45, high: 45 });
    expect(rangeAround(60, field('gradeDeg'))).toEqual({ low: -45, high: 72 });
    expect(valueOf(field('massKg'), { massKg: '2 lb' })).toBeCloseTo(0.90718474, 9);
    expect(valueOf(field('massKg'), { massKg: 'heavy' })).toBeUndefined();
    expect(valueOf(field('massKg'), entries)).toBeGreaterThan(0);
  });

  it('is dragged along in round steps', () => {
    expect(stepOf({ low: 0, high: 200 })).toBe(2);
    expect(stepOf({ low: -45, high: 45 })).toBe(0.5);
    expect(stepOf({ low: 0, high: 0.03 })).toBeCloseTo(0.0002, 12);
  });
});

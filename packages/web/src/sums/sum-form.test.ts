import { CALCULATORS, calculate } from '@zubric/core/calculators';
import { describe, expect, it } from 'vitest';
import { exampleEntries, inputFields, outputFields, work } from './sum-form.ts';

const found = (name: string) => {
  const calculator = CALCULATORS.find((c) => c.name === name);
  if (!calculator) throw new Error(`no ${name}`);
  return { calculator, fields: inputFields(calculator) };
};

describe('quick sums', () => {
  it.each(CALCULATORS.map((c) => [c.name, c] as const))(
    '%s: its example, as typed, gives what the core gives',
    (name, calculator) => {
      const fields = inputFields(calculator);
      const { output, problems } = work(calculator, fields, exampleEntries(calculator, fields));
      expect(problems).toEqual({});
      const expected = calculate(name, calculator.examples[0]?.input) as Record<string, unknown>;
      for (const [key, value] of Object.entries(expected)) {
        const actual = output?.[key];
        if (typeof value === 'number' && typeof actual === 'number')
          expect(Math.abs(actual - value), key).toBeLessThanOrEqual(1e-6 * Math.abs(value) + 1e-12);
        else if (typeof value !== 'object') expect(actual, key).toEqual(value);
      }
      expect(outputFields(calculator).length).toBeGreaterThan(0);
    },
  );

  it('take any unit of the trade', () => {
    const { calculator, fields } = found('road-load');
    const entries = { massKg: '392.423 lb', rollingCoefficient: '8 %', gradeDeg: '15.838 %' };
    const { output } = work(calculator, fields, entries);
    expect(output?.totalN).toBeCloseTo(411, 0);
  });

  it('say beside the field what is wrong with it, and beside none what cannot be', () => {
    const road = found('road-load');
    expect(work(road.calculator, road.fields, { massKg: 'heavy' }).problems).toMatchObject({
      massKg: expect.stringContaining('mass') as string,
      rollingCoefficient: 'This is needed.',
    });
    expect(
      Object.keys(work(road.calculator, road.fields, { massKg: '-1', rollingCoefficient: '0' }).problems),
    ).toEqual(['massKg']);
    const step = found('obstacle-climb');
    const { problems } = work(step.calculator, step.fields, {
      wheelRadiusM: '10 cm',
      stepM: '12 cm',
      wheelLoadN: '50',
      friction: '1',
    });
    expect(problems['']).toContain('ramp');
  });
});

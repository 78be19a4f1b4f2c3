import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { NotPhysical } from '../contract/index.ts';
import { CALCULATORS, UnknownCalculator, calculate } from './index.ts';
import { many } from '../testing/many.ts';

const UNIT_OF_SUFFIX: readonly (readonly [RegExp, string])[] = [
  [/Kg$/, 'kg'],
  [/Mps$/, 'm/s'],
  [/Nm$/, 'N·m'],
  [/Rpm$/, 'rpm'],
  [/(?<!Per\d+)Deg$/, 'deg'],
  [/Ohm$/, 'Ω'],
  [/Mm$/, 'mm'],
  [/Wh$/, 'Wh'],
  [/Ah$/, 'Ah'],
];

/** Every key of a schema with its description and unit, nested ones too. */
function keysOf(schema: z.ZodType): { key: string; description?: string; unit?: string }[] {
  const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Record<string, unknown>;
  const walk = (node: unknown): { key: string; description?: string; unit?: string }[] => {
    if (typeof node !== 'object' || node === null) return [];
    const { properties, items } = node as {
      properties?: Record<string, Record<string, string>>;
      items?: unknown;
    };
    return [
      ...Object.entries(properties ?? {}).flatMap(([key, value]) => [
        { key, description: value.description, unit: value.unit },
        ...walk(value),
      ]),
      ...walk(items),
    ];
  };
  return walk(json);
}

describe.each(CALCULATORS.map((c) => [c.name, c] as const))('%s', (name, calculator) => {
  it.each(calculator.examples.map((e) => [e.origin, e] as const))('agrees with %s', (_, example) => {
    const output = calculate(name, example.input) as Record<string, unknown>;
    for (const [key, expected] of Object.entries(example.output)) {
      const actual = output[key];
      if (typeof expected !== 'number') expect(actual, key).toEqual(expected);
      else
        expect(Math.abs((actual as number) - expected), key).toBeLessThanOrEqual(
          (example.tolerance ?? 1e-9) * Math.abs(expected),
        );
    }
  });

  it('gives what its output schema promises, and says its formula, source and limits', () => {
    for (const { input } of calculator.examples) calculator.output.parse(calculate(name, input));
    expect(calculator.examples.length).toBeGreaterThan(0);
    expect(calculator.formula.length).toBeGreaterThan(5);
    expect(calculator.source.length).toBeGreaterThan(5);
    expect(calculator.limits).toMatch(/^[A-Z].{30,}\.$/);
  });

  it('describes every key, with the unit that its name ends in', () => {
    for (const { key, description, unit } of [...keysOf(calculator.input), ...keysOf(calculator.output)]) {
      expect(description, `${name}.${key}`).toBeTruthy();
      const named = UNIT_OF_SUFFIX.find(([suffix]) => suffix.test(key));
      if (named) expect(unit, `${name}.${key}`).toBe(named[1]);
    }
  });

  it('refuses a misspelt key', () => {
    const input = calculator.examples[0]?.input ?? {};
    expect(() => calculate(name, { ...input, notAKey: 1 })).toThrow(z.ZodError);
  });

  it('never answers NaN or Infinity, whatever the size of the numbers', () => {
    const sizes = fc.constantFrom(0, 1e-12, 1e-3, 1, 7, 1e3, 1e12, 1e150, 1e300);
    const base = calculator.examples[0]?.input ?? {};
    const keys = Object.keys(base).filter((key) => typeof base[key] === 'number');
    if (keys.length === 0) return;
    const numbers = (value: unknown): number[] =>
      typeof value === 'number'
        ? [value]
        : typeof value === 'object' && value !== null
          ? Object.values(value).flatMap(numbers)
          : [];
    fc.assert(
      fc.property(fc.array(sizes, { minLength: keys.length, maxLength: keys.length }), (values) => {
        const input = { ...base, ...Object.fromEntries(keys.map((key, at) => [key, values[at]])) };
        try {
          expect(numbers(calculate(name, input)).every(Number.isFinite)).toBe(true);
        } catch (error) {
          expect(error instanceof z.ZodError || error instanceof NotPhysical, String(error)).toBe(true);
        }
      }),
      { numRuns: many(1000, 10000) },
    );
  });
});

describe('calculate', () => {
  it('knows only its calculators', () => {
    expect(() => calculate('perpetual-motion', {})).toThrow(UnknownCalculator);
  });

  it('gives every problem with its path', () => {
    const read = z.object({ issues: z.array(z.object({ path: z.array(z.string()) })) });
    try {
      calculate('road-load', { massKg: 'heavy', rollingCoefficient: -1 });
      expect.unreachable('bad input was taken');
    } catch (error) {
      expect(read.parse(error).issues.map((i) => i.path[0])).toEqual(['massKg', 'rollingCoefficient']);
    }
  });

  it('says out-of-range where a finite input overflows', () => {
    expect(() => calculate('road-load', { massKg: 1e308, rollingCoefficient: 100 })).toThrow(
      expect.objectContaining({ code: 'out-of-range' }),
    );
  });
});

describe('units of the registry', () => {
  it('stand at every figure that has one: lengths, counts a second, degrees, whatever its key is called', () => {
    const units = CALCULATORS.flatMap(({ output }) => keysOf(output)).flatMap(({ key, unit }) =>
      unit === undefined ? [] : [[key, unit] as const],
    );
    const unitOf = (name: string): string | undefined => units.find(([key]) => key === name)?.[1];
    expect(unitOf('metresPerCount')).toBe('m');
    expect(unitOf('degrees')).toBe('deg');
    expect(unitOf('countsPerSecond')).toBe('1/s');
    expect(unitOf('diametralPitch')).toBe('1/in');
    // What ends in the name of a unit has that unit.
    for (const [key, unit] of units)
      if (/(?<!efore)(Mm|Nm|Rpm|Deg|Kg|Wh|Ah)$/.test(key)) expect(unit, key).not.toBe('');
  });
});

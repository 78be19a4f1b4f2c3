import { evaluate } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { equationsOf, putIn, type SayKey, type Values } from '../contract/index.ts';
import { CALCULATORS, type AnyCalculator } from './registry.ts';

/** What a key's number is multiplied by for SI, from the end of its name (calculators.md). */
const TO_SI: readonly (readonly [RegExp, number])[] = [
  [/Mm2$/, 1e-6],
  [/GCm3$/, 1e3],
  [/Cm3$/, 1e-6],
  [/[a-z]G$/, 1e-3],
  [/Mm$/, 1e-3],
  [/Deg$/, Math.PI / 180],
  [/PerV$/, 1],
  [/MPa$/, 1e6],
  [/GPa$/, 1e9],
  [/KPa$/, 1e3],
  [/KnPerM$/, 1e3],
  [/Milliohm$/, 1e-3],
  [/(Ah|Wh|[hH]ours)$/, 3600],
];
/** In an equation that divides or multiplies by 60, turns are counted a minute, elsewhere in radians a second. */
const factorOf = (key: string, perMinute: boolean): number =>
  /[rR]pm(AtLimit)?$/.test(key)
    ? perMinute
      ? 1
      : Math.PI / 30
    : (TO_SI.find(([end]) => end.test(key))?.[1] ?? 1);

/** The plain text of an equation as an expression of an independent evaluator. */
const expressionOf = (numbers: string): string =>
  numbers
    .replaceAll('·', '*')
    .replaceAll('−', '-')
    .replaceAll('√', 'sqrt')
    .replaceAll('²', '^2')
    .replaceAll('³', '^3')
    .replaceAll('⁴', '^4')
    .replaceAll('½', '0.5')
    .replaceAll('π', 'pi')
    .replaceAll('[', '(')
    .replaceAll(']', ')')
    .replace(/(\d+)°/g, '($1 * pi / 180)');

interface Checked {
  readonly name: string;
  readonly symbolic: string;
  readonly worth: number;
  readonly result: number;
}

/** Every equation of an example whose symbols all have numbers, worked out by mathjs from what is shown. */
function checked(calculator: AnyCalculator, given: Values, found: Values): Checked[] {
  const sayer =
    (perMinute: boolean): SayKey =>
    (side, key) => {
      if (side === 'constant') return `(${STANDARD_GRAVITY})`;
      const value = (side === 'given' ? given : found)[key];
      return typeof value === 'number' ? `(${value * factorOf(key, perMinute)})` : undefined;
    };
  const perMinute = putIn(calculator.formula, calculator.symbols, sayer(true));
  return putIn(calculator.formula, calculator.symbols, sayer(false)).flatMap((equation, at): Checked[] => {
    const { symbolic, numbers, result } =
      (symbolic60(equation.symbolic) ? perMinute[at] : equation) ?? equation;
    // What counts millimetres by their number alone has no place among SI values.
    if (result === undefined || numbers === undefined || calculator.formula.includes(`${symbolic}, m in mm`))
      return [];
    try {
      const worth: unknown = evaluate(expressionOf(numbers));
      if (typeof worth !== 'number') return [];
      return [{ name: calculator.name, symbolic, worth, result: Number(result.slice(1, -1)) }];
    } catch {
      // A symbol without a number (a table value, the sign of a turn) leaves the equation open.
      return [];
    }
  });
}
const symbolic60 = (symbolic: string): boolean => / n\/60$| = 60 /.test(symbolic);

const parse = (schema: z.ZodType, input: unknown): Values => schema.parse(input) as Values;

describe('formulas with the numbers put in', () => {
  const all = CALCULATORS.flatMap((calculator) =>
    calculator.examples.flatMap((example) => {
      const given = parse(calculator.input, example.input);
      return checked(calculator, given, calculator.run(given) as Values);
    }),
  );

  it('come to the result that stands beside them, worked out by another evaluator', () => {
    const wrong = all.filter(
      ({ worth, result }) => !(Math.abs(worth - result) <= 1e-9 * Math.max(1e-12, Math.abs(result))),
    );
    expect(wrong).toEqual([]);
  });

  it('do so for most calculators', () => {
    expect(all.length).toBeGreaterThan(80);
    expect(new Set(all.map(({ name }) => name)).size).toBeGreaterThan(30);
  });

  it('name only keys that the calculator has, and symbols that its formula has', () => {
    const keysOf = (schema: z.ZodType): string[] =>
      Object.keys(
        (z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }).properties ?? {}) as object,
      );
    for (const { name, formula, symbols, input, output } of CALCULATORS) {
      const inputKeys = keysOf(input);
      const outputKeys = keysOf(output);
      expect(
        Object.values(symbols.given).filter((key) => !inputKeys.includes(key)),
        name,
      ).toEqual([]);
      expect(
        Object.values(symbols.found).filter((key) => !outputKeys.includes(key)),
        name,
      ).toEqual([]);
      const runs = formula.match(/\p{L}[\p{L}\p{Nd}′∞]*/gu) ?? [];
      const stands = (symbol: string): boolean =>
        runs.some((run) => run === symbol || (/^(a?tan|cos|a?sin)/.test(run) && run.endsWith(symbol)));
      expect(
        [...Object.keys(symbols.given), ...Object.keys(symbols.found)].filter((s) => !stands(s)),
        name,
      ).toEqual([]);
    }
  });

  it('are read to their end, but for two that go on in dots', () => {
    const unread = CALCULATORS.flatMap(({ formula, symbols }) =>
      equationsOf(formula, symbols).flatMap(({ symbolic, right }) => (right ? [] : [symbolic])),
    );
    expect(unread).toEqual(['wheel = Σ bk/(i(k+1) … in)', 'motor = wheel · i1 … in']);
  });

  it('are written as on paper', () => {
    const say: SayKey = (_, key) => ({ m: '178 kg', θ: '9°', v: '−2 m/s', g: '9.81 m/s²' })[key];
    const symbols = { given: { m: 'm', θ: 'θ', v: 'v' }, found: {} };
    expect(putIn('F = m g sinθ + ½ m v²/(2 r);  P = a b;  P ≥ 3', symbols, say)).toEqual([
      {
        symbolic: 'F = m g sinθ + ½ m v²/(2 r)',
        numbers: '178 kg · 9.81 m/s² · sin(9°) + ½ · 178 kg · (−2 m/s)² / (2 · r)',
      },
      { symbolic: 'P = a b' },
    ]);
  });
});

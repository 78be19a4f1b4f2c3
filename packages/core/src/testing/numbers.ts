import fc from 'fast-check';
import { expect } from 'vitest';
import { calculate } from '../calculators/index.ts';

export const G = 9.80665;
type Numbers = Readonly<Record<string, number>>;
export const result = (name: string, given: object): Numbers => calculate(name, { ...given }) as Numbers;
export const of = (name: string, key: string, given: object): number => result(name, given)[key] ?? NaN;
export const finite = (min: number, max: number) => fc.double({ min, max, noNaN: true });
export const near = (got: number, wanted: number, share = 1e-9): void =>
  expect(Math.abs(got - wanted)).toBeLessThanOrEqual(share * Math.max(1e-9, Math.abs(wanted)));

/** Middles of so many equal pieces from a to b, and how wide a piece is. */
export const pieces = (a: number, b: number, n: number) => {
  const width = (b - a) / n;
  return { width, middles: Array.from({ length: n }, (_, k) => a + width * (k + 0.5)) };
};
export const sum = (values: readonly number[]): number => values.reduce((total, v) => total + v, 0);

/** What must be there for a test to say anything. */
export const needed = <T>(value: T | null | undefined, what: string): T => {
  if (value === undefined || value === null) throw new Error(`no ${what}`);
  return value;
};

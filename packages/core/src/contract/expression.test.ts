import { describe, expect, it } from 'vitest';
import { expressionFrom, putIn, type SayKey } from './index.ts';

const none = (): boolean => false;
const say: SayKey = (_, key) => ({ T: '2 N·m', d: '40 mm', θ: '30°', v: '−3 m/s', mu: '0.5' })[key];
/** The right side with numbers in it. */
const said = (right: string): string | undefined =>
  putIn(`x = ${right}`, { given: { T: 'T', d: 'd', θ: 'θ', v: 'v', μ: 'mu' }, found: {} }, say)[0]?.numbers;

describe('an expression', () => {
  it('keeps the order of its parts: what follows a stroke is under it, what is added is a term', () => {
    expect(expressionFrom('2 T/d', none)).toEqual({
      is: 'product',
      factors: [
        { by: '', of: { is: 'number', text: '2' } },
        { by: '', of: { is: 'symbol', name: 'T' } },
        { by: '/', of: { is: 'symbol', name: 'd' } },
      ],
    });
    expect(expressionFrom('a − b c', none)).toMatchObject({
      is: 'sum',
      terms: [{ sign: '' }, { sign: '−', of: { is: 'product' } }],
    });
  });

  it('is none where brackets stay open, a sign has nothing behind it, or words go on in dots', () => {
    for (const text of ['(a + b', 'a +', '[a)', '|a', 'i1 … in', ''])
      expect(expressionFrom(text, none)).toBeUndefined();
  });

  it('takes a function of a symbol that is written to it, unless a symbol is called so', () => {
    expect(said('T cosθ')).toBe('2 N·m · cos(30°)');
    expect(said('sin²θ')).toBe('sin²(30°)');
    expect(expressionFrom('sinθ', (name) => name === 'sinθ')).toEqual({ is: 'symbol', name: 'sinθ' });
  });

  it('puts a number that is raised or below zero in brackets, and no other', () => {
    expect(said('v²/(2 d)')).toBe('(−3 m/s)² / (2 · 40 mm)');
    expect(said('μ v')).toBe('0.5 · (−3 m/s)');
    expect(said('T^(1/2)')).toBe('(2 N·m)^(1 / 2)');
  });

  it('keeps bars, roots, sums over all and remarks apart', () => {
    expect(said('μ |d − a| min(1, T/b), with a the middle')).toBe('0.5 · |40 mm − a| · min(1, 2 N·m / b)');
    expect(said('√(Σ T²)')).toBe('√(Σ (2 N·m)²)');
    expect(said('e^(−T)')).toBe('e^(− 2 N·m)');
  });
});

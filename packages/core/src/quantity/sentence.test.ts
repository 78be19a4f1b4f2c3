import { describe, expect, it } from 'vitest';
import { celsius, figure, figuresOf, inUnits, sentence } from './index.ts';

const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

describe('a sentence in nobody’s units', () => {
  const high = sentence`A step of ${figure(0.0254, 'length')} and ${2} of ${'them'}.`;

  it('is said in those of its reader', () => {
    expect(plain(inUnits(high, 'metric'))).toBe('A step of 25.4 mm and 2 of them.');
    expect(plain(inUnits(high, 'imperial'))).toBe('A step of 1 in and 2 of them.');
  });

  it('is plain data: words run together, figures stay numbers', () => {
    expect(JSON.parse(JSON.stringify(high))).toEqual([
      'A step of ',
      { value: 0.0254, dimension: 'length' },
      ' and 2 of them.',
    ]);
    expect(figuresOf(high)).toEqual([{ value: 0.0254, dimension: 'length' }]);
  });

  it('takes another one in', () => {
    const both = sentence`First: ${high} Then ${figure(1, 'mass')}.`;
    expect(plain(inUnits(both, 'metric'))).toBe('First: A step of 25.4 mm and 2 of them. Then 1 kg.');
  });

  it('keeps the unit that was typed for who wants that, and the digits that are asked', () => {
    const typed = sentence`${{ ...figure(0.0254, 'length', 2), typedUnit: 'in' }}`;
    expect(plain(inUnits(typed, 'as-typed'))).toBe('1 in');
    expect(plain(inUnits(sentence`${figure(0.123456, 'length', 5)}`, 'metric'))).toBe('123.46 mm');
  });

  it('says temperatures by either scale: water freezes and boils (fact of the trade), and both agree at −40', () => {
    const said = (degrees: number, system: 'metric' | 'imperial'): string =>
      plain(inUnits(sentence`${celsius(degrees)}`, system));
    expect([said(0, 'imperial'), said(100, 'imperial'), said(100, 'metric')]).toEqual([
      '32 °F',
      '212 °F',
      '100 °C',
    ]);
    expect(said(-40, 'imperial')).toBe('−40 °F');
  });
});

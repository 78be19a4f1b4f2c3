import fc from 'fast-check';
import { unit as independentUnit } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { REFUSED } from './fixtures/refused.ts';
import { UNDERSTOOD } from './fixtures/understood.ts';
import {
  assumed,
  DIMENSIONS,
  dimensionOf,
  fromSi,
  readQuantity,
  show,
  showForEditing,
  showNumber,
  toSi,
  typed,
  unitOf,
  type Dimension,
} from './index.ts';
import { many } from '../testing/many.ts';

const DEGREE = Math.PI / 180;
const POUND = 0.45359237;

describe('reading', () => {
  it.each(UNDERSTOOD)('takes "%s" as a %s', (text, dimension, si) => {
    const read = readQuantity(text, dimension);
    expect(read).toMatchObject({ ok: true });
    if (read.ok) expect(Math.abs(read.value - si)).toBeLessThanOrEqual(1e-12 * Math.max(1, Math.abs(si)));
  });

  it.each(REFUSED)('does not guess at "%s" as a %s: %s', (text, dimension, code) => {
    const read = readQuantity(text, dimension);
    expect(read).toMatchObject({ ok: false, code });
    if (!read.ok) expect(read.message.length).toBeGreaterThan(10);
  });

  it('reads spreads, with the unit once or twice, or in per cent', () => {
    expect(readQuantity('60 ± 10 kg', 'mass')).toMatchObject({ value: 60, spread: 10, unit: 'kg' });
    expect(readQuantity('60 kg ± 10', 'mass')).toMatchObject({ value: 60, spread: 10 });
    expect(readQuantity('60 kg +/- 10 %', 'mass')).toMatchObject({ value: 60, spread: 6 });
    expect(readQuantity('1 m ± 5 mm', 'length')).toMatchObject({ value: 1, spread: 0.005, unit: 'm' });
    expect(readQuantity('0.08 ± 0.02', 'coefficient')).toMatchObject({ value: 0.08, spread: 0.02 });
  });

  it('gives both meanings of an ambiguous entry, each readable by itself', () => {
    const read = readQuantity('1,200 mm', 'length');
    expect(read).toMatchObject({ ok: false, code: 'ambiguous' });
    if (read.ok || !read.readings) return;
    expect(read.readings.map((r) => r.value)).toEqual([1.2, 0.0012]);
    for (const reading of read.readings)
      expect(readQuantity(reading.text, 'length')).toMatchObject({ ok: true, value: reading.value });
  });

  it('takes a bare number in the unit that is asked for', () => {
    expect(readQuantity('400', 'length', { assumedUnit: 'mm' })).toMatchObject({ value: 0.4, unit: 'mm' });
  });

  it('keeps the unit that stands first, and a spread beside a sum', () => {
    expect(readQuantity('1.2 m + 30 mm', 'length')).toMatchObject({ unit: 'm' });
    expect(readQuantity('2 × 5 lb 3 oz', 'mass')).toMatchObject({ unit: 'lb' });
    expect(readQuantity('58 + 120 ± 10 kg', 'mass')).toMatchObject({ value: 178, spread: 10, unit: 'kg' });
    expect(readQuantity('4 × 3 kg ± 5 %', 'mass')).toMatchObject({ value: 12, spread: 0.6 });
  });

  it('has 300 entries to answer for', () => {
    expect(UNDERSTOOD.length + REFUSED.length).toBeGreaterThanOrEqual(300);
  });

  it('never throws, whatever is typed', () => {
    const dimensions = Object.keys(DIMENSIONS) as Dimension[];
    const scraps = fc.array(
      fc.constantFrom(
        '1',
        '2.5',
        ',',
        '/',
        ' ',
        '±',
        'kg',
        'in',
        '"',
        "'",
        ':',
        '-',
        '%',
        '°',
        'e',
        'x',
        '½',
      ),
      { maxLength: 10 },
    );
    fc.assert(
      fc.property(scraps, fc.constantFrom(...dimensions), (parts, dimension) => {
        const read = readQuantity(parts.join(''), dimension);
        if (read.ok) expect(Number.isFinite(read.value)).toBe(true);
      }),
      { numRuns: many(2000, 20000) },
    );
  });
});

describe('units', () => {
  // mathjs (Apache-2.0) knows these units on its own; it is not used by the code.
  const SAME: readonly (readonly [Dimension, string, string, string])[] = [
    ['mass', 'lb', 'lbm', 'kg'],
    ['mass', 'oz', 'oz', 'kg'],
    ['mass', 'st', 'stone', 'kg'],
    ['length', 'in', 'inch', 'm'],
    ['length', 'ft', 'foot', 'm'],
    ['length', 'yd', 'yard', 'm'],
    ['length', 'mi', 'mile', 'm'],
    ['force', 'lbf', 'lbf', 'N'],
    ['force', 'kgf', 'kgf', 'N'],
    ['torque', 'in·lb', 'inch lbf', 'N m'],
    ['torque', 'ft·lb', 'foot lbf', 'N m'],
    ['torque', 'kg·cm', 'cm kgf', 'N m'],
    ['speed', 'mph', 'mile / hour', 'm/s'],
    ['speed', 'km/h', 'km / hour', 'm/s'],
    ['speed', 'ft/min', 'foot / minute', 'm/s'],
    ['angle', '°', 'deg', 'rad'],
    ['power', 'hp', 'hp', 'W'],
    ['charge', 'Ah', 'A hour', 'C'],
    ['energy', 'Wh', 'W hour', 'J'],
    ['area', 'in²', 'sqin', 'm^2'],
    ['area', 'ft²', 'sqft', 'm^2'],
  ];

  it.each(SAME)('%s: %s is as an independent library has it', (dimension, symbol, theirs, si) => {
    const expected = independentUnit(1, theirs).toNumber(si);
    // mathjs keeps some pound-force and horsepower units to ten digits only.
    expect(toSi(1, unitOf(dimension, symbol)) / expected).toBeCloseTo(1, 8);
  });

  it('turn back as they came, for every unit', () => {
    for (const dimension of Object.keys(DIMENSIONS) as Dimension[])
      for (const unit of dimensionOf(dimension).units)
        for (const n of [0.001, 1, 17.5, 80]) expect(fromSi(toSi(n, unit), unit)).toBeCloseTo(n, 9);
  });

  it('have names that mean one thing within their dimension', () => {
    for (const dimension of Object.keys(DIMENSIONS) as Dimension[])
      for (const unit of dimensionOf(dimension).units)
        for (const spelling of [unit.symbol, ...unit.names].filter((s) => /^[^:]+$/.test(s))) {
          const read = readQuantity(`7 ${spelling}`, dimension);
          expect(read, `${dimension} ${spelling}`).toMatchObject({ ok: true, unit: unit.symbol });
        }
  });
});

describe('showing', () => {
  it('gives three digits at most, grouped thousands, and no powers of ten in ordinary sizes', () => {
    expect(showNumber(410.9968)).toBe('411');
    expect(showNumber(41.0997)).toBe('41.1');
    expect(showNumber(2)).toBe('2');
    expect(showNumber(1237.6)).toBe('1\u00a0238');
    expect(showNumber(-0.0123)).toBe('−0.0123');
    expect(showNumber(1.2345e9)).toBe('1\u00a0230\u00a0000\u00a0000');
    expect(showNumber(0.0000123)).toBe('0.0000123');
    expect(showNumber(6.02214e23)).toBe('6.02×10²³');
    expect(showNumber(-1.6e-19)).toBe('−1.6×10⁻¹⁹');
    expect(showNumber(NaN)).toBe('–');
    expect(showNumber(999.6)).toBe('1\u00a0000');
  });

  it('suits the unit to the size and the system', () => {
    expect(show(0.4, 'length', 'metric').text).toBe('400\u00a0mm');
    expect(show(0.4, 'length', 'imperial').text).toBe('15.7\u00a0in');
    expect(show(178, 'mass', 'imperial').text).toBe('392\u00a0lb');
    expect(show(9 * DEGREE, 'angle', 'metric').text).toBe('9°');
    expect(show(0.3048, 'length', 'as-typed', { typedUnit: 'ft' }).text).toBe('1\u00a0ft');
    expect(show(0, 'speed', 'metric').text).toBe('0\u00a0m/s');
    expect(show(0.8, 'share', 'metric').text).toBe('80\u00a0%');
  });

  it('shows for editing what can be typed again: without loss in its own unit, to four digits in another', () => {
    const dimensions: readonly Dimension[] = ['mass', 'length', 'speed', 'angle', 'torque', 'share', 'time'];
    fc.assert(
      fc.property(
        fc.constantFrom(...dimensions),
        fc.double({ min: 1e-3, max: 1.2, noNaN: true }),
        fc.constantFrom('as-typed', 'metric', 'imperial'),
        (dimension, value, system) => {
          const unit = dimensionOf(dimension).units[0]?.symbol ?? '';
          const text = showForEditing({ value, unit }, dimension, system);
          const read = readQuantity(text, dimension);
          expect(read, text).toMatchObject({ ok: true });
          if (read.ok)
            expect(Math.abs(read.value / value - 1)).toBeLessThan(system === 'as-typed' ? 1e-9 : 1e-3);
        },
      ),
      { numRuns: many(1000, 10000) },
    );
    expect(showForEditing({ value: 12 * POUND, unit: 'lb' }, 'mass', 'metric')).toBe('5.443 kg');
    expect(showForEditing({ value: 12 * POUND, unit: 'lb' }, 'mass', 'imperial')).toBe('12 lb');
    // 0.56 m/s are 1.2527 mph: what was guessed is not known so well.
    expect(showForEditing(assumed(0.56, 'm/s'), 'speed', 'imperial')).toBe('1.25 mph');
    expect(showForEditing(typed(0.56, 'm/s'), 'speed', 'imperial')).toBe('1.253 mph');
    expect(showForEditing(assumed(0.5625, 'm/s'), 'speed', 'metric')).toBe('0.5625 m/s');
  });

  it('shows for editing in the unit that was typed, unless that is of the other system', () => {
    const shown = (n: number, unit: string, dimension: Dimension, system: 'metric' | 'imperial'): string =>
      showForEditing({ value: toSi(n, unitOf(dimension, unit)), unit }, dimension, system);
    expect(shown(20, 'km/h', 'speed', 'metric')).toBe('20 km/h');
    expect(shown(8, 'm/min', 'speed', 'metric')).toBe('8 m/min');
    expect(shown(25, 'kg·cm', 'torque', 'metric')).toBe('25 kg·cm');
    expect(shown(6, '%', 'angle', 'metric')).toBe('6 %');
    expect(shown(6, '%', 'angle', 'imperial')).toBe('6 %');
    expect(shown(0.3, 'g', 'acceleration', 'imperial')).toBe('0.3 g');
    expect(shown(10, 'mph', 'speed', 'metric')).toBe('4.47 m/s');
    expect(shown(20, 'km/h', 'speed', 'imperial')).toBe('12.43 mph');
    expect(shown(2.5, 'in', 'length', 'imperial')).toBe('2.5 in');
    // Never more than four figures of a number that was turned.
    expect(shown(30, 'kg', 'mass', 'imperial')).toBe('66.14 lb');
    expect(shown(0.1, 'm/s', 'speed', 'imperial')).toBe('19.69 ft/min');
    expect(shown(3, 'N·m', 'torque', 'imperial')).toBe('26.55 in·lb');
    expect(shown(0, 'm', 'length', 'imperial')).toBe('0 in');
    expect(shown(2.5, 'in', 'length', 'metric')).toBe('63.5 mm');
    expect(shown(500, 'g', 'mass', 'imperial')).toBe('1.102 lb');
  });

  it('knows of each unit of length, mass, force and torque where it is at home', () => {
    for (const dimension of ['length', 'mass', 'force', 'torque', 'speed', 'area'] as const)
      for (const { symbol } of dimensionOf(dimension).units) {
        const kept = (['metric', 'imperial'] as const).filter((system) =>
          showForEditing({ value: 0.5, unit: symbol }, dimension, system).endsWith(` ${symbol}`),
        );
        expect(kept, `${symbol} of ${dimension}`).toHaveLength(1);
      }
  });
});

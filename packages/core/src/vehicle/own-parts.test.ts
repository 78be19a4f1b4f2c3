import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { packCells, PART_KINDS, partFields, partSchema, usualFigures } from './index.ts';

describe('the figures of a part', () => {
  it.each(PART_KINDS)('of a %s are asked in any unit and kept in the one of the part', (kind) => {
    for (const { key, figureOf, quantityOf, title } of partFields(kind)) {
      expect(title.length, key).toBeGreaterThan(2);
      expect(figureOf(quantityOf(12.5)), key).toBeCloseTo(12.5, 9);
    }
  });

  it('come in the units that are typed', () => {
    const of = (kind: 'motor' | 'battery', key: string) => partFields(kind).find((f) => f.key === key);
    // One inch-pound is 0.1129848 N·m (NIST SP 811, appendix B.8, from memory).
    expect(of('motor', 'stallTorqueNm')?.figureOf(typed(0.1129848, 'in·lb'))).toBeCloseTo(0.1129848, 9);
    expect(of('motor', 'noLoadRpm')?.figureOf(typed(Math.PI * 2, 'rev/s'))).toBeCloseTo(60, 9);
    expect(of('battery', 'cellAh')?.figureOf(typed(7920, 'mAh'))).toBeCloseTo(2.2, 9);
  });

  it('that are missing are taken as usual, each with how far off it may be; what is there is left', () => {
    const driver = usualFigures('driver', { continuousA: 20, mostV: 30, leastV: 9 });
    expect(driver).toMatchObject({ peakA: { value: 30 }, resistanceMilliohm: { value: 25 } });
    expect(driver.leastV).toBeUndefined();
    for (const { spread } of Object.values(driver)) expect(spread).toBeGreaterThan(0);
  });

  it('of a 12 V 7 Ah lead battery are about those of the trade: 2.5 kg, 25 mΩ (common practice, no source)', () => {
    const { massKg, cellMilliohm } = usualFigures(
      'battery',
      { series: 6, cellAh: 7 },
      { chemistry: 'lead-acid' },
    );
    expect(massKg?.value).toBeGreaterThan(1.8);
    expect(massKg?.value).toBeLessThan(3.2);
    expect(6 * (cellMilliohm?.value ?? NaN)).toBeGreaterThan(15);
    expect(6 * (cellMilliohm?.value ?? NaN)).toBeLessThan(40);
  });

  it('of a battery without its capacity are not guessed', () => {
    expect(usualFigures('battery', { series: 6 }, { chemistry: 'lipo' })).toEqual({});
  });

  it('of an aged pack: less charge, and as much more resistance', () => {
    const battery = partSchema.parse({
      kind: 'battery',
      id: 'old',
      name: 'Old',
      massKg: 8,
      chemistry: 'lead-acid',
      series: 6,
      parallel: 1,
      cellAh: 20,
      cellMilliohm: 3,
      continuousA: 20,
      capacityLeft: 0.5,
    });
    if (battery.kind !== 'battery') throw new Error('it is one');
    expect(packCells(battery)).toMatchObject({ cellAh: 10, cellMilliohm: 6, series: 6, parallel: 1 });
    expect(packCells({ ...battery, capacityLeft: undefined })).toMatchObject({ cellAh: 20, cellMilliohm: 3 });
  });
});

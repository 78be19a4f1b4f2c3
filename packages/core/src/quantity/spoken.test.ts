/** Numbers as people say and write them, against the definitions of their units. */
import { describe, expect, it } from 'vitest';
import { NOT_SPOKEN, SPOKEN } from './fixtures/spoken.ts';
import { readQuantity } from './index.ts';

describe('a number as people say it', () => {
  it.each(SPOKEN.map(([text, dimension, si, unit = '']) => ({ text, dimension, si, unit })))(
    '“$text” as $dimension $unit',
    ({ text, dimension, si, unit: assumedUnit }) => {
      const read = readQuantity(text, dimension, assumedUnit === '' ? {} : { assumedUnit });
      expect(read.ok && read.value / si).toBeCloseTo(1, 12);
    },
  );

  it.each(NOT_SPOKEN)('“%s” is no %s', (text, dimension) => {
    expect(readQuantity(text, dimension).ok).toBe(false);
  });

  it('says how a weight was taken, its spread with it, and keeps the way’s own unit of a speed', () => {
    expect(readQuantity('40 ± 5 kg', 'force')).toMatchObject({
      unit: 'N',
      spread: 5 * 9.80665,
      taken: expect.stringContaining('weight') as string,
    });
    expect(readQuantity('25 kg', 'torque')).toMatchObject({ unit: 'kg·cm' });
    expect(readQuantity('411 N', 'force')).not.toHaveProperty('taken');
    expect(readQuantity('20 ft in 9 s', 'speed')).toMatchObject({ unit: 'ft/s' });
    expect(readQuantity('100 mm in 25 s', 'speed')).toMatchObject({ unit: 'mm/s' });
  });
});

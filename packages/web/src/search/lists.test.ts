import { describe, expect, it } from 'vitest';
import { readLengths, readTeeth, sayTeeth } from './lists.ts';

describe('teeth as they are listed', () => {
  it.each([
    ['10–12, 15', [10, 11, 12, 15]],
    ['10-12;15', [10, 11, 12, 15]],
    ['20, 10 to 11, 20', [10, 11, 20]],
    [' 9 ', [9]],
  ])('%s is read', (text, teeth) => expect(readTeeth(text)).toEqual(teeth));

  it.each(['', 'ten', '2', '12–10', '10–600', '10..12', '10, x'])('%j is none', (text) =>
    expect(readTeeth(text)).toBeUndefined(),
  );

  it('are said in as few words, and read as the same', () => {
    expect(sayTeeth([10, 11, 12, 14, 15, 20])).toBe('10–12, 14, 15, 20');
    expect(readTeeth(sayTeeth([9, 10, 11, 13, 14, 21, 22, 23]))).toEqual([9, 10, 11, 13, 14, 21, 22, 23]);
  });
});

describe('lengths as they are listed', () => {
  it('are read in their own units; nothing is an empty list', () => {
    expect(readLengths('250 mm, 10 in')?.map((m) => m.toFixed(3))).toEqual(['0.250', '0.254']);
    expect(readLengths('  ')).toEqual([]);
  });
  it.each(['wide', '250 mm, 12 V', '-3 in'])('%s is none', (text) =>
    expect(readLengths(text)).toBeUndefined(),
  );
});

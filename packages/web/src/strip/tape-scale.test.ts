import { describe, expect, it } from 'vitest';
import { RULE_AT, tapeMarks } from './tape-scale.ts';

describe('a tape', () => {
  it('has the rule at the same place whatever it asks', () => {
    expect(tapeMarks(2, 2).has).toBeCloseTo(RULE_AT, 12);
    expect(tapeMarks(1.25, 1.25).has).toBeCloseTo(RULE_AT, 12);
  });

  it('puts the need below the rule, and the two together where the rule asks no more', () => {
    expect(tapeMarks(1, 2).need).toBeCloseTo(RULE_AT / 2, 12);
    expect(tapeMarks(1, 1).need).toBeCloseTo(RULE_AT, 12);
  });

  it('ends at its ends, and says when there is more', () => {
    expect(tapeMarks(0, 2)).toMatchObject({ has: 0, beyond: false });
    expect(tapeMarks(100, 2)).toMatchObject({ has: 1, beyond: true });
    expect(tapeMarks(3, 2)).toMatchObject({ has: 1, beyond: false });
  });
});

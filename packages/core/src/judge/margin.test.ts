import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { finite } from '../testing/numbers.ts';
import type { LinkId } from './links.ts';
import { turnsAt, verdictOf } from './margin.ts';

const LINKS: readonly LinkId[] = ['grip', 'battery-voltage'];

describe('a margin', () => {
  it('fails under one, is short under its rule, tight just over it, and ample beyond', () => {
    const at = (ratio: number) => verdictOf(ratio, 1.5, 'torque');
    expect([0.999, 1, 1.499, 1.5, 1.724, 1.726].map(at)).toEqual([
      ...['fails', 'short', 'short', 'tight', 'tight', 'ample'],
    ]);
    // A voltage moves less, so it is ample sooner.
    expect([1.049, 1.051].map((ratio) => verdictOf(ratio, 1, 'battery-voltage'))).toEqual(['tight', 'ample']);
  });

  it('on its way from one verdict to another loses the first at the ratio that is told', () => {
    fc.assert(
      fc.property(
        ...[finite(0, 4), finite(0, 4), finite(0.5, 3)],
        fc.constantFrom(...LINKS),
        (one, other, rule, link) => {
          const [from, to] = [one, other].map((ratio) => verdictOf(ratio, rule, link));
          if (!from || !to || from === to) return;
          const edge = turnsAt({ link, rule }, from, to);
          expect(edge).toBeGreaterThanOrEqual(Math.min(one, other));
          expect(edge).toBeLessThanOrEqual(Math.max(one, other));
          const [on, off] = other > one ? [edge - 1e-9, edge] : [edge, edge - 1e-9];
          expect(verdictOf(on, rule, link)).toBe(from);
          expect(verdictOf(off, rule, link)).not.toBe(from);
        },
      ),
    );
  });
});

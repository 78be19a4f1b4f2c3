import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SHORTEST_S, StepLength } from './step-length.ts';
import { cart, even, floor } from '../testing/rigs.ts';

const rig = cart();

describe('the length of a step', () => {
  it('comes to the end of any time however much every step misses: the shortest holds always', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-5, max: 0.05, noNaN: true }),
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (seconds, missed, aheadMps) => {
          const length = new StepLength(rig, even(rig, floor));
          let left = seconds;
          let tries = 0;
          for (; left > SHORTEST_S; tries += 1) {
            const h = length.next(left, aheadMps);
            expect(h).toBeLessThanOrEqual(left * (1 + 1e-9));
            if (length.holds(missed, h)) left -= h;
            expect(tries).toBeLessThan(20 + (2 * seconds) / SHORTEST_S);
          }
        },
      ),
    );
  });

  it('grows where a step is easy, halves where it misses, and stays short over kerbs', () => {
    const length = new StepLength(rig, even(rig, floor));
    for (let n = 0; n < 10; n += 1) length.holds(0, length.next(1, 0));
    const long = length.next(1, 0);
    expect(long).toBeCloseTo(0.004, 6);
    expect(length.holds(1, long)).toBe(false);
    expect(length.next(1, 0)).toBeCloseTo(0.002, 6);
    // A castor of 2 cm of trail at 4 m/s is followed every millisecond.
    for (let n = 0; n < 10; n += 1) length.holds(0, length.next(1, 0));
    expect(length.next(1, 4)).toBeCloseTo(0.001, 5);
    const kerb = { aheadM: 1, leftM: 0, headingRad: 0, heightM: 0.01 };
    expect(new StepLength(rig, { ...even(rig, floor), kerbs: [kerb] }).next(1, 0)).toBeLessThanOrEqual(0.001);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Front, isAsGood, ranked, type Worth } from './index.ts';

const worth = (part: Partial<Worth>): Worth => ({
  cost: 100,
  massKg: 10,
  runTimeS: 3600,
  near: 1.1,
  works: true,
  lacks: 0,
  ...part,
});

const any = fc.record({
  cost: fc.integer({ min: 1, max: 5 }),
  massKg: fc.integer({ min: 1, max: 5 }),
  runTimeS: fc.integer({ min: 1, max: 5 }),
  near: fc.integer({ min: 1, max: 5 }),
});

describe('a front', () => {
  it('keeps what nothing is as good as, and of equals one, in whatever order they come', () => {
    fc.assert(
      fc.property(fc.array(any.map(worth), { minLength: 1, maxLength: 40 }), (list) => {
        const front = new Front<Worth>();
        for (const one of list) front.add(one);
        const kept = front.all();
        for (const one of list) expect(kept.some((member) => isAsGood(member, one))).toBe(true);
        for (const one of kept) expect(kept.filter((member) => isAsGood(member, one))).toEqual([one]);
      }),
    );
  });
});

describe('ranking', () => {
  it('by one weight alone is by that aim alone', () => {
    const list = [
      worth({ cost: 300, massKg: 1 }),
      worth({ cost: 50, massKg: 30 }),
      worth({ cost: 120, massKg: 4 }),
    ];
    const none = { cost: 0, massKg: 0, runTimeS: 0, near: 0 };
    expect(ranked(list, { ...none, cost: 1 }).map(({ cost }) => cost)).toEqual([50, 120, 300]);
    expect(ranked(list, { ...none, massKg: 1 }).map(({ massKg }) => massKg)).toEqual([1, 4, 30]);
  });

  it('never puts a set before one that is better in everything, whatever the weights', () => {
    const weight = fc.double({ min: 0.01, max: 9, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(any, { minLength: 2, maxLength: 12 }),
        fc.record({ cost: weight, massKg: weight, runTimeS: weight, near: weight }),
        (list, weights) => {
          const order = ranked(list.map(worth), weights);
          for (const [at, one] of order.entries())
            for (const later of order.slice(at + 1))
              expect(
                (later.cost ?? 0) < (one.cost ?? 0) &&
                  later.massKg < one.massKg &&
                  later.runTimeS > one.runTimeS &&
                  later.near > one.near,
              ).toBe(false);
        },
      ),
    );
  });

  it('takes a set without a price for the dearest', () => {
    expect(ranked([worth({ cost: undefined }), worth({ cost: 9 })])[0]?.cost).toBe(9);
  });
});

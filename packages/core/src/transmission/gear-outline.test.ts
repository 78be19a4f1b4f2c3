import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gearOutline, halfToothAngle } from './index.ts';
import { many } from '../testing/many.ts';

const gear = fc.record({
  moduleMm: fc.double({ min: 0.3, max: 10, noNaN: true }),
  teeth: fc.integer({ min: 17, max: 200 }),
});

describe('the outline of a gear', () => {
  it('is half a pitch thick on the pitch circle (ISO 21771: s = π m/2)', () => {
    fc.assert(
      fc.property(gear, (g) => {
        const pitchMm = (g.moduleMm * g.teeth) / 2;
        expect(2 * halfToothAngle(g, pitchMm) * pitchMm).toBeCloseTo((Math.PI * g.moduleMm) / 2, 9);
      }),
    );
  });

  it('has the involute’s normal touching the base circle', () => {
    // At any point of an involute the normal is tangent to the base circle: radius and normal enclose acos(rb/r).
    const g = { moduleMm: 2, teeth: 30, points: 400 };
    const baseMm = 30 * Math.cos(Math.PI / 9);
    const outline = gearOutline(g).slice(1, 401);
    for (const n of [60, 200, 340]) {
      const [[x0 = 0, y0 = 0] = [], [x = 0, y = 0] = [], [x2 = 0, y2 = 0] = []] = [n - 1, n, n + 1].map(
        (at) => outline[at],
      );
      const [tx, ty] = [x2 - x0, y2 - y0];
      const distance = Math.abs(x * tx + y * ty) / Math.hypot(tx, ty);
      expect(distance).toBeCloseTo(baseMm, 2);
    }
  });

  it('reaches from root to outside diameter, one tooth for each, without crossing itself', () => {
    fc.assert(
      fc.property(gear, (g) => {
        const radii = gearOutline(g).map(([x, y]) => Math.hypot(x, y));
        expect(Math.max(...radii)).toBeCloseTo((g.moduleMm * (g.teeth + 2)) / 2, 9);
        expect(Math.min(...radii)).toBeCloseTo((g.moduleMm * (g.teeth - 2.5)) / 2, 9);
        const angles = gearOutline(g).map(([x, y]) => Math.atan2(y, x));
        const turned = angles.map((a, n) => {
          const by = (angles[(n + 1) % angles.length] ?? 0) - a;
          return Math.atan2(Math.sin(by), Math.cos(by));
        });
        expect(turned.reduce((sum, by) => sum + by, 0)).toBeCloseTo(2 * Math.PI, 6);
      }),
      { numRuns: many(200, 2000) },
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { areNearer, gapBetween, wayClear } from './gap.ts';
import { boxAt, cylinderAt, hullOf, shifted, sweptAlong, type Solid } from './solid.ts';
import { dot, minus, plus, size, times, turned, type Vector } from './vector.ts';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const place = fc.tuple(number(-1, 1), number(-1, 1), number(-1, 1));
const sides = fc.tuple(number(0.05, 0.8), number(0.05, 0.8), number(0.05, 0.8));
const angle = number(-4, 4);

interface Box {
  readonly middle: Vector;
  readonly sides: Vector;
  readonly turn: number;
}
const box: fc.Arbitrary<Box> = fc.record({ middle: place, sides, turn: angle });
const solid = ({ middle, sides: s, turn }: Box): Solid => boxAt(middle, s, turn);

/** Whether a point is in a box, by the box alone. */
const isIn = ({ middle, sides: s, turn }: Box, point: Vector): boolean =>
  turned(minus(point, middle), -turn).every((x, at) => Math.abs(x) <= (s[at] ?? 0) / 2);

describe('the gap between bodies', () => {
  it('of boxes that are not turned is that of their sides', () => {
    fc.assert(
      fc.property(place, sides, place, sides, (p, a, q, b) => {
        const apart = [0, 1, 2].map((at) =>
          Math.max(0, Math.abs((p[at] ?? 0) - (q[at] ?? 0)) - ((a[at] ?? 0) + (b[at] ?? 0)) / 2),
        );
        expect(gapBetween(boxAt(p, a, 0), boxAt(q, b, 0))).toBeCloseTo(Math.hypot(...apart), 6);
      }),
    );
  });

  it('of upright cylinders is that of their middle lines less their radii, and of their ends', () => {
    fc.assert(
      fc.property(place, place, number(0.02, 0.4), number(0.02, 0.4), number(0.1, 1), (p, q, r, s, h) => {
        const aside = Math.max(0, Math.hypot(p[0] - q[0], p[1] - q[1]) - r - s);
        const apart = Math.max(0, Math.abs(p[2] - q[2]) - h);
        const up: Vector = [0, 0, 1];
        expect(gapBetween(cylinderAt(p, up, r, h), cylinderAt(q, up, s, h))).toBeCloseTo(
          Math.hypot(aside, apart),
          5,
        );
      }),
    );
  });

  it('is the same either way round, wherever both are, and however both are turned', () => {
    fc.assert(
      fc.property(box, box, place, angle, (a, b, by, turn) => {
        const gap = gapBetween(solid(a), solid(b));
        const moved = (one: Box): Solid =>
          boxAt(plus(turned(one.middle, turn), by), one.sides, one.turn + turn);
        expect(gapBetween(solid(b), solid(a))).toBeCloseTo(gap, 6);
        expect(gapBetween(moved(a), moved(b))).toBeCloseTo(gap, 6);
      }),
    );
  });

  it('is never more than the way between any two of their points, and some come as near', () => {
    const random = seeded(19);
    const pointIn = ({ middle, sides: s, turn }: Box): Vector => {
      const [a = 0, b = 0, c = 0] = s.map((x) => x * (random() - 0.5));
      return plus(middle, turned([a, b, c], turn));
    };
    fc.assert(
      fc.property(box, box, (a, b) => {
        const gap = gapBetween(solid(a), solid(b));
        const ways = Array.from({ length: 200 }, () => size(minus(pointIn(a), pointIn(b))));
        expect(Math.min(...ways)).toBeGreaterThanOrEqual(gap - 1e-6);
        // The second method: every sampled point of one in the other means that they overlap.
        if (Array.from({ length: 200 }, () => pointIn(a)).some((point) => isIn(b, point)))
          expect(gap).toBe(0);
        // Apart there is a plane between them, a gap wide: no point of either crosses it.
        if (gap > 1e-3) {
          const step = 1e-4;
          const towards = [0, 1, 2].map((axis) => {
            const unit = [0, 1, 2].map((at) => (at === axis ? step : 0)) as unknown as Vector;
            return (gapBetween(shifted(solid(a), unit), solid(b)) - gap) / step;
          }) as unknown as Vector;
          const normal = times(towards, -1 / size(towards));
          const reach = dot(solid(a).furthest(normal), normal);
          const begins = dot(solid(b).furthest(times(normal, -1)), normal);
          expect(begins - reach).toBeGreaterThan(0.9 * gap);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('overlapping', () => {
  it('is not touching, on a face or on an edge of turned boxes', () => {
    const cube = boxAt([0, 0, 0], [1, 1, 1], 0);
    expect(areNearer(cube, boxAt([1, 0.3, 0], [1, 1, 1], 0), 0)).toBe(false);
    expect(areNearer(cube, boxAt([0.999, 0.3, 0], [1, 1, 1], 0), 0)).toBe(true);
    const edge = 0.5 + Math.SQRT1_2;
    expect(areNearer(cube, boxAt([edge, 0, 0], [1, 1, 1], Math.PI / 4), 0)).toBe(false);
    expect(areNearer(cube, boxAt([edge - 1e-3, 0, 0], [1, 1, 1], Math.PI / 4), 0)).toBe(true);
  });
  it('within a gap is nearer than it', () => {
    const cube = boxAt([0, 0, 0], [1, 1, 1], 0);
    const next = boxAt([1.01, 0, 0], [1, 1, 1], 0);
    expect(areNearer(cube, next, 0.02)).toBe(true);
    expect(areNearer(cube, next, 0.005)).toBe(false);
  });
});

describe('the way until it is clear', () => {
  it('of boxes is how deep they are in each other, and the gap', () => {
    const a = boxAt([0, 0, 0], [1, 1, 1], 0);
    const b = boxAt([0.7, 0.2, 0], [1, 1, 1], 0);
    expect(wayClear(a, b, [-1, 0, 0], 0)).toBeCloseTo(0.3, 4);
    expect(wayClear(a, b, [0, -1, 0], 0.05)).toBeCloseTo(0.85, 4);
    expect(wayClear(a, boxAt([2, 0, 0], [1, 1, 1], 0), [1, 0, 0], 0)).toBe(0);
  });
  it('is just enough: clear there, and not a little before', () => {
    fc.assert(
      fc.property(box, box, (a, b) => {
        const way = wayClear(solid(a), solid(b), [0, 0, 1], 0.01);
        expect(areNearer(shifted(solid(a), [0, 0, way]), solid(b), 0.01)).toBe(false);
        if (way > 1e-4) expect(areNearer(shifted(solid(a), [0, 0, way - 1e-4]), solid(b), 0.01)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what lies between', () => {
  it('of a swept box is the box from end to end', () => {
    const swept = sweptAlong(boxAt([0, 0, 0], [0.2, 0.2, 0.2], 0.3), [0, 0, 1]);
    expect(swept.most[2]).toBeCloseTo(1.1, 12);
    expect(gapBetween(swept, boxAt([0, 0, 0.55], [0.01, 0.01, 0.01], 0))).toBe(0);
  });
  it('of two wheels is a loop: as wide as the line between their rims', () => {
    const wheel = (ahead: number, radius: number): Solid =>
      cylinderAt([ahead, 0, 0], [0, 1, 0], radius, 0.02);
    const loop = hullOf([wheel(0, 0.1), wheel(1, 0.1)]);
    expect(gapBetween(loop, boxAt([0.5, 0, 0.2], [0.01, 0.01, 0.01], 0))).toBeCloseTo(0.2 - 0.005 - 0.1, 5);
  });
});

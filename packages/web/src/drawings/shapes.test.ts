import { timingBelt } from '@zubric/core/transmission';
import { describe, expect, it } from 'vitest';
import { gear, sprocket } from './gear.ts';
import {
  arc,
  arrow,
  at,
  box,
  circle,
  extentOf,
  fitTo,
  freeCorner,
  line,
  measure,
  note,
  openLoop,
  roundLength,
  turned,
  type At,
  type Shape,
} from './shapes.ts';

const apart = (a: At, b: At): number => Math.hypot(a.x - b.x, a.y - b.y);
const around = (points: readonly At[]): number =>
  points.reduce((sum, point, n) => sum + apart(point, points[(n + 1) % points.length] ?? point), 0);
const pointsOf = (shape: Shape): readonly At[] => (shape.kind === 'line' ? shape.points : []);
/** How often it goes from within a radius to beyond it, all the way round. */
const teethOf = (points: readonly At[], radius: number): number =>
  points.filter((point, n) => {
    const before = points[(n + points.length - 1) % points.length] ?? point;
    return apart(before, at(0, 0)) < radius && apart(point, at(0, 0)) >= radius;
  }).length;

describe('a loop round two wheels', () => {
  it('is as long as the belt that goes round them (the calculator of toothed belts)', () => {
    for (const [small, large] of [
      [20, 20],
      [20, 60],
    ] as const) {
      const { beltLengthMm, centreMm } = timingBelt.run({
        ...{ pitchMm: 5, teethSmall: small, teethLarge: large, beltTeeth: 200 },
      });
      const radius = (teeth: number): number => (5 * teeth) / Math.PI / 2;
      const loop = openLoop(
        { at: at(10, 20), radius: radius(small) },
        { at: at(10 + centreMm * Math.cos(0.4), 20 + centreMm * Math.sin(0.4)), radius: radius(large) },
      );
      // Arcs are drawn as chords: a little short.
      expect(around(loop) / beltLengthMm).toBeGreaterThan(0.999);
      expect(around(loop) / beltLengthMm).toBeLessThanOrEqual(1 + 1e-9);
    }
  });

  it('touches both wheels all the way, whichever is larger', () => {
    for (const [first, second] of [
      [3, 8],
      [8, 3],
    ] as const) {
      const [one, two] = [at(0, 0), at(0, 25)];
      for (const point of openLoop({ at: one, radius: first }, { at: two, radius: second }))
        expect(
          Math.min(Math.abs(apart(point, one) - first), Math.abs(apart(point, two) - second)),
        ).toBeCloseTo(0, 9);
    }
  });
});

describe('wheels with teeth', () => {
  it('have as many as they are said to have, about their pitch circle', () => {
    expect(teethOf(pointsOf(sprocket(12.7, 17, at(0, 0))), 12.7 / Math.sin(Math.PI / 17) / 2)).toBe(17);
    const drawn = pointsOf(gear(2, 24, at(0, 0), 0));
    expect(teethOf(drawn, 24)).toBe(24);
    // Two modules wider over its tips than at the pitch circle (ISO 21771).
    expect(Math.max(...drawn.map((point) => apart(point, at(0, 0))))).toBeCloseTo(26, 3);
  });

  it('turn about their middle', () => {
    const [still, moved] = [gear(2, 12, at(5, 7), 0), gear(2, 12, at(5, 7), 0.3)].map(pointsOf);
    for (const [n, point] of (still ?? []).entries()) {
      const there = turned(point, 0.3, at(5, 7));
      expect(apart(there, moved?.[n] ?? at(NaN, NaN))).toBeCloseTo(0, 9);
    }
  });
});

describe('figures of a drawing', () => {
  it('a box is as long and as wide as it is said, turned or not', () => {
    const [a, b, c] = box(at(3, 4), 6, 2, 0.7);
    if (!a || !b || !c) throw new Error('a box has corners');
    expect([apart(a, b), apart(b, c)]).toEqual([expect.closeTo(6, 9), expect.closeTo(2, 9)]);
    expect(turned(at(1, 0), Math.PI / 2)).toEqual({ x: expect.closeTo(0, 12), y: expect.closeTo(1, 12) });
  });

  it('an arc begins and ends where it is said', () => {
    const points = arc(at(1, 1), 2, 0, Math.PI);
    expect(points[0]).toEqual(at(3, 1));
    expect(points.at(-1)?.x).toBeCloseTo(-1, 12);
    for (const point of points) expect(apart(point, at(1, 1))).toBeCloseTo(2, 12);
  });

  it('take the room of all that they reach', () => {
    const shapes = [
      circle(at(0, 0), 5, 'ink'),
      line([at(-9, 1), at(2, 2)], 'mech'),
      measure(at(0, -7), at(1, -7), '1 m'),
      arrow(at(0, 0), at(0, 12), 'soft', 'front'),
      note(at(8, 0), 'grip'),
    ];
    expect(extentOf(shapes)).toEqual({ left: -9, right: 8, bottom: -7, top: 12 });
    expect(extentOf([])).toEqual({ left: 0, right: 0, bottom: 0, top: 0 });
  });

  it('fit the page by one scale, in its middle, upwards as on paper', () => {
    const page = { width: 400, height: 300, margin: { x: 20, y: 30 } };
    const wide = fitTo({ left: -10, right: 30, bottom: 0, top: 5 }, page);
    expect(wide.scale).toBeCloseTo(360 / 40, 12);
    expect([wide.x(-10), wide.x(30)]).toEqual([20, 380]);
    expect(wide.y(0) - wide.y(5)).toBeCloseTo(5 * wide.scale, 12);
    expect((wide.y(0) + wide.y(5)) / 2).toBeCloseTo(150, 12);
    const high = fitTo({ left: 0, right: 1, bottom: 0, top: 80 }, page);
    expect([high.y(80), high.y(0)]).toEqual([30, 270]);
    // A point is no bigger than the page.
    expect(Number.isFinite(fitTo({ left: 2, right: 2, bottom: 3, top: 3 }, page).x(2))).toBe(true);
  });

  it('are measured by round lengths: one, two or five times a power of ten', () => {
    const found = [0.013, 0.02, 0.049, 0.7, 1, 9.99, 260].map(roundLength);
    expect(found).toEqual([0.01, 0.02, 0.02, 0.5, 1, 5, 200].map((x) => expect.closeTo(x, 12)));
  });

  it('leave a corner to what is written beside them: the upper left, or where it lies over the fewest', () => {
    const page = { width: 200, height: 100 };
    // One unit of the drawing is one of the page, its lower left corner at nought.
    const fit = fitTo({ left: 0, right: 200, bottom: 0, top: 100 }, { ...page, margin: { x: 0, y: 0 } });
    const corner = (middles: readonly (readonly [number, number])[], corners: 'all' | 'upper' = 'all') =>
      freeCorner(
        middles.map(([x, y]) => circle(at(x, y), 8, 'ink')),
        fit,
        { page, size: { width: 40, height: 10 }, edge: 5, corners },
      );
    const [upperLeft, upperRight] = [
      { x: 5, y: 5 },
      { x: 155, y: 5 },
    ];
    const [lowerLeft, lowerRight] = [
      { x: 5, y: 85 },
      { x: 155, y: 85 },
    ];
    const [onUpperLeft, onUpperRight, onLowerLeft] = [
      [20, 90],
      [180, 90],
      [20, 10],
    ] as const;
    expect(corner([])).toEqual(upperLeft);
    expect(corner([onUpperRight, onLowerLeft])).toEqual(upperLeft);
    expect(corner([onUpperLeft])).toEqual(upperRight);
    expect(corner([onUpperLeft, onUpperRight])).toEqual(lowerLeft);
    expect(corner([onUpperLeft, onUpperRight, onLowerLeft])).toEqual(lowerRight);
    // Above the ground alone, over one rather than two.
    expect(corner([onUpperLeft, onUpperLeft, onUpperRight], 'upper')).toEqual(upperRight);
    // What ends just beside it does not count.
    expect(corner([[53, 90]])).toEqual(upperLeft);
    expect(corner([[52.9, 90]])).toEqual(upperRight);
  });
});

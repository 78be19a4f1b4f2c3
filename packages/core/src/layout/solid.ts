import { dot, minus, plus, size, times, turned, type Vector } from './vector.ts';

/** A body without hollows, by the point of it that lies furthest in a direction. */
export interface Solid {
  readonly furthest: (direction: Vector) => Vector;
  /** A point inside. */
  readonly middle: Vector;
  readonly least: Vector;
  readonly most: Vector;
  /** Whether it fills the box about it: what is met, and how near, is then told by that alone. */
  readonly isBlock: boolean;
}

const AXES: readonly Vector[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** A box turned by less than this, rad, from square to the vehicle is square to it. */
const SQUARE = 1e-9;

/** A body by its furthest points, with the box about it. */
function solidOf(middle: Vector, furthest: Solid['furthest'], isBlock = false): Solid {
  const end = (sign: 1 | -1): Vector => {
    const [ahead = 0, left = 0, up = 0] = AXES.map((axis) => dot(furthest(times(axis, sign)), axis));
    return [ahead, left, up];
  };
  return { middle, furthest, least: end(-1), most: end(1), isBlock };
}

/**
 * A box by its middle and its sides, turned about the upright.
 *
 * @example boxAt([0, 0, 0.5], [2, 1, 1], 0).most // [1, 0.5, 1]
 */
export function boxAt(middle: Vector, [length, width, height]: Vector, turn: number): Solid {
  const isBlock = Math.abs(Math.sin(2 * turn)) < SQUARE;
  const furthest = (direction: Vector): Vector => {
    const [a, b, c] = turned(direction, -turn);
    const corner: Vector = [
      (a < 0 ? -length : length) / 2,
      (b < 0 ? -width : width) / 2,
      (c < 0 ? -height : height) / 2,
    ];
    return plus(middle, turned(corner, turn));
  };
  return solidOf(middle, furthest, isBlock);
}

/**
 * A cylinder by its middle, the direction of its middle line, its radius and its length.
 *
 * @example cylinderAt([0, 0, 1], [0, 0, 1], 0.5, 2).most // [0.5, 0.5, 2]
 */
export function cylinderAt(middle: Vector, along: Vector, radius: number, length: number): Solid {
  const axis = times(along, 1 / size(along));
  return solidOf(middle, (direction) => {
    const by = dot(direction, axis);
    const across = minus(direction, times(axis, by));
    const far = size(across);
    const rim = far > 0 ? times(across, radius / far) : ([0, 0, 0] as const);
    return plus(middle, plus(times(axis, (by < 0 ? -length : length) / 2), rim));
  });
}

/**
 * What lies between bodies: a loop about two wheels, or the way of a body from one place to another.
 *
 * @example hullOf([boxAt([0, 0, 0], [1, 1, 1], 0), boxAt([3, 0, 0], [1, 1, 1], 0)]).most // [3.5, 0.5, 0.5]
 */
export function hullOf(solids: readonly Solid[]): Solid {
  const middle = times(
    solids.reduce<Vector>((sum, solid) => plus(sum, solid.middle), [0, 0, 0]),
    1 / solids.length,
  );
  return solidOf(middle, (direction) =>
    solids
      .map((solid) => solid.furthest(direction))
      .reduce((best, point) => (dot(point, direction) > dot(best, direction) ? point : best)),
  );
}

/**
 * The body that corners span.
 *
 * @example around([[0, 0, 0], [2, 0, 0], [0, 1, 0], [0, 0, 1]]).most // [2, 1, 1]
 */
export function around(corners: readonly Vector[]): Solid {
  const middle = times(
    corners.reduce<Vector>((sum, corner) => plus(sum, corner), [0, 0, 0]),
    1 / corners.length,
  );
  return solidOf(middle, (direction) =>
    corners.reduce((best, corner) => (dot(corner, direction) > dot(best, direction) ? corner : best)),
  );
}

/**
 * A body somewhere else.
 *
 * @example shifted(boxAt([0, 0, 0], [1, 1, 1], 0), [1, 0, 0]).least // [0.5, -0.5, -0.5]
 */
export const shifted = (solid: Solid, by: Vector): Solid => ({
  middle: plus(solid.middle, by),
  least: plus(solid.least, by),
  most: plus(solid.most, by),
  isBlock: solid.isBlock,
  furthest: (direction) => plus(solid.furthest(direction), by),
});

/**
 * A body and all the way that it goes straight.
 *
 * @example sweptAlong(boxAt([0, 0, 0], [1, 1, 1], 0), [0, 0, 2]).most // [0.5, 0.5, 2.5]
 */
export function sweptAlong(solid: Solid, by: Vector): Solid {
  const there = shifted(solid, by);
  const swept: Solid = {
    middle: plus(solid.middle, times(by, 0.5)),
    least: lesser(solid.least, there.least),
    most: times(lesser(times(solid.most, -1), times(there.most, -1)), -1),
    isBlock: solid.isBlock && by.filter((step) => step !== 0).length <= 1,
    furthest: (direction) => {
      const point = solid.furthest(direction);
      return dot(by, direction) > 0 ? plus(point, by) : point;
    },
  };
  return swept;
}

const lesser = (a: Vector, b: Vector): Vector => [
  Math.min(a[0], b[0]),
  Math.min(a[1], b[1]),
  Math.min(a[2], b[2]),
];

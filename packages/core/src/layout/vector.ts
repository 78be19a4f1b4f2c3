/** A place or a direction, m: ahead of the rear axle, left of the middle, above the ground. */
export type Vector = readonly [ahead: number, left: number, up: number];

/** Both one after the other. */
export const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
/** From the second to the first. */
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
/** So many times as long. */
export const times = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by];
/** How far one goes along the other, times its length. */
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** Its length. */
export const size = (a: Vector): number => Math.sqrt(dot(a, a));

/** Turned about the upright, to the left positive. */
export const turned = ([ahead, left, up]: Vector, angle: number): Vector => [
  ahead * Math.cos(angle) - left * Math.sin(angle),
  ahead * Math.sin(angle) + left * Math.cos(angle),
  up,
];

/** The six ways out: forwards, backwards, to the left, to the right, up, down. */
export const WAYS = {
  front: [1, 0, 0],
  back: [-1, 0, 0],
  left: [0, 1, 0],
  right: [0, -1, 0],
  top: [0, 0, 1],
  bottom: [0, 0, -1],
} as const satisfies Readonly<Record<string, Vector>>;

/** Square to both, by the right hand. */
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

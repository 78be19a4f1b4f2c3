import type { Dimension } from './units.ts';

/** What is reckoned with at all, and what a shed usually has; SI. A magnitude of 0 is always within where 0 may be. */
export interface Bounds {
  readonly least: number;
  readonly most: number;
  readonly usualLeast: number;
  readonly usualMost: number;
}

const bounds = (least: number, most: number, usualLeast: number, usualMost: number): Bounds => ({
  least,
  most,
  usualLeast,
  usualMost,
});

/** For each dimension: the magnitudes that are reckoned with, then those that need no question (common practice). */
const BOUNDS: Readonly<Record<Dimension, Bounds>> = {
  mass: bounds(1e-6, 1e6, 1e-3, 5000),
  length: bounds(1e-6, 1e5, 1e-4, 10_000),
  force: bounds(1e-6, 1e8, 1e-3, 50_000),
  torque: bounds(1e-9, 1e7, 1e-5, 5000),
  speed: bounds(1e-6, 1000, 1e-4, 30),
  acceleration: bounds(1e-6, 1e4, 1e-3, 20),
  rotation: bounds(1e-6, 1e6, 1e-3, 12_000),
  angle: bounds(1e-9, 100, 1e-4, 100),
  voltage: bounds(1e-3, 1e5, 0.5, 120),
  current: bounds(1e-6, 1e6, 1e-3, 1000),
  resistance: bounds(1e-9, 1e6, 1e-5, 100),
  power: bounds(1e-6, 1e8, 1e-3, 20_000),
  energy: bounds(1e-6, 1e12, 1, 1e8),
  charge: bounds(1e-6, 1e9, 1, 3.6e6),
  time: bounds(1e-6, 1e9, 1e-3, 2e6),
  area: bounds(1e-9, 1e9, 1e-6, 1e5),
  stress: bounds(1, 1e12, 1e3, 2e9),
  'line-pull': bounds(1e-3, 1e9, 100, 1e5),
  temperature: bounds(1, 1e4, 200, 500),
  ratio: bounds(1e-6, 1e6, 0.01, 5000),
  number: bounds(1e-9, 1e12, 1e-6, 1e7),
  coefficient: bounds(1e-9, 100, 1e-4, 5),
  share: bounds(1e-6, 1, 1e-3, 1),
};

/**
 * Between which values a kind of quantity is reckoned with, and which of them are usual.
 *
 * @example boundsOf('mass') // { least: 0.000001, most: 1000000, usualLeast: 0.001, usualMost: 5000 }
 */
export const boundsOf = (dimension: Dimension): Bounds => BOUNDS[dimension];

/**
 * The value of a dimension that is reckoned with, nearest to this one. Zero stays zero where it may be.
 *
 * @example withinBounds('mass', 1e99) // 1000000
 */
export function withinBounds(dimension: Dimension, value: number): number {
  const { least, most } = BOUNDS[dimension];
  const size = Math.abs(value);
  if (size === 0 || (size >= least && size <= most)) return value;
  // Less than anything reckoned with is nothing at all.
  return size < least ? 0 : Math.sign(value) * most;
}

/**
 * Whether a number is far from what a shed has, so that it is worth asking whether it is meant.
 *
 * @example isUnusual('mass', 1e9) // true
 */
export function isUnusual(dimension: Dimension, value: number): boolean {
  const { usualLeast, usualMost } = BOUNDS[dimension];
  const size = Math.abs(value);
  return size !== 0 && (size < usualLeast || size > usualMost);
}

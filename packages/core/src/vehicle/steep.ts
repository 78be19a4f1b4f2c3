import { degreesToRadians } from '../quantity/index.ts';
import type { Duty } from './duty.ts';

/** Steeper than this a vehicle left to itself rolls away (common practice, no source): degrees. */
const ROLLS_AWAY_DEG = 2;

/**
 * Whether a duty's slope, up or down, runs a vehicle away that is let go.
 *
 * @example rollsAway({ ...duty, grade: typed(0.1, '°') }) // true
 */
export const rollsAway = ({ grade }: Duty): boolean =>
  Math.abs(grade.value) > degreesToRadians(ROLLS_AWAY_DEG);

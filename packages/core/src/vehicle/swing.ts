import type { Build } from './document.ts';

/** A castor's pivot stands so far ahead of its wheel, over the wheel's diameter (common practice, no source). */
export const CASTOR_TRAIL = 0.4;

/** From lock to lock where nobody said: 60° (common practice, no source). */
const USUAL_LOCK_TO_LOCK = Math.PI / 3;

/**
 * How far its wheels steer to either side, radians.
 *
 * @example steeringLock(puffin) // 0.5236
 */
export const steeringLock = ({ steering }: Pick<Build, 'steering'>): number =>
  (steering?.lockToLock.value ?? USUAL_LOCK_TO_LOCK) / 2;

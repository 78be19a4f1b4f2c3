import { radiansToDegrees, showNumber } from '@zubric/core/quantity';

/** A slope that is a fraction of a degree, in whatever units others are. */
export const slopeInWords = (rad: number): string => `${showNumber(radiansToDegrees(Math.abs(rad)), 2)}°`;

import type { Check } from './useQuantityText.ts';

/** Limits of numbers that no schema of a build has, as sentences. */
export const aboveZero: Check = (value) => (value > 0 ? undefined : 'This must be more than 0.');
export const zeroOrMore: Check = (value) => (value >= 0 ? undefined : 'This cannot be less than 0.');

import type { Check } from './useQuantityText.ts';

/** Limits as sentences. The same limits stand in the schema of the build; these say them before it is sent. */
export const aboveZero: Check = (value) => (value > 0 ? undefined : 'This must be more than 0.');
export const zeroOrMore: Check = (value) => (value >= 0 ? undefined : 'This cannot be less than 0.');
export const shareOfWhole: Check = (value) =>
  value >= 0 && value <= 1 ? undefined : 'This is a share: 0 to 100 %.';
export const efficiencyShare: Check = (value) =>
  value > 0 && value <= 1 ? undefined : 'An efficiency is more than 0 and at most 100 %.';
export const climbable: Check = (value) =>
  Math.abs(value) < Math.PI / 2 ? undefined : 'A grade is less than 90° up or down.';
export const upTo =
  (most: number, above = 0): Check =>
  (value) =>
    value >= above && value <= most ? undefined : `This must be from ${above} to ${most}.`;

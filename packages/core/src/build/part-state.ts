/** Whether a part is in the shed. */
export const PART_STATES = ['on-hand', 'ordered', 'wished-for'] as const;
export type PartState = (typeof PART_STATES)[number];

/** Whether a part is in the shed. */
export const PART_STATES = ['on-hand', 'ordered', 'wished-for'] as const;
export type PartState = (typeof PART_STATES)[number];

/** The states as they are said. */
export const PART_STATE_WORDS: Readonly<Record<PartState, string>> = {
  'on-hand': 'on hand',
  ordered: 'ordered',
  'wished-for': 'not bought yet',
};

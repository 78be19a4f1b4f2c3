import type { Build } from '@zubric/core/vehicle';

/** Who is on it or near it, as it is asked. */
export const PEOPLE_TITLES: Readonly<Record<Build['people'], string>> = {
  nobody: 'nobody near it',
  beside: 'walked beside',
  riding: 'somebody rides',
};

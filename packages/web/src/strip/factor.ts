import { standsStill, type LinkReport } from '@zubric/core/judge';
import { showNumber } from '@zubric/core/quantity';

/** What a margin is said as: a factor of what is needed; what stands still has none. */
export const factorOf = (link: Pick<LinkReport, 'link' | 'ratio'>): string =>
  standsStill(link) ? 'cannot move' : `${showNumber(link.ratio)} ×`;

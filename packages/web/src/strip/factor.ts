import type { LinkId, LinkReport } from '@zubric/core/judge';
import { showNumber } from '@zubric/core/quantity';

/** Links of which nothing at all means that it stands. */
const MOVES: ReadonlySet<LinkId> = new Set(['speed', 'work-speed', 'steer-speed']);

/** Whether a margin is that of something which does not get moving. */
export const standsStill = ({ link, ratio }: Pick<LinkReport, 'link' | 'ratio'>): boolean =>
  ratio === 0 && MOVES.has(link);

/** What a margin is said as: a factor of what is needed; what stands still has none. */
export const factorOf = (link: Pick<LinkReport, 'link' | 'ratio'>): string =>
  standsStill(link) ? 'cannot move' : `${showNumber(link.ratio)} ×`;

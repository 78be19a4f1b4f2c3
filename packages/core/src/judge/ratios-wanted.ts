import type { DutyReport, RatioSpan } from '../capability/index.ts';

/** A ratio this near is the one that there is. */
export const SAME = 1.05;
/** Just inside the end of a window. */
export const INSIDE = 1.04;

const middle = ({ low, high }: RatioSpan): number => Math.sqrt(low * high);

/** What all duties allow at once; where that is nothing, undefined. */
function common(duties: readonly DutyReport[], which: 'just' | 'rule'): RatioSpan | undefined {
  const spans = duties.flatMap(({ ratioWindow }) => (ratioWindow ? [ratioWindow[which]] : []));
  if (spans.length === 0 || spans.includes(null)) return undefined;
  const low = Math.max(...spans.map((s) => s?.low ?? 0));
  const high = Math.min(...spans.map((s) => s?.high ?? Infinity));
  return low <= high ? { low, high } : undefined;
}

/**
 * Ratios worth a try: the middle of what suits every duty, and just inside the end that the governing duty names.
 *
 * @example ratiosWanted(report.duties, null, 36) // [39.96]
 */
export function ratiosWanted(duties: readonly DutyReport[], dutyId: string | null, now: number): number[] {
  const both = common(duties, 'rule') ?? common(duties, 'just');
  const own = duties.find(({ id }) => id === dutyId)?.ratioWindow;
  const window = own?.rule ?? own?.just;
  const edges = window
    ? [
        now < window.low
          ? Math.min(window.low * INSIDE, window.high)
          : now > window.high
            ? Math.max(window.high / INSIDE, window.low)
            : middle(window),
      ]
    : own
      ? [own.best.ratio]
      : [];
  const all = [...(both ? [middle(both)] : []), ...edges];
  return all.filter(
    (ratio, at) => all.findIndex((other) => Math.max(other / ratio, ratio / other) < SAME) === at,
  );
}

import { linkDefinition, type LinkId, type LinkReport, type Margins } from '../judge/index.ts';

/** Who hears of each margin as it is worked out: link, duty (null of the whole), has over needs. */
export type Hears = (link: LinkId, dutyId: string | null, ratio: number) => void;

/** What margins come to while they are worked out one by one, without keeping any. */
export interface Tally {
  /** The least of ratio over rule. */
  worst: number;
  /** Whether one has less than it needs. */
  fails: boolean;
  /** By how much they have less than they need, as shares of it, together. */
  lacks: number;
  hears: Hears | undefined;
}

/** A tally of nothing. */
export const freshTally = (hears?: Hears): Tally => ({
  worst: Infinity,
  fails: false,
  lacks: 0,
  hears,
});

/** Empties a tally for the next set. */
export function emptied(t: Tally): void {
  t.worst = Infinity;
  t.fails = false;
  t.lacks = 0;
}

/** Counts a margin by its ratio and its rule, as `margin` of the judge has it. */
export function countRatio(t: Tally, link: LinkId, dutyId: string | null, ratio: number, rule: number): void {
  if (ratio === Infinity) return;
  if (t.hears) t.hears(link, dutyId, ratio);
  if (ratio < 1) {
    t.fails = true;
    t.lacks += 1 - ratio;
  }
  const near = ratio / rule;
  if (near < t.worst) t.worst = near;
}

/** Counts a margin by what is needed and had; nothing needed is no margin. */
export function count(
  t: Tally,
  link: LinkId,
  dutyId: string | null,
  needs: number,
  has: number,
  rule: number,
): void {
  if (needs > 0) countRatio(t, link, dutyId, has > 0 ? has / needs : 0, rule);
}

/** Margins of the whole build that no motor, driver, battery or train changes. */
const OF_THE_BUILD: ReadonlySet<LinkId> = new Set(['wheel-load', 'rail', 'charge-plug', 'fuse-wire']);

/**
 * Whether a margin is given, whatever set is put in: those of the ground, and some of the whole build. (Rotors and batteries
 * move some of them by a little.)
 *
 * @example isGiven('grip') // true
 */
export const isGiven = (link: LinkId): boolean =>
  OF_THE_BUILD.has(link) || linkDefinition(link).block === 'ground';

/**
 * Whether a margin of a judged build is given: by its link, or because the wheels slip there on the spot.
 *
 * @example isGivenIn(evaluate(puffin), evaluate(puffin).governing[0]) // true
 */
export const isGivenIn = (
  { duties }: Pick<Margins, 'duties'>,
  { link, dutyId, ratio }: LinkReport,
): boolean => {
  if (isGiven(link)) return true;
  const duty = link === 'speed' && ratio === 0 ? duties.find(({ id }) => id === dutyId) : undefined;
  return duty?.footing.gripN !== undefined && duty.footing.gripN <= duty.resistance.totalN;
};

/** Margins that many sets share, counted once. */
export function tallyOf(links: readonly LinkReport[], hears?: Hears): Tally {
  const tally = freshTally(hears);
  for (const { link, dutyId, ratio, rule } of links) countRatio(tally, link, dutyId, ratio, rule);
  return tally;
}

/** Adds what a shared tally came to. */
export function countAll(t: Tally, shared: Tally): void {
  if (shared.fails) t.fails = true;
  t.lacks += shared.lacks;
  if (shared.worst < t.worst) t.worst = shared.worst;
}

import { showNumber } from '../quantity/index.ts';
import { linkDefinition, type LinkId } from './links.ts';
import { isUnderRule, standsStill } from './margin.ts';
import type { LinkReport, Report, Verdict } from './report.ts';

interface MarginAt {
  readonly ratio: number;
  readonly rule: number;
  readonly verdict: Verdict;
}

/** A margin of the governing duty in two builds; null where a build has no such link yet. */
export interface MovedMargin {
  readonly link: LinkId;
  readonly title: string;
  readonly before: MarginAt | null;
  readonly after: MarginAt | null;
  /** Whether it reads differently. */
  readonly moved: boolean;
}

const marginAt = (link: LinkReport | undefined): MarginAt | null =>
  link ? { ratio: link.ratio, rule: link.rule, verdict: link.verdict } : null;

/** Margins are said to three digits: what is the same in those has not moved. */
const said = (margin: MarginAt | null): string =>
  margin ? `${showNumber(margin.ratio)} ${margin.verdict}` : '';

/**
 * Every margin that either build has, before and after.
 *
 * @example compareMargins(report, report).some(({ moved }) => moved) // false
 */
export function compareMargins(
  before: Pick<Report, 'governing'>,
  after: Pick<Report, 'governing'>,
): MovedMargin[] {
  const links = [...new Set([...before.governing, ...after.governing].map((link) => link.link))];
  return links.map((link) => {
    const [was, is] = [before, after].map((report) =>
      marginAt(report.governing.find((other) => other.link === link)),
    ) as [MarginAt | null, MarginAt | null];
    return { link, title: linkDefinition(link).title, before: was, after: is, moved: said(was) !== said(is) };
  });
}

const UNDER: Readonly<Record<Verdict, string>> = {
  fails: 'failing',
  short: 'short',
  tight: 'tight',
  ample: 'ample',
};

/**
 * A margin that moved, as it is said.
 *
 * @example marginInWords({ link: 'torque', title: 'Wheel torque', before: { ratio: 1.4, rule: 2, verdict: 'short' }, after: { ratio: 2.1, rule: 2, verdict: 'tight' } })
 *   // 'wheel torque 1.4 → 2.1 × its need, no longer short'
 */
export function marginInWords({ link, title, before, after }: MovedMargin): string {
  const name = title.charAt(0).toLowerCase() + title.slice(1);
  const factor = (margin: MarginAt | null): string | undefined =>
    margin && !standsStill({ link, ratio: margin.ratio }) ? showNumber(margin.ratio) : undefined;
  const whole = (margin: MarginAt | null): string => {
    const times = factor(margin);
    if (times !== undefined) return `${times} × its need`;
    return margin ? 'cannot move' : 'none';
  };
  const was = (after && factor(after) !== undefined ? factor(before) : undefined) ?? whole(before);
  return `${name} ${was} → ${whole(after)}${verdictInWords(before, after)}`;
}

/**
 * A margin as it is told by itself.
 *
 * @example marginAlone({ link: 'torque', ratio: 1.6, rule: 2 }) // '1.6 times what it needs; the rule asks 2'
 */
export const marginAlone = (link: Pick<LinkReport, 'link' | 'ratio' | 'rule'>): string =>
  standsStill(link)
    ? 'cannot move'
    : `${showNumber(link.ratio)} times what it needs; the rule asks ${showNumber(link.rule)}`;

/**
 * Whether a margin that is said so, now or long ago, came to another verdict.
 *
 * @example saysVerdict('grip 1.2 → 1.3 × its need, no longer short') // true
 */
export const saysVerdict = (line: string): boolean => /, (?:now|still|no longer) [a-z]+$/.test(line);

/** How the verdict changed, after a comma; nothing where it did not. */
function verdictInWords(before: MarginAt | null, after: MarginAt | null): string {
  if (!before || !after || before.verdict === after.verdict) return '';
  if (isUnderRule(after.verdict))
    return `, ${before.verdict === 'fails' ? 'still' : 'now'} ${UNDER[after.verdict]}`;
  return isUnderRule(before.verdict) ? `, no longer ${UNDER[before.verdict]}` : `, now ${after.verdict}`;
}

/** Another verdict before the same one, and what fails before all. */
const weight = ({ before, after }: MovedMargin): number =>
  (before?.verdict === after?.verdict ? 0 : 2) + (after?.verdict === 'fails' ? 1 : 0);

/**
 * What an edit did to the margins in one sentence, for ears: the one that matters most, and how many more moved.
 *
 * @example changeInWords(compareMargins(report, evaluate(changeDrive(puffin, { stages: [withTeeth(stage, 14, 40)] }))).filter(({ moved }) => moved))
 *   // 'Wheel torque is now 1.45 times what it needs, befo…'
 */
export function changeInWords(moved: readonly MovedMargin[]): string {
  const [most] = [...moved].sort((a, b) => weight(b) - weight(a));
  if (!most) return '';
  const { link, title, before, after } = most;
  const times = (margin: MarginAt): string => showNumber(margin.ratio);
  const said = !after
    ? `${title} is not judged any more`
    : standsStill({ link, ratio: after.ratio })
      ? `${title}: it cannot move any more`
      : `${title} is now ${times(after)} times what it needs${before ? `, before ${times(before)}` : ''}${verdictInWords(before, after)}`;
  const more = moved.length - 1;
  return `${said}${more === 0 ? '' : `; ${more} more ${more === 1 ? 'margin' : 'margins'} moved`}.`;
}

import { showNumber } from '../quantity/index.ts';
import { linkDefinition, type LinkId } from './links.ts';
import { isUnderRule } from './margin.ts';
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

/** Every margin that either build has, before and after. */
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
 * @example marginInWords(moved) // 'wheel torque 1.4 × → 1.6 ×, no longer short'
 */
export function marginInWords({ title, before, after }: MovedMargin): string {
  const name = title.charAt(0).toLowerCase() + title.slice(1);
  const factor = (margin: MarginAt | null): string => (margin ? `${showNumber(margin.ratio)} ×` : 'none');
  const verdict =
    !before || !after || before.verdict === after.verdict
      ? ''
      : isUnderRule(after.verdict)
        ? `, ${before.verdict === 'fails' ? 'still' : 'now'} ${UNDER[after.verdict]}`
        : isUnderRule(before.verdict) && !isUnderRule(after.verdict)
          ? `, no longer ${UNDER[before.verdict]}`
          : `, now ${after.verdict}`;
  return `${name} ${factor(before)} → ${factor(after)}${verdict}`;
}

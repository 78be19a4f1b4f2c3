import { figure, type Figure } from '../quantity/index.ts';
import { found, marginId, type Finding, type Severity } from './finding.ts';
import type { FindingContext } from './finding-context.ts';
import { linkDefinition, type LinkId } from './links.ts';
import { closeness, governingLinks, isUnderRule, partsOfLink } from './margin.ts';
import { VERDICTS, type LinkReport, type Verdict } from './report.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** A margin that holds at the start of an outing, and no longer at its end. */
    'at-the-end': 'needs' | 'has' | 'ratio' | 'rule' | 'restsAt';
  }
}

/** What a margin under its rule is: it stops the build, or it is only short or tight. */
const SEVERITY: Readonly<Record<Exclude<Verdict, 'ample'>, Severity>> = {
  fails: 'stop',
  short: 'short',
  tight: 'tight',
};

/** Which margin is the cause where several fail on one duty: what it explains comes inside it. */
const EXPLAINS: readonly {
  readonly cause: LinkId;
  readonly explains: readonly LinkId[];
  readonly where?: (effect: LinkReport, cause: LinkReport) => boolean;
}[] = [
  // Wheels that slip do not get it moving, whatever the motors give.
  { cause: 'grip', explains: ['speed'] },
  // Outside its window a ratio gives too little torque or speed.
  { cause: 'ratio', explains: ['torque', 'speed'] },
  // What does not stop in its distance at the duty's speed, stops no better from a higher one.
  { cause: 'brake-stop', explains: ['over-speed'] },
  // What does not turn against its work turns it at no speed.
  { cause: 'work-torque', explains: ['work-speed'], where: (a, b) => a.driveId === b.driveId },
  { cause: 'steering', explains: ['steer-speed'], where: (a, b) => a.driveId === b.driveId },
  // Past the speed that the motors reach, they give no torque at all.
  { cause: 'speed', explains: ['torque'], where: (torque) => torque.has === 0 },
];

/**
 * The margin that explains another one, if one of them fails and does.
 *
 * @param under among which it is looked for
 * @example causeOf(report.governing[0], report.governing) // undefined
 */
export function causeOf(link: LinkReport, under: readonly LinkReport[]): LinkReport | undefined {
  return EXPLAINS.flatMap(({ cause, explains, where }) =>
    explains.includes(link.link)
      ? under.filter(
          (other) =>
            other.link === cause &&
            other.verdict === 'fails' &&
            other.dutyId === link.dutyId &&
            (where?.(link, other) ?? true),
        )
      : [],
  )[0];
}

/** The figures of a margin, and what it is of. */
function marginOf(of: LinkReport) {
  const { link, dutyId, needs, has, ratio, rule } = of;
  const { dimension } = linkDefinition(link);
  const plain = (value: number): Figure => figure(value, 'number');
  return {
    figures: {
      needs: figure(needs, dimension),
      has: figure(has, dimension),
      ratio: plain(ratio),
      rule: plain(rule),
    },
    about: {
      link,
      dutyId,
      ...partsOfLink(of),
    },
  };
}

function marginFinding(link: LinkReport, within: readonly LinkReport[]): Finding {
  const { figures, about } = marginOf(link);
  const follows = within.map((other) => marginFinding(other, []));
  return {
    ...found('margin', link.verdict === 'ample' ? 'note' : SEVERITY[link.verdict], figures, {
      ...about,
      ...(follows.length > 0 ? { within: follows } : {}),
    }),
    id: marginId(link.link),
  };
}

/** One finding for each cause among the links under their rule or just over it, the nearest to failing first. */
export function marginFindings({ governing }: FindingContext): Finding[] {
  const under = governing
    .filter((link) => link.verdict !== 'ample')
    .sort((a, b) => closeness(a) - closeness(b));
  const caused = under.filter(
    (link) => link.verdict === 'fails' || link.link === 'torque' || link.link === 'speed',
  );
  const explained = new Map(caused.map((link) => [link, causeOf(link, under)]));
  return under
    .filter((link) => !explained.get(link))
    .map((link) =>
      marginFinding(
        link,
        under.filter((other) => explained.get(other) === link),
      ),
    );
}

/** What the battery still does at the start of an outing, and no longer at its end: of each link the worst. */
export function endFindings({ links, outing }: FindingContext): Finding[] {
  const { end } = outing ?? {};
  if (!end) return [];
  const begins = (link: LinkReport): LinkReport | undefined =>
    links.find(
      (other) => other.link === link.link && other.dutyId === link.dutyId && other.driveId === link.driveId,
    );
  const worse = end.links.filter((link) => {
    const before = begins(link);
    const rank = (v: Verdict): number => VERDICTS.indexOf(v);
    return isUnderRule(link.verdict) && (!before || rank(link.verdict) < rank(before.verdict));
  });
  return governingLinks(worse).map((link) => {
    const { figures, about } = marginOf(link);
    const severity = link.verdict === 'fails' ? 'stop' : 'short';
    const restsAt = figure(end.openCircuitV, 'voltage');
    return found('at-the-end', severity, { ...figures, restsAt }, { of: link.link, ...about });
  });
}

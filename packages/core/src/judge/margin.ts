import type { MarginPolicy } from '../vehicle/index.ts';
import { linkDefinition, type LinkId } from './links.ts';
import { VERDICTS, type LinkReport, type Verdict } from './report.ts';

/** Between the rule and this times the rule a margin is tight; of voltages, which move less (common practice, no source). */
const TIGHT_BAND = 1.15;
const TIGHT_BAND_OF_VOLTS = 1.05;

/** The least ratio of an ample margin. */
function ampleFrom(rule: number, link?: LinkId): number {
  const volts = link !== undefined && linkDefinition(link).dimension === 'voltage';
  return (volts ? TIGHT_BAND_OF_VOLTS : TIGHT_BAND) * rule;
}

/** It fails with less than it needs; under the rule it is short, just over it tight. */
export function verdictOf(ratio: number, rule: number, link?: LinkId): Verdict {
  if (ratio < 1) return 'fails';
  if (ratio < rule) return 'short';
  return ratio < ampleFrom(rule, link) ? 'tight' : 'ample';
}

/**
 * The ratio at which a margin that is on its way to another verdict loses the one that it has.
 *
 * @example turnsAt({ link: 'grip', rule: 1.3 }, 'tight', 'fails') // 1.3
 */
export function turnsAt(
  { link, rule }: Pick<LinkReport, 'link' | 'rule'>,
  from: Verdict,
  to: Verdict,
): number {
  const least = [0, 1, Math.max(1, rule), Math.max(1, ampleFrom(rule, link))];
  const [was, becomes] = [VERDICTS.indexOf(from), VERDICTS.indexOf(to)];
  return least[becomes > was ? was + 1 : was] ?? 0;
}

/**
 * Whether a margin does not keep its rule.
 *
 * @example isUnderRule('short') // true
 */
export const isUnderRule = (verdict: Verdict): boolean => verdict === 'fails' || verdict === 'short';

interface MarginInput {
  readonly link: LinkId;
  readonly dutyId: string | null;
  readonly needs: number;
  readonly has: number;
  /** Where the margin is not simply has over needs. */
  readonly ratio?: number;
  /** Where it does not follow from ratio and rule. */
  readonly verdict?: Verdict;
  readonly driveId?: string;
  readonly stageId?: string;
  readonly elementId?: string;
  readonly railId?: string;
}

type PartsOfLink = Pick<LinkReport, 'driveId' | 'stageId' | 'elementId' | 'railId'>;

/**
 * Of which part of the build a margin is, without what is not said.
 *
 * @example partsOfLink({ driveId: 'd', stageId: 's' }) // { driveId: 'd', stageId: 's' }
 */
export function partsOfLink({ driveId, stageId, elementId, railId }: PartsOfLink): PartsOfLink {
  const parts: { -readonly [part in keyof PartsOfLink]: PartsOfLink[part] } = {};
  if (driveId !== undefined) parts.driveId = driveId;
  if (stageId !== undefined) parts.stageId = stageId;
  if (elementId !== undefined) parts.elementId = elementId;
  if (railId !== undefined) parts.railId = railId;
  return parts;
}

/** The same margin, of a drive. Written out: to copy each of a build’s margins took a tenth of its evaluation. */
const ofDrive = (margin: LinkReport, driveId: string): LinkReport => {
  const { link, dutyId, needs, has, ratio, rule, verdict, stageId, elementId, railId } = margin;
  const parts = partsOfLink({ stageId, elementId, railId });
  return { link, dutyId, needs, has, ratio, rule, verdict, ...parts, driveId };
};

/** Links that belong to a drive say to which. */
export const linksOf = (driveId: string, links: readonly LinkReport[]): LinkReport[] =>
  links.map((link) => ofDrive(link, driveId));

/** The margin of one link in one duty. A link of which nothing is needed, or as good as nothing, has none. */
export function margin(input: MarginInput, policy: MarginPolicy): LinkReport[] {
  if (!(input.needs > 0)) return [];
  const has = Math.max(0, input.has);
  const ratio = input.ratio ?? has / input.needs;
  if (ratio === Infinity) return [];
  const { link, dutyId, needs } = input;
  const rule = linkDefinition(link).rule(policy);
  const verdict = input.verdict ?? verdictOf(ratio, rule, link);
  return [{ link, dutyId, needs, has, ratio, rule, verdict, ...partsOfLink(input) }];
}

/**
 * How near a link is to its rule: under 1 it is short.
 *
 * @example closeness(report.governing[0]) // 1.078
 */
export const closeness = (link: LinkReport): number => link.ratio / link.rule;

/** Nearer to failing; of two alike, the one that needs more. */
const isWorse = (a: LinkReport, b: LinkReport): boolean =>
  closeness(a) === closeness(b) ? a.needs > b.needs : closeness(a) < closeness(b);

/** The worst report of each link, in the order the links first appear. */
export function governingLinks(links: readonly LinkReport[]): LinkReport[] {
  const worst = new Map<LinkId, LinkReport>();
  for (const link of links) {
    const before = worst.get(link.link);
    if (!before || isWorse(link, before)) worst.set(link.link, link);
  }
  return [...worst.values()];
}

/** Links of which nothing at all means that it stands. */
const MOVES: ReadonlySet<LinkId> = new Set(['speed', 'work-speed', 'steer-speed']);

/**
 * Whether a margin is that of something which does not get moving: no factor says that.
 *
 * @example standsStill({ link: 'speed', ratio: 0 }) // true
 */
export const standsStill = ({ link, ratio }: Pick<LinkReport, 'link' | 'ratio'>): boolean =>
  ratio === 0 && MOVES.has(link);

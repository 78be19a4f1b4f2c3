import type { MarginPolicy } from '../build/index.ts';
import { linkDefinition, type LinkId } from './links.ts';
import type { LinkReport, Verdict } from './report.ts';

/** Between the rule and this times the rule a margin is tight (common practice, no source). */
const TIGHT_BAND = 1.15;

export const verdictOf = (ratio: number, rule: number): Verdict =>
  ratio < rule ? 'short' : ratio < TIGHT_BAND * rule ? 'tight' : 'ample';

interface MarginInput {
  readonly link: LinkId;
  readonly dutyId: string | null;
  readonly needs: number;
  readonly has: number;
  /** Where the margin is not simply has over needs. */
  readonly ratio?: number;
  readonly stageId?: string;
  readonly elementId?: string;
}

/** The margin of one link in one duty. A link of which nothing is needed, or as good as nothing, has none. */
export function margin(input: MarginInput, policy: MarginPolicy): LinkReport[] {
  if (!(input.needs > 0)) return [];
  const has = Math.max(0, input.has);
  const ratio = input.ratio ?? has / input.needs;
  if (ratio === Infinity) return [];
  const { link, dutyId, needs, stageId, elementId } = input;
  const rule = linkDefinition(link).rule(policy);
  const report: LinkReport = { link, dutyId, needs, has, ratio, rule, verdict: verdictOf(ratio, rule) };
  if (stageId !== undefined) return [{ ...report, stageId }];
  return [elementId === undefined ? report : { ...report, elementId }];
}

/** How near a link is to its rule: under 1 it is short. */
export const closeness = (link: LinkReport): number => link.ratio / link.rule;

/** The worst report of each link, in the order the links first appear; ties keep input order. */
export function governingLinks(links: readonly LinkReport[]): LinkReport[] {
  const worst = new Map<LinkId, LinkReport>();
  for (const link of links) {
    const before = worst.get(link.link);
    if (!before || closeness(link) < closeness(before)) worst.set(link.link, link);
  }
  return [...worst.values()];
}

import type { DutyReport, OutingDraw, RatioSpan, TrainReport } from '../capability/index.ts';
import type { LinkId } from './links.ts';

/** `fails`: it has less than it needs; `short`: it does it, under the rule. */
export const VERDICTS = ['fails', 'short', 'tight', 'ample'] as const;
export type Verdict = (typeof VERDICTS)[number];

export interface LinkReport {
  readonly link: LinkId;
  /** Null where the link belongs to the whole outing. */
  readonly dutyId: string | null;
  readonly needs: number;
  readonly has: number;
  readonly ratio: number;
  readonly rule: number;
  readonly verdict: Verdict;
  /** Which stage, for links of a stage. */
  readonly stageId?: string;
  /** Which part of the torque path, for its links. */
  readonly elementId?: string;
}

export const SEVERITIES = ['stop', 'short', 'tight', 'note'] as const;

/** What a build's judge says: `stop` is only what fails or can hurt. */
export interface Finding {
  /** What it is, and of which stage, axle or duty: the same as long as that stands, whatever its figures. */
  readonly id: string;
  readonly severity: (typeof SEVERITIES)[number];
  readonly text: string;
  /** What follows from it, said in its place. */
  readonly within?: readonly string[];
  readonly stageId?: string;
  readonly link: LinkId | null;
  readonly dutyId: string | null;
  /** What kind of change would end it, where it is not a margin. */
  readonly cure?: Cure;
}

/** What a finding that is no margin is about, so that moves can end it. */
export type Cure =
  | { readonly kind: 'stage'; readonly stageId: string }
  | { readonly kind: 'fit'; readonly elementId: string }
  | { readonly kind: 'tension'; readonly stageId: string }
  | { readonly kind: 'release' }
  | { readonly kind: 'brake' }
  | { readonly kind: 'stand'; readonly dutyId: string };

/** All duties one after the other. */
export interface Outing extends OutingDraw {
  /** On the battery as it is at the end of it, where that is no longer as good as new. */
  readonly end?: { readonly openCircuitV: number; readonly links: readonly LinkReport[] };
}

export interface Report {
  readonly build: string;
  readonly train: TrainReport;
  readonly duties: readonly DutyReport[];
  readonly links: readonly LinkReport[];
  /** The worst of each link, by ratio over rule. */
  readonly governing: readonly LinkReport[];
  /** The ratios that suit every duty at once, at 1 ×; null where there is none, absent without a motor. */
  readonly ratioWindow?: RatioSpan | null;
  readonly outing?: Outing;
  readonly findings: readonly Finding[];
}

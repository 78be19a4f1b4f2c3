import type { DutyPoint, DutyReport, OutingDraw, RatioSpan, TrainReport } from '../capability/index.ts';
import type { Finding } from './finding.ts';
import type { Purpose } from '../vehicle/index.ts';
import type { LinkId } from './links.ts';

/** `fails`: it has less than it needs; `short`: it does it, under the rule. */
export const VERDICTS = ['fails', 'short', 'tight', 'ample'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** A link in one duty: what is needed, what is there, and how the two compare. */
export interface LinkReport {
  readonly link: LinkId;
  /** Null where the link belongs to the whole outing. */
  readonly dutyId: string | null;
  readonly needs: number;
  readonly has: number;
  readonly ratio: number;
  readonly rule: number;
  readonly verdict: Verdict;
  /** Which drive, for links of one. */
  readonly driveId?: string;
  /** Which stage, for links of a stage. */
  readonly stageId?: string;
  /** Which part of the torque path, for its links. */
  readonly elementId?: string;
  /** Which small supply, for its link. */
  readonly railId?: string;
}

/** All duties one after the other. */
export interface Outing extends OutingDraw {
  /** On the battery as it is at the end of it, where that is no longer as good as new. */
  readonly end?: { readonly openCircuitV: number; readonly links: readonly LinkReport[] };
}

/** One drive of the build. */
export interface DriveReport {
  readonly driveId: string;
  readonly name: string;
  readonly does: Purpose;
  readonly train: TrainReport;
  /** What a drive that steers or works is asked, at its hardest, and how it does it; absent until its motor is chosen. */
  readonly turned?: TurnedReport;
}

/** What turns without the ground: a work or a steering, and its margin. */
export interface TurnedReport {
  /** The duty on whose ground it steers the hardest; null for a work. */
  readonly dutyId: string | null;
  readonly torqueNm: number;
  readonly speedRadS: number;
  /** How far its output turns, rad, where it turns so far and back. */
  readonly turnsRad?: number;
  readonly point: DutyPoint;
}

/** All that is worked out of a build. */
export interface Report {
  readonly build: string;
  /** Of the first drive that moves the vehicle. */
  readonly train: TrainReport;
  readonly drives: readonly DriveReport[];
  readonly duties: readonly DutyReport[];
  readonly links: readonly LinkReport[];
  /** The worst of each link, by ratio over rule. */
  readonly governing: readonly LinkReport[];
  /** The ratios that suit every duty at once, at 1 ×; null where there is none, absent without a motor. */
  readonly ratioWindow?: RatioSpan | null;
  readonly outing?: Outing;
  readonly findings: readonly Finding[];
}

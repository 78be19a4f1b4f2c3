import type { LinkId } from './links.ts';

/** Forces along the ground, N. */
export interface Resistance {
  readonly rollingN: number;
  readonly gradeN: number;
  readonly dragN: number;
  readonly inertiaN: number;
  readonly drawbarN: number;
  readonly turningN: number;
  readonly obstacleN: number;
  readonly totalN: number;
}

/** Weight on the axles and what grip the driven wheels have with it. */
export interface Footing {
  readonly massKg: number;
  readonly frontN: number;
  readonly rearN: number;
  readonly drivenN: number;
  readonly gripN: number;
  readonly lifts: 'none' | 'front' | 'rear';
}

/** One motor at a duty, and the battery that feeds all of them. */
export interface DutyPoint {
  readonly wheelTorqueNm: number;
  readonly wheelRpm: number;
  readonly motorTorqueNm: number;
  readonly motorRpm: number;
  readonly currentA: number;
  readonly motorV: number;
  readonly batteryA: number;
  readonly batteryV: number;
  readonly reachable: boolean;
}

/** Ratios between which a duty's torque and speed both hold. */
export interface RatioSpan {
  readonly low: number;
  readonly high: number;
}

export interface RatioWindow {
  /** At 1 ×; null where no ratio does it. */
  readonly just: RatioSpan | null;
  /** At the rule; null where no ratio meets it. */
  readonly rule: RatioSpan | null;
  /** The ratio with the greatest torque margin at the duty's speed, and that margin. */
  readonly best: { readonly ratio: number; readonly margin: number };
}

export interface DutyReport {
  readonly id: string;
  readonly name: string;
  readonly speedMps: number;
  readonly resistance: Resistance;
  readonly footing: Footing;
  /** Speed it settles at with full command; absent without a motor. */
  readonly attainableMps?: number;
  /** Absent without a motor. */
  readonly point?: DutyPoint;
  /** Absent without a motor, and where the duty asks no pull. */
  readonly ratioWindow?: RatioWindow;
}

export type Verdict = 'short' | 'tight' | 'ample';

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
}

export interface Finding {
  readonly severity: 'stop' | 'tight' | 'note';
  readonly text: string;
  readonly link: LinkId | null;
  readonly dutyId: string | null;
}

/** The train from motor to wheel as it stands. */
export interface TrainReport {
  readonly ratio: number;
  readonly efficiency: number;
  readonly stages: readonly {
    readonly id: string;
    readonly title: string;
    readonly ratio: number;
    readonly efficiency: number;
    readonly problem?: string;
    readonly warnings: readonly string[];
  }[];
}

/** All duties one after the other. */
export interface Outing {
  readonly durationS: number;
  readonly energyJ: number;
  readonly meanBatteryA: number;
  /** How long the battery lasts at this mix of duties; absent without a battery or where nothing is drawn. */
  readonly runTimeS?: number;
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

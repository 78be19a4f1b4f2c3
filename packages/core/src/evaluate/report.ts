import type { Turning } from '../build/index.ts';
import type { LinkId } from './links.ts';

/** Forces along the ground, N. In a turn every driveline is counted as the hardest: `turningN` is twice moment over track. */
export interface Resistance {
  readonly rollingN: number;
  readonly gradeN: number;
  readonly dragN: number;
  readonly inertiaN: number;
  readonly drawbarN: number;
  /** Pressing soft ground down. */
  readonly compactionN: number;
  readonly turningN: number;
  readonly obstacleN: number;
  /** Catching a lean. */
  readonly catchingN: number;
  readonly totalN: number;
}

/** One place where it stands; below 0 the load is what would hold it down. */
export interface ContactLoad {
  readonly axleId: string;
  readonly side: 'left' | 'right' | 'middle';
  readonly aheadM: number;
  readonly leftM: number;
  readonly driven: boolean;
  readonly braked: boolean;
  readonly loadN: number;
  readonly gripN: number;
}

/** Weight on what it stands on, and what grip the driven ones have with it. */
export interface Footing {
  readonly massKg: number;
  readonly cgAheadM: number;
  readonly cgLeftM: number;
  readonly cgHeightM: number;
  /** All loads together, square to the ground. */
  readonly acrossN: number;
  readonly contacts: readonly ContactLoad[];
  readonly axles: readonly {
    readonly axleId: string;
    readonly name: string;
    readonly loadN: number;
    readonly lifts: boolean;
  }[];
  readonly drivenN: number;
  /** Absent for a winch, which pulls by its rope. */
  readonly gripN?: number;
  /** Whether it stands at all in this duty. */
  readonly stands: boolean;
  /** Why nothing presses on the ground, where nothing does. */
  readonly problem?: string;
}

/** A turn: what each side pushes with (braking negative), how fast it goes, and what the steered wheels must hold. */
export interface TurnReport {
  readonly turning: Turning;
  /** To the middle of the vehicle; 0 on the spot. */
  readonly radiusM: number;
  readonly momentNm: number;
  readonly outerN: number;
  readonly innerN: number;
  readonly outerMps: number;
  readonly innerMps: number;
  readonly steering?: { readonly sideForceN: number; readonly gripN: number; readonly pushesOn: boolean };
}

/** The axle that a step asks the most of: push over load. */
export interface StepReport {
  readonly axleId: string;
  /** Slope of the line from the edge to the axle: the friction that climbs it alone. */
  readonly needs: number;
  /** What friction and the push of the other driven wheels come to. */
  readonly has: number;
  readonly forceN: number;
  readonly highestStepM: number;
}

export interface SinkReport {
  readonly axleId: string;
  readonly sinkageM: number;
  readonly compactionN: number;
  readonly warnings: readonly string[];
}

/** What holds it on its wheels over an edge, and what tips it over it. */
export interface TipOver<To extends string> {
  readonly rightingNm: number;
  readonly overturningNm: number;
  readonly to: To;
}

/** What tips it in the duty; slopes at which it tips at rest, degrees, and the fastest round the duty's turn. */
export interface TipReport {
  readonly along?: TipOver<'front' | 'rear'>;
  readonly side?: TipOver<'left' | 'right'>;
  readonly backDeg?: number;
  readonly forwardDeg?: number;
  readonly sideDeg?: number;
  readonly worstDeg?: number;
  readonly cornerMps?: number;
  readonly cornerEnds?: 'tips' | 'slides';
  /** Of one on two wheels in line. */
  readonly leanDeg?: number;
}

/** A driven wheel in the air. */
export interface HangingReport {
  readonly axleId: string;
  readonly side: ContactLoad['side'];
  readonly gripN: number;
}

/** Holding at rest on the duty's slope, and stopping on the way down it. */
export interface BrakeReport {
  readonly holdNeedsN: number;
  readonly holdHasN: number;
  /** Slowing that the distance asked for takes. */
  readonly neededMps2?: number;
  /** Share of the weight on the braked wheels while they brake. */
  readonly share?: number;
  /** Braked harder, an axle lifts: it is braked to there. */
  readonly noses?: true;
  /** 0 where it does not stop. */
  readonly decelerationMps2?: number;
  readonly distanceM?: number;
  readonly timeS?: number;
  /** What the brake puts on the ground while it stops, all braked wheels. */
  readonly brakeN?: number;
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
  readonly durationS: number;
  readonly distanceM: number;
  readonly resistance: Resistance;
  readonly footing: Footing;
  readonly turn?: TurnReport;
  /** Force that pulls it sideways, and what its contacts hold across while they push. */
  readonly slide?: { readonly sideN: number; readonly holdsN: number };
  /** On uneven ground: what grip is left with the driven wheel in the air that is missed most. */
  readonly hanging?: HangingReport;
  /** Why the step cannot be climbed, or how. */
  readonly step?: StepReport | { readonly problem: string };
  readonly sink?: SinkReport;
  readonly tip?: TipReport;
  readonly brake?: BrakeReport;
  /** Its top speed, level or down the duty's slope, and how fast it may go; absent where nothing says so. */
  readonly top?: { readonly mps: number; readonly mayMps: number; readonly by: 'cap' | 'tip' | 'stop' };
  /** Speed it settles at with full command; absent without a motor. */
  readonly attainableMps?: number;
  /** Absent without a motor, and where the drive is not asked: held, or braked to a stand. */
  readonly point?: DutyPoint;
  /** Absent without a motor, and where the duty asks no pull. */
  readonly ratioWindow?: RatioWindow;
}

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

/** The train from motor to wheel as it stands. */
export interface TrainReport {
  readonly ratio: number;
  readonly efficiency: number;
  /** From wheel to motor; 0 where a stage locks itself. */
  readonly backEfficiency: number;
  readonly stages: readonly {
    readonly id: string;
    readonly title: string;
    readonly ratio: number;
    readonly efficiency: number;
    readonly problem?: string;
    readonly warnings: readonly string[];
  }[];
  /** Play of the wheel while the motor is held, radians, and the way that it rolls in it, metres. */
  readonly play?: { readonly atWheelRad: number; readonly atGroundM: number };
  /** Absent without a motor. */
  readonly moved?: MovedByHand;
}

/** What a vehicle asks of who pushes it, and what its motors feel of it. */
export interface MovedByHand {
  /** Force along level ground that turns the motors too, rolling left out, N; null where a stage locks. */
  readonly engagedN: number | null;
  /** The same with the drive disengaged; null where a stage left behind locks, absent where it does not disengage. */
  readonly releasedN?: number | null;
  /** Inertia of the vehicle as each motor feels it, kg·m². */
  readonly feltKgM2: number;
  /** Mass that must be sped up over mass, the rotors counted where their inertia is known. */
  readonly rotatingMassFactor: number;
}

/** All duties one after the other. */
export interface Outing {
  readonly durationS: number;
  readonly energyJ: number;
  readonly meanBatteryA: number;
  /** How long the battery lasts at this mix of duties; absent without a battery or where nothing is drawn. */
  readonly runTimeS?: number;
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

import type { Notice } from '../contract/index.ts';
import type { Turning } from '../vehicle/index.ts';

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
  /** Pushing with a blade. */
  readonly pushingN: number;
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
  readonly problem?: Notice;
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

/** How deep the wheel or track that sinks the most goes, and what that costs. */
export interface SinkReport {
  readonly axleId: string;
  readonly sinkageM: number;
  readonly compactionN: number;
  /** Of that what the driven wheels or tracks drag. */
  readonly drivenN: number;
  /** The power of their load that the drag of driven wheels or tracks goes with: more than one. */
  readonly loadExponent: number;
  readonly warnings: readonly Notice[];
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

/** What one duty asks, whatever drives it. */
export interface DutyAsked {
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
  readonly step?: StepReport | { readonly problem: Notice };
  readonly sink?: SinkReport;
  readonly tip?: TipReport;
  readonly brake?: BrakeReport;
}

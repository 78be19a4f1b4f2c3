import type { MarginPolicy } from '../vehicle/index.ts';
import type { Road } from './line-figures.ts';
import type { Tally } from './tally.ts';

/** What a duty asks of a motor with a train behind it, whatever feeds it. */
export interface TrainDuty {
  readonly dutyId: string;
  readonly durationS: number;
  /** Whether the motors move it; else it is held or stopped. */
  readonly drives: boolean;
  readonly outerMps: number;
  readonly wheelTorqueNm: number;
  /** Current of each motor and the volts of its turning; round a bend of the outer side. */
  readonly amps: number;
  readonly backV: number;
  /** Of the inner side, where it does less. */
  readonly halves: boolean;
  readonly easyA: number;
  readonly easyBackV: number;
  /** Which of the train's roads it is on, and which flat out, with how fast it may go: -1 where nothing is asked. */
  readonly road: number;
  readonly top: number;
  readonly mayMps: number;
  /** What starting again and again adds, W. */
  readonly startsW: number;
}

/** A motor with the stages behind it. */
export interface TrainFigures {
  readonly ratio: number;
  readonly efficiency: number;
  readonly duties: readonly TrainDuty[];
  readonly durationS: number;
  /** Each ground that its duties drive on, once. */
  readonly roads: readonly Road[];
  /** Ratio windows depend on motor, battery, driver and these: trains of one number share them. */
  readonly windows: number;
  /** Trains of one number move it alike: of one ratio, with the same losses, asked the same. */
  readonly alike: number;
  /** The most that a motor draws in a duty, A. */
  readonly mostA: number;
  /** What motor and train alone decide. */
  readonly fixed: Tally;
  /** What no part of a set changes: margins of the ground, of the build as a whole. */
  readonly given: Tally;
  /** Torque of each motor at a stall that stages, and parts of the path, stand, N·m. */
  readonly stagesStandNm: number;
  readonly pathStandsNm: number;
}

/** A motor with magnets, its leads and its channel left out. */
export interface MotorFigures {
  readonly ohm: number;
  readonly keVsPerRad: number;
  readonly ktNmPerA: number;
  readonly noLoadA: number;
  readonly continuousA: number;
}

/** A driver; of a motor with electronics of its own one that adds nothing. */
export interface DriverFigures {
  readonly there: boolean;
  readonly ohm: number;
  readonly limitA: number;
  readonly limits: boolean;
  readonly continuousA: number;
  readonly peakA: number;
  readonly mostV: number;
  readonly leastV: number;
}

/** A battery in the build, and what depends on it beside the drive. */
export interface BatteryFigures {
  readonly openCircuitV: number;
  readonly fullV: number;
  readonly emptyV: number;
  readonly ohm: number;
  readonly limitA: number;
  readonly continuousA: number;
  readonly peakA: number;
  readonly capacityAh: number | undefined;
  readonly exponent: number;
  readonly ratedHours: number;
  /** Drawn beside the motors while they move it, W. */
  readonly auxiliaryW: number;
  /** What is drawn beside over the outing more than that, W. */
  readonly moreW: number;
  /** Margins of drives that work and steer; what of them is of the ground. */
  readonly fixed: Tally;
  readonly given: Tally;
}

/** What no part of a set changes. */
export interface FrameFigures {
  readonly policy: MarginPolicy;
  readonly outputs: number;
  readonly motorsPerWheel: number;
  readonly wheelRadiusM: number;
  readonly leadOhm: number;
  readonly commandShare: number;
  readonly dragNs2PerM2: number;
  readonly usableShare: number;
  readonly cableA: number | undefined;
  readonly leadsA: number | undefined;
  readonly fuseA: number | undefined;
  readonly switchA: number | undefined;
  readonly charge: { readonly chargerA: number; readonly withinS: number } | undefined;
  /** Of the whole build: small supplies, charging plug, fuse and its cable. */
  readonly given: Tally;
}

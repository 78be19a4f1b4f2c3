import type { DutyAsked } from '../demand/index.ts';
import type { Train } from '../drive/index.ts';

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

/** Which ratios do a duty. */
export interface RatioWindow {
  /** At 1 ×; null where no ratio does it. */
  readonly just: RatioSpan | null;
  /** At the rule; null where no ratio meets it. */
  readonly rule: RatioSpan | null;
  /** The ratio with the greatest torque margin at the duty's speed, and that margin. */
  readonly best: { readonly ratio: number; readonly margin: number };
}

/** What one duty asks, and what motor and battery do for it. */
export interface DutyReport extends DutyAsked {
  /** Its top speed, level or down the duty's slope, and how fast it may go; absent where nothing says so. */
  readonly top?: { readonly mps: number; readonly mayMps: number; readonly by: 'cap' | 'tip' | 'stop' };
  /** Speed it settles at with full command; absent without a motor. */
  readonly attainableMps?: number;
  /** Absent without a motor, and where the drive is not asked: held, or braked to a stand. */
  readonly point?: DutyPoint;
  /** Absent without a motor, and where the duty asks no pull. */
  readonly ratioWindow?: RatioWindow;
  /** What each drive does for it, where several move the vehicle; `point` and window are then those of the first. */
  readonly drives?: readonly DriveAtDuty[];
}

/** One of several drives at a duty. */
export interface DriveAtDuty {
  readonly driveId: string;
  /** Of the force along the ground; 0 where the road turns it. */
  readonly share: number;
  readonly point: DutyPoint;
  readonly ratioWindow?: RatioWindow;
}

/** The train, its play, and what it is to push. */
export interface TrainReport extends Train {
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
export interface OutingDraw {
  readonly durationS: number;
  readonly energyJ: number;
  readonly meanBatteryA: number;
  /** How long the battery lasts at this mix of duties; absent without a battery or where nothing is drawn. */
  readonly runTimeS?: number;
}

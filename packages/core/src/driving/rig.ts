/** How a place that is not driven meets the ground: it rolls, swings about its pivot as it rolls, or drags alike every way, as a slider or an omni wheel. */
export type Free = 'rolls' | 'swings' | 'drags';

/** A place where a rig stands on the ground, metres ahead and left of its centre of gravity. */
export interface RigContact {
  readonly name: string;
  readonly aheadM: number;
  readonly leftM: number;
  readonly radiusM: number;
  /** Which of the rig's turning wheels it is; undefined where nothing drives it. */
  readonly spin?: number;
  readonly free: Free;
  /** Of a castor: from its pivot back to where it stands. */
  readonly trailM: number;
  /** Whether its direction is steered. */
  readonly steered: boolean;
}

/** What turns as one: a wheel, the wheels of a side, or both of a locked axle. */
export interface RigSpin {
  readonly name: string;
  /** Of the wheels, without rotors. */
  readonly inertiaKgM2: number;
}

/** Alike motors on one command that turn together. */
export interface RigMotor {
  readonly name: string;
  readonly side: 'left' | 'right' | 'middle';
  readonly count: number;
  /** Turns of the motor for one of the wheels' mean. */
  readonly ratio: number;
  readonly efficiency: number;
  /** From wheel to motor. */
  readonly backEfficiency: number;
  readonly resistanceOhm: number;
  readonly keVsPerRad: number;
  readonly ktNmPerA: number;
  readonly noLoadA: number;
  /** Most that its driver lets through; Infinity where it does not limit. */
  readonly limitA: number;
  readonly rotorKgM2: number;
  /** What it turns, and the share of its torque that each takes: halves behind an open differential. */
  readonly turns: readonly { readonly spin: number; readonly share: number }[];
}

/** One battery for all. */
export interface RigSupply {
  readonly openCircuitV: number;
  readonly resistanceOhm: number;
  /** Drawn beside, W. */
  readonly auxiliaryW: number;
}

/** A vehicle as its driving is simulated: what it weighs, where it stands, what turns its wheels. SI; ahead and left positive. */
export interface Rig {
  readonly massKg: number;
  readonly yawInertiaKgM2: number;
  /** About a line through its middle along the ground: what tipping turns. */
  readonly rollInertiaKgM2: number;
  readonly cgHeightM: number;
  /** Kept upright by a rider: sideways it does not tip. */
  readonly heldUpright: boolean;
  readonly dragAreaM2: number;
  readonly contacts: readonly RigContact[];
  readonly spins: readonly RigSpin[];
  readonly motors: readonly RigMotor[];
  readonly supply: RigSupply;
  /** Most of full command that reaches its motors. */
  readonly commandShare: number;
  readonly steering: RigSteering;
}

/** How its wheels are steered. */
export interface RigSteering {
  /** Along the wheels' own turning; Infinity where nobody said. */
  readonly rateRadS: number;
  /** Straight on, as it is told, points so far to the left; and the play of its linkage. */
  readonly offRad: number;
  readonly playRad: number;
  /** To either side. */
  readonly lockRad: number;
  /** Each wheel by itself, any way round. */
  readonly swivels: boolean;
}

/** A rig, and the place of it whose path is looked at: metres ahead and left of its centre of gravity. */
export interface Led {
  readonly rig: Rig;
  readonly middleAheadM: number;
  readonly middleLeftM: number;
  /** Whether it turns without going along. */
  readonly onTheSpot: boolean;
}

/** What a ground does to a contact: what it drags over its load, rolling or sliding, and its grip along and across. */
export interface ContactGround {
  readonly rolling: number;
  readonly along: number;
  readonly across: number;
}

/** A step or kerb across the way: up, or down where its height is negative, for what comes along its heading. */
export interface Kerb {
  readonly aheadM: number;
  readonly leftM: number;
  readonly headingRad: number;
  readonly heightM: number;
}

/** The ground, place by place, x ahead and y left of the start. */
export interface Terrain {
  /** How many different pieces it has; the first is what lies between the others. */
  readonly pieces: readonly TerrainPiece[];
  /** Which piece is at a place. */
  pieceAt(x: number, y: number): number;
  /** False where one piece is all there is: nobody then looks. */
  readonly varies: boolean;
  readonly kerbs: readonly Kerb[];
}

/** A piece of ground: what it does to each contact of the rig, and how it slopes. */
export interface TerrainPiece {
  readonly footings: readonly ContactGround[];
  /** Rise over way, along x and along y. */
  readonly riseX: number;
  readonly riseY: number;
}

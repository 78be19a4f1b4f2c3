import { assumed } from '../quantity/index.ts';
import { changeMass, type Build, type Duty, type MassKey } from '../vehicle/index.ts';
import { askedOfGrip, demandOf } from './demand.ts';

/** How steep it climbs, steadily and straight on, before a wheel slips or it tips back. */
export interface GripLimit {
  readonly limitRad: number;
  readonly limitedBy: 'grip' | 'tipping' | 'nothing';
}

/** Grades are looked for up to here: nothing on wheels climbs steeper (89°). */
const STEEPEST = 1.553;
const STEPS = 42;
const LOOKED_AT = 90;

const levelZero = { speed: assumed(0, 'm/s'), acceleration: assumed(0, 'm/s²'), drawbar: assumed(0, 'N') };

/** The duty without what a limit of grip and weight alone leaves out: speed, pull, turn, step. */
function climbOnly(duty: Duty, gradeRad: number): Duty {
  const {
    towed,
    upToSpeed: _up,
    turn: _turn,
    step: _step,
    lean: _lean,
    sideSlope: _side,
    push: _push,
    ...rest
  } = duty;
  return { ...rest, ...(towed ? { towed } : {}), ...levelZero, task: 'drive', grade: assumed(gradeRad, '°') };
}

type Standing = 'climbs' | 'slips' | 'tips';

function standingAt(build: Build, duty: Duty, gradeRad: number): Standing {
  const { footing, resistance } = demandOf(build, climbOnly(duty, gradeRad));
  const lifted = footing.axles.some(({ lifts }) => lifts) || !footing.stands;
  if (footing.gripN !== undefined && footing.gripN < askedOfGrip(resistance)) return 'slips';
  return lifted ? 'tips' : 'climbs';
}

/**
 * The steepest grade that a duty's load and ground allow, by grip and weight alone. With two axles it is what
 * `grip-limited-grade` says in closed form; here for any layout, by bisection from the level.
 *
 * @example gripLimit(puffin, duty) // { limitRad: 0.2325, limitedBy: 'grip' }
 */
export function gripLimit(build: Build, duty: Duty): GripLimit {
  // Grip falls and need rises with the grade; only a front that lifts may come before.
  let [low, high] = [0, STEEPEST];
  let ends: Standing = standingAt(build, duty, 0);
  if (ends !== 'climbs') return { limitRad: 0, limitedBy: ends === 'slips' ? 'grip' : 'tipping' };
  for (let n = 1; n <= LOOKED_AT; n++) {
    const grade = (STEEPEST * n) / LOOKED_AT;
    ends = standingAt(build, duty, grade);
    if (ends !== 'climbs') {
      high = grade;
      break;
    }
    low = grade;
  }
  if (ends === 'climbs') return { limitRad: STEEPEST, limitedBy: 'nothing' };
  for (let step = 0; step < STEPS; step++) {
    const middle = (low + high) / 2;
    const standing = standingAt(build, duty, middle);
    if (standing === 'climbs') low = middle;
    else [high, ends] = [middle, standing];
  }
  return { limitRad: (low + high) / 2, limitedBy: ends === 'slips' ? 'grip' : 'tipping' };
}

/** One place of a mass, and how steep it then climbs. */
export interface PlacePoint extends GripLimit {
  readonly aheadM: number;
}

interface Along {
  readonly from: number;
  readonly to: number;
  readonly points: number;
}

/**
 * How steep it climbs as one of its masses is moved along the vehicle.
 *
 * @example massAlong(puffin, duty, 'payload', { from: 0.2, to: 0.6, points: 3 }).length // 3
 */
export const massAlong = (
  build: Build,
  duty: Duty,
  which: MassKey,
  { from, to, points }: Along,
): PlacePoint[] =>
  Array.from({ length: points }, (_, n) => {
    const aheadM = from + ((to - from) * n) / (points - 1);
    const moved = changeMass(build, which, (mass) => ({
      ...mass,
      aheadOfRearAxle: { ...mass.aheadOfRearAxle, value: aheadM },
    }));
    return { aheadM, ...gripLimit(moved, duty) };
  });

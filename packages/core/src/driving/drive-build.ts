import { groundOf } from '../demand/index.ts';
import { seeded } from '../contract/index.ts';
import { radiansToDegrees } from '../quantity/index.ts';
import { drawn, uncertainIn, type Uncertain } from '../spreads/index.ts';
import type { Build, Control, Course, Duty, Mismatch } from '../vehicle/index.ts';
import { movesOf, type CourseMove } from './course.ts';
import { drawnRig, NO_MISMATCH } from './mismatch.ts';
import { rigOf, type DrivenRig } from './rig-of-build.ts';
import type { Terrain } from './rig.ts';
import { runCourse, type CourseEnd } from './run-course.ts';
import { terrainOf } from './terrain-of-course.ts';

/** At most so long, s: a course that is not done by then is not done. */
const LONGEST_S = 600;
/** And at most so many times what a vehicle without faults takes, and so much more. */
const TIMES_NOMINAL = 3;
const MORE_S = 10;

/** How a build is driven over a course. */
export interface DriveAsk {
  readonly course: Course;
  readonly control: Control;
  readonly mismatch: Mismatch;
  /** Whether each vehicle has its own of the numbers that are not known exactly; absent: where anything may be unlike. */
  readonly spreads?: boolean;
  /** Whose ground and load; the first where it is absent. */
  readonly dutyId?: string;
}

/** A build made ready for a course: what many runs share. */
export interface DrivenCourse {
  readonly ask: DriveAsk;
  readonly build: Build;
  /** Numbers of it that are not known exactly: each vehicle has its own. */
  readonly uncertain: readonly Uncertain[];
  readonly driven: DrivenRig;
  readonly terrain: Terrain;
  readonly moves: readonly CourseMove[];
  /** How long each move takes a vehicle without faults that is seen from beside. */
  readonly times: readonly number[];
  readonly nominalS: number;
  readonly longestS: number;
}

/** The job whose ground and load a course is driven with. */
export const dutyOfCourse = (build: Build, dutyId?: string): Duty | undefined =>
  build.duties.find(({ id }) => id === dutyId) ?? build.duties[0];

/**
 * A build made ready for a course; undefined for what is not driven so, or has no job to take its ground from.
 *
 * @example readyCourse(puffin, { course: courseOf([{ kind: 'go', distanceM: 2 }]), control: SCHOOLS['by counts'], mismatch: NO_MISMATCH })?.moves.length
 *   // 1
 */
export function readyCourse(build: Build, ask: DriveAsk): DrivenCourse | undefined {
  const made = madeOf(build, ask);
  if (!made) return undefined;
  const moves = movesOf(ask.course, made.driven.onTheSpot);
  const ready = {
    ...{ ask, build, moves, uncertain: (ask.spreads ?? !isAlike(ask.mismatch)) ? uncertainIn(build) : [] },
    ...made,
    ...{ times: [], nominalS: LONGEST_S, longestS: LONGEST_S },
  };
  const nominal = driveOnce(
    { ...ready, uncertain: [], ask: { ...ask, mismatch: NO_MISMATCH, control: asTimed(ask.control) } },
    1,
  );
  return {
    ...ready,
    times: nominal.took,
    nominalS: nominal.timeS,
    longestS: Math.min(LONGEST_S, nominal.timeS * TIMES_NOMINAL + MORE_S),
  };
}

/** The rig of a build and the ground under it. */
function madeOf(build: Build, { course, dutyId }: DriveAsk) {
  const duty = dutyOfCourse(build, dutyId);
  const driven = duty && rigOf(build, duty.payloadShare.value);
  return driven && { driven, terrain: terrainOf(build, course, groundOf(build, duty)) };
}

const isAlike = (mismatch: Mismatch): boolean => Object.values(mismatch).every((value) => value === 0);

/** The vehicle that a seed makes of a build whose numbers are not known exactly. */
function vehicleOf({ ask, build, uncertain, driven, terrain }: DrivenCourse, seed: number) {
  if (uncertain.length === 0) return { driven, terrain };
  const random = seeded(Math.imul(seed + 1, 0x85ebca6b));
  const one = drawn(
    build,
    uncertain,
    uncertain.map(() => random()),
  );
  return madeOf(one, ask) ?? { driven, terrain };
}

/** The run that the clock is set by: the same commands, seen from beside, nothing held or given up. */
const asTimed = ({ cap, slewPerS, loopTimeS, countsPerTurn, turnFactor }: Control): Control => ({
  ends: 'line',
  ...{ cap, loopTimeS, countsPerTurn, turnFactor },
  ...(slewPerS === undefined ? {} : { slewPerS }),
});

/**
 * One run, of one seed; `vehicleSeed` where many runs are of one vehicle.
 *
 * @example driveOnce(readyCourse(puffin, { course: courseOf([{ kind: 'go', distanceM: 1 }]), control: SCHOOLS['by counts'], mismatch: NO_MISMATCH }), 1).tipped
 *   // false
 */
export function driveOnce(
  ready: DrivenCourse,
  seed: number,
  {
    vehicleSeed = seed,
    keepsPath = false,
  }: { readonly vehicleSeed?: number; readonly keepsPath?: boolean } = {},
): CourseEnd {
  const { ask, moves, times, longestS } = ready;
  const { driven, terrain } = vehicleOf(ready, vehicleSeed);
  const { led, floor, start, drift } = drawnRig(driven, ask.mismatch, vehicleSeed, seed);
  const driftDegPerMin = ask.control.heading?.driftDegPerMin ?? 0;
  return runCourse({
    led,
    // Its controller knows it as it was drawn up.
    told: ready.driven,
    terrain: {
      ...terrain,
      pieces: terrain.pieces.map((piece) => ({
        ...piece,
        footings: piece.footings.map((footing, i) => ({
          rolling: footing.rolling * (floor[i]?.rolling ?? 1),
          along: footing.along * (floor[i]?.grip ?? 1),
          across: footing.across * (floor[i]?.grip ?? 1),
        })),
      })),
    },
    moves,
    control: ask.control,
    ...(ask.control.ends === 'time' ? { times } : {}),
    pullN: ask.course.pullN,
    start,
    driftRadS: (drift * driftDegPerMin * Math.PI) / 180 / 60,
    longestS,
    keepsPath,
  });
}

/** A run as files and tools have it: to the right positive, from where it was meant to end. */
export interface RunTold {
  readonly seed: number;
  readonly timeS: number;
  readonly arrives: boolean;
  readonly sideM: number;
  readonly headingDeg: number;
  readonly endErrorM: number;
  readonly energyJ: number;
  readonly peakA: number;
  readonly slipped: boolean;
  readonly tipped: boolean;
}

/**
 * What became of a run, seen from where the course means to end: to its right positive, ahead of it positive.
 *
 * @example runTold(1, driveOnce(readyCourse(puffin, { course: courseOf([{ kind: 'go', distanceM: 1 }]), control: SCHOOLS['by counts'], mismatch: NO_MISMATCH }), 1)).arrives
 *   // true
 */
export function runTold(seed: number, run: CourseEnd): RunTold & { readonly aheadM: number } {
  const { end, meant } = run;
  const [dx, dy] = [end.x - meant.x, end.y - meant.y];
  const [c, s] = [Math.cos(meant.heading), Math.sin(meant.heading)];
  return {
    seed,
    timeS: run.timeS,
    arrives: run.arrives,
    aheadM: c * dx + s * dy,
    sideM: s * dx - c * dy,
    headingDeg: radiansToDegrees(meant.heading - end.heading),
    endErrorM: Math.hypot(dx, dy),
    energyJ: run.energyJ,
    peakA: run.peakA,
    slipped: run.slipped.length > 0,
    tipped: run.tipped,
  };
}

import {
  nearEnough,
  type Cause,
  type DriveFinding,
  type DriveMove,
  type DriveStudy,
  type School,
} from '../driving/index.ts';
import { show, showNumber, type Dimension, type UnitSystem } from '../quantity/index.ts';
import type { Course } from '../vehicle/index.ts';

/** What may be unlike, as it is called. */
export const CAUSE_WORDS: Readonly<Record<Cause, string>> = {
  motors: 'motors that turn unlike',
  wheels: 'wheels of unlike size',
  steering: 'a steering that is not straight',
  floor: 'unevenness of the floor',
  weight: 'weight to a side',
  numbers: 'numbers of the build that are not known exactly',
  start: 'differences in how it is set on the start',
};

/** What a builder does about it. */
const MEND_WORDS: Readonly<Partial<Record<Cause, string>>> = {
  motors: 'Match the motors',
  wheels: 'Match the wheels',
  steering: 'Set the steering straight, take out its play',
  weight: 'Bring the weight to the middle',
};

/** The schools of control, as they are chosen. */
export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  'by time': 'by the clock',
  'by counts': 'by counted turns',
  'held together': 'by counted turns, sides held together',
  'by heading': 'by counted turns, heading held by a gyro',
};

const DEGREE = Math.PI / 180;

/** To a side, in words and without a sign. */
function aside(sideM: number, say: (si: number, dimension: Dimension) => string): string {
  return `${say(Math.abs(sideM), 'length')} to the ${sideM < 0 ? 'left' : 'right'}`;
}

/**
 * Where runs of a course end, in a sentence.
 *
 * @example endsInWords({ runs: 1, arrive: 1, meanSideM: 0.1, sdSideM: 0, meanAheadM: 0, sdAheadM: 0, meanHeadingDeg: 0, sdHeadingDeg: 0, rmsM: 0.1, ellipse: { longM: 0, shortM: 0, deg: 0 } })
 *   // 'It ends 100 mm to the right'
 */
export function endsInWords(cloud: DriveStudy['cloud'], system: UnitSystem = 'metric'): string {
  const say = (si: number, dimension: Dimension): string => show(si, dimension, system).text;
  if (cloud.runs === 1) return `It ends ${aside(cloud.meanSideM, say)}`;
  const within = 2 * cloud.sdSideM;
  const from = cloud.meanSideM - within;
  const to = cloud.meanSideM + within;
  return `Nineteen of twenty runs end between ${aside(from, say)} and ${aside(to, say)}`;
}

/**
 * A finding of a course driven, in a sentence.
 *
 * @example driveFindingInWords({ kind: 'holds', severity: 'note', runs: 3 }, { cloud: { runs: 3 }, causes: [] }, courseOf([{ kind: 'go', distanceM: 2 }]))
 *   // 'All of 3 runs end within 50 mm of the line, and arrive.'
 */
export function driveFindingInWords(
  { kind, runs }: DriveFinding,
  { cloud, causes, first }: DriveStudy,
  course: Course,
  system: UnitSystem = 'metric',
): string {
  const say = (si: number, dimension: Dimension): string => show(si, dimension, system).text;
  const some = runs === cloud.runs ? 'every run' : `${runs} of ${cloud.runs} runs`;
  const [cause] = causes;
  switch (kind) {
    case 'tips':
      return `It tips over in ${some}: slower in bends, softer starts and stops, or its weight lower.`;
    case 'stuck':
      return `It does not get on in ${some}: nothing moves for seconds, with command on its motors.`;
    case 'stalled':
      return `Its controller stops it in ${some}: a wheel stands still under command.`;
    case 'gave-up':
      return `It does not come to the end in ${some} within its time.`;
    case 'slips':
      return `Wheels slip in ${some}${first.slipped[0] ? ` (${[...new Set(first.slipped.map(({ name }) => name))].join('; ')})` : ''}: counts then say more than it goes.`;
    case 'lifts':
      return 'A wheel leaves the ground on the way.';
    case 'turns-short': {
      const { meanHeadingDeg: off } = cloud;
      return `It ends ${say(Math.abs(off) * DEGREE, 'angle')} off its heading, to the ${off < 0 ? 'left' : 'right'}, the same way each time.`;
    }
    case 'veers':
      return `It ends more than ${say(nearEnough(course), 'length')} to a side in ${some}${
        cause
          ? `, the most by ${CAUSE_WORDS[cause.cause]}, which alone would put it ${say(cause.rmsM, 'length')} off`
          : ''
      }.`;
    case 'off-distance':
      return `It stops ${say(Math.abs(cloud.meanAheadM), 'length')} ${cloud.meanAheadM < 0 ? 'short' : 'too far'}, the same each time.`;
    case 'holds':
      return `All of ${cloud.runs} runs end within ${say(nearEnough(course), 'length')} of the line, and arrive.`;
  }
}

/**
 * What would bring it nearer, in words, with what it comes to.
 *
 * @example driveMoveInWords({ does: 'match', cause: 'motors', cloud: { rmsM: 0.02 } }) // 'Match the motors: 20 mm from its end instead'
 */
export function driveMoveInWords(
  move:
    | DriveMove
    | { readonly does: 'match'; readonly cause: Cause; readonly cloud: { readonly rmsM: number } },
  system: UnitSystem = 'metric',
): string {
  const ends = `${show(move.cloud.rmsM, 'length', system).text} from its end instead`;
  switch (move.does) {
    case 'control':
      return `Drive it ${SCHOOL_WORDS[move.school]}: ${ends}`;
    case 'match':
      return `${MEND_WORDS[move.cause] ?? CAUSE_WORDS[move.cause]}: ${ends}`;
    case 'calibrate':
      return `Count ${showNumber(move.turnFactor, 3)} times as far in turns: ${ends}`;
  }
}

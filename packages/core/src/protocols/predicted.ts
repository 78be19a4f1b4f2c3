import { seeded } from '../contract/index.ts';
import { driveReport, NO_MISMATCH, SCHOOLS, USUAL_MISMATCH, type DriveAsk } from '../driving/index.ts';
import { degreesToRadians, radiansToDegrees, typed } from '../quantity/index.ts';
import { drawn, latinHypercube, uncertainIn } from '../spreads/index.ts';
import { courseOf, type Build, type Course, type Duty, type Mismatch } from '../vehicle/index.ts';
import { FORETOLD, UNSAID, type MadeWith, type Foretold } from './foretold.ts';
import { steeringComesBack, wheelsAlike } from './foretold-parts.ts';
import { courseIn } from './over-a-course.ts';
import type { ProtocolName } from './protocols.ts';
import { numberIn, wordIn, type TrialConditions } from './reading.ts';

/** What a build foretells of a trial's number: between these ends for about nineteen vehicles of twenty like it. */
export interface Predicted {
  /** As of what is measured. */
  readonly key: string;
  /** SI. */
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Builds that are drawn within their spreads. */
const DRAWN = 40;
/** Share of the drawn that lies past each end. */
const TAIL = 0.025;
/** Where no number that it hangs on has a ±: taken to be known to this share (common practice, no source). */
const UNSAID_ELSE = 0.02;
/** Vehicles driven over a course. */
const DRIVEN = 24;
const FEW = 8;
/** Of a bell: half of nineteen in twenty, in standard deviations. */
const HALF = 1.96;

/**
 * A job of the build that a trial is like: the one that it names, else the first.
 *
 * @example dutyOfTrial(puffin, {})?.id === puffin.duties[0].id // true
 */
export const dutyOfTrial = (build: Build, conditions: TrialConditions): Duty | undefined =>
  build.duties.find(({ id }) => id === wordIn(conditions, 'job')) ?? build.duties[0];

/** What a number is counted from: a temperature from that of the air. */
const basedOn = (name: ProtocolName, { conditions }: MadeWith): number =>
  name === 'warming' ? (numberIn(conditions, 'ambient') ?? 0) : 0;

/** What the build comes to within the ± of its numbers; wider by what is commonly off where that is more. */
function spread(
  name: ProtocolName,
  build: Build,
  [key, of]: readonly [string, Foretold],
  at: MadeWith,
): Predicted[] {
  const here = of(build, at);
  if (here === undefined || !Number.isFinite(here)) return [];
  const inputs = uncertainIn(build);
  const values = latinHypercube(DRAWN, inputs.length, seeded(1))
    .flatMap((places) => {
      const one = drawn(build, inputs, places);
      const there = of(one, { ...at, duty: one.duties.find(({ id }) => id === at.duty.id) ?? at.duty });
      return there === undefined || !Number.isFinite(there) ? [] : [there];
    })
    .sort((a, b) => a - b);
  const end = Math.floor(TAIL * values.length);
  const [low, high] = [
    Math.min(here, values[end] ?? here),
    Math.max(here, values[values.length - 1 - end] ?? here),
  ];
  const share = UNSAID[name] ?? (low === high ? UNSAID_ELSE : 0);
  const unsaid = share * Math.abs(here - basedOn(name, at));
  return [
    {
      key,
      value: here,
      low: here - Math.hypot(here - low, unsaid),
      high: here + Math.hypot(high - here, unsaid),
    },
  ];
}

/** How often a course is driven for a trial, and with what unlike. */
interface Driven {
  readonly mismatch: Mismatch;
  readonly runs: number;
}

/** Ends of runs over a course, each of a vehicle drawn anew. */
function driven(build: Build, course: Course, { conditions, duty }: MadeWith, { mismatch, runs }: Driven) {
  const control = build.driving?.control ?? SCHOOLS['by counts'];
  const by = wordIn(conditions, 'by');
  const ask: DriveAsk = {
    ...{ course, mismatch, dutyId: duty.id, spreads: true },
    control: { ...control, ends: by === 'time' || by === 'counts' ? by : control.ends },
  };
  return driveReport(build, ask, { runs, seed: 1, oneVehicle: false })?.cloud;
}

/** A number that is known within so much to either side. */
const within = (key: string, value: number, by: number): Predicted => ({
  ...{ key, value },
  ...{ low: value - by, high: value + by },
});

const bell = (key: string, mean: number, sd: number): Predicted => within(key, mean, HALF * sd);

/** What driving over the same way on the Test track comes to. */
function drivenOver(name: ProtocolName, build: Build, at: MadeWith): Predicted[] {
  const ordered = numberIn(at.conditions, 'commanded');
  if (ordered === undefined) return [];
  const mismatch = build.driving?.mismatch ?? USUAL_MISMATCH;
  if (name === 'straight-run') {
    const course = courseOf([{ kind: 'go', distanceM: ordered }]);
    const aside = driven(build, course, at, { mismatch, runs: DRIVEN });
    // The way itself, of one that runs straight: what leads it aside is told by where it ends to the side.
    const way = driven(build, course, at, { mismatch: NO_MISMATCH, runs: FEW });
    if (!aside || !way) return [];
    const sd = Math.hypot(way.sdAheadM, (mismatch.wheels * ordered) / HALF);
    return [
      bell('side', aside.meanSideM, aside.sdSideM),
      bell('distance', ordered + way.meanAheadM, sd),
      bell('share', 1 + way.meanAheadM / ordered, sd / ordered),
    ];
  }
  const deg = radiansToDegrees(ordered);
  const cloud = driven(build, courseOf([{ kind: 'turn', deg }]), at, { mismatch, runs: DRIVEN });
  if (!cloud) return [];
  const mean = 1 + cloud.meanHeadingDeg / deg;
  return [
    bell('share', mean, cloud.sdHeadingDeg / deg),
    bell('correction', 1 / mean, cloud.sdHeadingDeg / deg / mean ** 2),
  ];
}

/** Where it ends over the course of the set: to the side, along, and how it faces. */
function overItsCourse(_: ProtocolName, build: Build, at: MadeWith): Predicted[] {
  const course = courseIn(at.conditions);
  const mismatch = build.driving?.mismatch ?? USUAL_MISMATCH;
  const cloud = course && driven(build, course, at, { mismatch, runs: DRIVEN });
  if (!cloud) return [];
  const [heading, scatter] = [cloud.meanHeadingDeg, cloud.sdHeadingDeg].map(degreesToRadians);
  return [
    bell('side', cloud.meanSideM, cloud.sdSideM),
    bell('ahead', cloud.meanAheadM, cloud.sdAheadM),
    ...(heading === undefined || scatter === undefined ? [] : [bell('turned', heading, scatter)]),
  ];
}

/** Where it ends on alike wheels: what stays with the vehicle whatever wheels it has. */
function onAlikeWheels(_: ProtocolName, build: Build, at: MadeWith): Predicted[] {
  const ordered = numberIn(at.conditions, 'commanded');
  if (ordered === undefined) return [];
  const mismatch = { ...(build.driving?.mismatch ?? USUAL_MISMATCH), wheels: 0, rightLarger: 0 };
  const course = courseOf([{ kind: 'go', distanceM: ordered }]);
  const cloud = driven(build, course, at, { mismatch, runs: DRIVEN });
  return cloud ? [bell('own', cloud.meanSideM, cloud.sdSideM)] : [];
}

/** What the build says of how unlike its sides are, and of the play of its steering. */
function unlike(name: ProtocolName, build: Build, at: MadeWith): Predicted[] {
  if (name === 'steering-return') {
    const steering = steeringComesBack(build);
    return steering
      ? [within('off', 0, steering.within), within('play', steering.play, steering.play / 2)]
      : [];
  }
  const { ratio, within: by } = wheelsAlike(build);
  const quarter = { ...at, conditions: { ...at.conditions, commanded: QUARTER } };
  return [
    within('diameterRatio', ratio, by),
    ...drivenOver('pivots', build, quarter).flatMap((one) =>
      one.key === 'correction' ? [{ ...one, key: 'trackRatio' }] : [],
    ),
  ];
}
/** The turn at the corner of a square. */
const QUARTER = typed(Math.PI / 2, '°');

/** What is foretold otherwise than by the build's own numbers within their ±. */
const OTHERWISE: { readonly [N in ProtocolName]?: typeof drivenOver } = {
  'straight-run': drivenOver,
  'wheel-matching': onAlikeWheels,
  pivots: drivenOver,
  'course-run': overItsCourse,
  'steering-return': unlike,
  square: unlike,
};

/**
 * What a build foretells of a trial, with its spread: by its own numbers within their ±, or by vehicles like it driven over
 * the same way. Empty of what is not foretold.
 *
 * @param measured what the runs have given so far: some numbers are foretold for what another came out as
 * @example predictedOf('coast-down', puffin, {}).map(({ key }) => key) // ['rolling', 'dragArea']
 */
export function predictedOf(
  name: ProtocolName,
  build: Build,
  conditions: TrialConditions,
  measured: MadeWith['measured'] = [],
): Predicted[] {
  const duty = dutyOfTrial(build, conditions);
  if (!duty) return [];
  const at = { conditions, duty, measured };
  const otherwise = OTHERWISE[name];
  if (otherwise) return otherwise(name, build, at);
  return Object.entries(FORETOLD[name] ?? {}).flatMap((one) => spread(name, build, one, at));
}

/** What must be said of a set before anything is foretold of it. */
const NEEDS: { readonly [N in ProtocolName]?: readonly [keys: readonly string[], says: string] } = {
  'motor-matching': [
    ['load'],
    'Say the load on the shaft, 0 where it turns freely, to have its speed predicted.',
  ],
  balance: [['bag', 'drop'], 'Say the bag and how far it drops to have the way after a nudge predicted.'],
  score: [['distance'], 'Say the distance one way to have what is carried a minute predicted.'],
};

/**
 * What is still to be said of a set so that something is foretold of it; undefined where nothing lacks.
 *
 * @example neededFor('score', {}) // 'Say the distance one way to have what is carried a minute predicted.'
 */
export function neededFor(name: ProtocolName, conditions: TrialConditions): string | undefined {
  const [keys, says] = NEEDS[name] ?? [[], ''];
  return keys.some((key) => numberIn(conditions, key) === undefined) ? says : undefined;
}

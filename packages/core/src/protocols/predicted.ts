import { dutyReport, outingOf } from '../capability/index.ts';
import { seeded } from '../contract/index.ts';
import { askedOf, rollingOf } from '../demand/index.ts';
import { greatestPull, propelling } from '../drive/index.ts';
import { driveReport, NO_MISMATCH, SCHOOLS, USUAL_MISMATCH, type DriveAsk } from '../driving/index.ts';
import { degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import { drawn, latinHypercube, uncertainIn } from '../spreads/index.ts';
import {
  bankOf,
  courseOf,
  drivenDiameter,
  whole,
  type Build,
  type Course,
  type Duty,
  type Mismatch,
} from '../vehicle/index.ts';
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

/** What a trial is made with. */
interface At {
  readonly conditions: TrialConditions;
  readonly duty: Duty;
}

/** One number of one build as it stands; undefined where it cannot be foretold. */
export type Foretold = (build: Build, at: At) => number | undefined;

const value = <Q extends { readonly value: number }>(quantity: Q, to: number): Q => ({
  ...quantity,
  value: to,
});

/** The job on the level, straight on, nothing towed: what a trial in the yard is. */
function inTheYard(duty: Duty, speed = duty.speed.value): Duty {
  const { turn: _turn, sideSlope: _side, step: _step, towed: _towed, push: _push, ...rest } = duty;
  return {
    ...rest,
    task: 'drive',
    grade: value(duty.grade, 0),
    drawbar: value(duty.drawbar, 0),
    acceleration: value(duty.acceleration, 0),
    speed: value(duty.speed, speed),
  };
}

const lineOf = (build: Build) => propelling(build)[0];

/** What a trial in the yard asks of a build, with the load of a job. */
export const askedInYard = (build: Build, duty: Duty) =>
  askedOf(whole(build), inTheYard(duty), lineOf(build)?.line).asked;

/** Numbers that follow from the build by themselves, by protocol and key. */
export const FORETOLD: { readonly [N in ProtocolName]?: Readonly<Record<string, Foretold>> } = {
  distance: {
    diameter: (build) => drivenDiameter(build.layout).value,
    share: () => 1,
  },
  'coast-down': {
    rolling: (build, { duty }) => rollingOf(whole(build), duty, askedInYard(build, duty).footing),
    dragArea: (build) => build.dragArea.value,
  },
  'slip-slope': {
    friction: (build, { duty }) => {
      const { footing } = askedInYard(build, duty);
      return footing.gripN === undefined || !(footing.drivenN > 0)
        ? undefined
        : footing.gripN / footing.drivenN;
    },
  },
  pull: {
    pull: (build, { duty }) => {
      const { footing, resistance } = askedInYard(build, duty);
      const line = lineOf(build)?.line;
      if (footing.gripN === undefined || !line) return undefined;
      return Math.max(0, Math.min(footing.gripN, greatestPull(line, 0)) - resistance.rollingN);
    },
  },
  stopping: {
    distance: (build, { conditions, duty }) => {
      const asked = {
        ...inTheYard(duty, numberIn(conditions, 'speed')),
        stopWithin: { value: 1000, unit: 'm', origin: 'assumed' as const },
      };
      return askedOf(whole(build), asked, lineOf(build)?.line).asked.brake?.distanceM;
    },
  },
  'side-slope': {
    angle: (build, { duty }) => {
      const sideDeg = askedInYard(build, duty).tip?.sideDeg;
      const across = build.grounds.find(({ id }) => id === duty.groundId)?.across.value ?? Infinity;
      return sideDeg === undefined ? undefined : Math.min(degreesToRadians(sideDeg), Math.atan(across));
    },
  },
  'run-down': {
    runTime: (build) => {
      const seen = lineOf(build);
      if (!seen) return undefined;
      const reports = seen.seen.duties.map((duty) => dutyReport(seen.seen, duty, seen.line));
      return outingOf(seen.seen, reports, seen.line)?.runTimeS;
    },
    capacity: (build) => {
      const ampereHours = bankOf(build)?.capacityAh;
      return ampereHours === undefined ? undefined : ampereHours * SECONDS_PER_HOUR;
    },
  },
};

const SECONDS_PER_HOUR = 3600;
/** Builds that are drawn within their spreads. */
const DRAWN = 40;
/** Share of the drawn that lies past each end. */
const TAIL = 0.025;
/** Where no number that it hangs on has a ±: taken to be known to this share (common practice, no source). */
const UNSAID = 0.02;
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

function spread(build: Build, key: string, of: Foretold, at: At): Predicted[] {
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
  const unsaid = low === high ? UNSAID * Math.abs(here) : 0;
  return [{ key, value: here, low: low - unsaid, high: high + unsaid }];
}

/** How often a course is driven for a trial, and with what unlike. */
interface Driven {
  readonly mismatch: Mismatch;
  readonly runs: number;
}

/** Ends of runs over a course, each of a vehicle drawn anew. */
function driven(build: Build, course: Course, { conditions, duty }: At, { mismatch, runs }: Driven) {
  const control = build.driving?.control ?? SCHOOLS['by counts'];
  const by = wordIn(conditions, 'by');
  const ask: DriveAsk = {
    ...{ course, mismatch, dutyId: duty.id, spreads: true },
    control: { ...control, ends: by === 'time' || by === 'counts' ? by : control.ends },
  };
  return driveReport(build, ask, { runs, seed: 1, oneVehicle: false })?.cloud;
}

const bell = (key: string, mean: number, sd: number): Predicted => ({
  ...{ key, value: mean },
  ...{ low: mean - HALF * sd, high: mean + HALF * sd },
});

/** What driving over the same way on the Test track comes to. */
function drivenOver(name: ProtocolName, build: Build, at: At): Predicted[] {
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

/**
 * What a build foretells of a trial, with its spread: by its own numbers within their ±, or by vehicles like it driven over
 * the same way. Empty of what is not foretold.
 *
 * @example predictedOf('coast-down', puffin, {}).map(({ key }) => key) // ['rolling', 'dragArea']
 */
export function predictedOf(name: ProtocolName, build: Build, conditions: TrialConditions): Predicted[] {
  const duty = dutyOfTrial(build, conditions);
  if (!duty) return [];
  const at = { conditions, duty };
  if (name === 'straight-run' || name === 'pivots') return drivenOver(name, build, at);
  return Object.entries(FORETOLD[name] ?? {}).flatMap(([key, of]) => spread(build, key, of, at));
}

import { dutyReport, outingOf } from '../capability/index.ts';
import { askedOf, rollingOf } from '../demand/index.ts';
import { greatestPull, propelling } from '../drive/index.ts';
import { degreesToRadians } from '../quantity/index.ts';
import { launchOfBuild, timeOver } from '../simulate/index.ts';
import { bankOf, drivenDiameter, whole, type Build, type Duty } from '../vehicle/index.ts';
import { farthestNudged, motorBoundFor, shaftSpeed } from './foretold-parts.ts';
import type { ProtocolName } from './protocols.ts';
import { numberIn, type TrialConditions } from './reading.ts';
import type { Measured } from './result.ts';

/** What a trial is made with. */
export interface MadeWith {
  readonly conditions: TrialConditions;
  readonly duty: Duty;
  /** What its runs have given so far: some numbers are foretold for what another came out as. */
  readonly measured: readonly Pick<Measured, 'key' | 'value'>[];
}

/** One number of one build as it stands; undefined where it cannot be foretold. */
export type Foretold = (build: Build, at: MadeWith) => number | undefined;

const value = <Q extends { readonly value: number }>(quantity: Q, to: number): Q => ({
  ...quantity,
  value: to,
});

/** The job on the level, straight on, nothing towed: what a trial in the yard is. */
export function inTheYard(duty: Duty, speed = duty.speed.value): Duty {
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
  'motor-matching': { speed: (build, { conditions }) => shaftSpeed(build, conditions) },
  warming: { motorFinal: (build, { conditions, duty }) => motorBoundFor(build, duty, conditions) },
  balance: { nudge: (build, { conditions }) => farthestNudged(build, conditions) },
  score: { rate: carriedAMinute },
};

const SECONDS_PER_HOUR = 3600;
const SECONDS_PER_MINUTE = 60;
/** So little is carried on the way back, kg. */
const EMPTY_KG = 1e-3;

/** Seconds that full command takes over a way from a stand, with so much carried. */
function drivenOver(build: Build, duty: Duty, distanceM: number, payloadKg: number): number | undefined {
  const { payload } = build.masses;
  const loaded: Build = {
    ...build,
    masses: { ...build.masses, payload: { ...payload, mass: value(payload.mass, payloadKg) } },
  };
  const job: Duty = { ...duty, payloadShare: value(duty.payloadShare, 1) };
  const line = lineOf(loaded);
  const launch = launchOfBuild(loaded, job, dutyReport(whole(loaded), job, line?.line), 1);
  return launch && timeOver(launch, distanceM);
}

/** Payload that trips carry a minute: there loaded as the job goes, back empty on the level, and what is done between. */
function carriedAMinute(build: Build, { conditions, duty, measured }: MadeWith): number | undefined {
  const way = numberIn(conditions, 'distance');
  const kg = measured.find(({ key }) => key === 'payload')?.value;
  if (way === undefined || kg === undefined) return undefined;
  const there = drivenOver(build, duty, way, kg);
  const back = drivenOver(build, inTheYard(duty), way, EMPTY_KG);
  if (there === undefined || back === undefined) return undefined;
  return (SECONDS_PER_MINUTE * kg) / (there + back + (numberIn(conditions, 'between') ?? 0));
}

/**
 * Shares by which what a number hangs on is commonly off, where nothing it hangs on has a ± of its own: catalogue speeds within a
 * tenth, heat within three tenths (common practice, no source).
 */
export const UNSAID: { readonly [N in ProtocolName]?: number } = {
  ...{ 'motor-matching': 0.1, warming: 0.3, balance: 0.3, score: 0.1 },
};

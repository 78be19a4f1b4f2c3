import { courseOf, type Build, type Control, type Course, type Mismatch } from '../vehicle/index.ts';
import { driveReport, driveSteps, type Cloud, type CloudReport, type CloudRuns } from './cloud.ts';
import { SCHOOLS, type School } from './schools.ts';

import { driveOnce, readyCourse, runTold, type DriveAsk } from './drive-build.ts';
import { NO_MISMATCH } from './mismatch.ts';

/** What may be unlike, as one cause each. */
export const CAUSES = ['motors', 'wheels', 'steering', 'floor', 'weight', 'start', 'numbers'] as const;
export type Cause = (typeof CAUSES)[number];

const KEYS: Readonly<Record<Cause, readonly (keyof Mismatch)[]>> = {
  motors: ['motors', 'rightFaster'],
  wheels: ['wheels', 'rightLarger'],
  steering: ['steerDeg', 'playDeg'],
  floor: ['floor'],
  weight: ['weight'],
  start: ['startM', 'startDeg'],
  // Nothing but what the build itself leaves open.
  numbers: [],
};

/** Only what belongs to one cause left unlike. */
const onlyOf = (mismatch: Mismatch, cause: Cause): Mismatch => ({
  ...NO_MISMATCH,
  ...Object.fromEntries(KEYS[cause].map((key) => [key, mismatch[key]])),
});

/** Matched: what belongs to one cause alike. */
const without = (mismatch: Mismatch, cause: Cause): Mismatch => ({
  ...mismatch,
  ...Object.fromEntries(KEYS[cause].map((key) => [key, 0])),
});

/** What one cause alone comes to. */
export interface CauseShare {
  readonly cause: Cause;
  readonly rmsM: number;
  readonly meanSideM: number;
}

/** Another way to drive the course, driven: a school of control, or one cause matched away. */
export type DriveMove = { readonly cloud: Cloud } & (
  | { readonly does: 'control'; readonly school: School }
  | { readonly does: 'match'; readonly cause: Cause }
  | { readonly does: 'calibrate'; readonly turnFactor: number }
);

/** What a builder is told of a course driven. */
export type DriveFindingKind =
  | 'tips'
  | 'stuck'
  | 'stalled'
  | 'gave-up'
  | 'slips'
  | 'lifts'
  | 'turns-short'
  | 'veers'
  | 'off-distance'
  | 'holds';

/** A finding of a course: its worst first. */
export interface DriveFinding {
  readonly kind: DriveFindingKind;
  readonly severity: 'stop' | 'short' | 'note';
  /** Runs of which it is true. */
  readonly runs: number;
}

/** A course that was driven, why it ends where it does, and what would mend it. */
export interface DriveStudy extends CloudReport {
  readonly findings: readonly DriveFinding[];
  /** The cause that counts for most first. */
  readonly causes: readonly CauseShare[];
  /** The nearest to its end first; those that are no better than it is left out. */
  readonly moves: readonly DriveMove[];
}

/** Ends within this share of its way are near enough (common practice, no source): 5 cm in 2 m. */
const NEAR_SHARE = 0.025;
const NEAR_LEAST_M = 0.02;
const NEAR_DEG = 5;
/** A mend counts from here: a seventh nearer. */
const WORTH = 0.85;
/** Runs that a cause or a mend is judged by. */
const FEW = 24;
/** Of the whole work, the share that the runs themselves are. */
const RUNS_SHARE = 0.4;

/** Way that a course means, m. */
const wayOf = (course: Course): number =>
  course.legs.reduce((sum, leg) => {
    if (leg.kind === 'go') return sum + Math.abs(leg.distanceM);
    if (leg.kind === 'turn') return sum + (Math.abs(leg.deg) * Math.PI * leg.radiusM) / 180;
    if (leg.kind === 'rows') return sum + leg.lengthM * (Math.ceil(leg.widthM / leg.apartM) + 1);
    if (leg.kind === 'points') return sum + leg.points.length;
    return sum;
  }, 0);

/**
 * How near to its end is near enough on a course, m.
 *
 * @example nearEnough(courseOf([{ kind: 'go', distanceM: 2 }])) // 0.05
 */
export const nearEnough = (course: Course): number => Math.max(NEAR_LEAST_M, NEAR_SHARE * wayOf(course));

function findingsOf(report: CloudReport, course: Course): DriveFinding[] {
  const { runs, cloud, first } = report;
  const near = nearEnough(course);
  const count = (is: (run: (typeof runs)[number]) => boolean): number => runs.filter(is).length;
  const found: DriveFinding[] = [];
  const add = (kind: DriveFindingKind, severity: DriveFinding['severity'], of: number): void => {
    if (of > 0) found.push({ kind, severity, runs: of });
  };
  add(
    'tips',
    'stop',
    count(({ tipped }) => tipped),
  );
  const stays = count(({ arrives, tipped }) => !arrives && !tipped);
  const why = first.gaveUp === 'stalled' || first.gaveUp === 'stuck' ? first.gaveUp : 'gave-up';
  add(why, 'stop', stays);
  add(
    'slips',
    'note',
    count(({ slipped }) => slipped),
  );
  if (first.lifted && !first.tipped) add('lifts', 'short', 1);
  const turns = Math.abs(cloud.meanHeadingDeg) > Math.max(NEAR_DEG, 2 * cloud.sdHeadingDeg);
  if (turns) add('turns-short', 'short', runs.length);
  add(
    'veers',
    'short',
    count(({ sideM }) => Math.abs(sideM) > near),
  );
  if (!turns && Math.abs(cloud.meanAheadM) > near && Math.abs(cloud.meanAheadM) > 2 * cloud.sdAheadM)
    add('off-distance', 'short', runs.length);
  if (found.every(({ severity }) => severity === 'note')) add('holds', 'note', runs.length);
  return found;
}

/** Runs of a course with something else about it, as a cloud. */
function cloudWith(build: Build, ask: DriveAsk, { seed, oneVehicle }: CloudRuns): Cloud | undefined {
  return driveReport(build, ask, { runs: FEW, seed, oneVehicle })?.cloud;
}

/**
 * Counted turn over true turn of a build on its ground: a turn all the way round by counts, and how far round it then is. 1 where
 * it turns as its wheels say.
 *
 * @example turnFactorOf(puffin, { course: courseOf([{ kind: 'turn', deg: 90 }]), control: SCHOOLS['by counts'], mismatch: NO_MISMATCH })
 *   // 1.025
 */
export function turnFactorOf(build: Build, ask: DriveAsk): number | undefined {
  const { name, surface, gradeDeg, sideSlopeDeg, speedMps, legs } = ask.course;
  const radiusM = legs.find((leg) => leg.kind === 'turn')?.radiusM ?? 0;
  const course = courseOf([{ kind: 'turn', deg: 360, radiusM }], {
    ...{ name, gradeDeg, sideSlopeDeg, speedMps },
    ...(surface ? { surface } : {}),
  });
  const { heading: _gyro, ...control } = ask.control;
  const ready = readyCourse(build, {
    ...ask,
    course,
    control: { ...control, ends: 'counts', turnFactor: 1 },
    mismatch: NO_MISMATCH,
  });
  if (!ready) return undefined;
  const { headingDeg, arrives } = runTold(0, driveOnce(ready, 0));
  const turned = 360 + headingDeg;
  return arrives && turned > 1 ? 360 / turned : undefined;
}

/** Schools that are another than the one that is driven. */
const othersThan = (control: Control): School[] =>
  (Object.keys(SCHOOLS) as School[]).filter((school) => {
    const other: Control = SCHOOLS[school];
    return (
      other.ends !== control.ends || !other.sync !== !control.sync || !other.heading !== !control.heading
    );
  });

/**
 * A control of a school, with what the builder has set besides.
 *
 * @example asSchool(controlOf({ ends: 'time', slewPerS: 2 }), 'by counts').slewPerS // 2
 */
export const asSchool = (control: Control, school: School): Control => {
  const { sync: _sync, heading: _heading, ...own } = control;
  const { ends, ...holds } = SCHOOLS[school] as Control;
  return {
    ...own,
    ends,
    ...(holds.sync ? { sync: control.sync ?? holds.sync } : {}),
    ...(holds.heading ? { heading: control.heading ?? holds.heading } : {}),
  };
};

/**
 * Drives a course many times, then each cause by itself, then each mend. A generator that tells how far it is. Gives undefined
 * for what is not driven over courses.
 *
 * @example studySteps(teasel, { course: courseOf([{ kind: 'go', distanceM: 1 }]), control: SCHOOLS['by counts'], mismatch: NO_MISMATCH }, { runs: 1, seed: 1, oneVehicle: false }).next().done
 *   // true
 */
export function* studySteps(
  build: Build,
  ask: DriveAsk,
  runs: CloudRuns,
): Generator<{ readonly share: number }, DriveStudy | undefined> {
  const steps = driveSteps(build, ask, runs);
  let step = steps.next();
  for (; !step.done; step = steps.next()) yield { share: RUNS_SHARE * step.value.share };
  const report = step.value;
  if (!report) return undefined;
  const findings = findingsOf(report, ask.course);
  const veers = findings.some(({ kind }) => kind === 'veers');
  const work: (() => void)[] = [];
  const causes: CauseShare[] = [];
  const moves: DriveMove[] = [];
  const better = (cloud: Cloud | undefined): cloud is Cloud =>
    cloud !== undefined && cloud.arrive >= FEW * 0.9 && cloud.rmsM < WORTH * report.cloud.rmsM;
  if (veers) {
    for (const cause of CAUSES)
      work.push(() => {
        const cloud = cloudWith(
          build,
          {
            ...ask,
            mismatch: onlyOf(ask.mismatch, cause),
            spreads: cause === 'numbers',
          },
          runs,
        );
        if (cloud) causes.push({ cause, rmsM: cloud.rmsM, meanSideM: cloud.meanSideM });
      });
    for (const school of othersThan(ask.control))
      work.push(() => {
        const cloud = cloudWith(build, { ...ask, control: asSchool(ask.control, school) }, runs);
        if (better(cloud)) moves.push({ does: 'control', school, cloud });
      });
    for (const cause of ['motors', 'wheels', 'steering', 'weight'] as const)
      work.push(() => {
        const cloud = cloudWith(build, { ...ask, mismatch: without(ask.mismatch, cause) }, runs);
        if (better(cloud)) moves.push({ does: 'match', cause, cloud });
      });
  }
  if (findings.some(({ kind }) => kind === 'turns-short') && ask.control.ends === 'counts')
    work.push(() => {
      const turnFactor = turnFactorOf(build, ask);
      if (turnFactor === undefined) return;
      const cloud = cloudWith(build, { ...ask, control: { ...ask.control, turnFactor } }, runs);
      const turns = Math.abs(cloud?.meanHeadingDeg ?? Infinity);
      if (cloud && turns < Math.abs(report.cloud.meanHeadingDeg) / 2)
        moves.push({ does: 'calibrate', turnFactor, cloud });
    });
  for (const [n, one] of work.entries()) {
    yield { share: RUNS_SHARE + ((1 - RUNS_SHARE) * n) / work.length };
    one();
  }
  return {
    ...report,
    findings,
    causes: causes.sort((a, b) => b.rmsM - a.rmsM),
    moves: moves.sort((a, b) => a.cloud.rmsM - b.cloud.rmsM),
  };
}

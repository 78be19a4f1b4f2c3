import { meanOf, varianceOf } from '../trials/index.ts';
import type { Build } from '../vehicle/index.ts';
import { driveOnce, readyCourse, runTold, type DriveAsk, type RunTold } from './drive-build.ts';
import type { CourseEnd } from './run-course.ts';

/** Of runs that scatter as a bell in two directions, this many times their spread about the middle holds nineteen of twenty: √5.991 (χ² of two, 95 %). */
const NINETEEN_OF_TWENTY = 2.4477;

/** The oval that holds about nineteen of twenty ends: half its length and width, and which way its length lies, to the right of the way ahead. */
export interface Ellipse {
  readonly longM: number;
  readonly shortM: number;
  readonly deg: number;
}

/** Where runs of a course end, about where it means to: to the right and ahead positive. */
export interface Cloud {
  readonly runs: number;
  readonly arrive: number;
  readonly meanSideM: number;
  readonly sdSideM: number;
  readonly meanAheadM: number;
  readonly sdAheadM: number;
  readonly meanHeadingDeg: number;
  readonly sdHeadingDeg: number;
  /** Root of the mean square distance from where it was to end. */
  readonly rmsM: number;
  readonly ellipse: Ellipse;
}

/** A run told, with how far ahead of its end it stopped. */
export type RunOfCloud = RunTold & { readonly aheadM: number };

/** The course as it was driven many times. */
export interface CloudReport {
  readonly course: string;
  readonly runs: readonly RunOfCloud[];
  readonly cloud: Cloud;
  /** The first run, from moment to moment. */
  readonly first: CourseEnd;
  /** How long it takes a vehicle without faults. */
  readonly nominalS: number;
}

const sd = (values: readonly number[]): number => (values.length < 2 ? 0 : Math.sqrt(varianceOf(values)));

function ellipseOf(ahead: readonly number[], side: readonly number[]): Ellipse {
  if (ahead.length < 2) return { longM: 0, shortM: 0, deg: 0 };
  const [aa, ss] = [varianceOf(ahead), varianceOf(side)];
  const [meanA, meanS] = [meanOf(ahead), meanOf(side)];
  const as =
    ahead.reduce((sum, a, n) => sum + (a - meanA) * ((side[n] ?? meanS) - meanS), 0) / (ahead.length - 1);
  const middle = (aa + ss) / 2;
  const apart = Math.hypot((aa - ss) / 2, as);
  return {
    longM: NINETEEN_OF_TWENTY * Math.sqrt(middle + apart),
    shortM: NINETEEN_OF_TWENTY * Math.sqrt(Math.max(0, middle - apart)),
    deg: (0.5 * Math.atan2(2 * as, aa - ss) * 180) / Math.PI,
  };
}

/**
 * Mean, spread and oval of where runs end; those that did not arrive are counted, and count where they stopped.
 *
 * @example cloudOf([]).runs // 0
 */
export function cloudOf(runs: readonly RunOfCloud[]): Cloud {
  const of = (key: 'sideM' | 'aheadM' | 'headingDeg'): number[] => runs.map((run) => run[key]);
  const mean = (values: readonly number[]): number => (values.length === 0 ? 0 : meanOf(values));
  const [side, ahead, heading] = [of('sideM'), of('aheadM'), of('headingDeg')];
  return {
    runs: runs.length,
    arrive: runs.filter(({ arrives }) => arrives).length,
    meanSideM: mean(side),
    sdSideM: sd(side),
    meanAheadM: mean(ahead),
    sdAheadM: sd(ahead),
    meanHeadingDeg: mean(heading),
    sdHeadingDeg: sd(heading),
    rmsM: Math.sqrt(mean(runs.map(({ endErrorM }) => endErrorM ** 2))),
    ellipse: ellipseOf(ahead, side),
  };
}

/** How often a course is driven, from which seed on; whether every run is of one vehicle or each of one drawn anew. */
export interface CloudRuns {
  readonly runs: number;
  readonly seed: number;
  readonly oneVehicle: boolean;
}

/** How far many runs are, and those that are done. */
export interface DriveProgress {
  readonly share: number;
}

/**
 * Drives a course many times, each with its own seed. A generator, so that it gives way and can be given up. Gives undefined
 * for what is not driven over courses.
 *
 * @example driveSteps(teasel, { course: courseOf([{ kind: 'go', distanceM: 1 }]), control: SCHOOLS['by counts'], mismatch: NO_MISMATCH }, { runs: 1, seed: 1, oneVehicle: false }).next().done
 *   // true
 */
export function* driveSteps(
  build: Build,
  ask: DriveAsk,
  { runs: count, seed, oneVehicle }: CloudRuns,
): Generator<DriveProgress, CloudReport | undefined> {
  const ready = readyCourse(build, ask);
  if (!ready) return undefined;
  yield { share: 0 };
  const vehicle = oneVehicle ? { vehicleSeed: seed } : {};
  const first = driveOnce(ready, seed, { ...vehicle, keepsPath: true });
  const runs: RunOfCloud[] = [runTold(seed, first)];
  for (let n = 1; n < count; n += 1) {
    yield { share: n / count };
    runs.push(runTold(seed + n, driveOnce(ready, seed + n, vehicle)));
  }
  return { course: ask.course.name, runs, cloud: cloudOf(runs), first, nominalS: ready.nominalS };
}

/**
 * The same, all at once.
 *
 * @example driveReport(puffin, { course: courseOf([{ kind: 'go', distanceM: 1 }]), control: SCHOOLS['by counts'], mismatch: NO_MISMATCH }, { runs: 1, seed: 1, oneVehicle: false })?.cloud.arrive
 *   // 1
 */
export function driveReport(build: Build, ask: DriveAsk, runs: CloudRuns): CloudReport | undefined {
  const steps = driveSteps(build, ask, runs);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

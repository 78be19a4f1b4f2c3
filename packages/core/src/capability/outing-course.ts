import { drivelineOf } from '../drive/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { atDawn, rested, through, type CourseEnd, type CourseMoment } from './course-stretch.ts';
import { NO_ENERGY, withFlow, type EnergyFlows } from './energy-flows.ts';
import type { DutyReport } from './report.ts';

/** A duty or a break of a day out, from when to when. */
export interface CourseLeg {
  /** Null in a break. */
  readonly dutyId: string | null;
  readonly outing: number;
  readonly fromS: number;
  readonly toS: number;
}

/** A day out: moment by moment, leg by leg. */
export interface OutingCourse {
  readonly moments: readonly CourseMoment[];
  readonly legs: readonly CourseLeg[];
  /** Each motor of which heat is followed, with the most that its winding may get and gets, °C. */
  readonly motors: readonly {
    readonly driveId: string;
    readonly limitC: number;
    readonly known: boolean;
    readonly hottestC: number;
  }[];
  readonly ends: CourseEnd;
  readonly energy: EnergyFlows;
}

/** How often it goes out, and how long it rests between. */
export interface CourseAsked {
  readonly outings: number;
  /** Between two of them. */
  readonly breakS: number;
}

/** The legs of a day in their order: the duties of each outing, and a break before the next. */
const legsOfDay = (duties: readonly Duty[], { outings, breakS }: CourseAsked) =>
  Array.from({ length: outings }, (_, outing) => [
    ...(outing > 0 && breakS > 0 ? [{ outing, duty: undefined }] : []),
    ...duties.map((duty) => ({ outing, duty })),
  ]).flat();

/**
 * A day of outings through time: duty by duty on a battery that empties, with breaks in which it is charged and motors
 * cool. Where the battery no longer gives a duty's speed, it goes as fast as it does.
 *
 * @param duties the build's, as its report has them
 * @returns undefined until a motor is chosen, and where the duties take no time
 * @example outingCourse(puffin, report.duties, { outings: 1, breakS: 0 })?.legs?.length // 4
 */
export function outingCourse(
  build: Build,
  duties: readonly DutyReport[],
  asked: CourseAsked,
): OutingCourse | undefined {
  const line = drivelineOf(build);
  if (!line) return undefined;
  const { day, then: dawn } = atDawn(build, line);
  const moments: CourseMoment[] = [];
  const legs: CourseLeg[] = [];
  let [then, energy]: [typeof dawn, EnergyFlows] = [dawn, NO_ENERGY];
  let ends: CourseEnd = 'done';
  for (const { outing, duty } of legsOfDay(build.duties, asked)) {
    const report = duty && duties.find(({ id }) => id === duty.id);
    const stretch = duty && report ? through(day, duty, report, then) : rested(day, then, asked.breakS);
    legs.push({ dutyId: duty?.id ?? null, outing, fromS: then.timeS, toS: stretch.then.timeS });
    moments.push(...stretch.moments);
    energy = withFlow(energy, stretch.energy, 1);
    ({ then, ends } = stretch);
    if (ends !== 'done') break;
  }
  if (moments.length === 0 && ends === 'done') return undefined;
  const hottest = (n: number): number =>
    Math.max(day.ambientC, ...moments.map(({ motors }) => motors[n]?.windingC ?? day.ambientC));
  return {
    moments,
    legs: legs.filter(({ fromS, toS }) => toS > fromS),
    motors: day.followed.map(({ driveId, thermal: { limitC, known } }, n) => ({
      driveId,
      limitC,
      known,
      hottestC: hottest(n),
    })),
    ends,
    energy,
  };
}

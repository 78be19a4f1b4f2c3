import {
  askedOfWork,
  drivelineOf,
  pointWhere,
  shareOfTime,
  together,
  type Driveline,
} from '../drive/index.ts';
import { kelvinToCelsius } from '../quantity/index.ts';
import { coldRises, heated, type Rises, type Thermal } from '../motor/index.ts';
import { CHARGE, chargedAfter, SUN_EFFICIENCY } from '../supply/index.ts';
import { driveOf, drivesThat, motorThermal, taskOf, type Build, type Duty } from '../vehicle/index.ts';
import { attainable } from './attainable-speed.ts';
import { NO_ENERGY, withFlow, type EnergyFlows } from './energy-flows.ts';
import { attainableInput, dutyPoints } from './operating.ts';
import { lineAfter, peukertOf, ratedHoursOf } from './outing.ts';
import { flowing, type Flowing } from './power-flows.ts';
import type { DutyReport } from './report.ts';

/** A motor of a drive at a moment. */
export interface MotorThen {
  readonly driveId: string;
  readonly currentA: number;
  /** Its winding and its body, °C. */
  readonly windingC: number;
  readonly bodyC: number;
}

/** How everything stands at one moment of a day out. */
export interface CourseMoment {
  readonly timeS: number;
  readonly speedMps: number;
  /** Below 0 while it is charged. */
  readonly batteryA: number;
  readonly batteryV: number;
  /** Of the charge that may be used. */
  readonly leftShare: number;
  readonly motors: readonly MotorThen[];
}

/** `done`; or where the battery is empty, or the vehicle no longer gets on. */
export type CourseEnd = 'done' | 'empty' | 'stands';

const SECONDS_PER_HOUR = 3600;
/** Around the motors where nothing is said of the air, °C. */
const MILD_C = 25;
/** Moments of each leg: enough for a smooth line. */
const STEPS = 16;

/** A motor that is followed, and its current while a work goes on, as much as heats alike. */
interface Followed {
  readonly driveId: string;
  readonly thermal: Thermal;
  readonly workA: number;
}

const followedOf = (build: Build, line: Driveline): readonly Followed[] => [
  ...together(line).map(({ driveId, motor }) => ({ driveId, thermal: motorThermal(motor), workA: 0 })),
  ...drivesThat(build, 'works').flatMap((seen) => {
    const asked = askedOfWork(seen);
    const works = drivelineOf(seen);
    if (!asked || !works) return [];
    const workA = Math.sqrt(shareOfTime(seen)) * Math.abs(pointWhere(works, asked).currentA);
    return [{ driveId: driveOf(seen).id, thermal: motorThermal(works.motor), workA }];
  }),
];

/** What goes on at a state of the battery: at the duty's speed or, where that is no longer had, at what is. */
interface Going {
  readonly speedMps: number;
  readonly flowing: Flowing;
}

/** A duty on a battery as it then is; undefined where the vehicle does not get on. */
function goingOn(build: Build, duty: Duty, report: DutyReport, line: Driveline): Going | undefined {
  const at = (speedMps: number): Going | undefined => {
    const flows = flowing(build, duty, report, line, speedMps);
    return flows && { speedMps: taskOf(duty).moves ? speedMps : 0, flowing: flows };
  };
  if (!report.point) return at(report.speedMps);
  const points = dutyPoints(line, duty, report.resistance.totalN, report.turn);
  if (points.every(({ point }) => point.reachable)) return at(report.speedMps);
  const { totalN, dragN } = report.resistance;
  const found = attainable(attainableInput(build, duty, line, report.footing.gripN, totalN - dragN)).speedMps;
  return found > 0 ? at(Math.min(report.speedMps, found)) : undefined;
}

/** What changes as the day goes on. */
export interface Then {
  readonly timeS: number;
  /** Of the whole capacity. */
  readonly drawnShare: number;
  readonly rises: readonly Rises[];
}

/** A stretch of the day: what it went through, and how it was left. */
export interface CourseStretch {
  readonly moments: readonly CourseMoment[];
  readonly then: Then;
  readonly energy: EnergyFlows;
  readonly ends: CourseEnd;
}

/** What does not change over a day. */
export interface Day {
  readonly build: Build;
  readonly line: Driveline;
  readonly followed: readonly Followed[];
  readonly ambientC: number;
}

/** Share of the whole capacity that a current takes in a second; by Peukert never less than its charge. */
function drawnPerSecond({ line }: Day, batteryA: number): number {
  const capacityAh = line.bank?.capacityAh;
  if (capacityAh === undefined) return 0;
  const rated = capacityAh / ratedHoursOf(line);
  const harder = Math.max(1, (batteryA / rated) ** (peukertOf(line) - 1));
  return (batteryA * harder) / (capacityAh * SECONDS_PER_HOUR);
}

const currentOf = ({ driveId, workA }: Followed, going?: Flowing): number =>
  going?.drives.find((drive) => drive.driveId === driveId)?.currentA ?? (going ? workA : 0);

const warmed = (day: Day, then: Then, seconds: number, going?: Flowing): readonly Rises[] =>
  day.followed.map((one, n) =>
    heated(one.thermal, then.rises[n] ?? [], currentOf(one, going), day.ambientC, seconds),
  );

/** As it stands at a moment; past what numbers hold a winding has run away. */
function momentOf(day: Day, then: Then, going: Partial<Going> & Pick<CourseMoment, 'batteryA' | 'batteryV'>) {
  const { speedMps = 0, batteryA, batteryV, flowing: flow } = going;
  const usable = day.build.supply.usableShare.value;
  return {
    timeS: then.timeS,
    speedMps,
    batteryA,
    batteryV,
    leftShare: Math.max(0, 1 - then.drawnShare / usable),
    motors: day.followed.map((one, n) => {
      const rises = then.rises[n] ?? [];
      const bodyC = day.ambientC + (rises[0] ?? 0);
      return {
        driveId: one.driveId,
        currentA: currentOf(one, flow),
        windingC: bodyC + (rises[1] ?? 0),
        bodyC,
      };
    }),
  };
}

/** One duty, from how the last one left it, to its end or to where the battery ends it. */
export function through(day: Day, duty: Duty, report: DutyReport, from: Then): CourseStretch {
  const fresh = goingOn(day.build, duty, report, day.line);
  const at = (drawnShare: number): Going | undefined => {
    const line = lineAfter(day.line, drawnShare);
    return line === day.line ? fresh : goingOn(day.build, duty, report, line);
  };
  // What is asked as a way takes longer where it goes slower.
  const paceOf = ({ speedMps }: Going): number =>
    duty.extent.kind === 'time' || report.speedMps === 0 ? 1 : speedMps / report.speedMps;
  const usable = day.build.supply.usableShare.value;
  const moments: CourseMoment[] = [];
  let [then, energy, left] = [from, NO_ENERGY, report.durationS];
  let ends: CourseEnd = 'done';
  for (let step = 0; step < STEPS && left > 0 && ends === 'done'; step += 1) {
    const before = at(then.drawnShare);
    const seconds = before && left / (STEPS - step) / paceOf(before);
    const halfway =
      before && then.drawnShare + drawnPerSecond(day, before.flowing.batteryA) * (seconds ?? 0) * 0.5;
    const going = halfway === undefined ? undefined : at(halfway);
    if (!before || !going || seconds === undefined) {
      ends = 'stands';
      break;
    }
    if (step === 0) moments.push(momentOf(day, then, { ...before, ...voltsOf(before) }));
    const perSecond = drawnPerSecond(day, going.flowing.batteryA);
    const mostS = perSecond > 0 ? Math.max(0, usable - then.drawnShare) / perSecond : Infinity;
    if (mostS < seconds) ends = 'empty';
    const lasts = Math.min(seconds, mostS);
    left -= lasts * paceOf(going);
    then = {
      timeS: then.timeS + lasts,
      drawnShare: Math.min(usable, then.drawnShare + perSecond * lasts),
      rises: warmed(day, then, lasts, going.flowing),
    };
    energy = withFlow(energy, going.flowing.flows, lasts);
    moments.push(momentOf(day, then, { ...going, ...voltsOf(going) }));
  }
  return { moments, then, energy, ends };
}

const voltsOf = ({ flowing: { batteryA, batteryV } }: Going) => ({ batteryA, batteryV });

/** A break: motors cool; a charger, and a panel that charges while parked for as long as there is sun, fill the battery. */
export function rested(day: Day, from: Then, breakS: number): CourseStretch {
  const { charger, sun, standbyPower } = day.build.supply;
  const capacityAh = day.line.bank?.capacityAh;
  const fullWs =
    capacityAh === undefined ? Infinity : capacityAh * SECONDS_PER_HOUR * day.line.circuit.openCircuitV;
  const drawnAfter = (seconds: number): number => {
    const chargerGives =
      charger && capacityAh !== undefined && from.drawnShare > 0
        ? chargedAfter(
            {
              ...CHARGE,
              capacityAh,
              drawnShare: Math.min(1, from.drawnShare),
              chargerA: charger.current.value,
            },
            seconds / SECONDS_PER_HOUR,
          )
        : 0;
    const sunWs =
      sun?.when === 'parked' ? SUN_EFFICIENCY * sun.power.value * Math.min(seconds, sun.hours.value) : 0;
    const standbyWs = (standbyPower?.value ?? 0) * seconds;
    return Math.min(1, Math.max(0, from.drawnShare - chargerGives - (sunWs - standbyWs) / fullWs));
  };
  const stepS = breakS / STEPS;
  const moments: CourseMoment[] = [];
  let then = from;
  for (let step = 1; step <= STEPS; step += 1) {
    const drawnShare = drawnAfter(step * stepS);
    const batteryA = (((drawnShare - then.drawnShare) * (capacityAh ?? 0)) / stepS) * SECONDS_PER_HOUR;
    const batteryV = lineAfter(day.line, drawnShare).circuit.openCircuitV;
    if (step === 1) moments.push(momentOf(day, then, { batteryA, batteryV }));
    then = { timeS: from.timeS + step * stepS, drawnShare, rises: warmed(day, then, stepS) };
    moments.push(momentOf(day, then, { batteryA, batteryV }));
  }
  return { moments, then, energy: NO_ENERGY, ends: 'done' };
}

/** A day before its first leg: the battery full, the motors as cold as the air. */
export function atDawn(build: Build, line: Driveline): { readonly day: Day; readonly then: Then } {
  const { airTemperature } = build.supply;
  const ambientC = airTemperature ? kelvinToCelsius(airTemperature.value) : MILD_C;
  const followed = followedOf(build, line);
  const rises = followed.map(({ thermal }) => coldRises(thermal));
  return { day: { build, line, followed, ambientC }, then: { timeS: 0, drawnShare: 0, rises } };
}

import {
  alikeMotors,
  drivenAt,
  dutyPoint,
  loadedStages,
  mayGoIn,
  mountInput,
  stallTorque,
  steadyForce,
  topSpeedInput,
} from '../capability/index.ts';
import { accelerationOf, askedOf, type DutyAsked } from '../demand/index.ts';
import { drivelineOf, type Driveline } from '../drive/index.ts';
import {
  axleLinks,
  driveLinks,
  groundLinks,
  wholeDriveLinks,
  type LinkId,
  type LinkReport,
} from '../judge/index.ts';
import { mountPull, type Stage } from '../transmission/index.ts';
import { changeDrive, taskOf, type Build, type Duty } from '../vehicle/index.ts';
import type { Road } from './line-figures.ts';
import { tallyOf, type Tally } from './tally.ts';

/** What a duty asks on its ground, and how fast it may go there. */
export interface AskedDuty {
  readonly duty: Duty;
  readonly asked: DutyAsked;
  readonly road: Road;
  /** Flat out; absent where nothing says how fast it may go. */
  readonly top: Road | undefined;
  readonly mayMps: number;
  readonly onGround: Tally;
  /** Whether what rotors weigh changes it: it speeds up or slows down. */
  readonly feelsRotors: boolean;
}

/** Asks a duty of a build with a driveline. */
export function askDuty(build: Build, duty: Duty, line: Driveline): AskedDuty {
  const { asked, braking } = askedOf(build, duty, line);
  const may = mayGoIn(build, duty, { tip: asked.tip, brake: asked.brake, braking });
  const top = may && topSpeedInput(build, duty, line);
  return {
    duty,
    asked,
    road: {
      steadyN: taskOf(duty).drives ? steadyForce(build, duty, asked.resistance) : 0,
      gripN: asked.footing.gripN ?? Infinity,
    },
    top: top && { steadyN: top.steadyN, gripN: top.gripN ?? Infinity },
    mayMps: may?.mayMps ?? Infinity,
    onGround: tallyOf(groundLinks(build, duty, asked)),
    feelsRotors: accelerationOf(duty) !== 0 || asked.brake !== undefined,
  };
}

/** One side of a train: torque (N·m) and speed (rad/s) of what a motor, its gearhead with it, drives. */
interface Turned {
  readonly torqueNm: number;
  readonly speedRadS: number;
}

/** A duty on a train, before a motor is before it. */
export interface ShapeDuty {
  readonly wheelTorqueNm: number;
  readonly outerMps: number;
  readonly hard: Turned;
  readonly easy: Turned | undefined;
  /** What stages, path and mount have to spare. */
  readonly holds: Tally;
  /** Pull across the motor's shaft, N. */
  readonly shaftN: number;
}

/** Stages by themselves, whatever turns them. */
export interface TrainShape {
  readonly stages: readonly Stage[];
  readonly ratio: number;
  readonly efficiency: number;
  readonly backEfficiency: number;
  readonly asked: readonly AskedDuty[];
  readonly duties: readonly ShapeDuty[];
  readonly onAxle: Tally;
  /** Torque with which each motor, its gearhead with it, may be held before stages or path give out, N·m. */
  readonly stagesStandNm: number;
  readonly pathStandsNm: number;
}

/** A duty on the train of a driveline without a gearhead. */
export function shapeDuty(build: Build, line: Driveline, { duty, asked }: AskedDuty): ShapeDuty {
  const { resistance, turn } = asked;
  const outerMps = turn?.outerMps ?? duty.speed.value;
  const point = dutyPoint(line, duty, resistance.totalN, turn);
  const [hard, easy] = alikeMotors(line, resistance.totalN, outerMps, turn);
  const drives = taskOf(duty).drives;
  const pull = drives ? mountInput(build, loadedStages(line, drivenAt(point))) : undefined;
  return {
    wheelTorqueNm: point.wheelTorqueNm,
    outerMps,
    hard,
    easy,
    holds: tallyOf(drives ? driveLinks(build, duty.id, point, line) : []),
    shaftN: pull ? mountPull.run(pull).shaftN : 0,
  };
}

/** The least torque of each motor, held at a stall, at which a link of a kind gives out; Infinity where none does. */
function standsOf(links: readonly LinkReport[], link: LinkId, stallNm: number): number {
  return links
    .filter((one) => one.link === link)
    .reduce((least, { ratio }) => Math.min(least, ratio * stallNm), Infinity);
}

/** Without a limit, so that what gives out at a stall is known of any. */
const unlimited = (line: Driveline): Driveline => ({
  ...line,
  circuit: { ...line.circuit, currentLimitA: Infinity, batteryLimitA: Infinity, auxiliaryW: 0 },
});

/**
 * Stages by themselves.
 *
 * @param bare looked at through the drive, with a motor that has neither gearhead nor a limit of its shaft
 * @param asks what the duties ask of a drive that locks, or does not
 */
export function trainShape(
  bare: Build,
  stages: readonly Stage[],
  asks: (build: Build, line: Driveline) => readonly AskedDuty[],
): TrainShape | undefined {
  const build = changeDrive(bare, { stages });
  const line = drivelineOf(build);
  if (!line) return undefined;
  const asked = asks(build, line);
  const free = unlimited(line);
  const stalled = wholeDriveLinks(build, free);
  const stallNm = stallTorque(free);
  return {
    stages,
    ratio: line.ratio,
    efficiency: line.efficiency,
    backEfficiency: line.backEfficiency,
    asked,
    duties: asked.map((one) => shapeDuty(build, line, one)),
    onAxle: tallyOf(axleLinks(build)),
    stagesStandNm: standsOf(stalled, 'stage-stall', stallNm),
    pathStandsNm: standsOf(stalled, 'path-stall', stallNm),
  };
}

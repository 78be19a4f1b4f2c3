import type { DutyPoint } from '../capability/index.ts';
import { bracketedRoot } from '../contract/index.ts';
import {
  askedOfWork,
  drivelineOf,
  pointWhere,
  ratioBehindMotor,
  shareOfTime,
  type Driveline,
  type Turned,
} from '../drive/index.ts';
import { degreesToRadians } from '../quantity/index.ts';
import { fullCommandTorque, meanDraw, STRETCH_S } from '../supply/index.ts';
import { deliveredTorque } from '../transmission/index.ts';
import { driveOf, drivesThat, type Build } from '../vehicle/index.ts';
import { driveLinks, wholeDriveLinks } from './drive-links.ts';
import type { LinkId } from './links.ts';
import { linksOf, margin } from './margin.ts';
import { driverLinks } from './outing-links.ts';
import type { LinkReport, TurnedReport } from './report.ts';

/**
 * The greatest torque of an output at its speed, N·m.
 *
 * @example greatestAt(line, 0) // 90.24
 */
export const greatestAt = (line: Driveline, speedRadS: number): number =>
  deliveredTorque.run({
    torqueNm: fullCommandTorque(line.circuit, speedRadS * line.ratio),
    motors: line.motorsPerWheel,
    ratio: line.ratio,
    efficiency: line.efficiency,
  }).deliveredNm;

/** Speeds of an output are found to this share of the fastest. */
const TOLERANCE = 1e-9;

/**
 * The fastest that an output turns against a torque, rad/s; 0 where it does not turn it.
 *
 * @example fastestAgainst(line, 20) // 8.137
 */
export function fastestAgainst(line: Driveline, torqueNm: number): number {
  const spare = (speedRadS: number): number => greatestAt(line, speedRadS) - torqueNm;
  if (spare(0) <= 0) return 0;
  const free = line.circuit.motor.fastestRadS(line.circuit.openCircuitV) / line.ratio;
  return spare(free) > 0 ? free : bracketedRoot(spare, 0, free, TOLERANCE * free);
}

/**
 * Where the output of a drive turns so, as a duty's point has it.
 *
 * @example workPoint(line, { torqueNm: 20, speedRadS: 2 }).motorTorqueNm // 0.643
 */
export function workPoint(line: Driveline, asked: Turned): DutyPoint {
  const { torqueNm, rpm, currentA, motorV, batteryA, batteryV, reachable } = pointWhere(line, asked);
  return {
    wheelTorqueNm: asked.torqueNm,
    wheelRpm: rpm / line.ratio,
    motorTorqueNm: torqueNm,
    motorRpm: rpm,
    currentA,
    motorV,
    batteryA,
    batteryV,
    reachable,
  };
}

/** How far the motor of a drive must turn, as an angle of its own shaft, against the way that a servo has. */
function travelLink(
  build: Build,
  line: Driveline,
  { turnsRad }: Turned,
  dutyId: string | null,
): LinkReport[] {
  const { motor } = line;
  if (motor.type !== 'servo' || turnsRad === undefined) return [];
  const needs = turnsRad * ratioBehindMotor(line);
  return margin(
    { link: 'travel', dutyId, needs, has: degreesToRadians(motor.travelDeg) },
    build.marginPolicy,
  );
}

interface Worked {
  readonly dutyId: string | null;
  readonly torque: LinkId;
  readonly speed: LinkId;
  /** Of the time, over the worst ten minutes, that it goes on. */
  readonly share: number;
}

/** Everything that a drive is judged by which does not move the vehicle. */
export function turnedLinks(build: Build, line: Driveline, asked: Turned, worked: Worked): LinkReport[] {
  const policy = build.marginPolicy;
  const { dutyId, share } = worked;
  const { motor, driver, bank } = line;
  const point = workPoint(line, asked);
  const currentA = Math.abs(point.currentA);
  const legs = legsOfShare(share, currentA);
  return [
    ...margin(
      {
        link: worked.torque,
        dutyId,
        needs: asked.torqueNm,
        has: greatestAt(line, asked.speedRadS),
      },
      policy,
    ),
    ...margin(
      {
        link: worked.speed,
        dutyId,
        needs: asked.speedRadS,
        has: fastestAgainst(line, asked.torqueNm),
      },
      policy,
    ),
    ...travelLink(build, line, asked, dutyId),
    ...driveLinks(build, dutyId, point, line),
    ...margin(
      { link: 'motor-heat', dutyId, needs: meanDraw(legs).worstRmsA, has: motor.continuousA },
      policy,
    ),
    ...(driver
      ? margin({ link: 'driver-current', dutyId, needs: currentA, has: driver.continuousA }, policy)
      : []),
    ...(bank
      ? margin({ link: 'battery-current', dutyId, needs: point.batteryA, has: bank.continuousA }, policy)
      : []),
  ];
}

const legsOfShare = (share: number, currentA: number) => [
  { durationS: share * STRETCH_S, currentA },
  { durationS: (1 - share) * STRETCH_S, currentA: 0 },
];

/** Stages, path and driver where its motors are held at full command. */
export const stalledLinks = (build: Build, line: Driveline): LinkReport[] => [
  ...wholeDriveLinks(build, line),
  ...driverLinks(build, line),
];

/**
 * The margins of every drive that works beside.
 *
 * @example workLinks(whimbrel)[0]?.link // 'work-torque'
 */
export const workLinks = (build: Build): LinkReport[] =>
  drivesThat(build, 'works').flatMap((seen) => {
    const line = drivelineOf(seen);
    const asked = askedOfWork(seen);
    if (!line || !asked) return [];
    const { work } = driveOf(seen);
    // One lift, however seldom, is heated by all of its length.
    const once = work?.kind === 'lift' ? Math.min(1, work.within.value / STRETCH_S) : 0;
    const share = Math.max(once, shareOfTime(seen));
    return linksOf(line.driveId, [
      ...turnedLinks(seen, line, asked, { dutyId: null, torque: 'work-torque', speed: 'work-speed', share }),
      ...stalledLinks(seen, line),
    ]);
  });

/** What a drive that works is asked; undefined for another, or until its motor is chosen. */
export function workedOf(build: Build): TurnedReport | undefined {
  const line = drivelineOf(build);
  const asked = driveOf(build).does === 'works' ? askedOfWork(build) : undefined;
  return line && asked ? { dutyId: null, ...asked, point: workPoint(line, asked) } : undefined;
}

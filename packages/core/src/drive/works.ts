import { STANDARD_GRAVITY, rpmToRadS } from '../quantity/index.ts';
import { pointAt, type OperatingPoint } from '../supply/index.ts';
import { motorLoad, stageFigures } from '../transmission/index.ts';
import { driveOf, drivesThat, type Build, rememberedBesidesJobs } from '../vehicle/index.ts';
import { lineAlone, type Driveline } from './line-alone.ts';
import { isOnMotor } from './train.ts';

/** What a drive must give at its output: of a lift its drum. */
export interface Turned {
  readonly torqueNm: number;
  readonly speedRadS: number;
  /** How far its output turns, rad, where it turns so far and back: up a height, from lock to lock. */
  readonly turnsRad?: number;
}

/**
 * What a work asks of the end of its drive; undefined where a lift has no drum yet, and where watts alone are known.
 *
 * @example askedOfWork(throughDrive(whimbrel, 'drive-3'))?.torqueNm // 5.148
 */
export function askedOfWork(build: Build): Turned | undefined {
  const { work, stages } = driveOf(build);
  if (work?.kind === 'turns') return { torqueNm: work.torque.value, speedRadS: work.speed.value };
  if (work?.kind !== 'lift') return undefined;
  const last = stages.at(-1);
  const drumM = last && stageFigures(last).rollsM;
  if (drumM === undefined) return undefined;
  const radiusM = drumM / 2;
  const { load, height, within } = work;
  return {
    torqueNm: load.value * STANDARD_GRAVITY * radiusM,
    speedRadS: height.value / within.value / radiusM,
    turnsRad: height.value / radiusM,
  };
}

/**
 * Turns of the motor's own shaft, its gearhead left out, for one of the output.
 *
 * @example ratioBehindMotor(line) // 4
 */
export const ratioBehindMotor = ({ stages }: Driveline): number =>
  stages.filter((stage) => !isOnMotor(stage)).reduce((ratio, stage) => ratio * stageFigures(stage).ratio, 1);

/** Each motor of a drive where its output gives so much, and what all of them take. */
export interface DrivenPoint extends OperatingPoint {
  readonly torqueNm: number;
  readonly rpm: number;
}

/** A circumference of one metre a turn: what turns a wheel of it turns anything. */
const UNIT_DIAMETER_M = 2;

/**
 * What each motor of a drive does where its outputs turn so.
 *
 * @example pointWhere(line, { torqueNm: 20, speedRadS: 2 }).torqueNm // 0.643
 */
export function pointWhere(line: Driveline, { torqueNm, speedRadS }: Turned): DrivenPoint {
  const motor = motorLoad.run({
    wheelTorqueNm: torqueNm,
    speedMps: (speedRadS * UNIT_DIAMETER_M) / 2,
    wheelDiameterM: UNIT_DIAMETER_M,
    ratio: line.ratio,
    efficiency: line.efficiency,
    motorsPerWheel: line.motorsPerWheel,
  });
  const point = pointAt(line.circuit, motor.torqueNm, rpmToRadS(motor.rpm));
  return { ...point, torqueNm: motor.torqueNm, rpm: motor.rpm };
}

const SECONDS_PER_HOUR = 3600;

/**
 * Share of the time that a work goes on; of a lift, going up.
 *
 * @example shareOfTime(throughDrive(whimbrel, 'drive-3')) // 0.08333
 */
export function shareOfTime(build: Build): number {
  const { work } = driveOf(build);
  if (!work) return 0;
  if (work.kind !== 'lift') return work.share.value;
  return Math.min(1, (work.timesAnHour.value * work.within.value) / SECONDS_PER_HOUR);
}

/** Power that the motors of a work take while it goes on, W; 0 until its motor is chosen. */
function powerOfWork(build: Build): number {
  const { work } = driveOf(build);
  if (work?.kind === 'draws') return work.power.value;
  const asked = askedOfWork(build);
  const line = lineAlone(build);
  return asked && line ? Math.max(0, pointWhere(line, asked).motorsW) : 0;
}

/** What works draw beside the drives that move the vehicle. */
export interface WorksDraw {
  /** While it drives, all of them at work, W. */
  readonly drivingW: number;
  /** The mean over an outing, W. */
  readonly meanW: number;
}

/**
 * What the drives that work draw from the battery, on the mean of an outing.
 *
 * @example worksDraw(puffin) // { drivingW: 0, meanW: 0 }
 */
export const worksDraw = rememberedBesidesJobs((build: Build): WorksDraw => {
  const works = drivesThat(build, 'works').map((seen) => {
    const { work } = driveOf(seen);
    const powerW = powerOfWork(seen);
    const drives = work !== undefined && work.kind !== 'lift' && work.whileDriving;
    return { drivingW: drives ? powerW : 0, meanW: powerW * shareOfTime(seen) };
  });
  return {
    drivingW: works.reduce((sum, { drivingW }) => sum + drivingW, 0),
    meanW: works.reduce((sum, { meanW }) => sum + meanW, 0),
  };
});

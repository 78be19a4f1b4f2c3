import {
  fullCommand,
  fullCommandTorque,
  onVoltage,
  sharedSupply,
  type Circuit,
  type FullCommand,
} from '../supply/index.ts';
import { deliveredTorque } from '../transmission/index.ts';
import type { Driveline } from './line-alone.ts';

/** What a drive's pull on the road depends on. */
export type RoadLine = Pick<Driveline, 'circuit' | 'wheelRadiusM' | 'efficiency' | 'ratio'> & {
  /** The others on the same road and battery. */
  readonly beside?: readonly RoadLine[];
};

/** Speed of the motors at a road speed, rad/s. */
const motorSpeed = ({ wheelRadiusM, ratio }: RoadLine, speedMps: number): number =>
  (speedMps / wheelRadiusM) * ratio;

/** What flows at full command at a road speed, on one battery: its volts and amperes, and each drive, this one first. */
export interface FlatOut {
  readonly batteryA: number;
  readonly batteryV: number;
  readonly drives: readonly { readonly point: FullCommand; readonly pullN: number }[];
}

/** A drive's motors at a road speed, at full command; with others on the battery as it stands under all of them. */
function circuitsAt(line: RoadLine, speedMps: number): readonly Circuit[] {
  const { circuit, beside = [] } = line;
  if (beside.length === 0) return [circuit];
  const all = [line, ...beside];
  const { batteryV, share } = sharedSupply(
    all.map((one) => ({ circuit: one.circuit, speedRadS: motorSpeed(one, speedMps) })),
  );
  return all.map((one) => onVoltage(one.circuit, batteryV, share));
}

/** What one drive gives on a circuit at a road speed, N. */
const pullOn = (line: RoadLine, circuit: Circuit, speedMps: number): number =>
  deliveredTorque.run({
    torqueNm: fullCommandTorque(circuit, motorSpeed(line, speedMps)),
    motors: circuit.motors,
    ratio: line.ratio,
    efficiency: line.efficiency,
  }).deliveredNm / line.wheelRadiusM;

const isAlone = ({ beside }: RoadLine): boolean => beside === undefined || beside.length === 0;

/**
 * What each drive can give at a road speed, all at full command, N, grip left out: this one first. Below 0 the road turns it.
 *
 * @example pullsAt(line, 0).length // 1
 */
export const pullsAt = (line: RoadLine, speedMps: number): readonly number[] => {
  const all = [line, ...(line.beside ?? [])];
  return circuitsAt(line, speedMps).map((circuit, at) => pullOn(all[at] ?? line, circuit, speedMps));
};

/**
 * Pull of all driven wheels at the ground, N, grip left out.
 *
 * @example greatestPull(line, 0) // 902.4
 */
export const greatestPull = (line: RoadLine, speedMps: number): number =>
  isAlone(line)
    ? pullOn(line, line.circuit, speedMps)
    : pullsAt(line, speedMps).reduce((sum, pull) => sum + pull, 0);

/**
 * The greatest torque of each driveline of a drive at the wheel, N·m, at a road speed and any ratio.
 *
 * @example greatestWheelTorque(line, 0) // 90.24
 */
export function greatestWheelTorque(
  line: RoadLine & Pick<Driveline, 'motorsPerWheel'>,
  speedMps: number,
  ratio = line.ratio,
): number {
  const { circuit, motorsPerWheel: motors, efficiency } = line;
  const own = isAlone(line) ? circuit : (circuitsAt({ ...line, ratio }, speedMps)[0] ?? circuit);
  const torqueNm = fullCommandTorque(own, (speedMps / line.wheelRadiusM) * ratio);
  return deliveredTorque.run({ torqueNm, motors, ratio, efficiency }).deliveredNm;
}

/**
 * All drives at full command at a road speed, with what their battery then gives.
 *
 * @example flatOut(line, 0.8).batteryA // 73.1
 */
export function flatOut(line: RoadLine, speedMps: number): FlatOut {
  const all = [line, ...(line.beside ?? [])];
  const circuits = circuitsAt(line, speedMps);
  const drives = circuits.map((circuit, n) => {
    const one = all[n] ?? line;
    return {
      point: fullCommand(circuit, motorSpeed(one, speedMps)),
      pullN: pullOn(one, circuit, speedMps),
    };
  });
  const [first] = drives;
  if (isAlone(line) && first) {
    const { batteryA, batteryV } = first.point;
    return { batteryA, batteryV, drives };
  }
  const batteryV = circuits[0]?.openCircuitV ?? 0;
  const motorsA = drives.reduce((sum, { point }) => sum + point.batteryA, 0);
  return { batteryA: motorsA + line.circuit.auxiliaryW / batteryV, batteryV, drives };
}

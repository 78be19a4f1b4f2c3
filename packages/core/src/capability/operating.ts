import { remembered } from '../contract/index.ts';
import { AIR_DENSITY, rpmToRadS } from '../quantity/index.ts';
import { demandOf, type Resistance, type TurnReport } from '../demand/index.ts';
import { pullsAt, together, type Driveline } from '../drive/index.ts';
import { wheelTorque } from '../ground/index.ts';
import { circuitInput, pointAt, pointOfTwoHalves, type OperatingPoint } from '../supply/index.ts';
import { motorLoad } from '../transmission/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import type { Attainable } from './attainable-speed.ts';
import type { DutyPoint } from './report.ts';

/**
 * What the calculation of a wheel's torque takes: a force along the ground and the wheels that share it.
 *
 * @example wheelTorqueInput(line, 400) // { forceN: 400, wheelDiameterM: 0.4, wheels: 2 }
 */
export const wheelTorqueInput = (line: Driveline, forceN: number) => ({
  forceN,
  wheelDiameterM: 2 * line.wheelRadiusM,
  wheels: line.outputs,
});

/**
 * What the calculation of a motor's load takes: a wheel's torque and the drive that it goes through.
 *
 * @example motorLoadInput(line, 44.8, 0.8).ratio // 36
 */
export const motorLoadInput = (line: Driveline, wheelTorqueNm: number, speedMps: number) => ({
  wheelTorqueNm,
  speedMps,
  wheelDiameterM: 2 * line.wheelRadiusM,
  ratio: line.ratio,
  efficiency: line.efficiency,
  ...(line.backEfficiency === line.efficiency ? {} : { backEfficiency: line.backEfficiency }),
  motorsPerWheel: line.motorsPerWheel,
});

/** A line whose battery also gives so much beside, W. */
const withBeside = (line: Driveline, watts: number): Driveline =>
  watts === 0 ? line : { ...line, circuit: { ...line.circuit, auxiliaryW: line.circuit.auxiliaryW + watts } };

/**
 * How drives share a force at a road speed: each as it can give at that speed; where none can give anything, as they can from
 * rest. What the road turns takes no share.
 *
 * @returns one share a drive, this one first; together 1
 * @example sharesOf(line, 0.8) // [1]
 */
export function sharesOf(line: Driveline, speedMps: number): readonly number[] {
  if (line.beside.length === 0) return [1];
  const sharedBy = (pulls: readonly number[]): readonly number[] | undefined => {
    const able = pulls.map((pull) => Math.max(0, pull));
    const all = able.reduce((sum, pull) => sum + pull, 0);
    return all > 0 ? able.map((pull) => pull / all) : undefined;
  };
  const alike = together(line).map(() => 1 / (1 + line.beside.length));
  return sharedBy(pullsAt(line, speedMps)) ?? sharedBy(pullsAt(line, 0)) ?? alike;
}

/** A drive's share of a duty: of the force, and in a turn of what its sides do. */
interface OfDrive {
  readonly line: Driveline;
  readonly share: number;
}

/**
 * What each motor of each drive and the battery do to hold the duty's speed against a force along the ground.
 *
 * @example dutyPoints(line, duty, 400).length // 1
 */
export function dutyPoints(
  line: Driveline,
  duty: Duty,
  forceN: number,
  turn?: TurnReport,
): readonly (OfDrive & { readonly point: DutyPoint })[] {
  const shares = sharesOf(line, turn?.outerMps ?? duty.speed.value);
  const drives = together(line).map((one, at): OfDrive => ({ line: one, share: shares[at] ?? 0 }));
  const pointOf = ({ line: one, share }: OfDrive, besideW: number): DutyPoint & { motorsW: number } =>
    pointOfDrive(withBeside(one, besideW), duty, forceN * share, turn && sharedTurn(turn, share));
  if (drives.length === 1) return drives.map((drive) => ({ ...drive, point: pickPoint(pointOf(drive, 0)) }));
  const watts = drives.map((drive) => pointOf(drive, 0).motorsW);
  const all = watts.reduce((sum, w) => sum + w, 0);
  return drives.map((drive, at) => ({ ...drive, point: pickPoint(pointOf(drive, all - (watts[at] ?? 0))) }));
}

const pickPoint = ({ motorsW: _, ...point }: DutyPoint & { readonly motorsW: number }): DutyPoint => point;

/** A turn of which a drive bears a share. */
export const sharedTurn = (turn: TurnReport, share: number): TurnReport =>
  share === 1 ? turn : { ...turn, outerN: turn.outerN * share, innerN: turn.innerN * share };

/**
 * What each motor and the battery do where this drive is the only one.
 *
 * @example dutyPoint(line, duty, 400).motorTorqueNm // 1.286
 */
export const dutyPoint = (line: Driveline, duty: Duty, forceN: number, turn?: TurnReport): DutyPoint =>
  dutyPoints(line, duty, forceN, turn)[0]?.point ?? pickPoint(pointOfDrive(line, duty, forceN, turn));

function pointOfDrive(line: Driveline, duty: Duty, forceN: number, turn?: TurnReport) {
  const { torqueNm: wheelTorqueNm } = wheelTorque.run(wheelTorqueInput(line, forceN));
  const speedMps = turn?.outerMps ?? duty.speed.value;
  const motor = motorLoad.run(motorLoadInput(line, wheelTorqueNm, speedMps));
  const { currentA, motorV, batteryA, batteryV, motorsW, reachable } = circuitPoint(
    line,
    forceN,
    speedMps,
    turn,
  );
  return {
    wheelTorqueNm,
    wheelRpm: motor.wheelRpm,
    motorTorqueNm: motor.torqueNm,
    motorRpm: motor.rpm,
    currentA,
    motorV,
    // Nothing is counted as returning to the battery: not every driver or battery takes it.
    batteryA: Math.max(0, batteryA),
    batteryV: batteryA < 0 ? line.circuit.openCircuitV : batteryV,
    reachable,
    motorsW,
  };
}

const SIDES = 2;

/** Motors of a drive that do the same: all, or round a bend those of one side. */
export interface AlikeMotors {
  /** Of the drive's motors. */
  readonly share: number;
  readonly torqueNm: number;
  readonly speedRadS: number;
  /** What they give at the ground, W; below 0 they are pushed. */
  readonly groundW: number;
}

/**
 * The drive's motors where they push with a force along the ground: round a bend the outer side, then the inner.
 *
 * @example alikeMotors(line, 400, 0.8)[0].torqueNm // 1.286
 */
export function alikeMotors(
  line: Driveline,
  forceN: number,
  speedMps: number,
  turn?: TurnReport,
): readonly [AlikeMotors, AlikeMotors?] {
  const of = (force: number, mps: number, share: number): AlikeMotors => {
    const { torqueNm: wheelNm } = wheelTorque.run(wheelTorqueInput(line, force));
    const { torqueNm, rpm } = motorLoad.run(motorLoadInput(line, wheelNm, mps));
    return { share, torqueNm, speedRadS: rpmToRadS(rpm), groundW: force * mps * share };
  };
  if (!turn || turn.radiusM === 0 || turn.innerN === turn.outerN) return [of(forceN, speedMps, 1)];
  const innerForceN = forceN - SIDES * (turn.outerN - turn.innerN);
  return [of(forceN, speedMps, 0.5), of(innerForceN, Math.max(0, turn.innerMps), 0.5)];
}

/** Round a bend the inner side does less than the outer: both are drawn from one battery. */
function circuitPoint(
  line: Driveline,
  forceN: number,
  speedMps: number,
  turn: TurnReport | undefined,
): OperatingPoint {
  const [hard, easy] = alikeMotors(line, forceN, speedMps, turn);
  return easy
    ? pointOfTwoHalves(line.circuit, hard, easy)
    : pointAt(line.circuit, hard.torqueNm, hard.speedRadS);
}

/**
 * Resistance without air, steps and speeding up; where a duty asks neither, its own without air.
 *
 * @example steadyForce(puffin, duty) // 411
 */
export function steadyForce(build: Build, duty: Duty, own?: Resistance): number {
  const steady = !duty.step && !duty.upToSpeed && duty.acceleration.value === 0;
  return own && steady ? own.totalN - own.dragN : demandOf(build, steadyDuty(duty), 0).resistance.totalN;
}

/**
 * What the attainable speed depends on: the duty's resistance without air, and the driveline.
 *
 * @example attainableInput(puffin, duty, line, undefined).ratio // 36
 */
export const attainableInput = (
  build: Build,
  duty: Duty,
  line: Driveline,
  gripN: number | undefined,
  steadyN = steadyForce(build, duty),
): Attainable => ({
  circuit: line.circuit,
  ratio: line.ratio,
  efficiency: line.efficiency,
  wheelDiameterM: 2 * line.wheelRadiusM,
  steadyN,
  ...(line.beside.length === 0 ? {} : { beside: line.beside }),
  dragAreaM2: build.dragArea.value,
  airDensityKgM3: AIR_DENSITY,
  ...(gripN === undefined ? {} : { gripN }),
});

/**
 * The same duty without speeding up, and without the step that it only takes at a crawl.
 *
 * @example steadyDuty({ ...duty, step: typed(20, 'mm') }).step // undefined
 */
export const steadyDuty = remembered(({ step: _step, upToSpeed: _up, ...duty }: Duty): Duty => ({
  ...duty,
  acceleration: { ...duty.acceleration, value: 0 },
}));

/**
 * The same as the calculator of the attainable speed takes it.
 *
 * @example attainableGiven(attainableInput(puffin, duty, line, undefined)).steadyN // 411
 */
export const attainableGiven = ({ circuit, beside: _, ...rest }: Attainable) => ({
  ...circuitInput(circuit),
  ...rest,
});

import { isOnMotor, type Driveline } from '../drive/index.ts';
import { fullCommandTorque } from '../supply/index.ts';
import { stageFigures, type PathElement, type Stage, type StageLoad } from '../transmission/index.ts';
import { driveOf, type Build, rememberedBesidesJobs } from '../vehicle/index.ts';
import type { DutyPoint } from './report.ts';

/** A stage under a load: that of all motors that share it; of one in a gearhead that is one with its motor. */
export interface LoadedStage {
  readonly stage: Stage;
  readonly load: StageLoad;
  /** Torque of its driven side, N·m. */
  readonly behindNm: number;
}

/** What works on a drive: torque of each motor with its speed, or of the wheel, which then turns the drive. */
export type DrivenBy =
  | { readonly motorTorqueNm: number; readonly motorRpm: number }
  | { readonly wheelTorqueNm: number; readonly wheelRpm: number };

/**
 * Every stage under what works on the drive. Driven by the motors, each stage passes its efficiency on; driven by the
 * wheel, losses are left out, which is the safe side.
 *
 * @example loadedStages(line, drivenAt(dutyPoint(line, duty, 400))).map(({ stage }) => stage.kind)
 *   // ['gearhead', 'chain']
 */
export function loadedStages(line: Driveline, working: DrivenBy): LoadedStage[] {
  const figures = line.stages.map((stage) => ({ stage, ...stageFigures(stage) }));
  if ('motorTorqueNm' in working) {
    let torqueNm = working.motorTorqueNm;
    let rpm = working.motorRpm;
    let motors = 1;
    return figures.map(({ stage, ratio, efficiency }) => {
      if (!isOnMotor(stage) && motors === 1) {
        motors = line.motorsPerWheel;
        torqueNm *= motors;
      }
      const load = { inputTorqueNm: torqueNm, inputRpm: rpm };
      torqueNm *= ratio * efficiency;
      rpm /= ratio;
      return { stage, load, behindNm: torqueNm };
    });
  }
  let behindNm = working.wheelTorqueNm;
  let rpm = working.wheelRpm;
  return [...figures]
    .reverse()
    .map(({ stage, ratio }) => {
      const outNm = behindNm / (isOnMotor(stage) ? line.motorsPerWheel : 1);
      behindNm = outNm / ratio;
      rpm *= ratio;
      return { stage, load: { inputTorqueNm: behindNm, inputRpm: rpm }, behindNm: outNm };
    })
    .reverse();
}

/**
 * Torque at a part of the torque path, N·m; undefined where it names a stage that is not there.
 *
 * @example torqueAt(pathInOrder(puffin)[0], loadedStages(line, drivenAt(dutyPoint(line, duty, 400))), 1) // 10.42
 */
export function torqueAt(
  element: PathElement,
  loaded: readonly LoadedStage[],
  motorTorqueNm: number,
): number | undefined {
  if (element.after !== null) return loaded.find(({ stage }) => stage.id === element.after)?.behindNm;
  const onMotor = loaded.find(({ stage }) => isOnMotor(stage));
  return onMotor ? onMotor.behindNm : motorTorqueNm;
}

/**
 * The parts of the path that come behind a stage that is there, in the order of the drive.
 *
 * @example pathInOrder(puffin).map(({ kind }) => kind) // ['set-screws', 'key', 'shaft', 'key', …]
 */
export const pathInOrder = rememberedBesidesJobs((build: Build): readonly PathElement[] => {
  const { path, stages } = driveOf(build);
  return [
    ...path.filter(({ after }) => after === null),
    ...stages.flatMap(({ id }) => path.filter(({ after }) => after === id)),
  ];
});

/**
 * Torque of each motor held at a stall at full command, N·m.
 *
 * @example stallTorque(line) // 2.901
 */
export const stallTorque = ({ circuit }: Driveline): number => Math.max(0, fullCommandTorque(circuit, 0));

/**
 * What works on the drive in a duty: the motors, or going down the wheels.
 *
 * @example drivenAt(dutyPoint(line, duty, 400)).motorRpm // 1375
 */
export const drivenAt = ({ wheelTorqueNm, wheelRpm, motorTorqueNm, motorRpm }: DutyPoint): DrivenBy =>
  wheelTorqueNm < 0 ? { wheelTorqueNm: -wheelTorqueNm, wheelRpm } : { motorTorqueNm, motorRpm };

/**
 * Torque of each motor where the motors work; where the wheels do, what of it reaches a motor without losses.
 *
 * @example motorTorqueOf(line, drivenAt(dutyPoint(line, duty, 400))) // 1.286
 */
export const motorTorqueOf = (line: Driveline, by: DrivenBy): number =>
  'motorTorqueNm' in by ? by.motorTorqueNm : by.wheelTorqueNm / line.ratio / line.motorsPerWheel;

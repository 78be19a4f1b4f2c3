import { drivelinesOf, rollingDiameter, type Build, type Duty } from '../build/index.ts';
import { demandOf } from './demand.ts';
import { extentOf } from './extent.ts';

/** Share of a motor's power that reaches the ground in a first guess (common practice, no source). */
const TRAIN_EFFICIENCY = 0.75;
/** Share of a battery's energy that reaches the ground in a first guess (common practice, no source). */
const OVERALL_EFFICIENCY = 0.5;
const JOULES_PER_WH = 3600;

/** A first answer before any part is chosen. */
export interface RoughAnswer {
  readonly forceN: number;
  readonly groundW: number;
  /** Of each driveline, the torque rule counted. */
  readonly motorW: number;
  readonly drivelines: number;
  /** At each driveline's wheel or axle, the rule not counted. */
  readonly wheelTorqueNm: number;
  readonly wheelRpm: number;
  /** Of one outing, over all duties. */
  readonly batteryWh: number;
}

/** What force, power, torque and energy a duty comes to, with usual losses guessed. */
export function roughAnswer(build: Build, duty: Duty): RoughAnswer {
  const { resistance } = demandOf(build, duty);
  const forceN = Math.max(0, resistance.totalN);
  const groundW = forceN * duty.speed.value;
  const drivelines = drivelinesOf(build.layout, build.drive.together);
  const diameterM = rollingDiameter(build).value;
  const joules = build.duties.reduce((sum, d) => {
    if (d.task !== 'drive') return sum;
    return sum + Math.max(0, demandOf(build, d).resistance.totalN) * extentOf(d).distanceM;
  }, 0);
  return {
    forceN,
    groundW,
    motorW: (groundW * build.marginPolicy.torque) / (drivelines * TRAIN_EFFICIENCY),
    drivelines,
    wheelTorqueNm: (forceN * diameterM) / 2 / drivelines,
    wheelRpm: (duty.speed.value / (Math.PI * diameterM)) * 60,
    batteryWh: joules / OVERALL_EFFICIENCY / build.supply.usableShare.value / JOULES_PER_WH,
  };
}

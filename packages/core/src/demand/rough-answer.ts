import { taskOf, rollingDiameter, type Build, type Duty, outputsOf } from '../vehicle/index.ts';
import { demandOf } from './demand.ts';
import { extentOf } from './extent.ts';

/** Share of a motor's power that reaches the ground in a first guess (common practice, no source). */
const TRAIN_EFFICIENCY = 0.75;
/** Share of a battery's energy that reaches the ground in a first guess (common practice, no source). */
const OVERALL_EFFICIENCY = 0.5;
const JOULES_PER_WH = 3600;

/** A first answer before any part is chosen. */
export interface RoughAnswer {
  /** The duty that pulls hardest along the ground, and the one that takes the most power. */
  readonly pullsHardest: Duty;
  readonly takesMost: Duty;
  /** Of the hardest pull. */
  readonly forceN: number;
  /** At each driveline's wheel or axle in that duty, the rule not counted. */
  readonly wheelTorqueNm: number;
  readonly wheelRpm: number;
  /** Of the duty that takes the most. */
  readonly groundW: number;
  /** Of each driveline in that duty, the torque rule counted. */
  readonly motorW: number;
  readonly drivelines: number;
  /** Of one outing, over all duties, what is drawn beside the motors too. */
  readonly batteryWh: number;
}

/**
 * What force, power, torque and energy the duties of a build come to, with usual losses guessed; undefined where none drives.
 *
 * @example roughAnswer(puffin)?.forceN // 447.9
 */
export function roughAnswer(build: Build): RoughAnswer | undefined {
  const asked = build.duties
    .filter((duty) => taskOf(duty).drives)
    .map((duty) => ({ duty, forceN: Math.max(0, demandOf(build, duty).resistance.totalN) }));
  const most = (of: (a: (typeof asked)[number]) => number): (typeof asked)[number] | undefined =>
    asked.reduce<(typeof asked)[number] | undefined>(
      (top, a) => (top && of(top) >= of(a) ? top : a),
      undefined,
    );
  const powerOf = ({ duty, forceN }: (typeof asked)[number]): number => forceN * duty.speed.value;
  const [hardest, strongest] = [most(({ forceN }) => forceN), most(powerOf)];
  if (!hardest || !strongest || hardest.forceN === 0) return undefined;
  const drivelines = outputsOf(build);
  const diameterM = rollingDiameter(build).value;
  const driven = asked.reduce((sum, { duty, forceN }) => sum + forceN * extentOf(duty).distanceM, 0);
  const seconds = build.duties.reduce((sum, duty) => sum + extentOf(duty).durationS, 0);
  const besideJ = build.supply.auxiliaryPower.value * seconds;
  return {
    pullsHardest: hardest.duty,
    takesMost: strongest.duty,
    forceN: hardest.forceN,
    wheelTorqueNm: (hardest.forceN * diameterM) / 2 / drivelines,
    wheelRpm: (hardest.duty.speed.value / (Math.PI * diameterM)) * 60,
    groundW: powerOf(strongest),
    motorW: (powerOf(strongest) * build.marginPolicy.torque) / (drivelines * TRAIN_EFFICIENCY),
    drivelines,
    batteryWh: (driven / OVERALL_EFFICIENCY + besideJ) / build.supply.usableShare.value / JOULES_PER_WH,
  };
}

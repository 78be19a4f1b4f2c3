import { groundOf } from '../demand/index.ts';
import { drivelineOf } from '../drive/index.ts';
import { evaluate } from '../judge/index.ts';
import {
  asTwoAxles,
  dataSheetOf,
  rollingDiameter,
  drivenWheels,
  motorOf,
  trackOf,
  wheelbaseOf,
  type Build,
  driveOf,
  bankOf,
} from '../vehicle/index.ts';
import { ratioWorking, workingOfOuting } from '../working/index.ts';
import { STANDARD_GRAVITY, radiansToDegrees } from '../quantity/index.ts';
import { launchOfBuild } from '../simulate/index.ts';
import type { CalculatorName, GivenTo } from './registry.ts';
import { chainLoad, timingBeltInput, wormInput, type Stage, type StageOf } from '../transmission/index.ts';
import { asInDuty, asInLink, asWorked, instead, type Fill, type Known, type JudgedDuty } from './fill.ts';
import type { Values } from '../contract/index.ts';

const dataSheet: Fill<GivenTo<'dc-motor-constants'>> = ({ build }) => {
  const motor = motorOf(build);
  return motor && dataSheetOf(motor);
};

/** Wheelbase and centre of gravity as the duty has them. */
const standing = ({ build, of: { footing } }: JudgedDuty) => ({
  wheelbaseM: wheelbaseOf(build.layout),
  cgAheadOfRearAxleM: footing.cgAheadM,
  cgHeightM: footing.cgHeightM,
});

/** Which of two axles drive, as the calculators of two axles say it. */
const drivenEnd = ({ build: { layout } }: JudgedDuty): 'rear' | 'front' | 'all' => {
  const axles = asTwoAxles(layout);
  if (!axles || axles.front.driven === axles.rear.driven) return 'all';
  return axles.front.driven ? 'front' : 'rear';
};

/** How the wheels stand, as the calculator of tipping says it. */
const stands = ({ build: { layout } }: JudgedDuty): 'four' | 'single-front' | 'single-rear' => {
  const axles = asTwoAxles(layout);
  if (axles?.front.track.value === 0) return 'single-front';
  return axles?.rear.track.value === 0 ? 'single-rear' : 'four';
};

const widest = ({ build: { layout } }: JudgedDuty): number =>
  Math.max(...layout.axles.map(({ track }) => track.value));

const gradeDeg = ({ duty }: JudgedDuty): number => radiansToDegrees(duty.grade.value);
const weightN = ({ of }: JudgedDuty): number => of.footing.massKg * STANDARD_GRAVITY;
const ground = ({ build, duty }: JudgedDuty) => groundOf(build, duty);
const drivenLoadN = ({ build, of }: JudgedDuty): number =>
  of.footing.drivenN / Math.max(1, drivenWheels(build.layout));

const firstChain = (build: Build): StageOf<'chain'> | undefined =>
  driveOf(build).stages.find((stage): stage is StageOf<'chain'> => stage.kind === 'chain');

/** The first stage of a kind, as its calculator takes it. */
const ofStage =
  <K extends Stage['kind'], Given>(kind: K, fill: (stage: StageOf<K>) => Known<Given>): Fill<Given> =>
  ({ build }) => {
    const stage = driveOf(build).stages.find((s): s is StageOf<K> => s.kind === kind);
    return stage && fill(stage);
  };

/** The torque that a part on the driven wheel's shaft carries. */
const wheelShaft: Fill<{ readonly torqueNm?: number | undefined }> = ({ of }) =>
  of.point && { torqueNm: Math.abs(of.point.wheelTorqueNm) };

const FILLS: { readonly [N in CalculatorName]?: Fill<GivenTo<N>> } = {
  'road-load': asInDuty('force'),
  'loaded-mass': asInDuty('mass'),
  'axle-loads': asInDuty('grip'),
  'grip-force': asInDuty('grip'),
  'wheel-torque': asInDuty('wheel-torque'),
  'motor-load': asInDuty('motor-torque'),
  'dc-motor-point': instead(asInDuty('motor-current'), 'currentA', 'speedRpm'),
  'driver-draw': asInDuty('battery-current'),
  'attainable-speed': asInDuty('attainable-speed'),
  'full-command': asInLink('torque', 'has'),
  'delivered-torque': asInLink('torque', 'has'),
  'ratio-window': asInLink('ratio', 'needs'),
  'chain-drive': instead((source, name) => {
    const chain = firstChain(source.build);
    return (
      asInLink<GivenTo<'chain-drive'>>('chain-pull', 'needs')(source, name) ?? (chain && chainLoad(chain))
    );
  }, 'pitchMm'),
  'gear-pair': ofStage('spur', (s) => ({
    moduleMm: s.module.value * 1000,
    teethDriver: s.teethDriver,
    teethDriven: s.teethDriven,
    efficiency: s.efficiency.value,
  })),
  'gear-bending': asInLink('tooth-stress', 'needs'),
  'bevel-pair': asInLink('tooth-stress', 'needs'),
  planetary: ofStage('planetary', ({ sunTeeth, ringTeeth, planets }) => ({ sunTeeth, ringTeeth, planets })),
  'worm-pair': instead<GivenTo<'worm-pair'>>(
    ofStage('worm', wormInput),
    'axialModuleMm',
    'wormPitchDiameterMm',
  ),
  'timing-belt': instead<GivenTo<'timing-belt'>>(ofStage('timing-belt', timingBeltInput), 'centreMm'),
  'friction-belt': asInLink('slip', 'needs'),
  'friction-wheel': asInLink('slip', 'needs'),
  'rim-pull': asInLink('belt-pull', 'needs'),
  'allowed-load': asInLink('chain-pull', 'has'),
  'train-ratio': asWorked(({ build }) => ratioWorking(build)),
  'battery-pack': asInLink('driver-voltage', 'needs'),
  'outing-draw': asWorked(({ build }) => workingOfOuting(build, 'energy')),
  'energy-drawn': asWorked(({ build }) => workingOfOuting(build, 'energy')),
  'run-time': asWorked(({ build }) => workingOfOuting(build, 'run-time')),
  'dc-motor-constants': dataSheet,
  'dc-motor-at-voltage': (source, name) => {
    const sheet = dataSheet(source, name);
    return sheet && { ...sheet, newVoltageV: source.line?.circuit.openCircuitV };
  },
  'motor-heat': ({ of, line }) =>
    of.point &&
    line && { currentA: Math.abs(of.point.currentA), resistanceOhm: line.circuit.motor.winding?.at(0).ohm },
  'battery-sag': instead<GivenTo<'battery-sag'>>(
    ({ of, line }) =>
      of.point &&
      line?.bank && {
        openCircuitV: line.circuit.openCircuitV,
        resistanceOhm: line.circuit.supplyResistanceOhm,
        currentA: of.point.batteryA,
      },
    'powerW',
  ),
  wire: ({ build }) => {
    const bank = bankOf(build);
    return bank && { currentA: bank.continuousA };
  },
  'fuse-choice': ({ of }) => of.point && { continuousA: of.point.batteryA },
  'grip-limited-grade': (source) => ({
    driven: drivenEnd(source),
    friction: ground(source).friction.value,
    rollingCoefficient: ground(source).rolling.value,
    ...standing(source),
  }),
  'obstacle-climb': (source) => ({
    wheelRadiusM: rollingDiameter(source.build).value / 2,
    wheelLoadN: drivenLoadN(source),
    friction: ground(source).friction.value,
  }),
  'side-tip': (source) => ({
    layout: stands(source),
    trackM: widest(source),
    ...standing(source),
    friction: ground(source).across.value,
  }),
  stopping: (source) => ({
    speedMps: source.duty.speed.value,
    friction: ground(source).friction.value,
    brakedShare: source.of.footing.drivenN / weightN(source),
    gradeDeg: -Math.abs(gradeDeg(source)),
    massKg: source.of.footing.massKg,
    rollingCoefficient: ground(source).rolling.value,
  }),
  'wheel-sinkage': (source) => ({
    wheelLoadN: drivenLoadN(source),
    wheelDiameterM: rollingDiameter(source.build).value,
  }),
  'steer-torque': (source) => ({
    wheelLoadN: drivenLoadN(source),
    friction: ground(source).friction.value,
  }),
  'skid-turn-wheeled': (source) => ({
    weightN: weightN(source),
    wheelbaseM: wheelbaseOf(source.build.layout),
    trackM: trackOf(source.build.layout).value,
    lateralCoefficient: ground(source).friction.value,
    longitudinalFriction: ground(source).friction.value,
    rollingCoefficient: ground(source).rolling.value,
  }),
  'skid-turn-tracked': (source) => ({
    weightN: weightN(source),
    contactLengthM: wheelbaseOf(source.build.layout),
    gaugeM: trackOf(source.build.layout).value,
    rollingCoefficient: ground(source).rolling.value,
  }),
  ackermann: ({ build: { layout } }) => ({
    wheelbaseM: wheelbaseOf(layout),
    trackM: trackOf(layout).value,
  }),
  'teeth-for-ratio': ({ report: { ratioWindow } }) =>
    ratioWindow ? { ratio: Math.sqrt(ratioWindow.low * ratioWindow.high) } : undefined,
  'largest-sprocket': ({ build }) => ({
    wheelDiameterM: rollingDiameter(build).value,
    ...(firstChain(build) ? { chain: firstChain(build)?.chain } : {}),
  }),
  'gear-train': ({ build }) => {
    const chain = firstChain(build);
    return (
      chain && {
        stages: [
          {
            teethDriver: chain.teethDriver,
            teethDriven: chain.teethDriven,
            efficiency: chain.efficiency.value,
          },
        ],
      }
    );
  },
  'shaft-torsion': wheelShaft,
  'key-shear': wheelShaft,
  'set-screw-hold': wheelShaft,
  'bolt-circle': wheelShaft,
  spool: ({ of }) => of.point && { torqueNm: Math.abs(of.point.wheelTorqueNm), rpm: of.point.wheelRpm },
  'travel-counts': ({ build }) => ({ wheelDiameterM: rollingDiameter(build).value }),
  'encoder-counts': ({ build, of, report }) => ({
    wheelDiameterM: rollingDiameter(build).value,
    encoderTurnsPerWheelTurn: report.train.ratio,
    ...(of.attainableMps ? { topSpeedMps: of.attainableMps } : {}),
  }),
  'effective-diameter': ({ build }) => ({ nominalDiameterM: rollingDiameter(build).value }),
  veer: ({ build }) => ({
    wheelDiameterM: rollingDiameter(build).value,
    trackM: trackOf(build.layout).value,
  }),
  'odometry-square': ({ build }) => ({ trackM: trackOf(build.layout).value }),
  'coast-down': ({ of }) => ({ massKg: of.footing.massKg }),
  'simulate-launch': ({ build, duty, of }) => {
    const launch = launchOfBuild(build, duty, of, 10);
    if (!launch || 'flatOut' in launch) return undefined;
    const { slopeRad, drawbarN: _, commandShare: _all, keVsPerRad, currentLimitA, gripN, ...given } = launch;
    return {
      ...given,
      // That calculator has one constant for torque and voltage; the build's own launch knows two, and a hitch.
      ktNmPerA: Math.min(given.ktNmPerA, keVsPerRad),
      gradeDeg: radiansToDegrees(slopeRad),
      ...(gripN > 0 ? { gripN } : {}),
      ...(Number.isFinite(currentLimitA) ? { currentLimitA } : {}),
    };
  },
};

/**
 * Whether a build can say anything of a calculator's inputs.
 *
 * @example fillsFromBuild('road-load') // true
 */
export const fillsFromBuild = (name: string): boolean => name in FILLS;

/**
 * The inputs of a calculator as a build and one of its duties have them: those that it knows, in the units of the
 * calculator's keys. Undefined where it knows none (no motor chosen yet). A key with the value undefined must be empty.
 *
 * @example fromBuild('road-load', puffin, duty.id)?.massKg // 178
 */
export function fromBuild(name: string, build: Build, dutyId: string): Values | undefined {
  const duty = build.duties.find(({ id }) => id === dutyId);
  const report = evaluate(build);
  const of = report.duties.find(({ id }) => id === dutyId);
  const fill = (FILLS as Readonly<Record<string, Fill<Values> | undefined>>)[name];
  if (!duty || !of || !fill) return undefined;
  return fill({ build, duty, report, of, line: drivelineOf(build) }, name);
}

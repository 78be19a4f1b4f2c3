import { sentence } from '../quantity/index.ts';
import { remembered, type Notice, notice } from '../contract/index.ts';
import { fullCommandTorque, wire, type Circuit } from '../supply/index.ts';
import {
  deliveredTorque,
  stageKind,
  stageFigures,
  stageName,
  stageTitle,
  trainRatio,
  type Stage,
  type StageFigures,
} from '../transmission/index.ts';
import {
  layoutKind,
  bankOf,
  type Bank,
  switchesOnly,
  rollingDiameter,
  driverOf,
  motorAbilities,
  motorDoubts,
  motorModel,
  motorOf,
  type Build,
  type PartOf,
  type WireRun,
  driveOf,
  outputsOf,
} from '../vehicle/index.ts';
import type { Train } from './report.ts';

/** A build's way from battery to ground, its data sheets turned to constants. */
export interface Driveline {
  readonly circuit: Circuit;
  /** Whether its motors can brake it: by their law, and by a driver that does more than switch. */
  readonly brakes: boolean;
  /** Drivelines that share the force: of a wheel, a side, an axle, or all. */
  readonly outputs: number;
  readonly motorsPerWheel: number;
  readonly wheelRadiusM: number;
  readonly ratio: number;
  readonly efficiency: number;
  readonly backEfficiency: number;
  readonly stages: readonly Stage[];
  readonly motor: PartOf<'motor'>;
  readonly driver?: PartOf<'driver'>;
  readonly bank?: Bank;
  readonly warnings: readonly Notice[];
}

const GEARHEAD_ON_MOTOR = 'motor-gearhead';

/** Whether a stage is one with the motor: it comes with that part and is not edited by itself. */
export const isOnMotor = (stage: Stage): boolean => stage.id === GEARHEAD_ON_MOTOR;

/** The stages in order, the gearhead that is one with the motor first. */
export const trainStages = remembered((build: Build): readonly Stage[] => {
  const gearhead = motorOf(build)?.gearhead;
  if (!gearhead) return driveOf(build).stages;
  const shelf = { origin: 'shelf' } as const;
  return [
    {
      id: GEARHEAD_ON_MOTOR,
      kind: 'gearhead',
      ratio: { value: gearhead.ratio, unit: ': 1', ...shelf },
      efficiency: { value: gearhead.efficiency, unit: '%', ...shelf },
      ...(gearhead.ratedTorqueNm === undefined
        ? {}
        : { ratedTorque: { value: gearhead.ratedTorqueNm, unit: 'N·m', ...shelf } }),
    },
    ...driveOf(build).stages,
  ];
});

export const trainOf = remembered((build: Build): Train => {
  const all = trainStages(build);
  const stages = all.map((stage, at) => {
    const figures = stageFigures(stage);
    const problem = figures.problem ?? misplaced(build, stage, at === all.length - 1);
    return {
      id: stage.id,
      title: stageTitle(stage.kind),
      ...figures,
      ...(problem === undefined ? {} : { problem }),
    };
  });
  return { stages, ...trainRatio.run({ stages: stages.map(ratiosOf) }) };
});

/** Why a stage cannot be where it is: spools and tracks end the drive of a vehicle that has them. */
function misplaced({ layout }: Build, { kind }: Stage, last: boolean): Notice | undefined {
  const { ends } = stageKind(kind);
  if (!ends) return undefined;
  if (!last)
    return notice(
      'not-last',
      sentence`A ${stageName(kind)} ends the drive: move the stages behind it before it.`,
    );
  return layoutKind(layout.kind)[ends.needs]
    ? undefined
    : notice(
        'other-layout',
        sentence`A ${stageName(kind)} is the end of a ${ends.of}: choose that layout in the Brief, or remove the stage.`,
      );
}

/** What the calculator of a train takes of a stage. */
export function ratiosOf({
  ratio,
  efficiency,
  backEfficiency,
}: Pick<StageFigures, 'ratio' | 'efficiency' | 'backEfficiency'>) {
  return { ratio, efficiency, ...(backEfficiency === undefined ? {} : { backEfficiency }) };
}

/** Current that a driver holds a motor to by itself, A. */
const limitedTo = (driver?: PartOf<'driver'>): number => (driver?.limitsCurrent ? driver.peakA : Infinity);

/** Copper is reckoned with as warm as it gets at work, °C (common practice, no source). */
const WARM_C = 60;

const ofRun = ({ length, area }: WireRun): number =>
  wire.run({ lengthM: length.value, areaMm2: area.value * MM2, currentA: 0, temperatureC: WARM_C })
    .resistanceOhm;
const MM2 = 1e6;

/** Between battery and drivers, out and back: as typed, or of the wire where that is known. */
export const cableOhm = ({ supply: { cable, cableResistance } }: Build): number =>
  cable ? ofRun(cable) : cableResistance.value;

/** Of one motor's leads, out and back. */
export const leadOhm = (build: Build): number => {
  const { leads, leadResistance } = driveOf(build);
  return leads ? ofRun(leads) : leadResistance.value;
};

/** Undefined until a motor is chosen. Without a battery the data sheet's voltage stands in and does not sag. */
export function drivelineOf(build: Build, train: Train): Driveline | undefined {
  const motor = motorOf(build);
  if (!motor) return undefined;
  const driver = motorAbilities(motor).drivesItself ? undefined : driverOf(build);
  const bank = bankOf(build);
  const outputs = outputsOf(build);
  const { auxiliaryPower, commandShare } = build.supply;
  const model = motorModel(motor, {
    ohm: leadOhm(build) + (driver?.resistanceMilliohm ?? 0) / 1000,
    limitA: limitedTo(driver),
  });
  return {
    stages: trainStages(build),
    motor,
    driver,
    bank,
    outputs,
    motorsPerWheel: driveOf(build).motorsPerWheel,
    wheelRadiusM: rollingDiameter(build).value / 2,
    ratio: train.ratio,
    efficiency: train.efficiency,
    backEfficiency: train.backEfficiency,
    warnings: motorDoubts(motor),
    brakes: model.brakes && !switchesOnly(driver),
    circuit: {
      motors: outputs * driveOf(build).motorsPerWheel,
      motor: model,
      openCircuitV: bank?.nominalV ?? motor.voltageV,
      supplyResistanceOhm: bank ? bank.resistanceOhm + cableOhm(build) : 0,
      currentLimitA: limitedTo(driver),
      batteryLimitA: bank?.limitA ?? Infinity,
      auxiliaryW: auxiliaryPower.value,
      commandShare: commandShare?.value ?? 1,
    },
  };
}

/** The greatest torque of each driveline at the wheel, N·m, at a road speed and any ratio. */
export const greatestWheelTorque = (
  line: Pick<Driveline, 'circuit' | 'wheelRadiusM' | 'motorsPerWheel' | 'efficiency' | 'ratio'>,
  speedMps: number,
  ratio = line.ratio,
): number =>
  deliveredTorque.run({
    torqueNm: fullCommandTorque(line.circuit, (speedMps / line.wheelRadiusM) * ratio),
    motors: line.motorsPerWheel,
    ratio,
    efficiency: line.efficiency,
  }).deliveredNm;

/** Pull of all driven wheels at the ground, N, grip left out. */
export const greatestPull = (line: Driveline, speedMps: number): number =>
  (line.outputs * greatestWheelTorque(line, speedMps)) / line.wheelRadiusM;

import {
  attainableSpeed,
  attainableGiven,
  attainableInput,
  dutyPoint,
  motorLoadInput,
  steadyDuty,
  wheelTorqueInput,
  ratioWindowSum,
  topSpeedInput,
} from '../capability/index.ts';
import { NotPhysical } from '../contract/index.ts';
import { demandOf } from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import { wheelTorque } from '../ground/index.ts';
import { dcMotorConstants, dcMotorPoint, OTHER_LAW } from '../motor/index.ts';
import { fullCommandPoint, batteryPack, circuitInput, constantsOf } from '../supply/index.ts';
import { deliveredTorque, motorLoad } from '../transmission/index.ts';
import {
  dataSheetOf,
  packCells,
  rollingDiameter,
  rollingPlace,
  type Build,
  type Duty,
} from '../vehicle/index.ts';
import { forceWorking } from './demand.ts';
import { gripWorking } from './grip.ts';
import {
  calculated,
  fixed,
  from,
  readFor,
  shelf,
  worked,
  type CalculationBy,
  type WorkingInput,
} from './working.ts';

const MULTIPLIED = 'the stages at Drivetrain, multiplied';

/** How the torque of a wheel came about. */
export function wheelWorking(build: Build, duty: Duty, line: Driveline): CalculationBy<typeof wheelTorque> {
  const force = forceWorking(build, duty);
  return calculated(wheelTorque, wheelTorqueInput(line, force.found.totalN), 'torqueNm', [
    worked('forceN', `Brief, ${duty.name}`, force),
    from('wheelDiameterM', rollingDiameter(build), rollingPlace(build)),
    fixed('wheels', 'drivelines, by the layout'),
  ]);
}

/** The speed of the side that goes furthest: round a bend the outer one. */
const outerSpeed = (build: Build, duty: Duty): Duty['speed'] => {
  const { turn } = demandOf(build, duty);
  return turn ? { ...duty.speed, value: turn.outerMps } : duty.speed;
};

/** How the torque of a motor came about. */
export function motorWorking(build: Build, duty: Duty, line: Driveline): CalculationBy<typeof motorLoad> {
  const wheel = wheelWorking(build, duty, line);
  const speed = outerSpeed(build, duty);
  const given = motorLoadInput(line, wheel.found.torqueNm, speed.value);
  return calculated(motorLoad, given, 'torqueNm', [
    worked('wheelTorqueNm', `Brief, ${duty.name}`, wheel),
    from('speedMps', speed, `Brief, ${duty.name}`),
    from('wheelDiameterM', rollingDiameter(build), rollingPlace(build)),
    fixed('ratio', MULTIPLIED),
    fixed('efficiency', MULTIPLIED),
    ...(given.backEfficiency === undefined
      ? []
      : [fixed('backEfficiency', 'the stages at Drivetrain the other way, multiplied')]),
    fixed('motorsPerWheel', 'Drivetrain'),
  ]);
}

function constantsWorking({ motor }: Driveline): CalculationBy<typeof dcMotorConstants> {
  const given = dataSheetOf(motor);
  if (!given) throw new NotPhysical('other-law', OTHER_LAW);
  return calculated(
    dcMotorConstants,
    given,
    'resistanceOhm',
    Object.keys(given).map((key) => shelf(key, motor.name)),
  );
}

const LESSER = 'the lesser of the two that its data sheet gives';

/** Resistance, torque constant and no-load current of a motor: what every point of it starts from. */
function motorInputs(line: Driveline): WorkingInput[] {
  const constants = constantsWorking(line);
  const { ktNmPerA } = constants.found;
  return [
    worked('resistanceOhm', 'the winding; its leads and the driver added', constants),
    worked(
      'ktNmPerA',
      LESSER,
      readFor(constants, ktNmPerA === constantsOf(line.circuit.motor).ktNmPerA ? 'ktNmPerA' : 'keVsPerRad'),
    ),
    shelf('noLoadA', line.motor.name),
  ];
}

/** How a figure of the battery came about. */
export function packWorking(
  { bank }: Driveline,
  key: 'fullV' | 'emptyV' | 'nominalV' | 'capacityAh',
): CalculationBy<typeof batteryPack> | undefined {
  const battery = bank?.battery;
  if (!battery) return undefined;
  const given = packCells(battery);
  return calculated(
    batteryPack,
    given,
    key,
    Object.keys(given).map((k) => shelf(k, battery.name)),
  );
}

/**
 * Everything of motors, driver and battery that a calculator takes at full command.
 *
 * @example circuitInputs(puffin, line).map(({ key }) => key)
 *   // ['resistanceOhm', 'ktNmPerA', 'noLoadA', 'keVsPerRad', …]
 */
export function circuitInputs(build: Build, line: Driveline): WorkingInput[] {
  const constants = constantsWorking(line);
  const pack = packWorking(line, 'nominalV');
  const limit = line.driver?.limitsCurrent ? [shelf('currentLimitA', line.driver.name)] : [];
  return [
    ...motorInputs(line),
    worked('keVsPerRad', 'from its data sheet', readFor(constants, 'keVsPerRad')),
    fixed('motors', 'Drivetrain'),
    pack
      ? worked('openCircuitV', 'the pack at its nominal voltage', pack)
      : shelf('openCircuitV', `no battery yet: ${line.motor.name}`),
    from('supplyResistanceOhm', build.supply.cableResistance, 'Power, the cable; the pack’s own added'),
    ...limit,
    from('auxiliaryW', build.supply.auxiliaryPower, 'Power, beside the motors'),
    build.supply.commandShare
      ? from('commandShare', build.supply.commandShare, 'Power, the controller')
      : fixed('commandShare', 'all of it'),
  ];
}

/** Full command at a road speed: what each motor then gives and takes. */
export function fullCommandWorking(
  build: Build,
  line: Driveline,
  speed?: Duty['speed'],
): CalculationBy<typeof fullCommandPoint> {
  const { wheelRpm } = motorLoad.run(motorLoadInput(line, 0, speed?.value ?? 0));
  return calculated(
    fullCommandPoint,
    { ...circuitInput(line.circuit), rpm: wheelRpm * line.ratio },
    'torqueNm',
    [
      ...circuitInputs(build, line),
      speed ? from('rpm', speed, 'the road speed, through wheel and ratio') : fixed('rpm', 'standing still'),
    ],
  );
}

/** The most torque that each wheel gets at the duty's speed. */
export function wheelTorqueToSpare(
  build: Build,
  duty: Duty,
  line: Driveline,
): CalculationBy<typeof deliveredTorque> {
  const full = fullCommandWorking(build, line, outerSpeed(build, duty));
  const given = {
    torqueNm: full.found.torqueNm,
    motors: line.motorsPerWheel,
    ratio: line.ratio,
    efficiency: line.efficiency,
  };
  return calculated(deliveredTorque, given, 'deliveredNm', [
    worked('torqueNm', 'the motor at full command', full),
    fixed('motors', 'Drivetrain'),
    fixed('ratio', MULTIPLIED),
    fixed('efficiency', MULTIPLIED),
  ]);
}

/** How the speed that it reaches came about. */
export function attainableWorking(
  build: Build,
  duty: Duty,
  line: Driveline,
): CalculationBy<typeof attainableSpeed> {
  const { gripN } = demandOf(build, duty).footing;
  const grip = gripWorking(build, duty);
  return calculated(attainableSpeed, attainableGiven(attainableInput(build, duty, line, gripN)), 'speedMps', [
    ...circuitInputs(build, line),
    fixed('ratio', MULTIPLIED),
    fixed('efficiency', MULTIPLIED),
    from('wheelDiameterM', rollingDiameter(build), rollingPlace(build)),
    worked('steadyN', 'the force without air and speeding up', forceWorking(build, steadyDuty(duty), 0)),
    from('dragAreaM2', build.dragArea, 'Brief, the vehicle'),
    fixed('airDensityKgM3', 'air at 20 °C, sea level'),
    ...(grip ? [worked('gripN', 'of the driven wheels', grip)] : []),
  ]);
}

/** Its top speed, level or down the duty's slope. */
export const topWorking = (
  build: Build,
  duty: Duty,
  line: Driveline,
): CalculationBy<typeof attainableSpeed> =>
  calculated(attainableSpeed, attainableGiven(topSpeedInput(build, duty, line)), 'speedMps', [
    ...circuitInputs(build, line),
    fixed('ratio', MULTIPLIED),
    fixed('efficiency', MULTIPLIED),
    from('wheelDiameterM', rollingDiameter(build), rollingPlace(build)),
    fixed('steadyN', 'rolling and the slope down, straight on with nothing towed'),
    from('dragAreaM2', build.dragArea, 'Brief, the vehicle'),
    fixed('airDensityKgM3', 'air at 20 °C, sea level'),
    fixed('gripN', 'of the driven wheels'),
  ]);

/** The window of a duty, read for the end that the fitted ratio is nearest to. */
export function windowWorking(
  build: Build,
  duty: Duty,
  line: Driveline,
  edge: number,
): CalculationBy<typeof ratioWindowSum> {
  const wheel = wheelWorking(build, duty, line);
  const given = {
    ...circuitInput(line.circuit),
    wheelTorqueNm: wheel.found.torqueNm,
    speedMps: outerSpeed(build, duty).value,
    wheelDiameterM: rollingDiameter(build).value,
    efficiency: line.efficiency,
    motorsPerWheel: line.motorsPerWheel,
    torqueRule: build.marginPolicy.torque,
    speedRule: build.marginPolicy.speed,
  };
  const window = calculated(ratioWindowSum, given, 'bestRatio', [
    ...circuitInputs(build, line),
    worked('wheelTorqueNm', `Brief, ${duty.name}`, wheel),
    from('speedMps', duty.speed, `Brief, ${duty.name}`),
    from('wheelDiameterM', rollingDiameter(build), rollingPlace(build)),
    fixed('efficiency', MULTIPLIED),
    fixed('motorsPerWheel', 'Drivetrain'),
    fixed('torqueRule', 'the margin policy at Brief'),
    fixed('speedRule', 'the margin policy at Brief'),
  ]);
  const ends = ['lowest', 'highest', 'bestRatio'] as const;
  return readFor(window, ends.find((end) => window.found[end] === edge) ?? 'bestRatio');
}

/** @throws NotPhysical where the duty is past what the motor can do. */
export function currentWorking(
  build: Build,
  duty: Duty,
  line: Driveline,
): CalculationBy<typeof dcMotorPoint> {
  const motor = motorWorking(build, duty, line);
  const { resistance, turn } = demandOf(build, duty);
  const { motorV } = dutyPoint(line, duty, resistance.totalN, turn);
  const torqueNm = motor.found.torqueNm;
  if (torqueNm < 0 || motorV <= 0)
    throw new NotPhysical(
      'pushed',
      'The vehicle pushes its motor in this job: the current is that of braking, and is not worked out by a sum of its own.',
    );
  const { resistanceOhm, ktNmPerA, noLoadA } = constantsOf(line.circuit.motor);
  const given = { resistanceOhm, ktNmPerA, noLoadA, voltageV: motorV, torqueNm };
  return calculated(dcMotorPoint, given, 'currentA', [
    ...motorInputs(line),
    fixed('voltageV', 'what the driver lets through for the speed, sag counted'),
    worked('torqueNm', `Brief, ${duty.name}`, motor),
  ]);
}

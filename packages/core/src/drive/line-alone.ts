import type { Notice } from '../contract/index.ts';
import type { Circuit } from '../supply/index.ts';
import type { Stage } from '../transmission/index.ts';
import {
  bankOf,
  driveOf,
  driverOf,
  motorAbilities,
  motorDoubts,
  motorModel,
  motorOf,
  outputsOf,
  rollingDiameter,
  switchesOnly,
  type Bank,
  type Build,
  type PartOf,
  type Rail,
  rememberedBesidesJobs,
} from '../vehicle/index.ts';
import { trainOf, trainStages } from './train.ts';
import { cableOhm, channelOhm, leadOhm } from './wiring.ts';

/** A drive's way from battery to what it turns, its data sheets turned to constants. */
export interface Driveline {
  readonly driveId: string;
  /** The others that move the vehicle with it, from the same battery on the same road. */
  readonly beside: readonly Driveline[];
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

/** Current that a driver holds a motor to by itself, A. */
const limitedTo = (driver?: PartOf<'driver'>): number => (driver?.limitsCurrent ? driver.peakA : Infinity);

/**
 * What a small supply takes of the battery while its loads run, W.
 *
 * @example railPower({ ...whimbrel.supply.rails[0], voltage: typed(5, 'V'), efficiency: typed(0.8, ''), loads: [{ ...whimbrel.supply.rails[0].loads[0], current: typed(1, 'A'), count: 1 }] })
 *   // 2.188
 */
export const railPower = ({ voltage, efficiency, loads }: Rail): number =>
  (voltage.value * loads.reduce((sum, { count, running }) => sum + count * running.value, 0)) /
  efficiency.value;

/**
 * Drawn beside the drives all the time, W.
 *
 * @example alwaysDrawn(puffin) // 4
 */
export const alwaysDrawn = ({ supply: { auxiliaryPower, rails = [] } }: Build): number =>
  rails.reduce((sum, rail) => sum + railPower(rail), auxiliaryPower.value);

/** The driveline by itself, as if no other moved the vehicle. */
export const lineAlone = rememberedBesidesJobs((build: Build): Driveline | undefined => {
  const motor = motorOf(build);
  if (!motor) return undefined;
  const train = trainOf(build);
  const driver = motorAbilities(motor).drivesItself ? undefined : driverOf(build);
  const bank = bankOf(build);
  const outputs = outputsOf(build);
  const { commandShare } = build.supply;
  const model = motorModel(motor, {
    ohm: leadOhm(build) + channelOhm(driver),
    limitA: limitedTo(driver),
  });
  return {
    driveId: driveOf(build).id,
    beside: [],
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
      auxiliaryW: alwaysDrawn(build),
      commandShare: commandShare?.value ?? 1,
    },
  };
});

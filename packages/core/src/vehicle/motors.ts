import type { DataSheet, MotorModel, MotorNominal, MotorType } from '../motor/index.ts';
import { MOTOR_TYPES, thermalOf, type Thermal } from '../motor/index.ts';
import { bracketedRoot, type Notice } from '../contract/index.ts';
import type { PartOf } from './part.ts';

type Motor = PartOf<'motor'>;

/** The table's type ties each type to its figures; the compiler cannot follow that through a union. */
const typeOf = (motor: Motor): MotorType<never> => MOTOR_TYPES[motor.type];

/**
 * The law of a motor behind so many ohms, on a driver that may limit its current.
 *
 * @example motorModel(motorOf(puffin)).torqueAt(24, 0) // 7.166
 */
export const motorModel = (
  motor: Motor,
  before: { readonly ohm: number; readonly limitA: number } = { ohm: 0, limitA: Infinity },
): MotorModel => typeOf(motor).model(motor as never, before);

/** Speeds nearer than this are the same, rad/s. */
const CLOSE_RADS = 1e-6;

/**
 * How fast the shaft turns that can be reached, that of its gearhead where it has one, under a torque on it, rad/s; 0 where the
 * motor cannot hold it.
 *
 * @example turnsUnder(motorOf(puffin), 24, 0) // 34.32
 */
export function turnsUnder(motor: Motor, voltageV: number, loadNm: number): number {
  const { ratio = 1, efficiency = 1 } = motor.gearhead ?? {};
  const model = motorModel(motor);
  const left = (speedRadS: number): number =>
    model.torqueAt(voltageV, speedRadS) - loadNm / (ratio * efficiency);
  const fastest = model.fastestRadS(voltageV);
  if (!(left(0) > 0)) return 0;
  return (left(fastest) < 0 ? bracketedRoot(left, 0, fastest, CLOSE_RADS) : fastest) / ratio;
}

/**
 * The most torque that holds the shaft which can be reached at a stand, N·m.
 *
 * @example stallsUnder(motorOf(puffin), 24) // 58.04
 */
export function stallsUnder(motor: Motor, voltageV: number): number {
  const { ratio = 1, efficiency = 1 } = motor.gearhead ?? {};
  return Math.max(0, motorModel(motor).torqueAt(voltageV, 0)) * ratio * efficiency;
}

/**
 * How it stands at the voltage of its data sheet, its gearhead left out.
 *
 * @example motorNominal(motorOf(puffin)) // { noLoadRpm: 2950, stallTorqueNm: 7.2, stallA: 96 }
 */
export const motorNominal = (motor: Motor): MotorNominal => typeOf(motor).nominal(motor as never);

/**
 * What its figures say against each other.
 *
 * @example motorDoubts(motorOf(puffin)) // []
 */
export const motorDoubts = (motor: Motor): readonly Notice[] => typeOf(motor).doubts(motor as never);

/**
 * How its type is called, what of it is always to be watched, whether a driver stands before it, whether it may drive a wheel.
 *
 * @example motorAbilities(motorOf(puffin)).propels // true
 */
export const motorAbilities = (
  motor: Motor,
): Pick<MotorType<never>, 'title' | 'cautions' | 'drivesItself' | 'propels'> => typeOf(motor);

/**
 * What sort of motor its driver must be made for; a series-wound one is brushed too.
 *
 * @example driverSort(motorOf(puffin)) // 'brushed'
 */
export const driverSort = ({ type }: Motor): Motor['type'] => (type === 'series-wound' ? 'brushed' : type);

/**
 * Whether a driver is made for a motor; one that does not say is taken for a driver of motors with brushes.
 *
 * @example drivesMotor(driverOf(puffin), motorOf(puffin)) // true
 */
export const drivesMotor = ({ drives = 'brushed' }: PartOf<'driver'>, motor: Motor): boolean =>
  drives === driverSort(motor);

/**
 * The five numbers of a motor with magnets; undefined of any other.
 *
 * @example dataSheetOf(motorOf(puffin))?.stallA // 96
 */
export function dataSheetOf(motor: Motor): DataSheet | undefined {
  if (!('noLoadRpm' in motor)) return undefined;
  const { voltageV, noLoadRpm, noLoadA, stallTorqueNm, stallA } = motor;
  return { voltageV, noLoadRpm, noLoadA, stallTorqueNm, stallA };
}

/**
 * How it heats, by what its data sheet says of it and, for the rest, by what is commonly so.
 *
 * @example motorThermal(motorOf(puffin)).limitC // 120
 */
export function motorThermal(motor: Motor): Thermal {
  const sheetOhm = 'resistanceOhm' in motor ? motor.resistanceOhm : undefined;
  const ohm = motorModel(motor).winding?.at(0).ohm ?? sheetOhm ?? motor.voltageV / motorNominal(motor).stallA;
  return thermalOf(motor, ohm);
}

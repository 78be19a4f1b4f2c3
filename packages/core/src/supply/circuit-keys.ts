import type { z } from 'zod';
import { key, NotPhysical } from '../contract/index.ts';
import { magnetMotor, OTHER_LAW, type MagnetConstants, type MotorModel } from '../motor/index.ts';
import type { Circuit } from './circuit.ts';

/** The keys by which a calculator is given motors, driver and battery. */
export const circuitKeys = {
  motors: key.count('Motors, all alike'),
  resistanceOhm: key.positive('Resistance of a motor with its leads and driver channel', 'Ω'),
  keVsPerRad: key.positive('Back-voltage constant', 'V·s/rad'),
  ktNmPerA: key.positive('Torque constant', 'N·m/A'),
  noLoadA: key.nonNegative('Current of a motor with nothing on the shaft', 'A'),
  openCircuitV: key.positive('Battery voltage with nothing drawn', 'V'),
  supplyResistanceOhm: key.nonNegative('Resistance of battery and cables', 'Ω').default(0),
  currentLimitA: key.positive('Most current that the driver lets through to a motor', 'A').optional(),
  auxiliaryW: key.nonNegative('Power drawn beside the motors', 'W').default(0),
  commandShare: key.share('Share of full command that the controller lets through').default(1),
};

/** A symbol of the trade for each of these keys. */
export const circuitSymbols = {
  m: 'motors',
  R: 'resistanceOhm',
  ke: 'keVsPerRad',
  kt: 'ktNmPerA',
  I0: 'noLoadA',
  Voc: 'openCircuitV',
  Rs: 'supplyResistanceOhm',
  Im: 'currentLimitA',
  Paux: 'auxiliaryW',
};

type CircuitInput = z.output<z.ZodObject<typeof circuitKeys>>;

/**
 * The circuit that a calculation's keys stand for.
 *
 * @example circuitFrom(circuitInput(line.circuit)).openCircuitV // 25.6
 */
export const circuitFrom = ({
  motors,
  openCircuitV,
  supplyResistanceOhm,
  currentLimitA = Infinity,
  auxiliaryW,
  commandShare,
  ...constants
}: CircuitInput): Circuit => ({
  motors,
  motor: magnetMotor(constants),
  openCircuitV,
  supplyResistanceOhm,
  currentLimitA,
  batteryLimitA: Infinity,
  auxiliaryW,
  commandShare,
});

/**
 * The same keys of a circuit; a limit that there is none of is left out.
 *
 * @throws NotPhysical `other-law` where its motors have no magnets: they have no constants to give.
 * @example circuitInput(line.circuit).motors // 2
 */
export const circuitInput = ({ currentLimitA, batteryLimitA: _, motor, ...circuit }: Circuit) => ({
  ...circuit,
  ...constantsOf(motor),
  ...(Number.isFinite(currentLimitA) ? { currentLimitA } : {}),
});

/**
 * The constants of a motor with magnets.
 *
 * @example constantsOf(line.circuit.motor).resistanceOhm // 0.266
 */
export function constantsOf({ constants }: Pick<MotorModel, 'constants'>): MagnetConstants {
  if (!constants) throw new NotPhysical('other-law', OTHER_LAW);
  const { resistanceOhm, keVsPerRad, ktNmPerA, noLoadA } = constants;
  return { resistanceOhm, keVsPerRad, ktNmPerA, noLoadA };
}

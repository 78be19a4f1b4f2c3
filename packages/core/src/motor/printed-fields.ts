import { z } from 'zod';
import { fieldsOf, quantity, radSToRpm, type NumberField, type Quantity } from '../quantity/index.ts';
import type { PrintedMotor } from './printed-law.ts';

const positive = { above: 0 } as const;

/** What may be printed on a motor, as a form asks it; all but the voltage may be left away. */
const printedSchema = z.strictObject({
  voltage: quantity('voltage', positive, 'Rated voltage'),
  noLoadSpeed: quantity('rotation', positive, 'Speed without load').optional(),
  noLoadCurrent: quantity('current', { least: 0 }, 'Current without load').optional(),
  stallTorque: quantity('torque', positive, 'Stall torque').optional(),
  stallCurrent: quantity('current', positive, 'Stall current').optional(),
  ratedPower: quantity('power', positive, 'Rated power', 'What it gives at the shaft').optional(),
  ratedSpeed: quantity('rotation', positive, 'Rated speed').optional(),
  ratedCurrent: quantity('current', positive, 'Rated current').optional(),
  ratedTorque: quantity('torque', positive, 'Rated torque').optional(),
  kv: quantity('number', positive, 'kV, rpm a volt').optional(),
  resistance: quantity('resistance', positive, 'Resistance', 'From lead to lead').optional(),
  gearRatio: quantity('ratio', positive, 'Gearhead, turns for one', 'Where the ratio is known').optional(),
  gearEfficiency: quantity('share', { above: 0, most: 1 }, 'Gearhead efficiency').optional(),
});

type Printed = z.output<typeof printedSchema>;
/** Figures that may be printed on a motor. */
export type PrintedKey = keyof Printed & string;
/** What was typed so far. */
export type PrintedSoFar = { readonly [K in PrintedKey]?: Quantity | undefined };

/**
 * What may be printed on a motor, called and limited.
 *
 * @example printedFields().map(({ key }) => key) // ['voltage', 'noLoadSpeed', 'noLoadCurrent', 'stallTorque', …]
 */
export const printedFields = (): readonly NumberField[] => fieldsOf(printedSchema);

/**
 * The same as figures of a data sheet; undefined without a voltage.
 *
 * @example printedFrom({ voltage: typed(24, 'V'), noLoadSpeed: typed(314.159, 'rpm') })
 *   // { voltageV: 24, noLoadRpm: 3000, … }
 */
export function printedFrom(said: PrintedSoFar): PrintedMotor | undefined {
  if (!said.voltage) return undefined;
  const of = (key: PrintedKey): number | undefined => said[key]?.value;
  const rpm = (key: PrintedKey): number | undefined => {
    const radS = of(key);
    return radS === undefined ? undefined : radSToRpm(radS);
  };
  return {
    voltageV: said.voltage.value,
    noLoadRpm: rpm('noLoadSpeed'),
    noLoadA: of('noLoadCurrent'),
    stallTorqueNm: of('stallTorque'),
    stallA: of('stallCurrent'),
    ratedW: of('ratedPower'),
    ratedRpm: rpm('ratedSpeed'),
    ratedA: of('ratedCurrent'),
    ratedTorqueNm: of('ratedTorque'),
    kvRpmPerV: of('kv'),
    resistanceOhm: of('resistance'),
    gearRatio: of('gearRatio'),
    gearEfficiency: of('gearEfficiency'),
  };
}

import { z } from 'zod';
import { key } from '../contract/index.ts';

/** The five numbers of a brushed motor's data sheet. */
export const dataSheet = z.strictObject({
  voltageV: key.positive('Voltage of the data sheet', 'V'),
  noLoadRpm: key.positive('Speed with nothing on the shaft', 'rpm'),
  noLoadA: key.nonNegative('Current with nothing on the shaft', 'A'),
  stallTorqueNm: key.positive('Torque at which it stands still', 'N·m'),
  stallA: key.positive('Current at which it stands still', 'A'),
});

export type DataSheet = z.output<typeof dataSheet>;

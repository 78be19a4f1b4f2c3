import { z } from 'zod';
import { radSToRpm, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { dataSheet } from './data-sheet.ts';
import { dcMotorConstants } from './dc-motor-constants.ts';

const input = dataSheet.extend({ newVoltageV: key.positive('Voltage it will run at', 'V') });

const output = z.strictObject({
  noLoadRpm: key.positive('No-load speed', 'rpm'),
  stallTorqueNm: key.positive('Stall torque', 'N·m'),
  stallA: key.positive('Stall current', 'A'),
  noLoadA: key.nonNegative('No-load current', 'A'),
});

export const dcMotorAtVoltage = defineCalculator({
  name: 'dc-motor-at-voltage',
  topic: 'motor',
  asks: 'What does it do at another voltage?',
  title: 'A brushed motor at another voltage',
  purpose: 'How the figures of a data sheet change with the voltage.',
  input,
  output,
  formula:
    'Is′ = Is V′/V;  Ts′ = Ts (Is′ − I0)/(Is − I0);  ω0′ = ω0 (V′ − I0 V/Is)/(V − I0 V/Is), with I0 held',
  symbols: {
    given: {
      V: 'voltageV',
      ω0: 'noLoadRpm',
      I0: 'noLoadA',
      Ts: 'stallTorqueNm',
      Is: 'stallA',
      'V′': 'newVoltageV',
    },
    found: { 'Is′': 'stallA', 'Ts′': 'stallTorqueNm', 'ω0′': 'noLoadRpm' },
  },
  source: 'permanent-magnet direct-current motor theory',
  limits:
    'The same motor cold; above its rated voltage brushes and bearings wear, and heat is not looked at here.',
  examples: [
    {
      origin: 'half the voltage is half the stall current (common practice, no source)',
      input: { voltageV: 24, noLoadRpm: 3000, noLoadA: 0, stallTorqueNm: 3, stallA: 40, newVoltageV: 12 },
      output: { noLoadRpm: 1500, stallA: 20, stallTorqueNm: 1.5 },
    },
  ],
  run: ({ newVoltageV, ...sheet }) => {
    const { resistanceOhm, keVsPerRad, ktNmPerA } = dcMotorConstants.run(sheet);
    if (newVoltageV <= sheet.noLoadA * resistanceOhm)
      throw new NotPhysical(
        'voltage-too-low',
        sentence`At ${figure(newVoltageV, 'voltage')} the motor does not turn even unloaded: it needs more than ${figure(sheet.noLoadA * resistanceOhm, 'voltage')}.`,
      );
    const stallA = newVoltageV / resistanceOhm;
    return {
      noLoadRpm: radSToRpm((newVoltageV - sheet.noLoadA * resistanceOhm) / keVsPerRad),
      stallTorqueNm: ktNmPerA * (stallA - sheet.noLoadA),
      stallA,
      noLoadA: sheet.noLoadA,
    };
  },
});

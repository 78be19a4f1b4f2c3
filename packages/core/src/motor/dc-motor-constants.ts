import { z } from 'zod';
import { rpmToRadS, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';
import { dataSheet } from './data-sheet.ts';

const output = z.strictObject({
  resistanceOhm: key.positive('Resistance of the winding and brushes', 'Ω'),
  keVsPerRad: key.positive('Back-voltage constant', 'V·s/rad'),
  kvRpmPerV: key.positive('Speed constant', 'rpm/V'),
  ktNmPerA: key.positive('Torque constant', 'N·m/A'),
  mismatch: key.real('How far the torque constant is from the back-voltage constant'),
  peakPowerW: key.positive('Greatest shaft power', 'W'),
  peakEfficiency: key.nonNegative('Greatest efficiency'),
  warnings: key.warnings,
});

/** Above this the data sheet contradicts itself (common practice). */
const GREATEST_MISMATCH = 0.15;

export const dcMotorConstants = defineCalculator({
  name: 'dc-motor-constants',
  topic: 'motor',
  asks: 'What does its data sheet say about it?',
  title: 'Constants of a brushed motor from its data sheet',
  purpose: 'Resistance, speed and torque constants from no-load and stall figures.',
  input: dataSheet,
  output,
  formula: 'R = V/Is;  ke = (V − I0 R)/ω0;  kt = Ts/(Is − I0);  Pmax = Ts ω0/4;  ηmax = (1 − √(I0/Is))²',
  symbols: {
    given: { V: 'voltageV', ω0: 'noLoadRpm', I0: 'noLoadA', Ts: 'stallTorqueNm', Is: 'stallA' },
    found: {
      R: 'resistanceOhm',
      ke: 'keVsPerRad',
      kt: 'ktNmPerA',
      Pmax: 'peakPowerW',
      ηmax: 'peakEfficiency',
    },
  },
  source: 'permanent-magnet direct-current motor theory',
  limits:
    'A motor with permanent magnets at the data sheet’s voltage and 20 °C; a hot winding has more resistance and gives less.',
  examples: [
    {
      origin: 'DC motor theory, exact',
      input: { voltageV: 12, noLoadRpm: 6000, noLoadA: 1, stallTorqueNm: 1.9, stallA: 100 },
      output: { resistanceOhm: 0.12, peakEfficiency: 0.81, peakPowerW: 298.4513020910303 },
    },
  ],
  run: (i) => {
    if (i.noLoadA >= i.stallA)
      throw new NotPhysical(
        'stall-below-no-load',
        sentence`The no-load current (${figure(i.noLoadA, 'current')}) must be less than the stall current (${figure(i.stallA, 'current')}): check the data sheet.`,
      );
    const resistanceOhm = i.voltageV / i.stallA;
    const noLoadRadS = rpmToRadS(i.noLoadRpm);
    const keVsPerRad = (i.voltageV - i.noLoadA * resistanceOhm) / noLoadRadS;
    const ktNmPerA = i.stallTorqueNm / (i.stallA - i.noLoadA);
    const mismatch = ktNmPerA / keVsPerRad - 1;
    return {
      resistanceOhm,
      keVsPerRad,
      kvRpmPerV: 30 / (Math.PI * keVsPerRad),
      ktNmPerA,
      mismatch,
      peakPowerW: (i.stallTorqueNm * noLoadRadS) / 4,
      peakEfficiency: (1 - Math.sqrt(i.noLoadA / i.stallA)) ** 2,
      warnings:
        Math.abs(mismatch) > GREATEST_MISMATCH
          ? [
              notice(
                'sheet-contradicts',
                sentence`The data sheet contradicts itself: its stall figures give a torque constant ${figure(Math.abs(mismatch), 'share', 2)} ${mismatch > 0 ? 'above' : 'below'} what its speed gives. Measure the motor before you rely on it.`,
              ),
            ]
          : [],
    };
  },
});

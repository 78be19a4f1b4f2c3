import { z } from 'zod';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';
import { figure, sentence } from '../quantity/index.ts';

const input = z.strictObject({
  kvRpmPerV: key.positive('Speed constant kV', 'rpm/V'),
  resistanceOhm: key.positive('Resistance, lead to lead', 'Ω'),
  noLoadA: key.nonNegative('Current with nothing on the shaft', 'A'),
  voltageV: key.positive('Voltage at the controller', 'V'),
  limitA: key.positive('Limit of the motor’s own current', 'A').optional(),
});

const output = z.strictObject({
  ktNmPerA: key.positive('Torque constant', 'N·m/A'),
  noLoadRpm: key.positive('Speed with nothing on the shaft', 'rpm'),
  stallA: key.positive('Current at which it stands still, without a limit', 'A'),
  limitTorqueNm: key.positive('Torque at the limit', 'N·m').optional(),
  rpmAtLimit: key.nonNegative('Speed up to which the limit gives that torque', 'rpm').optional(),
  shaftWAtLimit: key.nonNegative('Shaft power there', 'W').optional(),
  warnings: key.warnings,
});

export const brushlessConstants = defineCalculator({
  name: 'brushless-constants',
  topic: 'motor',
  asks: 'What does a brushless motor give by its kV?',
  title: 'A brushless motor by its kV',
  purpose: 'Torque, speed and power of a brushless motor with its controller, from kV and resistance.',
  input,
  output,
  formula: 'kt = 30/(π kv);  ω0 = (V − I0 R)/kt;  Is = V/R;  T = kt (I − I0);  ω = (V − I R)/kt',
  symbols: {
    given: { kv: 'kvRpmPerV', R: 'resistanceOhm', I0: 'noLoadA', V: 'voltageV', I: 'limitA' },
    found: { kt: 'ktNmPerA', ω0: 'noLoadRpm', Is: 'stallA', T: 'limitTorqueNm', ω: 'rpmAtLimit' },
  },
  source: 'permanent-magnet motor theory, the controller as an ideal commutator',
  limits:
    'A controller that follows the rotor; one without sensors stutters from a standstill, and its own losses are left out.',
  examples: [
    {
      origin: 'kV 955 is a torque constant of 0.01 N·m/A but for 0.01 % (arithmetic)',
      input: { kvRpmPerV: 30000 / (10 * Math.PI), resistanceOhm: 0.05, noLoadA: 2, voltageV: 12, limitA: 40 },
      output: { ktNmPerA: 0.01, stallA: 240, limitTorqueNm: 0.38, shaftWAtLimit: 380 },
    },
  ],
  run: ({ kvRpmPerV, resistanceOhm, noLoadA, voltageV, limitA }) => {
    if (noLoadA * resistanceOhm >= voltageV)
      throw new NotPhysical(
        'voltage-too-low',
        sentence`At ${figure(voltageV, 'voltage')} it does not overcome its own friction: ${figure(noLoadA, 'current')} take ${figure(noLoadA * resistanceOhm, 'voltage')}.`,
      );
    const ktNmPerA = 30 / (Math.PI * kvRpmPerV);
    const stallA = voltageV / resistanceOhm;
    const found = { ktNmPerA, noLoadRpm: kvRpmPerV * (voltageV - noLoadA * resistanceOhm), stallA };
    if (limitA === undefined) return { ...found, warnings: [] };
    if (limitA <= noLoadA)
      throw new NotPhysical(
        'limit-below-no-load',
        sentence`A limit of ${figure(limitA, 'current')} does not turn it: ${figure(noLoadA, 'current')} are drawn by nothing on the shaft.`,
      );
    if (limitA * resistanceOhm > voltageV)
      throw new NotPhysical(
        'limit-above-stall',
        sentence`A limit of ${figure(limitA, 'current')} is never reached: at ${figure(voltageV, 'voltage')} it draws ${figure(stallA, 'current')} at most.`,
      );
    const limitTorqueNm = ktNmPerA * (limitA - noLoadA);
    const rpmAtLimit = kvRpmPerV * (voltageV - limitA * resistanceOhm);
    return {
      ...found,
      limitTorqueNm,
      rpmAtLimit,
      shaftWAtLimit: limitTorqueNm * rpmAtLimit * (Math.PI / 30),
      warnings: [
        notice(
          'whose-limit',
          'Many controllers limit the current of the battery, not that of the motor: at low speed the motor then gets several times as much. Read which of the two yours limits.',
        ),
      ],
    };
  },
});

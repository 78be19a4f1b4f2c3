import { z } from 'zod';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';
import { figure, sentence } from '../quantity/index.ts';

const input = z.strictObject({
  ratedV: key.positive('Voltage of its data sheet', 'V'),
  stallTorqueNm: key.positive('Torque at which it stands still there', 'N·m'),
  secPer60Deg: key.positive('Time for 60° there, unloaded', 's'),
  voltageV: key.positive('Voltage it runs at; left away: that of its data sheet', 'V').optional(),
  torqueNm: key.nonNegative('Torque asked of it', 'N·m').optional(),
});

const output = z.strictObject({
  noLoadRpm: key.positive('Speed unloaded', 'rpm'),
  stallTorqueNm: key.positive('Torque at which it stands still', 'N·m'),
  rpm: key.nonNegative('Speed under the torque', 'rpm').optional(),
  shaftW: key.nonNegative('Power at its shaft', 'W').optional(),
  share: key.nonNegative('Torque asked over that at stall').optional(),
  warnings: key.warnings,
});

/** More of its stall torque than this a servo does not bear for long (common practice, no source). */
const MOST_SHARE = 0.5;

export const servoMotor = defineCalculator({
  name: 'servo-motor',
  topic: 'motor',
  asks: 'How fast is a servo under a load?',
  title: 'A servo under a load',
  purpose: 'Speed and power of a servo, or a servo that turns on and on, at a voltage and a torque.',
  input,
  output,
  formula: 'n0 = 60 V/(6 t60 Vr);  Ts = T0 V/Vr;  n = n0 (1 − T/Ts);  share = T/Ts',
  symbols: {
    given: { t60: 'secPer60Deg', V: 'voltageV', Vr: 'ratedV', T0: 'stallTorqueNm', T: 'torqueNm' },
    found: { n0: 'noLoadRpm', Ts: 'stallTorqueNm', n: 'rpm', share: 'share' },
  },
  source: 'permanent-magnet motor theory; 60° in t seconds are 10/t turns a minute',
  limits:
    'A straight line between no load and stall; the servo’s own electronics, its play and its end stops are left out.',
  examples: [
    {
      origin: '0.2 s for 60° are 50 rpm; half the torque is half the speed (arithmetic)',
      input: { ratedV: 6, stallTorqueNm: 1, secPer60Deg: 0.2, torqueNm: 0.5 },
      output: { noLoadRpm: 50, stallTorqueNm: 1, rpm: 25, share: 0.5, shaftW: (0.5 * 25 * Math.PI) / 30 },
    },
  ],
  run: ({ ratedV, stallTorqueNm: ratedNm, secPer60Deg, voltageV = ratedV, torqueNm }) => {
    const noLoadRpm = (10 / secPer60Deg) * (voltageV / ratedV);
    const stallTorqueNm = ratedNm * (voltageV / ratedV);
    if (torqueNm === undefined) return { noLoadRpm, stallTorqueNm, warnings: [] };
    if (torqueNm > stallTorqueNm)
      throw new NotPhysical(
        'beyond-stall',
        sentence`It stands still at ${figure(stallTorqueNm, 'torque')}: ${figure(torqueNm, 'torque')} is more. A stronger one, a shorter arm, or more voltage where it bears it.`,
      );
    const share = torqueNm / stallTorqueNm;
    const rpm = noLoadRpm * (1 - share);
    return {
      noLoadRpm,
      stallTorqueNm,
      rpm,
      shaftW: torqueNm * rpm * (Math.PI / 30),
      share,
      warnings:
        share > MOST_SHARE
          ? [
              notice(
                'near-stall',
                'More than half of its stall torque: it grows hot and wears. Take one of twice the torque for what lasts.',
              ),
            ]
          : [],
    };
  },
});

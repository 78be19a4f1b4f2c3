import { z } from 'zod';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';
import { pullOut } from './stepping-law.ts';
import { figure, radSToRpm, rpmToRadS, sentence } from '../quantity/index.ts';

const input = z.strictObject({
  holdingTorqueNm: key.positive('Holding torque, both phases at the rated current', 'N·m'),
  ratedA: key.positive('Rated current of a phase', 'A'),
  resistanceOhm: key.positive('Resistance of a phase', 'Ω'),
  inductanceMilliH: key.nonNegative('Inductance of a phase', 'mH'),
  stepsPerTurn: z
    .int()
    .min(4)
    .multipleOf(4)
    .default(200)
    .meta({ description: 'Full steps a turn, divisible by 4', unit: '' }),
  supplyV: key.positive('Voltage of the supply', 'V'),
  rpm: key.nonNegative('Speed', 'rpm'),
  driveA: key
    .positive('Peak current of a phase that the driver is set to; left away: the rated', 'A')
    .optional(),
});

const output = z.strictObject({
  constantNmPerA: key.positive('Torque constant of a phase', 'N·m/A'),
  electricalHz: key.nonNegative('Frequency of the phase currents', 'Hz'),
  backEmfV: key.nonNegative('Voltage that its turning makes', 'V'),
  currentA: key.nonNegative('Peak current of a phase', 'A'),
  torqueNm: key.positive('Greatest steady torque', 'N·m'),
  limitedBy: z.enum(['current', 'voltage']).meta({ description: 'What limits it', unit: '' }),
  cornerRpm: key.nonNegative('Speed up to which the set current flows', 'rpm'),
  warnings: key.warnings,
});

export const steppingMotorTorque = defineCalculator({
  name: 'stepping-motor-torque',
  topic: 'motor',
  asks: 'What does a stepping motor pull at a speed?',
  title: 'What a stepping motor pulls at a speed',
  purpose: 'Greatest steady torque of a two-phase stepping motor at a speed, on sine currents.',
  input,
  output,
  formula:
    'K = Th/(√2 Ir);  E = K ω;  X = ω N L/4;  up to the corner T = K D; beyond it the greatest T over the load angle at which V drives a current of D at most through R and X against E',
  symbols: {
    given: { Th: 'holdingTorqueNm', Ir: 'ratedA', ω: 'rpm' },
    found: { K: 'constantNmPerA', E: 'backEmfV' },
  },
  source: 'phasor equation of a permanent-magnet synchronous machine',
  limits:
    'The load angle free, no resonance and no ramp: plan on half of it, and try it at every speed it runs at.',
  examples: [
    {
      origin: 'standing still both phases give the holding torque at 45° (exact)',
      input: {
        holdingTorqueNm: 0.4,
        ratedA: 1,
        resistanceOhm: 2,
        inductanceMilliH: 3,
        supplyV: 24,
        rpm: 0,
        driveA: Math.SQRT2,
      },
      output: { torqueNm: 0.4, currentA: Math.SQRT2, limitedBy: 'current', backEmfV: 0, electricalHz: 0 },
    },
  ],
  run: ({
    holdingTorqueNm,
    ratedA,
    resistanceOhm,
    inductanceMilliH,
    stepsPerTurn,
    supplyV,
    rpm,
    driveA = ratedA,
  }) => {
    const k = holdingTorqueNm / (Math.SQRT2 * ratedA);
    const speed = rpmToRadS(rpm);
    const perSpeed = (stepsPerTurn / 4) * (inductanceMilliH / 1000);
    const found = pullOut({
      k,
      ohm: resistanceOhm,
      reactance: speed * perSpeed,
      backV: k * speed,
      driveA,
      supplyV,
    });
    if (!(found.torqueNm > 0))
      throw new NotPhysical(
        'too-fast',
        sentence`At ${figure(speed, 'rotation')} it has no torque left on ${figure(supplyV, 'voltage')}: slower, more voltage, or a winding of less inductance.`,
      );
    const rd = resistanceOhm * driveA;
    const a = k * k + (perSpeed * driveA) ** 2;
    const b = rd * k;
    const corner = rd >= supplyV ? 0 : (Math.sqrt(b * b + a * (supplyV * supplyV - rd * rd)) - b) / a;
    return {
      constantNmPerA: k,
      electricalHz: (rpm / 60) * (stepsPerTurn / 4),
      backEmfV: k * speed,
      ...found,
      cornerRpm: radSToRpm(corner),
      warnings: [
        notice(
          'plan-on-half',
          'Plan on half of this torque: resonance and speeding up take their part, and steps that are lost are lost without a word.',
        ),
      ],
    };
  },
});

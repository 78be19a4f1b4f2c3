import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  legs: z
    .array(
      z.strictObject({
        durationS: key.nonNegative('How long', 's'),
        currentA: key.nonNegative('Current', 'A'),
      }),
    )
    .min(1)
    .max(200)
    .meta({ description: 'The legs of an outing', unit: '' }),
});

const output = z.strictObject({
  durationS: key.positive('How long the outing takes', 's'),
  meanA: key.nonNegative('Mean current: what empties a battery', 'A'),
  rmsA: key.nonNegative('Root-mean-square current: what heats a motor', 'A'),
  chargeAh: key.nonNegative('Charge drawn', 'Ah'),
});

/** Means over time of the legs of an outing. All 0 where they take no time. */
export function meanDraw(legs: z.output<typeof input>['legs']) {
  const durationS = legs.reduce((sum, leg) => sum + leg.durationS, 0);
  const mean = (of: (currentA: number) => number): number =>
    durationS === 0 ? 0 : legs.reduce((sum, leg) => sum + of(leg.currentA) * leg.durationS, 0) / durationS;
  const meanA = mean((a) => a);
  return { durationS, meanA, rmsA: Math.sqrt(mean((a) => a * a)), chargeAh: (meanA * durationS) / 3600 };
}

export const outingDraw = defineCalculator({
  name: 'outing-draw',
  title: 'Current over an outing',
  purpose: 'Mean and root-mean-square current of legs that follow one another.',
  input,
  output,
  formula: 't = Σ t;  Im = (Σ I t)/t;  Irms = √((Σ I² t)/t);  Q = Im t',
  symbols: { given: {}, found: { t: 'durationS', Im: 'meanA', Q: 'chargeAh' } },
  source: 'definition of the two means',
  limits: 'Each leg at one current; starts and stops between legs are legs of their own.',
  examples: [
    {
      origin: '10 A for half an hour, none for the other half: 5 A mean, 10/√2 A in heat (exact)',
      input: {
        legs: [
          { durationS: 1800, currentA: 10 },
          { durationS: 1800, currentA: 0 },
        ],
      },
      output: { durationS: 3600, meanA: 5, rmsA: 10 / Math.SQRT2, chargeAh: 5 },
    },
  ],
  run: ({ legs }) => {
    const draw = meanDraw(legs);
    if (draw.durationS === 0)
      throw new NotPhysical(
        'no-time',
        'The legs take no time together: give at least one of them a duration.',
      );
    return draw;
  },
});

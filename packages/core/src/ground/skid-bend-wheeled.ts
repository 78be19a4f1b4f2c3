import { z } from 'zod';
import { degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  contacts: z
    .array(
      z.strictObject({
        aheadM: key.real('Wheel ahead of the rear axle', 'm'),
        leftM: key.real('Wheel left of the middle line', 'm'),
        loadN: key.nonNegative('Load on it', 'N'),
        across: key.nonNegative('Its friction sideways'),
      }),
    )
    .min(1)
    .max(60)
    .meta({ description: 'The wheels', unit: '' }),
  turnRadiusM: key.positive('Radius of the bend, to the middle of the vehicle', 'm'),
});

const output = z.strictObject({
  momentNm: key.nonNegative('Moment that resists the turn', 'N·m'),
  centreM: key.real('Where along the vehicle it turns about, ahead of the rear axle', 'm'),
});

/** Slip angle from which a wheel drags sideways with all of its friction (common practice, no source): degrees. */
export const FULL_SLIP_DEG = 8;

export const skidBendWheeled = defineCalculator({
  name: 'skid-bend-wheeled',
  topic: 'ground',
  asks: 'What do fixed wheels drag round a bend?',
  title: 'Fixed wheels round a bend',
  purpose: 'How much fixed wheels drag sideways in a bend: next to nothing where it is wide.',
  input,
  output,
  formula: 'M = Σ μ N |x − xc| min(1, α/8°), α = atan(|x − xc|/(R ± y)), + outside, xc by the loads',
  symbols: { given: { R: 'turnRadiusM' }, found: { M: 'momentNm', xc: 'centreM' } },
  source:
    'geometry of the bend; a wheel’s side force grows with its slip angle and saturates at 8° (common practice, no source)',
  limits:
    'Slow bends on firm ground, no push forwards counted against the side force. Inside a circle as narrow as the track the inner wheels drag with all of their friction.',
  examples: [
    {
      origin: 'a bend as narrow as the track drags as on the spot (upper bound, statics)',
      input: {
        contacts: [
          { aheadM: 0, leftM: 0.5, loadN: 50, across: 0.5 },
          { aheadM: 0, leftM: -0.5, loadN: 50, across: 0.5 },
          { aheadM: 1, leftM: 0.5, loadN: 50, across: 0.5 },
          { aheadM: 1, leftM: -0.5, loadN: 50, across: 0.5 },
        ],
        turnRadiusM: 0.5,
      },
      output: { momentNm: 50, centreM: 0.5 },
    },
  ],
  run: ({ contacts, turnRadiusM }) => {
    const loadN = contacts.reduce((sum, c) => sum + c.loadN, 0);
    const centreM = loadN > 0 ? contacts.reduce((sum, c) => sum + c.loadN * c.aheadM, 0) / loadN : 0;
    const full = degreesToRadians(FULL_SLIP_DEG);
    const dragOf = (c: (typeof contacts)[number], leftM: number): number => {
      const lever = Math.abs(c.aheadM - centreM);
      const slip = Math.atan2(lever, Math.max(0, turnRadiusM - leftM));
      return c.across * c.loadN * lever * Math.min(1, slip / full);
    };
    // To either side: what drags more counts, as bends go both ways.
    const moment = (to: 1 | -1): number => contacts.reduce((sum, c) => sum + dragOf(c, to * c.leftM), 0);
    return { momentNm: Math.max(moment(1), moment(-1)), centreM };
  },
});

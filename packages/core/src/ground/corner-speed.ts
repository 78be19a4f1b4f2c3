import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  turnRadiusM: key.positive('Radius of the turn, on the level', 'm'),
  friction: key.positive('Friction sideways'),
  tipDeg: z.number().positive().max(90).optional().meta({
    description: 'Side slope at which it tips; left away where it leans into the turn',
    unit: 'deg',
  }),
  speedMps: key.nonNegative('Speed in the turn', 'm/s').default(0),
});

const output = z.strictObject({
  cornerMps: key.positive('Fastest in the turn', 'm/s'),
  firstSideways: z.enum(['tips', 'slides']).meta({ description: 'What happens first', unit: '' }),
  leanDeg: key.nonNegative('Lean of a rider on two wheels in line at this speed', 'deg'),
});

export const cornerSpeed = defineCalculator({
  name: 'corner-speed',
  topic: 'ground',
  asks: 'How fast may it go round a turn?',
  title: 'How fast round a turn',
  purpose:
    'The speed at which a vehicle slides or tips in a turn, and how far one on two wheels in line leans.',
  input,
  output,
  formula: 'vmax = √(R g min(tanτ, μ));  lean = atan(v²/(R g))',
  symbols: {
    given: { R: 'turnRadiusM', τ: 'tipDeg', μ: 'friction', v: 'speedMps' },
    found: { vmax: 'cornerMps', lean: 'leanDeg' },
  },
  source: 'statics of a steady turn (T. D. Gillespie, ch. 9: the rollover threshold of a rigid vehicle)',
  limits: 'A level, even turn at a steady speed. Bumps, a swinging load and quick steering tip it sooner.',
  examples: [
    {
      origin: 'a tipping slope of 45° and friction 1 hold g: √(R g) with R = g is g (exact)',
      input: { turnRadiusM: 9.80665, friction: 1, tipDeg: 45, speedMps: 9.80665 },
      output: { cornerMps: 9.80665, leanDeg: 45 },
    },
  ],
  run: ({ turnRadiusM, friction, tipDeg, speedMps }) => {
    const tips = tipDeg === undefined ? Infinity : Math.tan(degreesToRadians(tipDeg));
    return {
      cornerMps: Math.sqrt(turnRadiusM * STANDARD_GRAVITY * Math.min(tips, friction)),
      firstSideways: tips < friction ? ('tips' as const) : ('slides' as const),
      leanDeg: radiansToDegrees(Math.atan(speedMps ** 2 / (turnRadiusM * STANDARD_GRAVITY))),
    };
  },
});

import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  drivenLoadN: key.nonNegative('Load on the two driven wheels together', 'N'),
  trackM: key.positive('Between the driven wheels, middle to middle', 'm'),
  freeLoadN: key.nonNegative('Load on the free wheels or sliders', 'N').default(0),
  freeArmM: key.nonNegative('From the middle of the driven wheels to the free ones', 'm').default(0),
  freeCoefficient: key
    .nonNegative('Drag of the free ones over their load: rolling, or sliding friction')
    .default(0),
  rollingCoefficient: key.nonNegative('Rolling resistance of the driven wheels over their load').default(0),
  tyreWidthM: key.nonNegative('Width of the driven tyres', 'm').default(0),
  friction: key.positive('Friction of the driven wheels'),
});

const output = z.strictObject({
  momentNm: key.nonNegative('Moment that resists the turn', 'N·m'),
  thrustPerSideN: key.nonNegative('Thrust of each driven wheel', 'N'),
  gripPerSideN: key.nonNegative('Grip of each driven wheel', 'N'),
  turns: z.boolean().meta({ description: 'Whether it turns without a wheel spinning', unit: '' }),
  margin: key.nonNegative('Grip over thrust').optional(),
});

export const pivotTurn = defineCalculator({
  name: 'pivot-turn',
  topic: 'ground',
  asks: 'Do two driven wheels turn it on the spot?',
  title: 'Turning on the spot, two wheels driven',
  purpose:
    'The thrust of each of two driven wheels that turns a vehicle with castors, omni wheels or sliders.',
  input,
  output,
  formula: 'M = q Nf a + μ Nd b/4;  F = M/t + f Nd/2;  G = μ Nd/2',
  symbols: {
    given: {
      q: 'freeCoefficient',
      Nf: 'freeLoadN',
      a: 'freeArmM',
      μ: 'friction',
      Nd: 'drivenLoadN',
      b: 'tyreWidthM',
      t: 'trackM',
      f: 'rollingCoefficient',
    },
    found: { M: 'momentNm', F: 'thrustPerSideN', G: 'gripPerSideN' },
  },
  source: 'statics; a tyre of width b turns about its middle against friction at b/4 on either side',
  limits: 'A slow turn on firm ground, castors already swung round: swinging them costs more for a moment.',
  examples: [
    {
      origin:
        'a slider of friction 0.3 under 100 N, 0.4 m from wheels 0.4 m apart: 12 N·m, 30 N a side (exact)',
      input: {
        drivenLoadN: 200,
        trackM: 0.4,
        freeLoadN: 100,
        freeArmM: 0.4,
        freeCoefficient: 0.3,
        friction: 0.8,
      },
      output: { momentNm: 12, thrustPerSideN: 30, gripPerSideN: 80, turns: true },
    },
  ],
  run: (i) => {
    const momentNm =
      i.freeCoefficient * i.freeLoadN * i.freeArmM + (i.friction * i.drivenLoadN * i.tyreWidthM) / 4;
    const thrustPerSideN = momentNm / i.trackM + (i.rollingCoefficient * i.drivenLoadN) / 2;
    const gripPerSideN = (i.friction * i.drivenLoadN) / 2;
    return {
      momentNm,
      thrustPerSideN,
      gripPerSideN,
      turns: gripPerSideN >= thrustPerSideN,
      ...(thrustPerSideN > 0 ? { margin: gripPerSideN / thrustPerSideN } : {}),
    };
  },
});

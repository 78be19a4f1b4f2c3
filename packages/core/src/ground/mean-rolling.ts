import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  drivenLoadN: key.nonNegative('Load on the driven wheels', 'N'),
  rollingCoefficient: key.nonNegative('Rolling resistance of the driven wheels over their load'),
  freeLoadN: key.nonNegative('Load on the free wheels or sliders', 'N'),
  freeCoefficient: key.nonNegative('Drag of the free ones over their load'),
  weightN: key.positive('Weight of the vehicle, square to the ground', 'N'),
});

export const meanRolling = defineCalculator({
  name: 'mean-rolling',
  topic: 'ground',
  asks: 'What do wheels and castors drag together?',
  title: 'Rolling of unlike wheels together',
  purpose: 'One rolling coefficient for a vehicle whose wheels, castors or sliders drag differently.',
  input,
  output: z.strictObject({
    meanCoefficient: key.nonNegative('Rolling resistance over the vehicle’s weight'),
  }),
  formula: 'f = (Nd fd + Nf q)/W',
  symbols: {
    given: {
      Nd: 'drivenLoadN',
      fd: 'rollingCoefficient',
      Nf: 'freeLoadN',
      q: 'freeCoefficient',
      W: 'weightN',
    },
    found: { f: 'meanCoefficient' },
  },
  source: 'statics',
  limits: 'Each wheel drags in proportion to its load; loads as they are on that grade.',
  examples: [
    {
      origin: 'three quarters of the weight at 0.02, a quarter sliding at 0.3 (exact)',
      input: { drivenLoadN: 75, rollingCoefficient: 0.02, freeLoadN: 25, freeCoefficient: 0.3, weightN: 100 },
      output: { meanCoefficient: 0.09 },
    },
  ],
  run: (i) => ({
    meanCoefficient: (i.drivenLoadN * i.rollingCoefficient + i.freeLoadN * i.freeCoefficient) / i.weightN,
  }),
});

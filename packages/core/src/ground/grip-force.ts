import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  loadN: key.nonNegative('Weight on the driven wheels, square to the ground', 'N'),
  friction: key.positive('Friction of their tyres on the ground'),
});

const output = z.strictObject({
  gripN: key.nonNegative('Most force along the ground before they slip', 'N'),
});

export const gripForce = defineCalculator({
  name: 'grip-force',
  topic: 'ground',
  asks: 'How hard can the wheels push before they slip?',
  title: 'Grip of the driven wheels',
  purpose: 'The most force that the driven wheels can put on the ground.',
  input,
  output,
  formula: 'G = μ N',
  symbols: { given: { N: 'loadN', μ: 'friction' }, found: { G: 'gripN' } },
  source: 'Coulomb friction; J. Y. Wong, Theory of Ground Vehicles, ch. 3',
  limits:
    'One friction for slip and hold alike; a wheel that spins holds less, most of all on wet or loose ground.',
  examples: [
    {
      origin: 'half the weight at a friction of one half (exact)',
      input: { loadN: 1000, friction: 0.5 },
      output: { gripN: 500 },
    },
  ],
  run: ({ loadN, friction }) => ({ gripN: loadN * friction }),
});

import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  forceN: key.real('Force along the ground, of all driven wheels', 'N'),
  wheelDiameterM: key.positive('Diameter of the driven wheels under load', 'm'),
  wheels: key.count('Driven wheels'),
});

const output = z.strictObject({ torqueNm: key.real('Torque at each driven wheel', 'N·m') });

export const wheelTorque = defineCalculator({
  name: 'wheel-torque',
  topic: 'ground',
  asks: 'What torque does each wheel need?',
  title: 'Torque at each wheel',
  purpose: 'The torque that each driven wheel must turn into force along the ground.',
  input,
  output,
  formula: 'T = F d/(2 n)',
  symbols: { given: { F: 'forceN', d: 'wheelDiameterM', n: 'wheels' }, found: { T: 'torqueNm' } },
  source: 'statics',
  limits: 'Shared evenly between the wheels: a wheel with less grip takes less.',
  examples: [
    {
      origin: '400 N at two wheels of 0.4 m (exact)',
      input: { forceN: 400, wheelDiameterM: 0.4, wheels: 2 },
      output: { torqueNm: 40 },
    },
  ],
  run: ({ forceN, wheelDiameterM, wheels }) => ({ torqueNm: (forceN * wheelDiameterM) / 2 / wheels }),
});

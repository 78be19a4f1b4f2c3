import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  torqueNm: key.real('Torque of each motor; below 0 it brakes', 'N·m'),
  motors: key.count('Motors that work together').default(1),
  ratio: key.positive('Turns of the motor for one of the output'),
  efficiency: key.share('Share of the power that comes through'),
});

const output = z.strictObject({ deliveredNm: key.real('Torque that arrives', 'N·m') });

export const deliveredTorque = defineCalculator({
  name: 'delivered-torque',
  topic: 'ratio',
  asks: 'What arrives of a motor’s torque?',
  title: 'What arrives of a motor’s torque',
  purpose: 'Torque behind a reduction. Where the motor brakes, losses help it.',
  input,
  output,
  formula: 'T2 = k i (max(T, 0) η + min(T, 0)/η)',
  symbols: {
    given: { k: 'motors', i: 'ratio', T: 'torqueNm', η: 'efficiency' },
    found: { T2: 'deliveredNm' },
  },
  source: 'power balance',
  limits: 'Efficiency is that of a fair load; at a light load or when cold, losses are a larger share.',
  examples: [
    {
      origin: '2.5 N·m through 20 : 1 at 80 %: 40 N·m (exact)',
      input: { torqueNm: 2.5, ratio: 20, efficiency: 0.8 },
      output: { deliveredNm: 40 },
    },
    {
      origin: 'braking with 1.6 N·m: 40 N·m at the wheel are held (exact)',
      input: { torqueNm: -1.6, ratio: 20, efficiency: 0.8 },
      output: { deliveredNm: -40 },
    },
  ],
  run: ({ torqueNm, motors, ratio, efficiency }) => ({
    deliveredNm: motors * ratio * torqueNm * (torqueNm >= 0 ? efficiency : 1 / efficiency),
  }),
});

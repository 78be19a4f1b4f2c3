import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  stages: z
    .array(
      z.strictObject({
        ratio: key.positive('Turns in for one turn out'),
        efficiency: key.share('Share of the power that comes through').default(1),
        backEfficiency: z.number().min(0).max(1).optional().meta({
          description: 'Share that comes through the other way; as forwards where left away',
          unit: '',
        }),
      }),
    )
    .max(12)
    .meta({ description: 'The stages from motor to wheel', unit: '' }),
});

const output = z.strictObject({
  ratio: key.positive('Turns of the motor for one of the wheel'),
  efficiency: key.share('Share of the power that comes through all stages'),
  backEfficiency: key.nonNegative('Share that comes through from wheel to motor; 0 where a stage locks'),
});

export const trainRatio = defineCalculator({
  name: 'train-ratio',
  topic: 'ratio',
  asks: 'What do several ratios make together?',
  title: 'Ratios in series',
  purpose: 'Total ratio and efficiency of stages whose ratios are known.',
  input,
  output,
  formula: 'i = Π i1;  η = Π η1',
  symbols: { given: {}, found: { i: 'ratio', η: 'efficiency' } },
  source: 'kinematics',
  limits: 'Efficiencies hold at a fair load; at a light one the losses are a larger share.',
  examples: [
    {
      origin: 'a gearhead of 9 : 1 at 90 % and a chain of 36 : 10 at 96 % (exact)',
      input: {
        stages: [
          { ratio: 9, efficiency: 0.9 },
          { ratio: 3.6, efficiency: 0.96 },
        ],
      },
      output: { ratio: 32.4, efficiency: 0.864 },
    },
  ],
  run: ({ stages }) => ({
    ratio: stages.reduce((product, s) => product * s.ratio, 1),
    efficiency: stages.reduce((product, s) => product * s.efficiency, 1),
    backEfficiency: stages.reduce((product, s) => product * (s.backEfficiency ?? s.efficiency), 1),
  }),
});

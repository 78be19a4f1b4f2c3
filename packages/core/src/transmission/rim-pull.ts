import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

export const rimPull = defineCalculator({
  name: 'rim-pull',
  topic: 'lengths',
  asks: 'How hard is a belt pulled?',
  title: 'Pull at a pulley',
  purpose: 'The pull of a toothed belt, rope or chain at a pulley of a size.',
  input: z.strictObject({
    torqueNm: key.positive('Torque on the pulley', 'N·m'),
    diameterMm: key.positive('Its pitch diameter', 'mm'),
  }),
  output: z.strictObject({ pullN: key.positive('Pull', 'N') }),
  formula: 'F = 2 T/d',
  symbols: { given: { T: 'torqueNm', d: 'diameterMm' }, found: { F: 'pullN' } },
  source: 'statics',
  limits: 'The difference of both strands: what the belt is tensioned with comes on top.',
  examples: [
    { origin: '2 N·m at 40 mm (exact)', input: { torqueNm: 2, diameterMm: 40 }, output: { pullN: 100 } },
  ],
  run: ({ torqueNm, diameterMm }) => ({ pullN: (2000 * torqueNm) / diameterMm }),
});

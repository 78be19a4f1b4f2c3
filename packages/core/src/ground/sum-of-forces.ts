import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  roadN: key.real('Rolling, grade, air, speeding up and what is towed', 'N'),
  compactionN: key.nonNegative('Pressing soft ground down', 'N').default(0),
  turningN: key.nonNegative('Turning', 'N').default(0),
  obstacleN: key.nonNegative('Climbing a step', 'N').default(0),
  catchingN: key.nonNegative('Catching a lean', 'N').default(0),
  pushingN: key.real('Pushing with a blade', 'N').default(0),
});

export const sumOfForces = defineCalculator({
  name: 'sum-of-forces',
  topic: 'ground',
  asks: 'What do road, turn and step ask together?',
  title: 'All forces along the ground together',
  purpose: 'What a job asks at once: the road, soft ground, a turn, a step.',
  input,
  output: z.strictObject({ totalN: key.real('Force along the ground', 'N') }),
  formula: 'F = Fr + Fc + Ft + Fo + Fl + Fp',
  symbols: {
    given: {
      Fr: 'roadN',
      Fc: 'compactionN',
      Ft: 'turningN',
      Fo: 'obstacleN',
      Fl: 'catchingN',
      Fp: 'pushingN',
    },
    found: { F: 'totalN' },
  },
  source: 'statics',
  limits: 'All at the same time: a step taken in the middle of a turn, where a job states both.',
  examples: [
    { origin: 'a sum (exact)', input: { roadN: 100, compactionN: 20, turningN: 5 }, output: { totalN: 125 } },
  ],
  run: (i) => ({ totalN: i.roadN + i.compactionN + i.turningN + i.obstacleN + i.catchingN + i.pushingN }),
});

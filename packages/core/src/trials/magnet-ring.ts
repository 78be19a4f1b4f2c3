import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const WHOLE_TURN_DEG = 360;

export const magnetRing = defineCalculator({
  name: 'magnet-ring',
  topic: 'trials',
  asks: 'How fine does a ring of magnets tell a heading?',
  title: 'A ring of magnets or marks',
  purpose: 'Places of magnets or marks on the ring of a module, and how finely they tell its heading.',
  input: z.strictObject({
    marks: z.int().min(2).max(360).meta({ description: 'Magnets or marks on the ring', unit: '' }),
    alternatePoles: z
      .boolean()
      .default(true)
      .meta({ description: 'Whether north and south follow each other', unit: '' }),
    turns: key.positive('Turns of the ring for one of what it tells').default(1),
  }),
  output: z.strictObject({
    ringStepDeg: key.positive('From one to the next', 'deg'),
    stepDeg: key.positive('The same of what it tells', 'deg'),
    errorDeg: key.positive('How far off it may be told, either way', 'deg'),
    placesDeg: z.array(z.number()).meta({ description: 'Places on the ring', unit: 'deg' }),
  }),
  formula: 's = 360°/n;  h = s/i;  e = h/2',
  symbols: {
    given: { n: 'marks', i: 'turns' },
    found: { s: 'ringStepDeg', h: 'stepDeg', e: 'errorDeg' },
  },
  source: 'geometry of a full turn; poles that follow each other close a ring only in pairs',
  limits:
    'One sensor that counts edges: it knows a heading only from a place where it was set. More than a turn of the ring comes round again.',
  examples: [
    {
      origin: 'eight magnets stand 45° apart (geometry, exact)',
      input: { marks: 8 },
      output: { ringStepDeg: 45, stepDeg: 45, errorDeg: 22.5 },
    },
  ],
  run: ({ marks, alternatePoles, turns }) => {
    if (alternatePoles && marks % 2 === 1)
      throw new NotPhysical(
        'poles-do-not-close',
        'North and south cannot follow each other all round with an odd number: take one more or one less.',
      );
    const ringStepDeg = WHOLE_TURN_DEG / marks;
    const stepDeg = ringStepDeg / turns;
    return {
      ringStepDeg,
      stepDeg,
      errorDeg: stepDeg / 2,
      placesDeg: Array.from({ length: marks }, (_, n) => n * ringStepDeg),
    };
  },
});

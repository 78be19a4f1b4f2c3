import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  contacts: z
    .array(
      z.strictObject({
        loadN: key.nonNegative('Load on the contact', 'N'),
        along: key.nonNegative('Friction along'),
        across: key.nonNegative('Friction across; 0 for castors, omni wheels and sliders'),
        pushes: z.boolean().meta({ description: 'Whether it takes part of the push', unit: '' }),
      }),
    )
    .min(1)
    .max(120)
    .meta({ description: 'What it stands on', unit: '' }),
  pushN: key.nonNegative('Force along the ground of those that push or brake', 'N').default(0),
  sideN: key.nonNegative('Force that pulls it sideways: side slope and bend', 'N'),
});

const output = z.strictObject({
  holdsN: key.nonNegative('Force across that the contacts hold while they push', 'N'),
  used: key.nonNegative('Share of their grip that pushing takes; 1 where it takes all'),
  slides: z.boolean().meta({ description: 'Whether it slides', unit: '' }),
});

export const slideAcross = defineCalculator({
  name: 'slide-across',
  topic: 'ground',
  asks: 'Does it slide sideways while it pushes?',
  title: 'Sliding sideways',
  purpose: 'Whether wheels that push or brake still hold a vehicle on a side slope or in a bend.',
  input,
  output,
  formula:
    'u = min(1, F/Σ μx N), of those that push;  H = Σ μy N √(1 − u²) + Σ μy N, first of those that push, then of the others',
  symbols: { given: { F: 'pushN' }, found: { u: 'used', H: 'holdsN' } },
  source: 'Coulomb friction with the friction ellipse; J. Y. Wong, Theory of Ground Vehicles, ch. 1',
  limits: 'Each pushes by its grip. One end may slide first where weight and wheels are unlike.',
  examples: [
    {
      origin: 'a push of three fifths of the grip leaves four fifths across (3-4-5, exact)',
      input: {
        contacts: [
          { loadN: 100, along: 0.5, across: 0.5, pushes: true },
          { loadN: 100, along: 0.5, across: 0.5, pushes: false },
        ],
        pushN: 30,
        sideN: 100,
      },
      output: { holdsN: 90, used: 0.6, slides: true },
    },
  ],
  run: ({ contacts, pushN, sideN }) => {
    const gripN = contacts.reduce((sum, c) => sum + (c.pushes ? c.along * c.loadN : 0), 0);
    const used = pushN === 0 ? 0 : Math.min(1, pushN / gripN);
    const left = Math.sqrt(1 - used ** 2);
    const holdsN = contacts.reduce((sum, c) => sum + c.across * c.loadN * (c.pushes ? left : 1), 0);
    return { holdsN, used, slides: sideN > holdsN };
  },
});

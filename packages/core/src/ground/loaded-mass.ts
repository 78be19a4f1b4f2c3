import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const mass = z.strictObject({
  massKg: key.nonNegative('Mass', 'kg'),
  share: z.number().min(0).max(1).default(1).meta({ description: 'Share of it on board', unit: '' }),
  aheadM: key.real('Its middle ahead of the rear axle', 'm'),
  leftM: key.real('Its middle left of the middle line', 'm').default(0),
  heightM: key.nonNegative('Its middle above the ground', 'm'),
});

const input = z.strictObject({
  masses: z
    .array(mass)
    .min(1)
    .max(200)
    .meta({ description: 'What it is made of and what it carries', unit: '' }),
});

const output = z.strictObject({
  massKg: key.nonNegative('Total mass', 'kg'),
  cgAheadOfRearAxleM: key.real('Centre of gravity ahead of the rear axle', 'm'),
  cgLeftM: key.real('Centre of gravity left of the middle line', 'm'),
  cgHeightM: key.nonNegative('Centre of gravity above the ground', 'm'),
});

export const loadedMass = defineCalculator({
  name: 'loaded-mass',
  topic: 'ground',
  asks: 'What does it weigh loaded, and where is the middle?',
  title: 'Mass and centre of gravity with a load',
  purpose: 'What the vehicle weighs with what it carries, and where the middle of it all sits.',
  input,
  output,
  formula: 'm = Σ si mi;  c = Σ si mi ci/m;  l = Σ si mi li/m;  h = Σ si mi hi/m',
  symbols: { given: {}, found: { m: 'massKg', c: 'cgAheadOfRearAxleM', l: 'cgLeftM', h: 'cgHeightM' } },
  source: 'statics',
  limits: 'Masses at fixed places: a load that shifts, hangs or slops is not described.',
  examples: [
    {
      origin: 'equal masses balance half-way between them (exact)',
      input: {
        masses: [
          { massKg: 60, aheadM: 0.2, heightM: 0.3 },
          { massKg: 120, share: 0.5, aheadM: 0.6, leftM: 0.1, heightM: 0.5 },
        ],
      },
      output: { massKg: 120, cgAheadOfRearAxleM: 0.4, cgLeftM: 0.05, cgHeightM: 0.4 },
    },
  ],
  run: ({ masses }) => {
    const massKg = masses.reduce((sum, m) => sum + m.massKg * m.share, 0);
    // Nothing at all sits where the first of them does.
    const middle = (of: 'aheadM' | 'leftM' | 'heightM'): number =>
      massKg > 0
        ? masses.reduce((sum, m) => sum + m.massKg * m.share * m[of], 0) / massKg
        : (masses[0]?.[of] ?? 0);
    return {
      massKg,
      cgAheadOfRearAxleM: middle('aheadM'),
      cgLeftM: middle('leftM'),
      cgHeightM: middle('heightM'),
    };
  },
});

import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  ownKg: key.nonNegative('Mass of the vehicle itself', 'kg'),
  ownAheadM: key.real('Its middle ahead of the rear axle', 'm'),
  ownHeightM: key.nonNegative('Its middle above the ground', 'm'),
  payloadKg: key.nonNegative('Payload, all of it', 'kg'),
  payloadShare: z.number().min(0).max(1).meta({ description: 'Share of the payload on board', unit: '' }),
  payloadAheadM: key.real('Middle of the payload ahead of the rear axle', 'm'),
  payloadHeightM: key.nonNegative('Middle of the payload above the ground', 'm'),
});

const output = z.strictObject({
  massKg: key.nonNegative('Mass all up', 'kg'),
  cgAheadOfRearAxleM: key.real('Centre of gravity ahead of the rear axle', 'm'),
  cgHeightM: key.nonNegative('Centre of gravity above the ground', 'm'),
});

export const loadedMass = defineCalculator({
  name: 'loaded-mass',
  title: 'Mass and centre of gravity with a load',
  purpose: 'What the vehicle weighs with a share of its payload, and where the middle of it all sits.',
  input,
  output,
  formula: 'm = mo + s mp;  c = (mo co + s mp cp)/m;  h = (mo ho + s mp hp)/m',
  symbols: {
    given: {
      mo: 'ownKg',
      co: 'ownAheadM',
      ho: 'ownHeightM',
      mp: 'payloadKg',
      s: 'payloadShare',
      cp: 'payloadAheadM',
      hp: 'payloadHeightM',
    },
    found: { m: 'massKg', c: 'cgAheadOfRearAxleM', h: 'cgHeightM' },
  },
  source: 'statics',
  limits: 'Two masses at fixed places: a load that shifts, hangs or slops is not described.',
  examples: [
    {
      origin: 'equal masses balance half-way between them (exact)',
      input: {
        ownKg: 60,
        ownAheadM: 0.2,
        ownHeightM: 0.3,
        payloadKg: 120,
        payloadShare: 0.5,
        payloadAheadM: 0.6,
        payloadHeightM: 0.5,
      },
      output: { massKg: 120, cgAheadOfRearAxleM: 0.4, cgHeightM: 0.4 },
    },
  ],
  run: (i) => {
    const payloadKg = i.payloadKg * i.payloadShare;
    const massKg = i.ownKg + payloadKg;
    // Nothing at all sits where the vehicle does.
    const middle = (own: number, payload: number): number =>
      massKg > 0 ? (i.ownKg * own + payloadKg * payload) / massKg : own;
    return {
      massKg,
      cgAheadOfRearAxleM: middle(i.ownAheadM, i.payloadAheadM),
      cgHeightM: middle(i.ownHeightM, i.payloadHeightM),
    };
  },
});

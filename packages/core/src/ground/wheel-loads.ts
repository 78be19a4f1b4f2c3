import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { hitchAndBlade } from './support-keys.ts';
import { supportLoads } from './support.ts';

const contact = z.strictObject({
  aheadM: key.real('Contact ahead of the rear axle', 'm'),
  leftM: key.real('Contact left of the middle line', 'm'),
  driven: z.boolean().default(false).meta({ description: 'Whether it is driven', unit: '' }),
});

const input = z.strictObject({
  massKg: key.positive('Mass of the vehicle with its load', 'kg'),
  cgAheadOfRearAxleM: key.real('Centre of gravity ahead of the rear axle', 'm'),
  cgLeftM: key.real('Centre of gravity left of the middle line', 'm').default(0),
  cgHeightM: key.nonNegative('Height of the centre of gravity', 'm'),
  contacts: z.array(contact).min(1).max(60).meta({ description: 'Where it stands on the ground', unit: '' }),
  gradeDeg: key.grade().default(0),
  sideSlopeDeg: key.grade('Slope across, the right side lower positive').default(0),
  accelerationMps2: key.real('Speeding up', 'm/s²').default(0),
  cornerMps2: key.real('Pull of a turn to the left', 'm/s²').default(0),
  ...hitchAndBlade,
  balanced: z
    .enum(['none', 'along', 'across'])
    .default('none')
    .meta({ description: 'What a rider or a controller keeps in balance', unit: '' }),
});

const output = z.strictObject({
  loads: z
    .array(z.strictObject({ loadN: key.real('Load on the contact', 'N') }))
    .meta({ description: 'Load on each contact, in the order given', unit: '' }),
  drivenN: key.real('Load on the driven ones together', 'N'),
  acrossN: key.real('All loads together, square to the ground', 'N'),
  stands: z.boolean().meta({ description: 'Whether it stands without a contact pulling', unit: '' }),
});

type Input = z.output<typeof input>;

/** Where the weight, leaning as slope and speeding up make it, meets the ground. */
function bearingOf(i: Input) {
  const [along, aside] = [degreesToRadians(i.gradeDeg), degreesToRadians(i.sideSlopeDeg)];
  const square = 1 - Math.sin(along) ** 2 - Math.sin(aside) ** 2;
  if (square <= 0)
    throw new NotPhysical(
      'steeper-than-a-wall',
      'Grade and side slope together are steeper than upright: make one of them less.',
    );
  const weightN = i.massKg * STANDARD_GRAVITY;
  const acrossN = weightN * Math.sqrt(square) + i.hitchVerticalN + i.pushVerticalN;
  const momentAlong =
    weightN * Math.sqrt(square) * i.cgAheadOfRearAxleM -
    (weightN * Math.sin(along) + i.massKg * i.accelerationMps2) * i.cgHeightM -
    i.drawbarN * i.hitchHeightM -
    i.hitchVerticalN * i.hitchBehindRearAxleM -
    i.pushN * i.pushHeightM +
    i.pushVerticalN * i.pushAheadOfRearAxleM;
  const momentAside =
    weightN * Math.sqrt(square) * i.cgLeftM -
    (weightN * Math.sin(aside) + i.massKg * i.cornerMps2) * i.cgHeightM;
  if (acrossN <= 0)
    throw new NotPhysical('hitch-lifts', 'The hitch lifts more than the vehicle weighs: lift it less.');
  const kept = (axis: 'along' | 'across', moment: number, middle: number): number =>
    i.balanced === axis ? middle : moment / acrossN;
  const middle = (of: 'aheadM' | 'leftM'): number =>
    i.contacts.reduce((sum, c) => sum + c[of], 0) / i.contacts.length;
  return {
    forceN: acrossN,
    aheadM: kept('along', momentAlong, middle('aheadM')),
    leftM: kept('across', momentAside, middle('leftM')),
  };
}

export const wheelLoads = defineCalculator({
  name: 'wheel-loads',
  topic: 'ground',
  asks: 'How much weight is on each wheel?',
  title: 'Weight on each wheel',
  purpose:
    'How a vehicle on any number of wheels shares its weight, on a slope, in a turn and with a hitch or a blade.',
  input,
  output,
  formula:
    'N = a + b x + c y on each contact that carries, with Σ N = W,  Σ N x = W xw,  Σ N y = W yw;  W = m g √(1 − sin²θ − sin²φ) + V + B;  xw = (W c − (m g sinθ + m a) h − D hd − V (bh + c) − P hp + B (xb − c))/W;  yw = the same across',
  symbols: {
    given: { m: 'massKg', V: 'hitchVerticalN', P: 'pushN', hp: 'pushHeightM', B: 'pushVerticalN' },
    found: { W: 'acrossN' },
  },
  source: 'statics; equally stiff contacts under a rigid frame, those that would pull let go',
  limits:
    'A rigid frame on firm, even ground with contacts alike; springs, soft tyres and unevenness shift the loads, most with more than three wheels.',
  examples: [
    {
      origin: 'four wheels on the level, the load at a quarter of the wheelbase (the lever law)',
      input: {
        massKg: 100,
        cgAheadOfRearAxleM: 0.25,
        cgHeightM: 0.5,
        contacts: [
          { aheadM: 0, leftM: 0.3 },
          { aheadM: 0, leftM: -0.3 },
          { aheadM: 1, leftM: 0.3 },
          { aheadM: 1, leftM: -0.3 },
        ],
      },
      output: { acrossN: 980.665, stands: true },
    },
    {
      origin: 'three wheels are a lever each way: the single front one carries a quarter (statics)',
      input: {
        massKg: 80,
        cgAheadOfRearAxleM: 0.3,
        cgHeightM: 0,
        contacts: [
          { aheadM: 0, leftM: 0.4 },
          { aheadM: 0, leftM: -0.4 },
          { aheadM: 1.2, leftM: 0 },
        ],
      },
      output: { stands: true },
    },
  ],
  run: (i) => {
    const bearing = bearingOf(i);
    const { loadsN, stands } = supportLoads(i.contacts, bearing);
    return {
      loads: loadsN.map((loadN) => ({ loadN })),
      drivenN: i.contacts.reduce((sum, c, at) => sum + (c.driven ? Math.max(0, loadsN[at] ?? 0) : 0), 0),
      acrossN: bearing.forceN,
      stands,
    };
  },
});

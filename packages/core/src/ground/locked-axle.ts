import { z } from 'zod';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  differential: z
    .enum(['open', 'locked', 'separate'])
    .meta({ description: 'How the two wheels of the driven axle are joined', unit: '' }),
  drivenLoadN: key.nonNegative('Load on the driven axle', 'N'),
  trackM: key.nonNegative('Between its wheels, middle to middle', 'm'),
  friction: key.positive('Friction of its wheels'),
  wheelbaseM: key.positive('Distance between the axles', 'm'),
  steeredLoadN: key.nonNegative('Load on the steered axle', 'N'),
  steeredFriction: key.positive('Friction of the steered wheels, sideways'),
  turnRadiusM: key.positive('Radius of the turn', 'm'),
  speedMps: key.nonNegative('Speed in the turn', 'm/s').default(0),
});

const output = z.strictObject({
  momentNm: key.nonNegative('Moment of the axle that keeps it straight', 'N·m'),
  sideForceN: key.nonNegative('Side force that the steered wheels must give', 'N'),
  gripN: key.nonNegative('Side force that they can give', 'N'),
  pushesOn: z.boolean().meta({ description: 'Whether it pushes straight on', unit: '' }),
});

/** Slip between the wheels of an axle from which on both slide fully (common practice, no source). */
const FULL_SLIP = 0.1;

export const lockedAxle = defineCalculator({
  name: 'locked-axle',
  topic: 'ground',
  asks: 'Does a locked axle push straight on?',
  title: 'Steering against a locked axle',
  purpose:
    'Whether the steered wheels can turn a vehicle whose driven wheels cannot turn at different speeds.',
  input,
  output,
  formula:
    'M = μ N t/2 · min(1, t/(2 R s)), where the axle is locked, else 0, s = 0.1 the slip at which both wheels slide;  S = M/L + Ns v²/(g R);  G = μs Ns',
  symbols: {
    given: {
      μ: 'friction',
      N: 'drivenLoadN',
      t: 'trackM',
      L: 'wheelbaseM',
      Ns: 'steeredLoadN',
      v: 'speedMps',
      R: 'turnRadiusM',
      μs: 'steeredFriction',
    },
    found: { M: 'momentNm', S: 'sideForceN', G: 'gripN' },
  },
  source:
    'statics; both wheels of a locked axle go the same way while the turn asks one further than the other',
  limits:
    'A slow turn, an upper bound: an inner wheel that lifts off frees a locked axle, as racing karts are built to do.',
  examples: [
    {
      origin: 'a locked axle of 600 N, a metre wide, at friction 0.8: 240 N·m, 200 N at 1.2 m (exact)',
      input: {
        differential: 'locked',
        drivenLoadN: 600,
        trackM: 1,
        friction: 0.8,
        wheelbaseM: 1.2,
        steeredLoadN: 200,
        steeredFriction: 0.8,
        turnRadiusM: 3,
      },
      output: { momentNm: 240, sideForceN: 200, gripN: 160, pushesOn: true },
    },
  ],
  run: (i) => {
    const sliding = Math.min(1, i.trackM / (2 * i.turnRadiusM * FULL_SLIP));
    const momentNm =
      i.differential === 'locked' ? ((i.friction * i.drivenLoadN * i.trackM) / 2) * sliding : 0;
    const sideForceN =
      momentNm / i.wheelbaseM + (i.steeredLoadN * i.speedMps ** 2) / (STANDARD_GRAVITY * i.turnRadiusM);
    const gripN = i.steeredFriction * i.steeredLoadN;
    return { momentNm, sideForceN, gripN, pushesOn: sideForceN > gripN };
  },
});

import { z } from 'zod';
import { STANDARD_GRAVITY, radiansToDegrees } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  innerKg: key.positive('Mass that climbs inside', 'kg'),
  offsetM: key.positive('Its middle from the middle of the sphere', 'm'),
  shellKg: key.nonNegative('Mass of the shell', 'kg'),
  diameterM: key.positive('Diameter of the sphere', 'm'),
});

const output = z.strictObject({
  mostTorqueNm: key.positive('Most torque before the inner mass goes over', 'N·m'),
  mostForceN: key.positive('Most force along the ground', 'N'),
  steepestDeg: key.nonNegative('Steepest grade that it stands on, rolling left out', 'deg'),
  rotatingMassFactor: key.positive('Mass that must be sped up over the total mass'),
});

export const innerDrive = defineCalculator({
  name: 'inner-drive',
  topic: 'ground',
  asks: 'How hard can a sphere push from inside?',
  title: 'A sphere driven from inside',
  purpose: 'What a mass that climbs inside a sphere can push with, and how the turning shell counts.',
  input,
  output,
  formula:
    'T = mi g e;  F = 2 T/d;  steepest = asin(mi e/((mi + ms) d/2));  k = 1 + 2 ms/(3 (mi + ms)), a thin shell',
  symbols: {
    given: { mi: 'innerKg', e: 'offsetM', ms: 'shellKg', d: 'diameterM' },
    found: { T: 'mostTorqueNm', F: 'mostForceN', steepest: 'steepestDeg', k: 'rotatingMassFactor' },
  },
  source: 'statics; moment of inertia of a thin spherical shell, 2/3 m r²',
  limits: 'The inner mass at the height of the wheel line, at most: beyond it, it goes over and over inside.',
  examples: [
    {
      origin: '2 kg, 0.1 m off the middle, in a shell of 1 kg and 0.4 m across (exact)',
      input: { innerKg: 2, offsetM: 0.1, shellKg: 1, diameterM: 0.4 },
      output: { mostTorqueNm: 1.96133, mostForceN: 9.80665, rotatingMassFactor: 11 / 9 },
    },
  ],
  run: ({ innerKg, offsetM, shellKg, diameterM }) => {
    if (offsetM >= diameterM / 2)
      throw new NotPhysical(
        'outside-the-shell',
        'The inner mass would lie outside the sphere: its middle must be nearer than the radius.',
      );
    const mostTorqueNm = innerKg * STANDARD_GRAVITY * offsetM;
    const massKg = innerKg + shellKg;
    return {
      mostTorqueNm,
      mostForceN: (2 * mostTorqueNm) / diameterM,
      steepestDeg: radiansToDegrees(Math.asin((innerKg * offsetM) / ((massKg * diameterM) / 2))),
      rotatingMassFactor: 1 + (2 * shellKg) / (3 * massKg),
    };
  },
});

import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  speedMps: key.nonNegative('Speed when the brake is called for', 'm/s'),
  reactionS: key.nonNegative('Time before the brake bites', 's'),
  gradeDeg: key.grade('Grade, downhill negative').default(0),
  rollingCoefficient: key.nonNegative('Rolling resistance over weight').default(0),
  rotatingMassFactor: key.positive('Mass that must be sped up, rotors counted, over the mass').default(1),
  held: z
    .boolean()
    .default(false)
    .meta({ description: 'Whether the drive holds the speed meanwhile', unit: '' }),
});

const output = z.strictObject({
  gatheringMps2: key.nonNegative('How hard it gathers speed meanwhile', 'm/s²'),
  distanceM: key.nonNegative('Distance before the brake bites', 'm'),
  speedMps: key.nonNegative('Speed when it bites', 'm/s'),
});

export const reactionRun = defineCalculator({
  name: 'reaction-run',
  topic: 'ground',
  asks: 'How far does it run before the brake bites?',
  title: 'Before the brake bites',
  purpose: 'How far a vehicle runs while its brake is called for, and how fast it is by then downhill.',
  input,
  output,
  formula: 'a = max(0, −g (sinθ + f cosθ)/k), 0 where the drive holds it;  d = v t + a t²/2;  v1 = v + a t',
  symbols: {
    given: {
      v: 'speedMps',
      t: 'reactionS',
      θ: 'gradeDeg',
      f: 'rollingCoefficient',
      k: 'rotatingMassFactor',
    },
    found: { a: 'gatheringMps2', d: 'distanceM', v1: 'speedMps' },
  },
  source: 'kinematics; statics on a slope',
  limits: 'Rolling freely; on the level and uphill the speed is taken as held, on the safe side.',
  examples: [
    {
      origin: 'a 3-4-5 slope down without drag: 0.6 g for a second from rest (exact)',
      input: { speedMps: 0, reactionS: 1, gradeDeg: -36.86989764584402 },
      output: { gatheringMps2: 5.88399, distanceM: 2.941995, speedMps: 5.88399 },
      tolerance: 1e-9,
    },
  ],
  run: ({ speedMps, reactionS, gradeDeg, rollingCoefficient, rotatingMassFactor, held }) => {
    const slopeRad = degreesToRadians(gradeDeg);
    const pulledMps2 = -STANDARD_GRAVITY * (Math.sin(slopeRad) + rollingCoefficient * Math.cos(slopeRad));
    const gatheringMps2 = held ? 0 : Math.max(0, pulledMps2 / rotatingMassFactor);
    return {
      gatheringMps2,
      distanceM: speedMps * reactionS + (gatheringMps2 * reactionS ** 2) / 2,
      speedMps: speedMps + gatheringMps2 * reactionS,
    };
  },
});

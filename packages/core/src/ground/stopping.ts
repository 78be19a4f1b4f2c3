import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z
  .strictObject({
    speedMps: key.nonNegative('Speed at which the brake is called for', 'm/s'),
    friction: key.positive('Friction of the braked wheels'),
    brakedShare: key.share('Share of the weight on the braked wheels while braking'),
    gradeDeg: key.grade('Grade, downhill negative').default(0),
    reactionS: key.nonNegative('Time before the brake bites', 's').default(0),
    gatheringMps2: key.nonNegative('How hard it gathers speed until then', 'm/s²').default(0),
    massKg: key.positive('Mass of the vehicle with its load', 'kg').optional(),
    brakeForceN: key.nonNegative('Greatest force of the brake at the ground', 'N').optional(),
    rollingCoefficient: key.nonNegative('Rolling resistance over weight').default(0),
    unbrakedRollingCoefficient: key
      .nonNegative(
        'Rolling resistance of the wheels that are not braked; as that of the braked where left away',
      )
      .optional(),
    rotatingMassFactor: key.positive('Mass that must be slowed, rotors counted, over the mass').default(1),
  })
  .refine((i) => i.brakeForceN === undefined || i.massKg !== undefined, {
    message: 'brakeForceN needs massKg beside it',
    path: ['massKg'],
  });

const output = z.strictObject({
  decelerationMps2: key.positive('How fast it slows', 'm/s²'),
  distanceM: key.nonNegative('Distance to a stand', 'm'),
  timeS: key.nonNegative('Time to a stand', 's'),
  holdsStandingStill: z
    .boolean()
    .meta({ description: 'Whether grip and brake hold it at rest on the grade', unit: '' }),
});

type Input = z.output<typeof input>;

/** What slows it on the grade, m/s²; 0 or less where it does not stop. */
function forces(i: Input) {
  const slopeRad = degreesToRadians(i.gradeDeg);
  const across = STANDARD_GRAVITY * Math.cos(slopeRad);
  const along = STANDARD_GRAVITY * Math.sin(slopeRad);
  const grip = i.friction * i.brakedShare * across;
  const brake = i.brakeForceN === undefined || i.massKg === undefined ? Infinity : i.brakeForceN / i.massKg;
  const rolling = i.rollingCoefficient * across;
  const unbraked = (i.unbrakedRollingCoefficient ?? i.rollingCoefficient) * across * (1 - i.brakedShare);
  const decelerationMps2 =
    (Math.min(grip, brake + rolling * i.brakedShare) + unbraked + along) / i.rotatingMassFactor;
  return { grip, brake, along, decelerationMps2 };
}

/**
 * How hard it slows down, m/s²; 0 where brake and grip do not stop it.
 *
 * @example slowingBy({ friction: 0.8, brakedShare: 1, gradeDeg: 0, massKg: 100, brakeForceN: 200, rollingCoefficient: 0, rotatingMassFactor: 1 })
 *   // 2 m/s²
 */
export const slowingBy = (i: Input): number => Math.max(0, forces(i).decelerationMps2);

export const stopping = defineCalculator({
  name: 'stopping',
  topic: 'ground',
  asks: 'How far does it take to stop, and does it hold?',
  title: 'Stopping and holding',
  purpose: 'Distance and time to a stand on a grade, and whether the brake holds it there.',
  input,
  output,
  formula:
    'a = (min(μ s g cosθ, F/m + f s g cosθ) + fu (1 − s) g cosθ + g sinθ)/k;  v1 = v + ag tr;  d = v tr + ag tr²/2 + v1²/(2 a);  t = tr + v1/a',
  symbols: {
    given: {
      v: 'speedMps',
      μ: 'friction',
      s: 'brakedShare',
      θ: 'gradeDeg',
      tr: 'reactionS',
      ag: 'gatheringMps2',
      m: 'massKg',
      F: 'brakeForceN',
      f: 'rollingCoefficient',
      fu: 'unbrakedRollingCoefficient',
      k: 'rotatingMassFactor',
    },
    found: { a: 'decelerationMps2', d: 'distanceM', t: 'timeS' },
  },
  source: 'statics and kinematics',
  limits:
    'One friction throughout, brakes at once full, wheels not locked into sliding worse. A wet or loose surface needs its own friction.',
  examples: [
    {
      origin: 'v = g makes v²/2a = g (exact)',
      input: { speedMps: 9.80665, friction: 0.5, brakedShare: 1, reactionS: 1 },
      output: { decelerationMps2: 4.903325, distanceM: 19.6133, timeS: 3, holdsStandingStill: true },
    },
  ],
  run: (i) => {
    const { grip, brake, along, decelerationMps2 } = forces(i);
    if (decelerationMps2 <= 0)
      throw new NotPhysical(
        'cannot-stop',
        'Brake and grip do not stop it on this grade: brake more of the weight, grip better, or keep off the grade.',
      );
    const bitesMps = i.speedMps + i.gatheringMps2 * i.reactionS;
    return {
      decelerationMps2,
      distanceM:
        i.speedMps * i.reactionS +
        (i.gatheringMps2 * i.reactionS ** 2) / 2 +
        bitesMps ** 2 / (2 * decelerationMps2),
      timeS: i.reactionS + bitesMps / decelerationMps2,
      holdsStandingStill: Math.min(grip, brake) > Math.abs(along),
    };
  },
});

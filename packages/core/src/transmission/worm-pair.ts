import { z } from 'zod';
import { degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const angle = (description: string) => z.number().positive().lt(90).meta({ description, unit: 'deg' });

const input = z
  .strictObject({
    starts: key.count('Starts of the worm'),
    wheelTeeth: key.count('Teeth of the wheel'),
    leadAngleDeg: angle('Lead angle of the worm').optional(),
    axialModuleMm: key.positive('Axial module', 'mm').optional(),
    wormPitchDiameterMm: key.positive('Pitch diameter of the worm', 'mm').optional(),
    friction: key.positive('Friction between worm and wheel'),
    normalPressureAngleDeg: angle('Normal pressure angle').default(20),
  })
  .refine(
    (i) =>
      i.leadAngleDeg === undefined
        ? i.axialModuleMm !== undefined && i.wormPitchDiameterMm !== undefined
        : i.axialModuleMm === undefined && i.wormPitchDiameterMm === undefined,
    {
      message: 'give either leadAngleDeg, or axialModuleMm with wormPitchDiameterMm',
      path: ['leadAngleDeg'],
    },
  );

const output = z.strictObject({
  ratio: key.positive('Turns of the worm for one of the wheel'),
  leadAngleDeg: key.positive('Lead angle', 'deg'),
  efficiency: key.share('Share of the power that comes through, worm driving'),
  backEfficiency: key.nonNegative('Share that comes through, wheel driving; 0 where it locks'),
  selfLocking: z
    .boolean()
    .meta({ description: 'Whether the wheel cannot turn the worm; never a brake', unit: '' }),
});

type Input = z.output<typeof input>;

const tanLead = (i: Input): number =>
  i.leadAngleDeg === undefined
    ? (i.starts * (i.axialModuleMm ?? 0)) / (i.wormPitchDiameterMm ?? 1)
    : Math.tan(degreesToRadians(i.leadAngleDeg));

export const wormPair = defineCalculator({
  name: 'worm-pair',
  topic: 'ratio',
  asks: 'What does a worm make, and does it lock?',
  title: 'Worm and wheel',
  purpose: 'Ratio, efficiency both ways and self-locking of a worm pair.',
  input,
  output,
  formula:
    'i = z2/starts;  λ = atan(starts m/d1);  η = (cosφ − f tanλ)/(cosφ + f/tanλ);  ηb = max(0, (cosφ − f/tanλ)/(cosφ + f tanλ));  locks: f ≥ cosφ tanλ',
  symbols: {
    given: {
      starts: 'starts',
      z2: 'wheelTeeth',
      m: 'axialModuleMm',
      d1: 'wormPitchDiameterMm',
      f: 'friction',
      φ: 'normalPressureAngleDeg',
    },
    found: { i: 'ratio', λ: 'leadAngleDeg', η: 'efficiency', ηb: 'backEfficiency' },
  },
  source:
    "Shigley's Mechanical Engineering Design, ch. 13, worm gearing. Self-locking is never a brake: shock and wear release it",
  limits:
    'A well-lubricated pair with known friction: friction falls with speed and rises as oil is lost. Self-locking is never a brake.',
  examples: [
    {
      origin: 'Shigley, table 13-6: 25.2 % at 1° (from memory)',
      input: { starts: 1, wheelTeeth: 30, leadAngleDeg: 1, friction: 0.05, normalPressureAngleDeg: 14.5 },
      output: { efficiency: 0.2524, selfLocking: true, backEfficiency: 0 },
      tolerance: 3e-4,
    },
  ],
  run: (i) => {
    const tan = tanLead(i);
    const cos = Math.cos(degreesToRadians(i.normalPressureAngleDeg));
    if (cos <= i.friction * tan)
      throw new NotPhysical(
        'cannot-drive',
        'So steep a worm with so much friction cannot drive the wheel: lessen the lead angle or the friction.',
      );
    const selfLocking = i.friction >= cos * tan;
    return {
      ratio: i.wheelTeeth / i.starts,
      leadAngleDeg: i.leadAngleDeg ?? radiansToDegrees(Math.atan(tan)),
      efficiency: (cos - i.friction * tan) / (cos + i.friction / tan),
      backEfficiency: selfLocking ? 0 : Math.max(0, (cos - i.friction / tan) / (cos + i.friction * tan)),
      selfLocking,
    };
  },
});

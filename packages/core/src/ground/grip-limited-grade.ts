import { z } from 'zod';
import { radiansToDegrees } from '../quantity/index.ts';
import { defineCalculator, key, assertNever } from '../contract/index.ts';

const input = z.strictObject({
  driven: z.enum(['rear', 'front', 'all']).meta({ description: 'The driven axle', unit: '' }),
  friction: key.positive('Coefficient of friction between wheel and ground'),
  rollingCoefficient: key.nonNegative('Rolling resistance over weight').default(0),
  wheelbaseM: key.positive('Distance between the axles', 'm'),
  cgAheadOfRearAxleM: key.nonNegative('Centre of gravity ahead of the rear axle', 'm'),
  cgHeightM: key.nonNegative('Height of the centre of gravity', 'm'),
});

const output = z.strictObject({
  gripDeg: key.real('Steepest grade before the driven wheels slip', 'deg'),
  tipBackDeg: key.real('Grade at which it tips over backwards', 'deg'),
  limitDeg: key.real('The lesser of the two', 'deg'),
  limitedBy: z.enum(['grip', 'tipping']).meta({ description: 'What gives out first', unit: '' }),
});

/** Tangent of the steepest grade as a fraction: numerator (what grip leaves) over denominator (weight transfer). */
function gripFraction(i: z.output<typeof input>): readonly [number, number] {
  const transfer = (i.friction * i.cgHeightM) / i.wheelbaseM;
  const ahead = i.cgAheadOfRearAxleM / i.wheelbaseM;
  switch (i.driven) {
    case 'rear':
      return [i.friction * (1 - ahead) - i.rollingCoefficient, 1 - transfer];
    case 'front':
      return [i.friction * ahead - i.rollingCoefficient, 1 + transfer];
    case 'all':
      return [i.friction - i.rollingCoefficient, 1];
    default:
      return assertNever(i.driven);
  }
}

export const gripLimitedGrade = defineCalculator({
  name: 'grip-limited-grade',
  topic: 'ground',
  asks: 'How steep before a wheel slips or it rears?',
  title: 'Steepest grade that grip allows',
  purpose: 'Whether a vehicle slips or tips first on a steady climb, by which axle is driven.',
  input,
  output,
  formula:
    'rear: tanθ = (μ (L − c)/L − f)/(1 − μ h/L);  front: tanθ = (μ c/L − f)/(1 + μ h/L);  all: tanθ = μ − f;  tipping: tanθ = c/h',
  symbols: {
    given: {
      μ: 'friction',
      f: 'rollingCoefficient',
      L: 'wheelbaseM',
      c: 'cgAheadOfRearAxleM',
      h: 'cgHeightM',
    },
    found: {},
  },
  source: 'J. Y. Wong, Theory of Ground Vehicles, ch. 3 (maximum tractive effort)',
  limits:
    'Steady climb straight up, firm ground, both wheels of an axle alike. A start, a bump or a shifting load takes some of it.',
  examples: [
    {
      origin: 'all wheels driven, no rolling drag: tanθ = μ = 1 is 45° (statics)',
      input: { driven: 'all', friction: 1, wheelbaseM: 1, cgAheadOfRearAxleM: 0.5, cgHeightM: 0.2 },
      output: { gripDeg: 45, limitedBy: 'grip' },
    },
  ],
  run: (i) => {
    const [numerator, denominator] = gripFraction(i);
    const gripDeg =
      numerator <= 0 ? 0 : denominator <= 0 ? 90 : radiansToDegrees(Math.atan(numerator / denominator));
    const tipBackDeg =
      i.cgHeightM === 0 ? 90 : radiansToDegrees(Math.atan(i.cgAheadOfRearAxleM / i.cgHeightM));
    const slipsFirst = gripDeg <= tipBackDeg;
    return {
      gripDeg,
      tipBackDeg,
      limitDeg: slipsFirst ? gripDeg : tipBackDeg,
      limitedBy: slipsFirst ? ('grip' as const) : ('tipping' as const),
    };
  },
});

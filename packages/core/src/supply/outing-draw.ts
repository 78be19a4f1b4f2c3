import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

/** A motor without known thermal nodes is judged over its worst stretch of ten minutes (common practice, no source): s. */
export const STRETCH_S = 600;

const input = z.strictObject({
  legs: z
    .array(
      z.strictObject({
        durationS: key.nonNegative('How long', 's'),
        currentA: key.nonNegative('Current', 'A'),
      }),
    )
    .min(1)
    .max(200)
    .meta({ description: 'The legs of an outing', unit: '' }),
  exponent: key.positive('Peukert exponent of the battery').default(1),
  stretchS: key.positive('Stretch over which heat is judged', 's').default(STRETCH_S),
});

const output = z.strictObject({
  durationS: key.positive('How long the outing takes', 's'),
  meanA: key.nonNegative('Mean current: the charge that is drawn over time', 'A'),
  equivalentA: key.nonNegative('Steady current that empties a battery as fast', 'A'),
  rmsA: key.nonNegative('Root-mean-square current over the whole outing', 'A'),
  worstRmsA: key.nonNegative('The same over the worst stretch: what heats a motor', 'A'),
  chargeAh: key.nonNegative('Charge drawn', 'Ah'),
});

type Leg = z.output<typeof input>['legs'][number];

/** Mean over time of a function of the current. */
function meanOf(legs: readonly Leg[], of: (currentA: number) => number): number {
  const durationS = legs.reduce((sum, leg) => sum + leg.durationS, 0);
  if (durationS === 0) return 0;
  return legs.reduce((sum, leg) => sum + of(leg.currentA) * (leg.durationS / durationS), 0);
}

/** The hardest legs that together take no longer than the stretch, in whatever order they are driven. */
function worstStretch(legs: readonly Leg[], stretchS: number): Leg[] {
  let left = stretchS;
  return [...legs]
    .sort((a, b) => b.currentA - a.currentA)
    .map((leg) => {
      const durationS = Math.min(leg.durationS, left);
      left -= durationS;
      return { ...leg, durationS };
    });
}

/**
 * Means over time of the legs of an outing. All 0 where they take no time.
 *
 * @example meanDraw([{ durationS: 60, currentA: 10 }, { durationS: 60, currentA: 20 }])
 *   // { durationS: 120, meanA: 15, equivalentA: 15, rmsA: 15.81, … }
 */
export function meanDraw(legs: readonly Leg[], { exponent = 1, stretchS = STRETCH_S } = {}) {
  const durationS = legs.reduce((sum, leg) => sum + leg.durationS, 0);
  const meanA = meanOf(legs, (a) => a);
  const square = (a: number): number => a * a;
  // By the greatest, so that no power of it overflows.
  const most = Math.max(0, ...legs.map(({ currentA }) => currentA)) || 1;
  return {
    durationS,
    meanA,
    equivalentA: most * meanOf(legs, (a) => (a / most) ** exponent) ** (1 / exponent),
    rmsA: Math.sqrt(meanOf(legs, square)),
    worstRmsA: Math.sqrt(meanOf(worstStretch(legs, stretchS), square)),
    chargeAh: (meanA * durationS) / 3600,
  };
}

export const outingDraw = defineCalculator({
  name: 'outing-draw',
  topic: 'supply',
  asks: 'What does an outing draw?',
  title: 'Current over an outing',
  purpose: 'Mean and root-mean-square current of legs that follow one another.',
  input,
  output,
  formula:
    't = Σ t;  Im = (Σ I t)/t;  Ieq = ((Σ I^k t)/t)^(1/k);  Irms = √((Σ I² t)/t), worst over the hardest legs within the stretch;  Q = Im t',
  symbols: { given: {}, found: {} },
  source: 'definition of the means; W. Peukert, 1897; the stretch: common practice',
  limits: 'Each leg at one current; starts and stops between legs are legs of their own.',
  examples: [
    {
      origin:
        '10 A for half an hour, none for the other half: 5 A mean, 10/√2 A over all, 10 A over ten minutes (exact)',
      input: {
        legs: [
          { durationS: 1800, currentA: 10 },
          { durationS: 1800, currentA: 0 },
        ],
      },
      output: {
        durationS: 3600,
        meanA: 5,
        rmsA: 10 / Math.SQRT2,
        worstRmsA: 10,
        equivalentA: 5,
        chargeAh: 5,
      },
    },
  ],
  run: ({ legs, exponent, stretchS }) => {
    const draw = meanDraw(legs, { exponent, stretchS });
    if (draw.durationS === 0)
      throw new NotPhysical(
        'no-time',
        'The legs take no time together: give at least one of them a duration.',
      );
    return draw;
  },
});

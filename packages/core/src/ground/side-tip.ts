import { z } from 'zod';
import { STANDARD_GRAVITY, radiansToDegrees } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  layout: z
    .enum(['four', 'single-front', 'single-rear'])
    .meta({ description: 'How the wheels stand', unit: '' }),
  trackM: key.positive('Between the wheels of the wide axle', 'm'),
  cgHeightM: key.positive('Height of the centre of gravity', 'm'),
  wheelbaseM: key.positive('Distance between the axles', 'm'),
  cgAheadOfRearAxleM: key.nonNegative('Centre of gravity ahead of the rear axle', 'm'),
  cgOffsetM: key.real('Centre of gravity off the middle, towards the tipping side', 'm').default(0),
  friction: key.positive('Friction sideways').optional(),
  turnRadiusM: key.positive('Radius of a turn on the level', 'm').optional(),
});

const output = z.strictObject({
  halfTrackM: key.positive('From the centre of gravity sideways to the tipping line', 'm'),
  tipLineM: key.positive('From the centre of gravity square to the tipping line', 'm'),
  tipDeg: key.positive('Side slope at which it tips, driving level', 'deg'),
  worstTipDeg: key.positive('Slope at which it tips at the worst heading over this edge', 'deg'),
  slideDeg: key.positive('Side slope at which it slides', 'deg').optional(),
  firstSideways: z.enum(['tips', 'slides']).optional().meta({ description: 'What happens first', unit: '' }),
  cornerMps: key.positive('Fastest in the turn', 'm/s').optional(),
});

type Input = z.output<typeof input>;

/** How wide it stands at the centre of gravity: three wheels narrow towards the single one. */
function halfTrack(i: Input): number {
  const along = i.cgAheadOfRearAxleM / i.wheelbaseM;
  const share = { four: 1, 'single-front': 1 - along, 'single-rear': along }[i.layout];
  return (i.trackM / 2) * share - i.cgOffsetM;
}

export const sideTip = defineCalculator({
  name: 'side-tip',
  topic: 'ground',
  asks: 'When does it tip sideways?',
  title: 'Tipping sideways',
  purpose: 'Side slope and cornering speed at which a vehicle tips or slides, on three wheels or four.',
  input,
  output,
  formula:
    'tip = atan(e/h);  worst = atan(e cosφ/h), φ = atan(t/(2 L)) for three wheels;  slide = atan(μ);  v = √(R g min(e/h, μ))',
  symbols: {
    given: { t: 'trackM', h: 'cgHeightM', L: 'wheelbaseM', μ: 'friction', R: 'turnRadiusM' },
    found: { e: 'halfTrackM', tip: 'tipDeg', worst: 'worstTipDeg', slide: 'slideDeg', v: 'cornerMps' },
  },
  source: 'statics',
  limits:
    'A rigid vehicle on firm ground. Soft tyres, a swinging load, a ditch or a kerb tip it sooner: keep well below.',
  examples: [
    {
      origin: 'three wheels on the 3-4-5 triangle (statics)',
      input: {
        layout: 'single-front',
        trackM: 1.5,
        cgHeightM: 0.4,
        wheelbaseM: 1,
        cgAheadOfRearAxleM: 0.5,
        friction: 1,
        turnRadiusM: 2,
      },
      output: {
        halfTrackM: 0.375,
        tipLineM: 0.3,
        worstTipDeg: 36.86989764584402,
        slideDeg: 45,
        firstSideways: 'tips',
      },
    },
  ],
  run: (i) => {
    const halfTrackM = halfTrack(i);
    if (halfTrackM <= 0)
      throw new NotPhysical(
        'falls-over',
        'The centre of gravity lies outside the wheels: widen the track or move the load towards the middle.',
      );
    const tipLineM =
      i.layout === 'four' ? halfTrackM : halfTrackM * Math.cos(Math.atan(i.trackM / (2 * i.wheelbaseM)));
    const tipDeg = radiansToDegrees(Math.atan(halfTrackM / i.cgHeightM));
    const slideDeg = i.friction === undefined ? undefined : radiansToDegrees(Math.atan(i.friction));
    const sideways = Math.min(halfTrackM / i.cgHeightM, i.friction ?? Infinity);
    return {
      halfTrackM,
      tipLineM,
      tipDeg,
      worstTipDeg: radiansToDegrees(Math.atan(tipLineM / i.cgHeightM)),
      ...(slideDeg === undefined
        ? {}
        : { slideDeg, firstSideways: tipDeg < slideDeg ? ('tips' as const) : ('slides' as const) }),
      ...(i.turnRadiusM === undefined
        ? {}
        : { cornerMps: Math.sqrt(i.turnRadiusM * STANDARD_GRAVITY * sideways) }),
    };
  },
});

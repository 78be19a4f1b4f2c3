import { z } from 'zod';
import { radiansToDegrees, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  wheelbaseM: key.positive('Distance between the axles', 'm'),
  trackM: key.positive('Between the front wheels’ kingpins', 'm'),
  turnRadiusM: key.positive('Radius to the middle of the rear axle', 'm'),
});

const output = z.strictObject({
  innerDeg: key.positive('Turn of the inner wheel', 'deg'),
  outerDeg: key.positive('Turn of the outer wheel', 'deg'),
  kerbRadiusM: key.positive('Radius of the outer front wheel', 'm'),
});

export const ackermann = defineCalculator({
  name: 'ackermann',
  topic: 'ground',
  asks: 'How far does each front wheel turn?',
  title: 'Steering angles',
  purpose: 'How far each front wheel turns so that none scrubs.',
  input,
  output,
  formula: 'inner = atan(L/(R − t/2));  outer = atan(L/(R + t/2));  kerb = √((R + t/2)² + L²)',
  symbols: {
    given: { L: 'wheelbaseM', t: 'trackM', R: 'turnRadiusM' },
    found: { inner: 'innerDeg', outer: 'outerDeg', kerb: 'kerbRadiusM' },
  },
  source: 'geometry',
  limits: 'Geometry at walking pace: tyres that creep sideways at speed turn wider.',
  examples: [
    {
      origin: 'the 3-4-5 triangle (exact)',
      input: { wheelbaseM: 3, trackM: 1.2, turnRadiusM: 3.4 },
      output: { outerDeg: 36.86989764584402, kerbRadiusM: 5 },
    },
  ],
  run: ({ wheelbaseM, trackM, turnRadiusM }) => {
    const inside = turnRadiusM - trackM / 2;
    const outside = turnRadiusM + trackM / 2;
    if (inside <= 0)
      throw new NotPhysical(
        'turn-too-tight',
        sentence`A radius of ${figure(turnRadiusM, 'length')} lies within the track: it must be more than ${figure(trackM / 2, 'length')}.`,
      );
    return {
      innerDeg: radiansToDegrees(Math.atan(wheelbaseM / inside)),
      outerDeg: radiansToDegrees(Math.atan(wheelbaseM / outside)),
      kerbRadiusM: Math.hypot(outside, wheelbaseM),
    };
  },
});

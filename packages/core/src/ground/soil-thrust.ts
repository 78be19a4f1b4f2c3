import { z } from 'zod';
import { degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  loadN: key.nonNegative('Load on the driven contacts', 'N'),
  areaM2: key.nonNegative('Area of them on the ground', 'm²'),
  cohesionKPa: key.nonNegative('Cohesion of the soil', 'kPa'),
  shearAngleDeg: z.number().min(0).lt(90).meta({ description: 'Angle of shearing resistance', unit: 'deg' }),
});

export const soilThrust = defineCalculator({
  name: 'soil-thrust',
  topic: 'ground',
  asks: 'How hard can soft ground be pushed?',
  title: 'What soft ground can be pushed with',
  purpose: 'The most force that the ground under wheels or tracks takes before it shears.',
  input,
  output: z.strictObject({ thrustN: key.nonNegative('Most force along the ground, at full slip', 'N') }),
  formula: 'T = A c + W tanφ',
  symbols: {
    given: { A: 'areaM2', c: 'cohesionKPa', W: 'loadN', φ: 'shearAngleDeg' },
    found: { T: 'thrustN' },
  },
  source: 'Mohr–Coulomb; J. Y. Wong, Theory of Ground Vehicles, ch. 2',
  limits: 'At full slip: with less slip it is less, and a spinning wheel digs itself in first.',
  examples: [
    {
      origin: 'cohesion alone: 0.05 m² at 2 kPa holds 100 N, and 45° adds the load itself (exact)',
      input: { loadN: 300, areaM2: 0.05, cohesionKPa: 2, shearAngleDeg: 45 },
      output: { thrustN: 400 },
    },
  ],
  run: ({ loadN, areaM2, cohesionKPa, shearAngleDeg }) => ({
    thrustN: areaM2 * cohesionKPa * 1000 + loadN * Math.tan(degreesToRadians(shearAngleDeg)),
  }),
});

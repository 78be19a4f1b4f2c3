import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  driverDiameterMm: key.positive('Diameter of the driver', 'mm'),
  torqueNm: key.positive('Torque on the driver', 'N·m'),
  pressN: key.positive('Force that presses it on', 'N'),
  friction: key.positive('Friction between the two'),
});

const output = z.strictObject({
  pullN: key.positive('Force that the torque asks', 'N'),
  transmissiblePullN: key.positive('Force before it slips', 'N'),
  slipMargin: key.positive('Transmissible over asked'),
  pressNeededN: key.positive('Press that would just do', 'N'),
  slips: z.boolean().meta({ description: 'Whether it slips', unit: '' }),
});

export const frictionWheel = defineCalculator({
  name: 'friction-wheel',
  topic: 'lengths',
  asks: 'Does a roller on the tyre slip?',
  title: 'A wheel driven by a roller',
  purpose: 'Whether a roller pressed on a wheel or tyre slips, and the press that it needs.',
  input,
  output,
  formula: 'pull = 2 T/d;  F = μ N;  Nn = 2 T/(d μ)',
  symbols: {
    given: { T: 'torqueNm', d: 'driverDiameterMm', μ: 'friction', N: 'pressN' },
    found: { pull: 'pullN', F: 'transmissiblePullN', Nn: 'pressNeededN' },
  },
  source: 'Coulomb friction',
  limits: 'Dry and clean: a wet tyre holds half and less, and a roller wears where it slips once.',
  examples: [
    {
      origin: '1 N·m at a roller of 40 mm is 50 N; 100 N at friction 0.6 hold 60 N (exact)',
      input: { driverDiameterMm: 40, torqueNm: 1, pressN: 100, friction: 0.6 },
      output: { pullN: 50, transmissiblePullN: 60, slipMargin: 1.2, slips: false },
    },
  ],
  run: ({ driverDiameterMm, torqueNm, pressN, friction }) => {
    const pullN = (2000 * torqueNm) / driverDiameterMm;
    const transmissiblePullN = friction * pressN;
    return {
      pullN,
      transmissiblePullN,
      slipMargin: transmissiblePullN / pullN,
      pressNeededN: pullN / friction,
      slips: pullN > transmissiblePullN,
    };
  },
});

import { figure, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { defineCalculator, key, notice } from '../contract/index.ts';
import { MUST_RESIST, resists, soilKeys } from './soil-keys.ts';

const input = z
  .strictObject({
    wheelLoadN: key.positive('Load on the wheel', 'N'),
    wheelDiameterM: key.positive('Diameter of the wheel', 'm'),
    wheelWidthM: key.positive('Width of the wheel', 'm'),
    ...soilKeys,
  })
  .refine((i) => resists(i, i.wheelWidthM), MUST_RESIST);

const output = z.strictObject({
  sinkageM: key.nonNegative('How deep it sinks', 'm'),
  compactionN: key.nonNegative('Drag of pressing the soil down', 'N'),
  warnings: key.warnings,
});

/** Below this diameter, and past these depths and exponents, Bekker's wheel is out of its range (Wong, ch. 2). */
const LEAST_DIAMETER_M = 0.5;
const GREATEST_SINKAGE_SHARE = 1 / 6;
const GREATEST_EXPONENT = 1.3;

export const wheelSinkage = defineCalculator({
  name: 'wheel-sinkage',
  topic: 'ground',
  asks: 'How deep does a wheel sink?',
  title: 'A wheel in soft ground',
  purpose: 'How deep a rigid wheel sinks, and the drag of it.',
  input,
  output,
  formula:
    'z = [3 W/((3 − n) (kc + b kφ) √(D))]^(2/(2 n + 1));  Rc = (3 W/√(D))^((2 n + 2)/(2 n + 1))/[(3 − n)^((2 n + 2)/(2 n + 1)) (n + 1) (kc + b kφ)^(1/(2 n + 1))]',
  symbols: {
    given: {
      W: 'wheelLoadN',
      D: 'wheelDiameterM',
      b: 'wheelWidthM',
      kc: 'kcKnPerM',
      kφ: 'kphiKnPerM',
      n: 'exponent',
    },
    found: { z: 'sinkageM', Rc: 'compactionN' },
  },
  source: 'M. G. Bekker; J. Y. Wong, Theory of Ground Vehicles, ch. 2',
  limits:
    'Rigid wheels of half a metre and more that sink less than a sixth of their diameter; small light wheels lie outside, and it says so.',
  examples: [
    {
      origin: 'exact at n = 1',
      input: {
        wheelLoadN: 1800,
        wheelDiameterM: 1,
        wheelWidthM: 0.5,
        kcKnPerM: 5,
        kphiKnPerM: 190,
        exponent: 1,
      },
      output: { sinkageM: 0.09, compactionN: 405, warnings: [] },
    },
  ],
  run: ({ wheelLoadN, wheelDiameterM: d, wheelWidthM, kcKnPerM, kphiKnPerM, exponent: n }) => {
    const stiffness = 1000 * (kcKnPerM + wheelWidthM * kphiKnPerM);
    const load = (3 * wheelLoadN) / ((3 - n) * Math.sqrt(d));
    const sinkageM = (load / stiffness) ** (2 / (2 * n + 1));
    const compactionN = load ** ((2 * n + 2) / (2 * n + 1)) / ((n + 1) * stiffness ** (1 / (2 * n + 1)));
    const warnings = [
      ...(d < LEAST_DIAMETER_M
        ? [
            notice(
              'small-wheel',
              sentence`The model holds for wheels of ${figure(LEAST_DIAMETER_M, 'length')} or more; smaller ones sink deeper than it says.`,
            ),
          ]
        : []),
      ...(sinkageM > d * GREATEST_SINKAGE_SHARE
        ? [notice('sinks-far', 'It sinks deeper than a sixth of the wheel: the model no longer holds.')]
        : []),
      ...(n > GREATEST_EXPONENT
        ? [notice('steep-soil', sentence`The model holds for exponents up to ${GREATEST_EXPONENT}.`)]
        : []),
    ];
    return { sinkageM, compactionN, warnings };
  },
});

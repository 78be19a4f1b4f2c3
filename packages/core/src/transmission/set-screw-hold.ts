import { sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { defineCalculator, key, notice } from '../contract/index.ts';

/** Axial holding power of a cup-point set screw, N: Shigley, table 7-4 (from memory); metric: nearest inch size; M2 and M2.5 by its #1 and #3. */
const HOLDING_N = {
  '#4': 712,
  '#6': 1112,
  '#8': 1713,
  '#10': 2402,
  '1/4': 4448,
  '5/16': 6672,
  '3/8': 8896,
  M2: 289,
  'M2.5': 534,
  M3: 712,
  M4: 1713,
  M5: 2402,
  M6: 4448,
  M8: 6672,
} as const;

/** Sizes of set screws that are known. */
export const SET_SCREW_SIZES = Object.keys(HOLDING_N) as [
  keyof typeof HOLDING_N,
  ...(keyof typeof HOLDING_N)[],
];

/** Under shock a set screw should hold four times what it must (common practice, no source). */
const SHOCK_FACTOR = 4;

const input = z.strictObject({
  size: z.enum(SET_SCREW_SIZES).meta({ description: 'Size of the set screw', unit: '' }),
  count: key.count('Set screws'),
  shaftDiameterMm: key.positive('Diameter of the shaft', 'mm'),
  torqueNm: key.positive('Torque', 'N·m'),
});

const output = z.strictObject({
  holdingN: key.positive('Force that the screws hold', 'N'),
  holdsNm: key.positive('Torque that they hold', 'N·m'),
  factor: key.positive('Held over asked'),
  warnings: key.warnings,
});

export const setScrewHold = defineCalculator({
  name: 'set-screw-hold',
  topic: 'strength',
  asks: 'Do the set screws hold?',
  title: 'Set screws on a shaft',
  purpose: 'Torque that set screws hold.',
  input,
  output,
  formula: 'T = n F d/2',
  symbols: { given: { n: 'count', d: 'shaftDiameterMm' }, found: { F: 'holdingN', T: 'holdsNm' } },
  source:
    "Shigley's Mechanical Engineering Design, table 7-4 (from memory); metric sizes and the factor: common practice",
  limits:
    'Screws tightened as their maker says, on a steel shaft, with a flat or a dimple; dry and steady. Shock asks four times as much.',
  examples: [
    {
      origin: 'Shigley, table 7-4: 1500 lbf on half an inch (from memory)',
      input: { size: '5/16', count: 1, shaftDiameterMm: 25.4, torqueNm: 20 },
      output: { holdingN: 6672, holdsNm: 84.7344, factor: 4.23672, warnings: [] },
    },
  ],
  run: ({ size, count, shaftDiameterMm, torqueNm }) => {
    const holdingN = count * HOLDING_N[size];
    const holdsNm = (holdingN * shaftDiameterMm) / 2000;
    const factor = holdsNm / torqueNm;
    return {
      holdingN,
      holdsNm,
      factor,
      warnings:
        factor < SHOCK_FACTOR
          ? [
              notice(
                'slips-under-shock',
                sentence`It holds ${factor} times the torque; under shock it should be ${SHOCK_FACTOR}. Use a larger or a second screw on a flat, or a key.`,
              ),
            ]
          : [],
    };
  },
});

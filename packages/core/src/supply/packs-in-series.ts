import { z } from 'zod';
import { defineCalculator, key, notice } from '../contract/index.ts';

const input = z.strictObject({
  packs: z
    .array(
      z.strictObject({
        label: z.string().min(1).max(60).meta({ description: 'Which pack', unit: '' }),
        capacityAh: key.positive('Capacity', 'Ah'),
        nominalV: key.positive('Nominal voltage', 'V'),
        resistanceOhm: key.nonNegative('Resistance', 'Ω'),
      }),
    )
    .min(2)
    .refine((packs) => new Set(packs.map(({ label }) => label)).size === packs.length, {
      message: 'give each pack a label of its own',
    })
    .meta({ description: 'Packs in series', unit: '' }),
  currentA: key.positive('Current through all of them', 'A'),
});

const output = z.strictObject({
  voltageV: key.positive('Voltage of all', 'V'),
  resistanceOhm: key.nonNegative('Resistance of all', 'Ω'),
  firstEmpty: z.string().meta({ description: 'Which is empty first', unit: '' }),
  minutesToFirstEmpty: key.positive('Minutes until it is', 'min'),
  leftAh: z
    .array(z.number())
    .meta({ description: 'Charge left in each at that moment, in their order, Ah', unit: 'Ah' }),
  warnings: key.warnings,
});

/** Capacities further apart than this are worth a word (common practice, no source). */
const APART = 0.05;

export const packsInSeries = defineCalculator({
  name: 'packs-in-series',
  topic: 'supply',
  asks: 'Which pack in series is empty first?',
  title: 'Packs in series, each with a cut-off of its own',
  purpose: 'Voltage and resistance of packs in series, and which of them ends the outing.',
  input,
  output,
  formula: 'V = the sum of all;  t = 60 Cmin/I;  left = C − Cmin',
  symbols: { given: {}, found: {} },
  source: 'Kirchhoff’s laws: one current through all',
  limits:
    'Nominal capacities at that current, all full at the start; what a pack’s own electronics does at its end is its own.',
  examples: [
    {
      origin:
        '4 and 5 Ah at 8 A: the lesser is empty after half an hour, and one ampere-hour is left in the other (arithmetic)',
      input: {
        packs: [
          { label: 'old', capacityAh: 4, nominalV: 18, resistanceOhm: 0.05 },
          { label: 'new', capacityAh: 5, nominalV: 18, resistanceOhm: 0.04 },
        ],
        currentA: 8,
      },
      output: {
        voltageV: 36,
        resistanceOhm: 0.09,
        firstEmpty: 'old',
        minutesToFirstEmpty: 30,
        leftAh: [0, 1],
      },
    },
  ],
  run: ({ packs, currentA }) => {
    const [first] = packs as [(typeof packs)[number]];
    const weakest = packs.reduce((least, pack) => (pack.capacityAh < least.capacityAh ? pack : least), first);
    const most = Math.max(...packs.map(({ capacityAh }) => capacityAh));
    return {
      voltageV: packs.reduce((sum, { nominalV }) => sum + nominalV, 0),
      resistanceOhm: packs.reduce((sum, { resistanceOhm }) => sum + resistanceOhm, 0),
      firstEmpty: weakest.label,
      minutesToFirstEmpty: (60 * weakest.capacityAh) / currentA,
      leftAh: packs.map(({ capacityAh }) => capacityAh - weakest.capacityAh),
      warnings: [
        notice(
          'no-shared-cut-off',
          'Packs in series have no cut-off in common: watch the voltage of each, and charge each by itself.',
        ),
        ...(most > (1 + APART) * weakest.capacityAh
          ? [
              notice(
                'unlike-packs',
                'Their capacities differ: the weakest is driven backwards by the others once it is empty. Stop before it is.',
              ),
            ]
          : []),
      ],
    };
  },
});

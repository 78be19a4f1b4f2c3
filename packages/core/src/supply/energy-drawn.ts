import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  voltageV: key.positive('Voltage', 'V'),
  currentA: key.nonNegative('Mean current', 'A'),
  hours: key.nonNegative('For how long', 'h'),
});

const output = z.strictObject({
  energyWh: key.nonNegative('Energy', 'Wh'),
  chargeAh: key.nonNegative('Charge', 'Ah'),
});

export const energyDrawn = defineCalculator({
  name: 'energy-drawn',
  topic: 'supply',
  asks: 'How much energy is that?',
  title: 'Energy of a mean current',
  purpose: 'What a mean current takes from a battery in a time.',
  input,
  output,
  formula: 'E = V I t;  Q = I t',
  symbols: {
    given: { V: 'voltageV', I: 'currentA', t: 'hours' },
    found: { E: 'energyWh', Q: 'chargeAh' },
  },
  source: 'definition of energy',
  limits: 'Voltage as it is under that current, not the nominal one, where it matters.',
  examples: [
    {
      origin: '5 A from 24 V for two hours (exact)',
      input: { voltageV: 24, currentA: 5, hours: 2 },
      output: { energyWh: 240, chargeAh: 10 },
    },
  ],
  run: ({ voltageV, currentA, hours }) => ({
    energyWh: voltageV * currentA * hours,
    chargeAh: currentA * hours,
  }),
});

import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  capacityAh: key.positive('Rated capacity', 'Ah'),
  ratedHours: key.positive('Hours of discharge at which the capacity is rated', 'h').default(20),
  exponent: key.positive('Peukert exponent: 1 for lithium, 1.1 to 1.3 for lead-acid').default(1),
  currentA: key.positive('Current drawn', 'A'),
  usableShare: key.share('Share of the capacity that may be used').default(1),
});

const output = z.strictObject({
  hours: key.nonNegative('How long it lasts', 'h'),
  effectiveAh: key.nonNegative('What it gives in that time', 'Ah'),
});

export const runTime = defineCalculator({
  name: 'run-time',
  topic: 'supply',
  asks: 'How long does the battery last?',
  title: 'How long a battery lasts',
  purpose: 'Hours at a current, with the loss of capacity at high currents.',
  input,
  output,
  formula: 't = u H (C/(I H))^k',
  symbols: {
    given: { C: 'capacityAh', H: 'ratedHours', k: 'exponent', I: 'currentA', u: 'usableShare' },
    found: { t: 'hours' },
  },
  source: 'W. Peukert, 1897; in any battery handbook',
  limits:
    'A steady current; cold and age take capacity. Keep a reserve. Below the rated current it comes to more than the rated capacity, which no battery gives: an outing is never given more.',
  examples: [
    {
      origin: 'the usual Peukert example: 200 Ah at 20 h, k 1.2, 20 A lasts 8.7 h (from memory)',
      input: { capacityAh: 200, ratedHours: 20, exponent: 1.2, currentA: 20 },
      output: { hours: 8.70551 },
      tolerance: 1e-6,
    },
  ],
  run: (i) => {
    const hours = i.usableShare * i.ratedHours * (i.capacityAh / (i.currentA * i.ratedHours)) ** i.exponent;
    return { hours, effectiveAh: hours * i.currentA };
  },
});

import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z
  .strictObject({
    ratio: key.positive('Turns in for one turn out'),
    tolerance: key.share('How far off it may be').default(0.02),
    teethLeast: key.count('Fewest teeth', 3).default(10),
    teethMost: key.count('Most teeth', 3).default(60),
  })
  .refine((i) => i.teethLeast <= i.teethMost && i.teethMost <= 500, {
    message: 'teethLeast must not be more than teethMost, and teethMost at most 500',
    path: ['teethMost'],
  });

const pair = z.strictObject({
  teethDriver: key.count('Driver'),
  teethDriven: key.count('Driven'),
  ratio: key.positive('Ratio'),
  deviation: key.real('Off by'),
});

const output = z.strictObject({
  teethDriver: key.count('Teeth of the driver, nearest pair'),
  teethDriven: key.count('Teeth of the driven, nearest pair'),
  ratioFound: key.positive('Ratio of that pair'),
  deviation: key.real('Off by'),
  combinations: z.array(pair).meta({ description: 'Nearest pairs, smallest first where alike', unit: '' }),
  count: key.count('Pairs within the limits'),
});

/** Pairs that are listed; the rest is counted. */
const LISTED = 12;

export const teethForRatio = defineCalculator({
  name: 'teeth-for-ratio',
  topic: 'ratio',
  asks: 'Which teeth make a ratio?',
  title: 'Teeth for a ratio',
  purpose: 'The pairs of tooth counts within limits that come nearest to a ratio.',
  input,
  output,
  formula: 'i = z2/z1;  off = i/i0 − 1',
  symbols: {
    given: { i0: 'ratio' },
    found: { i: 'ratioFound', z1: 'teethDriver', z2: 'teethDriven', off: 'deviation' },
  },
  source: 'arithmetic, every pair tried',
  limits: 'Whole teeth within the limits given; whether such wheels are to be had, it does not know.',
  examples: [
    {
      origin: '3.6 is 36 over 10 (exact)',
      input: { ratio: 3.6 },
      output: { teethDriver: 10, teethDriven: 36, ratioFound: 3.6, deviation: 0 },
    },
  ],
  run: ({ ratio, tolerance, teethLeast, teethMost }) => {
    const found: z.output<typeof pair>[] = [];
    for (let teethDriver = teethLeast; teethDriver <= teethMost; teethDriver++) {
      const from = Math.max(teethLeast, Math.ceil(teethDriver * ratio * (1 - tolerance) - 1e-9));
      const to = Math.min(teethMost, Math.floor(teethDriver * ratio * (1 + tolerance) + 1e-9));
      for (let teethDriven = from; teethDriven <= to; teethDriven++) {
        const made = teethDriven / teethDriver;
        found.push({ teethDriver, teethDriven, ratio: made, deviation: made / ratio - 1 });
      }
    }
    found.sort((a, b) => Math.abs(a.deviation) - Math.abs(b.deviation) || a.teethDriver - b.teethDriver);
    const [best] = found;
    if (!best)
      throw new NotPhysical(
        'no-such-teeth',
        'No pair within these teeth makes that ratio: allow more teeth, a wider tolerance, or two stages.',
      );
    return {
      teethDriver: best.teethDriver,
      teethDriven: best.teethDriven,
      ratioFound: best.ratio,
      deviation: best.deviation,
      combinations: found.slice(0, LISTED),
      count: found.length,
    };
  },
});

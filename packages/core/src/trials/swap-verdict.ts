import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';
import { compareTrials } from './compare-trials.ts';
import { meanOf } from './statistics.ts';

const veers = (description: string) => z.array(z.number()).min(2).meta({ description, unit: '' });

const input = z.strictObject({
  before: veers('Veers before the swap, one side positive'),
  after: veers('Veers after it, signed the same way'),
});

const output = z.strictObject({
  meanBefore: key.real('Mean before'),
  meanAfter: key.real('Mean after'),
  pStays: key.nonNegative('Chance of such a difference if nothing had changed'),
  pFlips: key.nonNegative('Chance of such a difference if the veer had just turned round'),
  swappedPart: key.real('Part of the veer that goes with what was swapped'),
  fixedPart: key.real('Part that stays with the vehicle'),
  verdict: z
    .enum(['flips', 'stays', 'partly', 'grew', 'unclear'])
    .meta({ description: 'Whether the veer follows what was swapped', unit: '' }),
});

/** Less than this is no luck. */
const LUCK = 0.05;

function verdictOf(pStays: number, pFlips: number, shrank: boolean) {
  if (pStays < LUCK && pFlips < LUCK) return shrank ? ('partly' as const) : ('grew' as const);
  if (pStays < LUCK) return 'flips' as const;
  return pFlips < LUCK ? ('stays' as const) : ('unclear' as const);
}

export const swapVerdict = defineCalculator({
  name: 'swap-verdict',
  topic: 'trials',
  asks: 'Does the veer follow what was swapped?',
  title: 'Left for right, and run again',
  purpose: 'Whether a veer goes with the part that was swapped from side to side, or stays with the vehicle.',
  input,
  output,
  formula:
    'swapped = (x̄b − x̄a)/2;  fixed = (x̄b + x̄a)/2;  Welch’s t of before against after, and against after turned round',
  symbols: { given: {}, found: {} },
  source: 'B. L. Welch, Biometrika 34 (1947); the swap is common practice',
  limits:
    'One thing swapped at a time, both sets under the same conditions: same floor, same charge, same way.',
  examples: [
    {
      origin: 'a veer that turns round with the motors: all of it goes with them (arithmetic)',
      input: { before: [10, 11, 9, 10], after: [-10, -9, -11, -10] },
      output: { meanBefore: 10, meanAfter: -10, swappedPart: 10, fixedPart: 0, verdict: 'flips', pFlips: 1 },
    },
  ],
  run: ({ before, after }) => {
    const [meanBefore, meanAfter] = [meanOf(before), meanOf(after)];
    const { p: pStays } = compareTrials.run({ a: before, b: after });
    const { p: pFlips } = compareTrials.run({ a: before, b: after.map((veer) => -veer) });
    return {
      meanBefore,
      meanAfter,
      pStays,
      pFlips,
      swappedPart: (meanBefore - meanAfter) / 2,
      fixedPart: (meanBefore + meanAfter) / 2,
      verdict: verdictOf(pStays, pFlips, Math.abs(meanAfter) < Math.abs(meanBefore)),
    };
  },
});

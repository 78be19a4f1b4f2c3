import { z } from 'zod';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';
import { studentCritical } from './student.ts';

const MOST_RUNS = 10_000;

const input = z.strictObject({
  sd: key.nonNegative('Spread of single runs (standard deviation)'),
  halfWidth: key.positive('How near the mean is to be known, either way, in the same unit'),
  confidence: z
    .number()
    .min(0.5)
    .max(0.999)
    .default(0.95)
    .meta({ description: 'How often the true mean is to lie within', unit: '' }),
});

const output = z.strictObject({
  runs: key.count('Runs to make', 2),
  halfWidthThen: key.nonNegative('How near it is then'),
  warnings: key.warnings,
});

export const runsNeeded = defineCalculator({
  name: 'runs-needed',
  topic: 'trials',
  asks: 'How many runs does it take?',
  title: 'How many runs',
  purpose: 'The least number of runs after which a mean is known closely enough.',
  input,
  output,
  formula: 'h = t s/√n, the least n of 2 or more with h ≤ H;  t by Student, (1 + c)/2 and n − 1',
  symbols: { given: {}, found: {} },
  source: 'Student’s t',
  limits: 'Independent runs of one vehicle in one state; the spread taken as known from earlier ones.',
  examples: [
    {
      origin:
        'spread 1, to within 1: five runs, for t of 4 degrees of freedom is 2.776 (tables of Student’s t)',
      input: { sd: 1, halfWidth: 1.25 },
      output: { runs: 5, halfWidthThen: 2.7764451 / Math.sqrt(5) },
      tolerance: 1e-6,
    },
  ],
  run: ({ sd, halfWidth, confidence }) => {
    const halfWidthOf = (n: number): number => (studentCritical(1 - confidence, n - 1) * sd) / Math.sqrt(n);
    if (halfWidthOf(MOST_RUNS) > halfWidth)
      throw new NotPhysical(
        'too-many-runs',
        `That takes over ${MOST_RUNS.toLocaleString('en')} runs: ask for less, or make the runs more alike.`,
      );
    let [low, high] = [1, MOST_RUNS];
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if (halfWidthOf(middle) <= halfWidth) high = middle;
      else low = middle;
    }
    const runs = Math.max(2, high);
    return {
      runs,
      halfWidthThen: halfWidthOf(runs),
      warnings: [
        notice(
          'spread-taken-as-known',
          'About half of such series reach that width, for the spread of theirs is another: look again after the runs.',
        ),
      ],
    };
  },
});

import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';
import { meanOf, medianOf, varianceOf } from './statistics.ts';
import { signTest, studentCritical } from './student.ts';

const input = z.strictObject({
  values: z.array(z.number()).min(2).meta({ description: 'One reading a run', unit: '' }),
});

const output = z.strictObject({
  n: key.count('Runs'),
  mean: key.real('Mean'),
  sd: key.nonNegative('Standard deviation, n − 1'),
  standardError: key.nonNegative('Standard error of the mean'),
  ci95Low: key.real('Low end of the 95 % interval of the mean'),
  ci95High: key.real('High end of the 95 % interval of the mean'),
  median: key.real('Median'),
  positive: key.count('Readings above 0', 0),
  negative: key.count('Readings below 0', 0),
  signTestP: key.nonNegative('Chance of a split as uneven as this by luck'),
});

export const trialSummary = defineCalculator({
  name: 'trial-summary',
  topic: 'trials',
  asks: 'What does a set of runs say?',
  title: 'What a set of runs says',
  purpose: 'Mean, spread, 95 % interval and sign test of repeated runs.',
  input,
  output,
  formula: 's = √(Σ(x − x̄)²/(n − 1));  x̄ ± t(0.975, n − 1)·s/√n;  sign test: 2·P(B(n, ½) ≤ the lesser)',
  symbols: { given: {}, found: { s: 'sd', n: 'n' } },
  source: 'Student, Biometrika 6 (1908); exact binomial sign test',
  limits: 'Independent runs that scatter like a bell; with few runs the interval is wide.',
  examples: [
    {
      origin: 'Student 1908, sleep data, paired (from memory)',
      input: { values: [1.2, 2.4, 1.3, 1.3, 0, 1, 1.8, 0.8, 4.6, 1.4] },
      output: { mean: 1.58, ci95Low: 0.7001142, ci95High: 2.4598858, signTestP: 0.00390625 },
      tolerance: 1e-7,
    },
  ],
  run: ({ values }) => {
    const n = values.length;
    const mean = meanOf(values);
    const sd = Math.sqrt(varianceOf(values));
    const standardError = sd / Math.sqrt(n);
    const half = studentCritical(0.05, n - 1) * standardError;
    const positive = values.filter((x) => x > 0).length;
    const negative = values.filter((x) => x < 0).length;
    return {
      n,
      mean,
      sd,
      standardError,
      ci95Low: mean - half,
      ci95High: mean + half,
      median: medianOf(values),
      positive,
      negative,
      signTestP: signTest(positive, negative),
    };
  },
});

import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { meanOf, varianceOf } from './statistics.ts';
import { studentCritical, studentTwoSided } from './student.ts';

const readings = (description: string) => z.array(z.number()).min(2).meta({ description, unit: '' });

const input = z.strictObject({
  a: readings('Readings of the first condition'),
  b: readings('Readings of the second'),
});

const output = z.strictObject({
  difference: key.real('Mean of the second less mean of the first'),
  t: key.real('Welch’s t, with the sign of the difference'),
  degreesOfFreedom: key.positive('Degrees of freedom (Welch–Satterthwaite)'),
  p: key.nonNegative('Chance of a difference as large as this by luck'),
  ci95Low: key.real('Low end of the 95 % interval of the difference'),
  ci95High: key.real('High end of the 95 % interval of the difference'),
});

export const compareTrials = defineCalculator({
  name: 'compare-trials',
  topic: 'trials',
  asks: 'Do two sets of runs differ?',
  title: 'Is it really better?',
  purpose: 'Whether two sets of runs differ by more than luck.',
  input,
  output,
  formula: 't = (x̄b − x̄a)/√(sa²/na + sb²/nb);  ν = (va + vb)²/(va²/(na−1) + vb²/(nb−1)), v = s²/n',
  symbols: { given: {}, found: { t: 't', ν: 'degreesOfFreedom' } },
  source: 'B. L. Welch, Biometrika 34 (1947)',
  limits: 'Independent runs of both; one change at a time, or it cannot say which it was.',
  examples: [
    {
      origin: 'Student 1908, sleep data; Welch (from memory)',
      input: {
        a: [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0, 2],
        b: [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4],
      },
      output: {
        t: 1.8608135,
        degreesOfFreedom: 17.7764735,
        p: 0.0793941,
        ci95Low: -0.2054832,
        ci95High: 3.3654832,
      },
      tolerance: 1e-6,
    },
  ],
  run: ({ a, b }) => {
    const va = varianceOf(a) / a.length;
    const vb = varianceOf(b) / b.length;
    if (va + vb === 0)
      throw new NotPhysical(
        'no-variation',
        'All runs of each set are alike: read them more finely, so that luck can be told from difference.',
      );
    const difference = meanOf(b) - meanOf(a);
    const t = difference / Math.sqrt(va + vb);
    const share = va / (va + vb);
    const degreesOfFreedom = 1 / (share ** 2 / (a.length - 1) + (1 - share) ** 2 / (b.length - 1));
    const half = studentCritical(0.05, degreesOfFreedom) * Math.sqrt(va + vb);
    return {
      difference,
      t,
      degreesOfFreedom,
      p: studentTwoSided(t, degreesOfFreedom),
      ci95Low: difference - half,
      ci95High: difference + half,
    };
  },
});

import blossom from 'edmonds-blossom-fixed';
import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const MOST_MOTORS = 60;

const input = z
  .strictObject({
    motors: z
      .array(
        z.strictObject({
          label: z.string().min(1).meta({ description: 'Name of the motor', unit: '' }),
          values: z
            .array(z.number().positive())
            .min(1)
            .meta({ description: 'Its readings, alike for all', unit: '' }),
        }),
      )
      .min(2)
      .max(MOST_MOTORS)
      .meta({ description: 'The motors', unit: '' }),
    weights: z
      .array(z.number().nonnegative())
      .optional()
      .meta({ description: 'Weight of each reading', unit: '' }),
  })
  .superRefine(({ motors, weights }, context) => {
    const say = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    const length = motors[0]?.values.length ?? 0;
    motors.forEach((motor, at) => {
      if (motor.values.length !== length)
        say(['motors', at, 'values'], 'every motor must have as many readings');
      if (motors.findIndex((other) => other.label === motor.label) < at)
        say(['motors', at, 'label'], 'this label stands twice');
    });
    if (weights && weights.length !== length) say(['weights'], 'give one weight for each reading');
    if (weights && !(weights.reduce((sum, w) => sum + w, 0) > 0))
      say(['weights'], 'the weights must add up to more than 0');
  });

const pair = z.strictObject({
  a: z.string().meta({ description: 'One motor', unit: '' }),
  b: z.string().meta({ description: 'The other', unit: '' }),
  mismatch: key.nonNegative('How far apart they are, as a share'),
});

const output = z.strictObject({
  pairs: z.array(pair).meta({ description: 'Every pair, best first', unit: '' }),
  bestPair: pair.meta({ description: 'The best of all pairs', unit: '' }),
  pairing: z
    .array(pair)
    .meta({ description: 'As many pairs as there can be, with the least mismatch in all', unit: '' }),
  total: key.nonNegative('Mismatch of the pairing in all'),
});

type Input = z.output<typeof input>;
type Pair = z.output<typeof pair>;

function mismatchOf(x: readonly number[], y: readonly number[], weights: readonly number[]): number {
  let [top, bottom] = [0, 0];
  x.forEach((value, at) => {
    const [other = 0, weight = 0] = [y[at], weights[at]];
    top += (weight * 2 * Math.abs(value - other)) / (value + other);
    bottom += weight;
  });
  return top / bottom;
}

interface Edge extends Pair {
  readonly from: number;
  readonly to: number;
}

function edgesOf({ motors, weights }: Input): Edge[] {
  const each = weights ?? (motors[0]?.values ?? []).map(() => 1);
  return motors.flatMap((a, from) =>
    motors.slice(from + 1).map((b, after) => ({
      from,
      to: from + 1 + after,
      a: a.label,
      b: b.label,
      mismatch: mismatchOf(a.values, b.values, each),
    })),
  );
}

/** Mismatches are turned to whole numbers for the matching, which is exact only with those. */
const STEPS = 2 ** 45;

/** Least total mismatch: the heaviest of the largest matchings, with the weights turned round. */
function bestPairing(edges: readonly Edge[]): Edge[] {
  const weighted = edges.map((e): [number, number, number] => [
    e.from,
    e.to,
    STEPS - Math.round((e.mismatch * STEPS) / 2),
  ]);
  const mates = blossom(weighted, true);
  return edges.filter((e) => mates[e.from] === e.to);
}

const bare = ({ a, b, mismatch }: Pair): Pair => ({ a, b, mismatch });

export const matchMotors = defineCalculator({
  name: 'match-motors',
  topic: 'trials',
  asks: 'Which motors go together?',
  title: 'Which motors go together',
  purpose: 'Ranks every pair of motors and finds the pairing with the least mismatch in all.',
  input,
  output,
  formula: 'mismatch = Σ w·2|x − y|/(x + y) / Σ w;  pairing: least total',
  symbols: { given: {}, found: {} },
  source: 'minimum-weight matching (J. Edmonds, 1965)',
  limits: 'Compares what was measured: same battery, same load, same warmth for all.',
  examples: [
    {
      origin: 'two alike and two alike (by inspection)',
      input: {
        motors: [
          { label: 'A', values: [100, 200] },
          { label: 'B', values: [110, 210] },
          { label: 'C', values: [100, 200] },
          { label: 'D', values: [110, 210] },
        ],
      },
      output: { total: 0, bestPair: { a: 'A', b: 'C', mismatch: 0 } },
    },
  ],
  run: (i) => {
    const edges = edgesOf(i);
    const ranked = [...edges].sort((x, y) => x.mismatch - y.mismatch).map(bare);
    const [bestPair] = ranked;
    if (!bestPair) throw new RangeError('there is no pair');
    const pairing = bestPairing(edges).map(bare);
    return { pairs: ranked, bestPair, pairing, total: pairing.reduce((sum, p) => sum + p.mismatch, 0) };
  },
});

import { z } from 'zod';
import { NotPhysical, bracketedRoot, defineCalculator, key, notice } from '../contract/index.ts';
import { celsius, sentence } from '../quantity/index.ts';
import { COPPER_PER_K, REFERENCE_C } from './copper.ts';

const MOST_SEGMENTS = 50;

const input = z
  .strictObject({
    segments: z
      .array(
        z.strictObject({
          currentA: key.nonNegative('Current', 'A'),
          durationS: key.positive('How long', 's'),
        }),
      )
      .min(1)
      .max(MOST_SEGMENTS)
      .meta({ description: 'The cycle, stretch by stretch, repeated for ever', unit: '' }),
    resistanceOhm: key.positive('Resistance of the winding at 20 °C', 'Ω'),
    thermalResistanceKPerW: key.positive('Thermal resistance from the motor to the air', 'K/W'),
    timeConstantS: key.positive('Thermal time constant of the motor', 's'),
    windingKPerW: key.positive('Thermal resistance from the winding to the motor', 'K/W').optional(),
    windingTimeConstantS: key.positive('Thermal time constant of the winding', 's').optional(),
    ambientC: key.real('Temperature around the motor', '°C').default(25),
    limitC: key.real('Greatest temperature of the winding', '°C').default(120),
  })
  .refine((i) => (i.windingKPerW === undefined) === (i.windingTimeConstantS === undefined), {
    message: 'give both windingKPerW and windingTimeConstantS, or neither',
    path: ['windingTimeConstantS'],
  });

const output = z.strictObject({
  rmsA: key.nonNegative('Root mean square of the current', 'A'),
  meanC: key.real('Mean temperature of the winding, settled', '°C'),
  peakC: key.real('Greatest', '°C'),
  troughC: key.real('Least', '°C'),
  holds: z.boolean().meta({ description: 'Whether it stays within the limit', unit: '' }),
  timeToLimitS: z
    .number()
    .nullable()
    .meta({ description: 'Time from cold to the limit; null where it never gets there', unit: 's' }),
  warnings: key.warnings,
});

type Given = z.output<typeof input>;

/** What warms over what is beneath it: how far for a watt, how slowly. */
interface Node {
  readonly kPerW: number;
  readonly tauS: number;
}
/** A stretch of the cycle, by the heat in it. */
interface HeatStretch {
  readonly powerW: number;
  readonly durationS: number;
}
/** Over ambient, node by node. */
type Rises = readonly number[];

const stepped = (rises: Rises, nodes: readonly Node[], { powerW }: HeatStretch, seconds: number): Rises =>
  nodes.map(({ kPerW, tauS }, n) => {
    const end = powerW * kPerW;
    return end + ((rises[n] ?? 0) - end) * Math.exp(-seconds / tauS);
  });
const summed = (rises: Rises): number => rises.reduce((total, rise) => total + rise, 0);

/** Where inside a stretch the sum of two exponentials turns; undefined where it does not. */
function turnsAt(
  rises: Rises,
  nodes: readonly Node[],
  { powerW, durationS }: HeatStretch,
): number | undefined {
  const [first, second] = nodes;
  if (!first || !second || first.tauS === second.tauS) return undefined;
  const slope = ({ kPerW, tauS }: Node, n: number): number => ((rises[n] ?? 0) - powerW * kPerW) / tauS;
  const ratio = -slope(second, 1) / slope(first, 0);
  if (!(ratio > 0)) return undefined;
  const at = Math.log(ratio) / (1 / second.tauS - 1 / first.tauS);
  return at > 0 && at < durationS ? at : undefined;
}

/** Times of a stretch between which its temperature only rises or only falls. */
const marksOf = (rises: Rises, nodes: readonly Node[], stretch: HeatStretch): readonly number[] => {
  const turn = turnsAt(rises, nodes, stretch);
  return [0, ...(turn === undefined ? [] : [turn]), stretch.durationS];
};

/** The greatest and least rise of a cycle, and where it ends. */
function through(start: Rises, nodes: readonly Node[], stretches: readonly HeatStretch[]) {
  let rises = start;
  let [most, least] = [-Infinity, Infinity];
  for (const stretch of stretches) {
    for (const at of marksOf(rises, nodes, stretch)) {
      const rise = summed(stepped(rises, nodes, stretch, at));
      most = Math.max(most, rise);
      least = Math.min(least, rise);
    }
    rises = stepped(rises, nodes, stretch, stretch.durationS);
  }
  return { most, least, end: rises };
}

/** Time within a cycle at which the rise first reaches a limit. */
function firstReached(
  start: Rises,
  nodes: readonly Node[],
  stretches: readonly HeatStretch[],
  limit: number,
): number {
  let rises = start;
  let passed = 0;
  for (const stretch of stretches) {
    const over = (at: number): number => summed(stepped(rises, nodes, stretch, at)) - limit;
    const marks = marksOf(rises, nodes, stretch);
    for (const [n, to] of marks.entries()) {
      const from = marks[n - 1] ?? 0;
      if (over(to) < 0) continue;
      return passed + (over(from) >= 0 ? from : bracketedRoot(over, from, to, 1e-12 * stretch.durationS));
    }
    rises = stepped(rises, nodes, stretch, stretch.durationS);
    passed += stretch.durationS;
  }
  return passed;
}

/** Cycles past which nothing changes any more in numbers of this size. */
const MOST_CYCLES = 2 ** 52;

/** From cold: the cycle in which the limit is first reached, found by halving, for each cycle is hotter than the one before. */
function timeToLimit(
  settled: Rises,
  nodes: readonly Node[],
  stretches: readonly HeatStretch[],
  limit: number,
): number {
  const periodS = stretches.reduce((sum, { durationS }) => sum + durationS, 0);
  const startOf = (cycle: number): Rises =>
    nodes.map(({ tauS }, n) => -(settled[n] ?? 0) * Math.expm1((-cycle * periodS) / tauS));
  const reaches = (cycle: number): boolean => through(startOf(cycle), nodes, stretches).most >= limit;
  let [low, high] = [0, 1];
  if (reaches(0)) high = 0;
  else while (high < MOST_CYCLES && !reaches(high)) [low, high] = [high, 2 * high];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (reaches(middle)) high = middle;
    else low = middle;
  }
  return high * periodS + firstReached(startOf(high), nodes, stretches, limit);
}

const nodesOf = (i: Given): readonly Node[] => [
  { kPerW: i.thermalResistanceKPerW, tauS: i.timeConstantS },
  ...(i.windingKPerW === undefined || i.windingTimeConstantS === undefined
    ? []
    : [{ kPerW: i.windingKPerW, tauS: i.windingTimeConstantS }]),
];

export const heatCycle = defineCalculator({
  name: 'heat-cycle',
  topic: 'motor',
  asks: 'How hot by stop and go?',
  title: 'A motor heated by a cycle of loads',
  purpose: 'Temperatures of a winding whose load goes round and round, and when it first passes its limit.',
  input,
  output,
  formula:
    'P = I² R (1 + α (Tl − 20));  x → P Rth + (x − P Rth) e^(−t/τ) in each stretch, for the motor and for the winding over it;  T = Ta + x + xw, settled where a cycle ends as it began',
  symbols: { given: {}, found: {} },
  source: 'lumped thermal nodes; IEC 60034-1 duty types for the idea of a cycle, from memory',
  limits:
    'The winding’s resistance held at its hot value, on the safe side; no more than two nodes, air that stays as it is.',
  examples: [
    {
      origin:
        'a steady current is one stretch: 10 A through 0.1 Ω at 3 K/W settle 30 K above, without copper’s rise at a limit of 20 °C (exact)',
      input: {
        segments: [{ currentA: 10, durationS: 60 }],
        resistanceOhm: 0.1,
        thermalResistanceKPerW: 3,
        timeConstantS: 600,
        ambientC: -20,
        limitC: 20,
      },
      output: { rmsA: 10, meanC: 10, peakC: 10, troughC: 10, holds: true, timeToLimitS: null },
    },
  ],
  run: (i) => {
    if (i.limitC <= i.ambientC)
      throw new NotPhysical(
        'limit-below-ambient',
        sentence`The limit (${celsius(i.limitC)}) must lie above the temperature around the motor (${celsius(i.ambientC)}).`,
      );
    const nodes = nodesOf(i);
    const hotOhm = i.resistanceOhm * Math.max(0, 1 + COPPER_PER_K * (i.limitC - REFERENCE_C));
    const stretches = i.segments.map(({ currentA, durationS }) => ({
      powerW: currentA ** 2 * hotOhm,
      durationS,
    }));
    const periodS = stretches.reduce((sum, { durationS }) => sum + durationS, 0);
    const cold = through(
      nodes.map(() => 0),
      nodes,
      stretches,
    );
    const settled = nodes.map(({ tauS }, n) => (cold.end[n] ?? 0) / -Math.expm1(-periodS / tauS));
    const { most, least } = through(settled, nodes, stretches);
    const meanW = stretches.reduce((sum, { powerW, durationS }) => sum + powerW * durationS, 0) / periodS;
    const meanSquare = i.segments.reduce((sum, s) => sum + s.currentA ** 2 * s.durationS, 0) / periodS;
    const limit = i.limitC - i.ambientC;
    return {
      rmsA: Math.sqrt(meanSquare),
      meanC: i.ambientC + meanW * nodes.reduce((sum, { kPerW }) => sum + kPerW, 0),
      peakC: i.ambientC + most,
      troughC: i.ambientC + least,
      holds: most <= limit,
      timeToLimitS: most <= limit ? null : timeToLimit(settled, nodes, stretches, limit),
      warnings:
        nodes.length === 1
          ? [
              notice(
                'one-node',
                'A winding heats in seconds, the motor in minutes: with the motor alone a short stall is not judged. Give the winding too where it is known.',
              ),
            ]
          : [],
    };
  },
});

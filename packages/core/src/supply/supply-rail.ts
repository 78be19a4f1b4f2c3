import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const label = z.string().min(1).max(60).meta({ description: 'What it is', unit: '' });

const input = z.strictObject({
  supplyA: key.positive('Current that the supply gives', 'A'),
  loads: z
    .array(
      z
        .strictObject({
          label,
          count: key.count('How many'),
          runningA: key.nonNegative('Current of one, running', 'A'),
          peakA: key.nonNegative('Current of one, at its peak', 'A'),
        })
        .refine((load) => load.peakA >= load.runningA, {
          message: 'the peak is at least the running current',
          path: ['peakA'],
        }),
    )
    .min(1)
    .meta({ description: 'What it feeds', unit: '' }),
  atOnce: z
    .int()
    .min(0)
    .default(1)
    .meta({ description: 'How many single ones peak at the same moment', unit: '' }),
});

const output = z.strictObject({
  runningA: key.nonNegative('Current while all run', 'A'),
  peakA: key.positive('Current at the worst moment', 'A'),
  margin: key.positive('Given over that'),
  holds: z.boolean().meta({ description: 'Whether it gives enough', unit: '' }),
});

type Load = z.output<typeof input>['loads'][number];

/** The sum of the greatest steps from running to peak, over so many single ones. */
function worstSteps(loads: readonly Load[], atOnce: number): number {
  let left = atOnce;
  return [...loads]
    .sort((a, b) => b.peakA - b.runningA - (a.peakA - a.runningA))
    .reduce((sum, { count, peakA, runningA }) => {
      const taken = Math.min(left, count);
      left -= taken;
      return sum + taken * (peakA - runningA);
    }, 0);
}

export const supplyRail = defineCalculator({
  name: 'supply-rail',
  topic: 'supply',
  asks: 'Does the 5 V supply feed them all?',
  title: 'A low-voltage supply and what it feeds',
  purpose:
    'Whether a board’s own supply or a converter feeds servos, controllers and sensors at their worst moment.',
  input,
  output,
  formula:
    'running = the sum of count times running;  peak = running + the greatest steps of those that peak at once;  margin = supply/peak',
  symbols: { given: {}, found: {} },
  source: 'Kirchhoff’s current law',
  limits:
    'Currents as measured or printed: a stalled servo draws its stall current, and a supply grows hot before its limit.',
  examples: [
    {
      origin:
        'two servos of 0.2 A that stall at 1.2 A and a board of 0.1 A, one stalling: 0.5 A and 1 A more (arithmetic)',
      input: {
        supplyA: 3,
        loads: [
          { label: 'servo', count: 2, runningA: 0.2, peakA: 1.2 },
          { label: 'board', count: 1, runningA: 0.1, peakA: 0.1 },
        ],
      },
      output: { runningA: 0.5, peakA: 1.5, margin: 2, holds: true },
    },
  ],
  run: ({ supplyA, loads, atOnce }) => {
    const runningA = loads.reduce((sum, load) => sum + load.count * load.runningA, 0);
    const peakA = runningA + worstSteps(loads, atOnce);
    if (peakA === 0)
      throw new NotPhysical('nothing-to-feed', 'Nothing draws any current: give what the loads draw.');
    const margin = supplyA / peakA;
    return { runningA, peakA, margin, holds: margin >= 1 };
  },
});

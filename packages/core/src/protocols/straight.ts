import { figure, sentence, type Sentence } from '../quantity/index.ts';
import { outliersOf } from '../trials/index.ts';
import { amount } from './field.ts';
import { BY, CLEAR, commandedWay, FULL, RIGHT_LEFT, SAME_FLOOR, shareOfWay, WAY } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { numberIn, numbersIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';
import {
  biasOf,
  driftIn,
  luckOf,
  meanOfRuns,
  moreRuns,
  outOfLine,
  present,
  resultOf,
  runsPlot,
  sided,
  TEN_RUNS,
  tooFew,
  type Of,
} from './summary.ts';

/** Ends so near to the line count as hits, where nothing else is said (common practice, no source). */
export const HIT_M = 0.05;

const SIDE: Of = { key: 'side', title: 'End to the side', dimension: 'length', sides: RIGHT_LEFT };

function analyseStraight(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const runs = readings.length;
  const [sides, ways] = [numbersIn(readings, 'side'), numbersIn(readings, 'distance')];
  const within = numberIn(conditions, 'limit') ?? HIT_M;
  const commanded = numberIn(conditions, 'commanded') ?? 0;
  const side = meanOfRuns(sides, SIDE);
  const way = meanOfRuns(ways, WAY);
  const bias = biasOf(side, 0, TEN_RUNS);
  const outliers = outliersOf(sides);
  const hits = sides.filter((x) => Math.abs(x) <= within).length;
  const verdict = { 'too-few': 'too-few', below: 'veers-left', above: 'veers-right', level: 'no-bias-shown' };
  const split = sentence`${sides.filter((x) => x > 0).length} right and ${sides.filter((x) => x < 0).length} left`;
  return resultOf(runs, verdict[bias], straightSays(bias, side, split, runs), {
    measured: present(side, way, way && commanded > 0 ? shareOfWay(way, commanded) : undefined),
    notes: [
      ...(runs > 0 ? [sentence`${hits} of ${runs} within ${figure(within, 'length')} of the line.`] : []),
      ...(bias === 'level' ? moreRuns(side, within, 'length') : []),
      ...driftIn(sides, SIDE, 'A battery that falls, or a part that works loose, does that.'),
      ...outOfLine(outliers),
    ],
    plots:
      runs === 0
        ? []
        : [
            runsPlot(sides, SIDE, side, 0),
            {
              kind: 'floor',
              ends: readings.map((r) => ({
                side: numberIn(r, 'side') ?? 0,
                ahead: numberIn(r, 'distance') ?? 0,
              })),
              ...{ meantAhead: commanded, withinM: within, about: 'line' },
            },
          ],
    ...(side ? { luck: luckOf(side) } : {}),
    outliers,
  });
}

function straightSays(
  bias: ReturnType<typeof biasOf>,
  side: Measured | undefined,
  split: Sentence,
  runs: number,
): Sentence {
  if (!side || bias === 'too-few') return tooFew(runs, TEN_RUNS);
  if (bias === 'level')
    return sentence`No bias shown: ${sided(side.value, SIDE)} on average over ${runs} runs, ${split}.`;
  return sentence`It veers to the ${side.value < 0 ? 'left' : 'right'}: ${sided(side.value, SIDE)} on average over ${runs} runs, ${split}.`;
}

/** Straight runs. */
export const straightRun: Protocol = {
  title: 'Straight runs',
  asks: 'Does it run straight, ten times out of ten?',
  why: 'One run tells nothing: a vehicle that veers and one that scatters look alike until there are ten.',
  aids: ['Stretch a string or chalk a line; a start mark that both wheels are set on.', SAME_FLOOR, FULL],
  cautions: [CLEAR, 'A laser line never at the height of eyes.'],
  next: 'Where it veers, look for the cause by one swap at a time; where it only scatters, look for what is loose.',
  runs: TEN_RUNS,
  conditions: [
    commandedWay,
    amount('limit', 'A hit is within', ['length', 'mm'], { above: 0 }, { optional: true }),
    BY,
  ],
  readings: [
    amount('side', 'Ended to the side', ['length', 'mm'], {}, { sides: RIGHT_LEFT }),
    amount('distance', 'Distance covered', ['length', 'm'], { least: 0 }),
  ],
  analyse: analyseStraight,
};

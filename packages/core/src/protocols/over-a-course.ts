import { figure, sentence, type Sentence } from '../quantity/index.ts';
import { outliersOf } from '../trials/index.ts';
import type { Course } from '../vehicle/index.ts';
import { amount } from './field.ts';
import { BY, CLEAR, FULL, RIGHT_LEFT, SAME_FLOOR } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { numberIn, numbersIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { TrialResult } from './result.ts';
import { HIT_M } from './straight.ts';
import {
  driftIn,
  luckOf,
  meanOfRuns,
  moreRuns,
  outOfLine,
  present,
  resultOf,
  runsPlot,
  sided,
  SIGNIFICANT,
  TEN_RUNS,
  tooFew,
  type Of,
} from './summary.ts';

const SHORT_PAST = ['short', 'past'] as const;
const SIDE: Of = { key: 'side', title: 'End to the side', dimension: 'length', sides: RIGHT_LEFT };
const AHEAD: Of = { key: 'ahead', title: 'End along', dimension: 'length', sides: SHORT_PAST };
const TURNED: Of = { key: 'turned', title: 'Faces off', dimension: 'angle', sides: RIGHT_LEFT };

/**
 * The course that a set is driven over; undefined where none is kept with it.
 *
 * @example courseIn({}) // undefined
 */
export function courseIn({ course }: TrialConditions): Course | undefined {
  return typeof course === 'object' && 'legs' in course ? course : undefined;
}

function analyseCourse(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const runs = readings.length;
  const [sides, aheads, turns] = [SIDE, AHEAD, TURNED].map(({ key }) => numbersIn(readings, key)) as [
    number[],
    number[],
    number[],
  ];
  const within = numberIn(conditions, 'limit') ?? HIT_M;
  const [side, ahead, turned] = [
    meanOfRuns(sides, SIDE),
    meanOfRuns(aheads, AHEAD),
    meanOfRuns(turns, TURNED),
  ];
  const offs = readings.map((run) => Math.hypot(numberIn(run, 'side') ?? 0, numberIn(run, 'ahead') ?? 0));
  // Two numbers, either of which luck may put off: each must be half as likely (Bonferroni).
  const off = present(side, ahead).some((one) => luckOf(one) < SIGNIFICANT / 2);
  const verdict = runs < TEN_RUNS ? 'too-few' : off ? 'ends-off' : 'no-bias-shown';
  const outliers = outliersOf(offs);
  const says: Sentence =
    !side || !ahead || verdict === 'too-few'
      ? tooFew(runs, TEN_RUNS)
      : sentence`${off ? 'It ends off the same way' : 'No bias shown'}: ${sided(side.value, SIDE)} and ${sided(ahead.value, AHEAD)} on average over ${runs} runs.`;
  return resultOf(runs, verdict, says, {
    measured: present(side, ahead, turned),
    notes: [
      ...(runs > 0
        ? [
            sentence`${offs.filter((far) => far <= within).length} of ${runs} within ${figure(within, 'length')} of the end.`,
          ]
        : []),
      ...(off ? [] : moreRuns(side, within, 'length')),
      ...driftIn(sides, SIDE, 'A battery that falls, or a part that works loose, does that.'),
      ...outOfLine(outliers),
    ],
    plots:
      runs === 0
        ? []
        : [
            {
              kind: 'floor',
              ends: readings.map((run) => ({
                side: numberIn(run, 'side') ?? 0,
                ahead: numberIn(run, 'ahead') ?? 0,
              })),
              ...{ meantAhead: 0, withinM: within, about: 'end' },
            },
            runsPlot(sides, SIDE, side, 0),
            runsPlot(aheads, AHEAD, ahead, 0),
          ],
    outliers,
  });
}

/** Runs over a course of the Test track. */
export const courseRun: Protocol = {
  title: 'A course',
  asks: 'Does it end where its course ends?',
  why: 'A turn that falls short, a wheel that slips and a side that is faster all show in where it ends, and only over many runs.',
  aids: [
    'Mark where the course ends, and which way it faces there: chalk and a string from the start.',
    'Stand at that mark, facing the way it should: to your right is right, beyond the mark is past.',
    SAME_FLOOR,
    FULL,
  ],
  cautions: [CLEAR],
  next: 'Set it beside what the Test track foretells; where they differ, look at the cause that it names first.',
  runs: TEN_RUNS,
  conditions: [
    { kind: 'course', key: 'course', title: 'Course' },
    amount('limit', 'A hit is within', ['length', 'mm'], { above: 0 }, { optional: true }),
    BY,
  ],
  readings: [
    amount('side', 'Ended to the side', ['length', 'mm'], {}, { sides: RIGHT_LEFT }),
    amount('ahead', 'Ended short or past', ['length', 'mm'], {}, { sides: SHORT_PAST }),
    amount('turned', 'Faces off', ['angle', '°'], {}, { sides: RIGHT_LEFT, optional: true }),
    amount('time', 'Time taken', ['time', 's'], { above: 0 }, { optional: true }),
  ],
  analyse: analyseCourse,
};

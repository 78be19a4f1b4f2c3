import { degreesToRadians, figure, sentence, type Sentence } from '../quantity/index.ts';
import { compareTrials, meanOf, outliersOf, varianceOf } from '../trials/index.ts';
import { amount, choice } from './field.ts';
import { BY, CLEAR, FULL, NEAR_SHARE, RIGHT_LEFT, SAME_FLOOR } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { byWord, numberIn, numbersIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';
import {
  biasOf,
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
  through,
  tooFew,
  type Of,
} from './summary.ts';

const ASK_ANGLE = degreesToRadians(1800);

const TURNED: Of = { key: 'share', title: 'Turned over ordered', dimension: 'share' };

function analysePivot(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const ordered = numberIn(conditions, 'commanded') ?? 0;
  const runs = readings.length;
  if (!(ordered > 0)) return resultOf(runs, 'too-few', tooFew(runs, TEN_RUNS));
  const shares = numbersIn(readings, 'turned').map((angle) => angle / ordered);
  const all = meanOfRuns(shares, TURNED);
  const ways = [...byWord(readings, 'way')].flatMap(([way, of]) => {
    const found = meanOfRuns(
      numbersIn(of, 'turned').map((angle) => angle / ordered),
      { ...TURNED, key: `share-${way}`, title: `Turned over ordered, to the ${way}` },
    );
    return found ? [found] : [];
  });
  const bias = biasOf(all, 1, TEN_RUNS);
  const verdict = { 'too-few': 'too-few', below: 'turns-short', above: 'turns-long', level: 'turns-true' };
  const correction =
    all && through(all, { key: 'correction', title: 'Order so much more', dimension: 'share' }, (x) => 1 / x);
  const outliers = outliersOf(shares);
  return resultOf(runs, verdict[bias], pivotSays(bias, all, runs), {
    measured: present(all, ...ways, correction),
    notes: [
      ...uneven(readings, ordered),
      ...(bias === 'level' ? moreRuns(all, NEAR_SHARE, 'share') : []),
      ...outOfLine(outliers),
    ],
    plots: runs === 0 ? [] : [runsPlot(shares, TURNED, all, 1)],
    ...(all ? { luck: luckOf(all, 1) } : {}),
    outliers,
  });
}

function pivotSays(bias: ReturnType<typeof biasOf>, all: Measured | undefined, runs: number): Sentence {
  if (!all || bias === 'too-few') return tooFew(runs, TEN_RUNS);
  const said = sentence`${figure(all.value, 'share')} of what was ordered over ${runs} turns`;
  if (bias === 'level') return sentence`It turns as ordered, as far as ${runs} turns can tell: ${said}.`;
  return bias === 'below' ? sentence`It turns too little: ${said}.` : sentence`It turns too far: ${said}.`;
}

/** Whether one way turns further than the other. */
function uneven(readings: readonly TrialReading[], ordered: number): Sentence[] {
  const of = (way: string): number[] =>
    numbersIn(
      readings.filter((r) => wordIn(r, 'way') === way),
      'turned',
    ).map((x) => x / ordered);
  const [left, right] = [of('left'), of('right')];
  if (left.length < 2 || right.length < 2) return [];
  try {
    const { p, difference } = compareTrials.run({ a: left, b: right });
    if (p >= SIGNIFICANT) return [];
    return [
      sentence`It turns further to the ${difference > 0 ? 'right' : 'left'}, by ${figure(Math.abs(difference), 'share')} of what was ordered.`,
    ];
  } catch {
    return [];
  }
}

/** Turns on the spot. */
export const pivots: Protocol = {
  title: 'Turns on the spot',
  asks: 'Does it turn as far as it is told?',
  why: 'What scrubs turns less than its wheels say, and not alike both ways: order ten turns and read the angle.',
  aids: [
    'A printed circle with degrees, or a chalked cross under the middle of the driven axle.',
    'Order a whole turn or more: the longer the turn, the smaller the reading error in it.',
    SAME_FLOOR,
    FULL,
  ],
  cautions: [CLEAR],
  next: 'Take the correction over, then turn ten times more: the share should be 1 now.',
  runs: TEN_RUNS,
  conditions: [amount('commanded', 'Turn ordered', ['angle', '°'], { above: 0 }), BY],
  readings: [
    choice('way', 'Turned to the', { left: 'left', right: 'right' }),
    amount('turned', 'Turned', ['angle', '°'], { above: 0 }, { askPast: ASK_ANGLE }),
  ],
  analyse: analysePivot,
};

const OFF: Of = { key: 'off', title: 'Off straight after the turn', dimension: 'angle', sides: RIGHT_LEFT };

/** What lies between coming back from the one side and from the other, with its interval where it scatters. */
function playOf(readings: readonly TrialReading[]): Measured {
  const of = (from: string): number[] =>
    numbersIn(
      readings.filter((r) => wordIn(r, 'from') === from),
      'off',
    );
  const [a, b] = [of('left'), of('right')];
  const play = { key: 'play', title: 'Play between the two ways', dimension: 'angle' as const };
  const apart = meanOf(b) - meanOf(a);
  const plain = { ...play, value: Math.abs(apart), n: readings.length };
  if (a.length < 2 || b.length < 2 || Math.max(varianceOf(a), varianceOf(b)) === 0) return plain;
  const { ci95Low, ci95High } = compareTrials.run({ a, b });
  const [low, high] = apart < 0 ? [-ci95High, -ci95Low] : [ci95Low, ci95High];
  return { ...plain, low: Math.max(0, low), high };
}

function analyseReturn(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const runs = readings.length;
  const of = (from: string, key: string): Measured | undefined =>
    meanOfRuns(
      numbersIn(
        readings.filter((r) => wordIn(r, 'from') === from),
        'off',
      ),
      { ...OFF, key, title: `Off straight after a turn to the ${from}` },
    );
  const [left, right] = [of('left', 'fromLeft'), of('right', 'fromRight')];
  const all = meanOfRuns(numbersIn(readings, 'off'), OFF);
  if (!left || !right || runs < TEN_RUNS) return resultOf(runs, 'too-few', tooFew(runs, TEN_RUNS));
  const play = playOf(readings);
  const bias = biasOf(all, 0, TEN_RUNS);
  return resultOf(
    runs,
    bias === 'level' ? 'returns' : bias === 'below' ? 'rests-left' : 'rests-right',
    bias === 'level'
      ? sentence`It comes back to the middle, within a play of ${figure(play.value, 'angle', 2)} between the two ways.`
      : sentence`It comes back off the middle: ${sided(all?.value ?? 0, OFF)} on average; between the two ways lie ${figure(play.value, 'angle', 2)} of play.`,
    {
      measured: present(all, left, right, play),
      plots: [runsPlot(numbersIn(readings, 'off'), OFF, all, 0)],
    },
  );
}

/** A steering after a turn. */
export const steeringReturn: Protocol = {
  title: 'Steering, back to the middle',
  asks: 'Does the steering come back to straight?',
  why: 'Play, a stiff linkage or a weak actuator leave the wheels a little off after each turn: it then weaves.',
  aids: [
    'A pointer on the steered wheel against a printed arc, or a straight edge along the wheel.',
    'Wheels on the ground, with the load: turn fully to one side, order straight on, read.',
  ],
  cautions: ['Fingers out of the linkage while it is powered.'],
  next: 'Take up the play first, then set the middle; read again.',
  runs: TEN_RUNS,
  conditions: [],
  readings: [
    choice('from', 'After a turn to the', { left: 'left', right: 'right' }),
    amount('off', 'Off straight', ['angle', '°'], {}, { sides: RIGHT_LEFT }),
  ],
  analyse: analyseReturn,
};

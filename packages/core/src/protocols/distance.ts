import { figure, sentence, type Sentence } from '../quantity/index.ts';
import { odometrySquare, outliersOf } from '../trials/index.ts';
import { amount, choice } from './field.ts';
import { CLEAR, commandedWay, NEAR_SHARE, SAME_FLOOR, shareOfWay, WAY } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { numberIn, numbersIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
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
  TEN_RUNS,
  through,
  tooFew,
} from './summary.ts';

function analyseDistance(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const needed = distance.runs;
  const ordered = numberIn(conditions, 'commanded') ?? 0;
  const runs = readings.length;
  const ways = numbersIn(readings, 'distance');
  const way = meanOfRuns(ways, WAY);
  if (!way || !(ordered > 0)) return resultOf(runs, 'too-few', tooFew(runs, needed));
  const bias = biasOf(way, ordered, needed);
  const diameter = numberIn(conditions, 'diameter');
  const verdict = { 'too-few': 'too-few', below: 'runs-short', above: 'runs-long', level: 'runs-true' };
  const outliers = outliersOf(ways);
  return resultOf(runs, verdict[bias], distanceSays(bias, way, ordered, runs), {
    measured: present(
      way,
      shareOfWay(way, ordered),
      diameter === undefined
        ? undefined
        : through(
            way,
            { key: 'diameter', title: 'True diameter of the wheel', dimension: 'length' },
            (x) => (diameter * x) / ordered,
          ),
    ),
    notes: [
      ...(bias === 'level' ? moreRuns(way, NEAR_SHARE * ordered, 'length') : []),
      ...outOfLine(outliers),
    ],
    plots: [runsPlot(ways, WAY, way, ordered)],
    luck: luckOf(way, ordered),
    outliers,
  });
}

function distanceSays(
  bias: ReturnType<typeof biasOf>,
  way: Measured,
  ordered: number,
  runs: number,
): Sentence {
  if (bias === 'too-few') return tooFew(runs, distance.runs);
  if (bias === 'level')
    return sentence`It goes as far as ordered, as far as ${runs} runs can tell: ${figure(way.value, 'length', 4)} on average.`;
  const off = figure(Math.abs(way.value - ordered), 'length');
  return sentence`It goes ${off} too ${bias === 'below' ? 'short' : 'far'}: ${figure(way.value, 'length', 4)} for ${figure(ordered, 'length', 4)} ordered.`;
}

/** Distance by counts. */
export const distance: Protocol = {
  title: 'Distance by counts',
  asks: 'Does it go as far as it is told?',
  why: 'A loaded wheel is smaller than a free one; a run of a few metres gives its true diameter better than a rule does.',
  aids: [
    'A tape measure laid along the way; measure at the same point of the vehicle at start and end.',
    'The load it will carry; the pressure it will run at.',
    SAME_FLOOR,
  ],
  cautions: [CLEAR],
  next: 'Take the diameter over, then check it over a second distance: a new set, twice as long.',
  runs: 5,
  conditions: [
    commandedWay,
    amount('diameter', 'Diameter that the program has', ['length', 'mm'], { above: 0 }, { optional: true }),
  ],
  readings: [amount('distance', 'Distance covered', ['length', 'm'], { above: 0 })],
  analyse: analyseDistance,
};

function analyseSquare(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const runs = readings.length;
  const [sideM, trackM] = [numberIn(conditions, 'side') ?? 0, numberIn(conditions, 'track') ?? 0];
  const ends = (way: string) =>
    readings
      .filter((r) => wordIn(r, 'way') === way)
      .map((r) => ({ x: numberIn(r, 'ahead') ?? 0, y: numberIn(r, 'left') ?? 0 }));
  const [clockwise, counterClockwise] = [ends('clockwise'), ends('counter')];
  const needed = square.runs / 2;
  if (clockwise.length < needed || counterClockwise.length < needed || !(sideM > 0 && trackM > 0))
    return resultOf(
      runs,
      'too-few',
      sentence`${needed} runs each way make a verdict: ${clockwise.length} clockwise and ${counterClockwise.length} the other way so far.`,
    );
  try {
    const found = odometrySquare.run({ sideM, trackM, clockwise, counterClockwise });
    const one = (key: string, title: string, value: number): Measured => ({
      ...{ key, title, dimension: 'share', value, n: runs },
    });
    const wheels = Math.abs(found.diameterRatio - 1);
    return resultOf(
      runs,
      'measured',
      sentence`The right wheel is ${figure(wheels, 'share')} ${found.diameterRatio > 1 ? 'larger' : 'smaller'} than the left; the true track is ${figure(found.trackRatio, 'share', 4)} of the one in the program.`,
      {
        measured: [
          one('diameterRatio', 'Right wheel over left', found.diameterRatio),
          one('trackRatio', 'True track over the one in the program', found.trackRatio),
          {
            ...{ key: 'track', title: 'Track to work with', dimension: 'length' },
            ...{ value: found.correctedTrackM, n: runs },
          },
        ],
      },
    );
  } catch {
    return resultOf(
      runs,
      'not-a-square',
      sentence`Errors so large are not those of a square: measure the ends from the start of the run and keep them small.`,
    );
  }
}

/** A square both ways. */
export const square: Protocol = {
  title: 'Square both ways',
  asks: 'Are wheels and track what the program thinks?',
  why: 'Round a square one way, unlike wheels and a wrong track can hide each other; both ways they cannot.',
  aids: [
    'A corner of two straight edges to start from; five runs clockwise, five the other way.',
    'Read where it ends against where the program thinks it ends.',
    SAME_FLOOR,
  ],
  cautions: [CLEAR],
  next: 'Take both ratios over and run the square again: the ends should lie round the start.',
  runs: TEN_RUNS,
  conditions: [
    amount('side', 'Side of the square', ['length', 'm'], { above: 0 }),
    amount('track', 'Track that the program has', ['length', 'mm'], { above: 0 }),
  ],
  readings: [
    choice('way', 'Way round', { clockwise: 'clockwise', counter: 'counter-clockwise' }),
    amount(
      'ahead',
      'Ended off along the first leg',
      ['length', 'mm'],
      {},
      {
        sides: ['back', 'ahead'],
        help: 'True place less the place that the program has',
      },
    ),
    amount('left', 'Ended off across it', ['length', 'mm'], {}, { sides: ['right', 'left'] }),
  ],
  analyse: analyseSquare,
};

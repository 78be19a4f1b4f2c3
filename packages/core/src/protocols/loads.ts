import { figure, sentence, type Dimension, type Sentence } from '../quantity/index.ts';
import { compareTrials, meanOf, studentCritical, studentTwoSided } from '../trials/index.ts';
import { amount, choice } from './field.ts';
import { CLEAR, SAME_FLOOR } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { numberIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialPlot, TrialResult } from './result.ts';
import { meanOfRuns, present, resultOf, SIGNIFICANT, tooFew } from './summary.ts';

/** What may be compared with and without a change: its key and dimension. */
const MEASURES: Readonly<Record<string, readonly [title: string, Dimension, string]>> = {
  time: ['Time', 'time', 's'],
  distance: ['Way', 'length', 'm'],
  speed: ['Speed', 'speed', 'm/s'],
  current: ['Current', 'current', 'A'],
  pull: ['Pull', 'force', 'N'],
  temperature: ['Temperature', 'temperature', '°C'],
};

interface Run {
  readonly change: string;
  readonly load: number;
  readonly value: number;
}

const runsIn = (conditions: TrialConditions, readings: readonly TrialReading[]): Run[] =>
  readings.flatMap((r) => {
    const value = numberIn(r, wordIn(conditions, 'measures'));
    return value === undefined
      ? []
      : [{ change: wordIn(r, 'change'), load: numberIn(r, 'load') ?? 0, value }];
  });

/** At one load: with the change less without it. */
interface AtLoad {
  readonly load: number;
  readonly difference: number;
  readonly standardError: number;
  readonly free: number;
}

/** The difference at each load at which there are two runs or more of both. */
function atLoads(runs: readonly Run[]): AtLoad[] {
  const loads = [...new Set(runs.map(({ load }) => load))].sort((a, b) => a - b);
  return loads.flatMap((load) => {
    const of = (change: string): number[] =>
      runs.filter((run) => run.load === load && run.change === change).map(({ value }) => value);
    const [a, b] = [of('without'), of('with')];
    if (a.length < 2 || b.length < 2) return [];
    try {
      const { difference, t, degreesOfFreedom } = compareTrials.run({ a, b });
      return [{ load, difference, standardError: Math.abs(difference / t) || 0, free: degreesOfFreedom }];
    } catch {
      return [];
    }
  });
}

/** Over all loads: each counts as it is sure (fixed effects, weights by inverse variance: W. G. Cochran 1954). */
function overall(each: readonly AtLoad[]): AtLoad | undefined {
  const sure = each.filter(({ standardError }) => standardError > 0);
  if (sure.length === 0) return undefined;
  const weight = sure.reduce((sum, { standardError }) => sum + standardError ** -2, 0);
  return {
    load: NaN,
    difference:
      sure.reduce((sum, { difference, standardError }) => sum + difference / standardError ** 2, 0) / weight,
    standardError: weight ** -0.5,
    free: sure.reduce((sum, { free }) => sum + free, 0),
  };
}

function curve(runs: readonly Run[], title: string, dimension: Dimension): TrialPlot {
  return {
    kind: 'curve',
    x: { title: 'Load', dimension: 'mass' },
    y: { title, dimension },
    series: ['without', 'with'].map((change) => ({
      title: change,
      points: runs.filter((run) => run.change === change).map(({ load, value }) => [load, value] as const),
      joined: true,
    })),
  };
}

function analyseWith(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const runs = runsIn(conditions, readings);
  const [title = 'Time', dimension = 'time'] = MEASURES[wordIn(conditions, 'measures')] ?? [];
  const each = atLoads(runs);
  const all = overall(each);
  const plots = runs.length === 0 ? [] : [curve(runs, title, dimension)];
  if (!all)
    return resultOf(
      runs.length,
      'too-few',
      sentence`Two runs with and two without, at one load, are the least.`,
      {
        plots,
      },
    );
  const luck = studentTwoSided(all.difference / all.standardError, all.free);
  const better = (difference: number): boolean =>
    wordIn(conditions, 'better') === 'more' ? difference > 0 : difference < 0;
  const half = studentCritical(SIGNIFICANT, all.free) * all.standardError;
  const size = figure(Math.abs(all.difference), dimension);
  const base = meanOf(runs.filter(({ change }) => change === 'without').map(({ value }) => value));
  const by = sentence`${size} ${all.difference < 0 ? 'less' : 'more'} on average, ${figure(Math.abs(all.difference / base), 'share', 2)}`;
  const measured: Measured = {
    ...{ key: 'difference', title: `${title}, with less without`, dimension, n: runs.length },
    ...{ value: all.difference, low: all.difference - half, high: all.difference + half },
  };
  const verdict = luck >= SIGNIFICANT ? 'no-difference-shown' : better(all.difference) ? 'better' : 'worse';
  const says: Readonly<Record<string, Sentence>> = {
    'no-difference-shown': sentence`No difference shown: ${by}, which luck gives as well.`,
    better: sentence`The change is worth it: ${by}.`,
    worse: sentence`The change makes it worse: ${by}.`,
  };
  return resultOf(runs.length, verdict, says[verdict] ?? [], {
    measured: [measured],
    notes: crossing(each, better),
    plots,
    luck,
  });
}

/** Loads at which the change helps, where there are others at which it harms. */
function crossing(each: readonly AtLoad[], better: (difference: number) => boolean): Sentence[] {
  const sure = each.filter(
    ({ difference, standardError, free }) =>
      standardError > 0 && studentTwoSided(difference / standardError, free) < SIGNIFICANT,
  );
  const [good, bad] = [
    sure.filter(({ difference }) => better(difference)),
    sure.filter(({ difference }) => !better(difference)),
  ];
  const [first] = good;
  const [worst] = bad;
  if (!first || !worst) return [];
  return [
    sentence`It depends on the load: better with ${figure(first.load, 'mass')}, worse with ${figure(worst.load, 'mass')}. Decide by the load it will carry.`,
  ];
}

/** One change, at several loads. */
export const withAndWithout: Protocol = {
  title: 'With and without a change',
  asks: 'Is the change worth it?',
  why: 'One change, the same runs with and without it, at several loads: only then is it the change that made the difference.',
  aids: [
    'Change one thing. Run with and without in turns, not all of one first: the battery falls meanwhile.',
    'Three runs each at no load, half load and full load.',
    SAME_FLOOR,
  ],
  cautions: [CLEAR],
  next: 'Keep it or take it off, and write the decision down with these runs.',
  runs: 6,
  conditions: [
    choice(
      'measures',
      'What is measured',
      Object.fromEntries(Object.entries(MEASURES).map(([key, [title]]) => [key, title.toLowerCase()])),
    ),
    choice('better', 'Better is', { less: 'less', more: 'more' }),
  ],
  readings: [
    choice('change', 'The change', { without: 'without', with: 'with' }),
    amount('load', 'Load', ['mass', 'kg'], { least: 0 }),
    ...Object.entries(MEASURES).map(([key, [title, dimension, unit]]) =>
      amount(key, title, [dimension, unit], { least: 0 }, { optional: true, shownFor: ['measures', key] }),
    ),
  ],
  analyse: analyseWith,
};

const PER_MINUTE = 60;

function analyseScore(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const runs = readings.flatMap((r) => {
    const [load, time] = [numberIn(r, 'payload'), numberIn(r, 'time')];
    return load === undefined || time === undefined ? [] : [{ load, rate: (PER_MINUTE * load) / time }];
  });
  const loads = [...new Set(runs.map(({ load }) => load))].sort((a, b) => a - b);
  const ratesOf = (load: number): number[] => runs.filter((run) => run.load === load).map(({ rate }) => rate);
  const ranked = loads
    .map((load) => ({ load, rates: ratesOf(load), mean: meanOf(ratesOf(load)) }))
    .sort((a, b) => b.mean - a.mean);
  const [best, second] = ranked;
  const plots: TrialPlot[] =
    runs.length === 0
      ? []
      : [
          {
            kind: 'curve',
            x: { title: 'Payload', dimension: 'mass' },
            y: { title: 'Carried a minute', dimension: 'mass' },
            series: [
              { title: 'runs', points: runs.map(({ load, rate }) => [load, rate] as const), joined: true },
            ],
          },
        ];
  if (!best || !second || runs.length < scoreRuns.runs)
    return resultOf(
      runs.length,
      'too-few',
      runs.length < scoreRuns.runs
        ? tooFew(runs.length, scoreRuns.runs)
        : sentence`Runs with another payload are to be made, to have something to compare.`,
      { plots },
    );
  const edge = best.load === loads[0] ? 'less' : best.load === loads.at(-1) ? 'more' : undefined;
  return resultOf(
    runs.length,
    'best',
    sentence`${figure(best.load, 'mass')} scores best: ${figure(best.mean, 'mass')} carried a minute, against ${figure(second.mean, 'mass')} with ${figure(second.load, 'mass')}.`,
    {
      measured: [
        { key: 'payload', title: 'Best payload', dimension: 'mass', value: best.load, n: best.rates.length },
        ...present(meanOfRuns(best.rates, { key: 'rate', title: 'Carried a minute', dimension: 'mass' })),
      ],
      notes: [
        ...(edge
          ? [
              sentence`It is the ${edge === 'more' ? 'heaviest' : 'lightest'} that was tried: try ${edge} still.`,
            ]
          : []),
        ...apart(best.rates, second.rates),
      ],
      plots,
    },
  );
}

/** Said where the best two cannot be told apart. */
function apart(a: readonly number[], b: readonly number[]): Sentence[] {
  if (a.length < 2 || b.length < 2)
    return [sentence`Two runs or more of each payload tell whether the best two differ.`];
  try {
    return compareTrials.run({ a: [...a], b: [...b] }).p < SIGNIFICANT
      ? []
      : [sentence`The best two cannot be told apart by these runs.`];
  } catch {
    return [];
  }
}

/** Payload over time. */
export const scoreRuns: Protocol = {
  title: 'Score runs',
  asks: 'Which payload scores best?',
  why: 'More payload a trip, but slower: the best is where payload over time is highest, and it is found by running.',
  aids: [
    'The whole trip as it is scored: there, unload, back. Stop watch from start to start.',
    'Three payloads or more, three runs each, in turns.',
  ],
  cautions: [CLEAR, 'Load that can fall is strapped; nobody below a slope.'],
  next: 'Take the best payload to the event; try the one beyond it where the best is at the end.',
  runs: 6,
  conditions: [
    amount('distance', 'Distance, one way', ['length', 'm'], { above: 0 }, { optional: true }),
    amount(
      'between',
      'Loading, unloading and turning, each trip',
      ['time', 's'],
      { least: 0 },
      { optional: true },
    ),
  ],
  readings: [
    amount('payload', 'Payload', ['mass', 'kg'], { above: 0 }),
    amount('time', 'Time of the trip', ['time', 's'], { above: 0 }),
  ],
  analyse: analyseScore,
};

import { figure, sentence, type Sentence } from '../quantity/index.ts';
import { meanOf, varianceOf } from '../trials/index.ts';
import { amount, choice, partName, type AmountsField, type NamesField } from './field.ts';
import { matched, type Matching } from './matching.ts';
import type { Protocol } from './protocol.ts';
import { amountsIn, namesIn, numberIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';
import { meanOfRuns, present, resultOf } from './summary.ts';

/** Runs of the same motor the same way that its mean takes (common practice, no source: match motors three times each). */
const REPEATS = 3;
const WAYS = ['forward', 'backward'] as const;
type Way = (typeof WAYS)[number];

/** One column of the table: every motor is read at it. */
export interface Column {
  readonly power: number;
  readonly way: Way;
  readonly weight: number;
}

/**
 * Columns of the table that a set asks for.
 *
 * @example columnsOf({ powers: [typed(1, '%')], ways: 'forward' }) // [{ power: 1, way: 'forward', weight: 1 }]
 */
export function columnsOf(conditions: TrialConditions): readonly Column[] {
  const weights = amountsIn(conditions, 'weights');
  const ways: readonly Way[] = wordIn(conditions, 'ways') === 'forward' ? ['forward'] : WAYS;
  return amountsIn(conditions, 'powers').flatMap((power, at) =>
    ways.map((way) => ({ power, way, weight: weights[at] ?? 1 })),
  );
}

/**
 * Times each motor is read at each column.
 *
 * @example repeatsOf({}) // 3
 */
export const repeatsOf = (conditions: TrialConditions): number =>
  Math.max(1, Math.round(numberIn(conditions, 'repeats') ?? REPEATS));

/** Speed of a reading, rad/s: as it was read, or timed over so many turns. */
function speedOf(conditions: TrialConditions, reading: TrialReading): number | undefined {
  const [timeS, turns] = [numberIn(reading, 'time'), numberIn(conditions, 'turns')];
  if (wordIn(conditions, 'reads') !== 'time') return numberIn(reading, 'speed');
  return timeS === undefined || turns === undefined ? undefined : (2 * Math.PI * turns) / timeS;
}

const isAt = (reading: TrialReading, { power, way }: Column): boolean =>
  wordIn(reading, 'way') === way && Math.abs((numberIn(reading, 'power') ?? NaN) - power) < 1e-6;

/** A cell of the table: what was read of a motor at a column. */
export interface Cell {
  readonly motor: string;
  readonly column: Column;
  /** rad/s. */
  readonly speeds: readonly number[];
}

/**
 * The table of a set of motors, filled as far as it is: a row a motor, a cell a column.
 *
 * @example motorTable({ motors: ['1', '2'], powers: [typed(1, '%')] }, [])[0]?.[0]?.speeds.length // 0
 */
export function motorTable(
  conditions: TrialConditions,
  readings: readonly TrialReading[],
): readonly (readonly Cell[])[] {
  const columns = columnsOf(conditions);
  return namesIn(conditions, 'motors').map((motor) =>
    columns.map((column) => ({
      motor,
      column,
      speeds: readings
        .filter((r) => wordIn(r, 'motor') === motor && isAt(r, column))
        .flatMap((r) => speedOf(conditions, r) ?? []),
    })),
  );
}

/**
 * What is to be read next: the first motor with an empty cell, all of a motor before the next one.
 *
 * @example nextCell({ motors: ['a', 'b'], powers: [typed(1, '%')] }, [])?.motor // 'a'
 */
export function nextCell(
  conditions: TrialConditions,
  readings: readonly TrialReading[],
): Pick<Cell, 'motor' | 'column'> | undefined {
  const repeats = repeatsOf(conditions);
  return motorTable(conditions, readings)
    .flat()
    .find(({ speeds }) => speeds.length < repeats);
}

/** Scatter of single readings about their cells, as a share of them. */
function scatterOf(table: readonly (readonly Cell[])[]): number | undefined {
  const cells = table.flat().filter(({ speeds }) => speeds.length > 1);
  if (cells.length === 0) return undefined;
  const squares = cells.map(({ speeds }) => ({
    sum: (varianceOf(speeds) / meanOf(speeds) ** 2) * (speeds.length - 1),
    free: speeds.length - 1,
  }));
  const free = squares.reduce((n, s) => n + s.free, 0);
  return Math.sqrt(squares.reduce((sum, s) => sum + s.sum, 0) / free);
}

/**
 * Which motors go together, from those whose row is filled; undefined until there are two.
 *
 * @example motorsMatched({ motors: ['1', '2'], powers: [typed(1, '%')] }, []) // undefined
 */
export function motorsMatched(
  conditions: TrialConditions,
  readings: readonly TrialReading[],
): Matching | undefined {
  const table = motorTable(conditions, readings);
  const full = table.filter((row) => row.length > 0 && row.every(({ speeds }) => speeds.length > 0));
  const repeats = Math.min(...full.flat().map(({ speeds }) => speeds.length));
  const scatter = scatterOf(full);
  return matched(
    full.map((row) => ({
      label: row[0]?.motor ?? '',
      values: row.map(({ speeds }) => meanOf(speeds)),
    })),
    columnsOf(conditions).map(({ weight }) => weight),
    // Of the difference of two means.
    scatter === undefined ? undefined : scatter * Math.sqrt(2 / repeats),
  );
}

/** How fast the motors turn at the highest power, each of them one of its kind. */
function atHighestPower(
  conditions: TrialConditions,
  readings: readonly TrialReading[],
): Measured | undefined {
  const highest = Math.max(...amountsIn(conditions, 'powers'));
  const each = motorTable(conditions, readings).flatMap((row) => {
    const speeds = row.filter(({ column }) => column.power === highest).flatMap((cell) => cell.speeds);
    return speeds.length === 0 ? [] : [meanOf(speeds)];
  });
  return meanOfRuns(each, {
    ...{ key: 'speed', title: 'Speed at the highest power, of all motors', dimension: 'rotation' },
  });
}

function analyse(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const matching = motorsMatched(conditions, readings);
  const names = namesIn(conditions, 'motors');
  const next = nextCell(conditions, readings);
  const n = readings.length;
  if (!matching)
    return resultOf(n, 'too-few', sentence`The rows of two motors are to be filled first.`, {
      notes: unweighed(conditions),
    });
  const measured = atHighestPower(conditions, readings);
  const rest = names.length - matching.items.length;
  return resultOf(n, rest === 0 && !next ? 'matched' : 'matched-so-far', saysOf(matching), {
    measured: present(measured),
    notes: [
      ...(rest > 0
        ? [
            sentence`${rest} of ${names.length} motors ${rest === 1 ? 'has empty cells: it is' : 'have empty cells: they are'} not in it yet.`,
          ]
        : []),
      ...unweighed(conditions),
    ],
  });
}

/** What the best pair is, and how sure that is. */
export function saysOf({ bestPair, noise }: Matching): Sentence {
  const said = sentence`${bestPair.a} and ${bestPair.b} go best together: ${figure(bestPair.mismatch, 'share', 2)} apart.`;
  if (noise === undefined) return said;
  return bestPair.mismatch < 2 * noise
    ? sentence`${said} The readings themselves scatter by ${figure(noise, 'share', 2)}: no pair can be told to be better.`
    : sentence`${said} The readings scatter by ${figure(noise, 'share', 2)}.`;
}

const unweighed = (conditions: TrialConditions): Sentence[] => {
  const weights = amountsIn(conditions, 'weights');
  return weights.length > 0 && weights.length !== amountsIn(conditions, 'powers').length
    ? [sentence`There are not as many weights as powers: those left out count fully.`]
    : [];
};

const names: NamesField = {
  ...{ kind: 'names', key: 'motors', title: 'Motors' },
  help: 'Number them with a marker first: 1-13 stands for thirteen',
};
const powers: AmountsField = {
  ...{ kind: 'amounts', key: 'powers', title: 'Powers', dimension: 'share', unit: '%' },
  range: { above: 0, most: 1 },
  help: 'As the vehicle uses them: 25, 50, 75, 100 %',
};
const weights: AmountsField = {
  ...{ kind: 'amounts', key: 'weights', title: 'Weight of each power', dimension: 'share', unit: '%' },
  range: { least: 0, most: 1 },
  help: 'How much of its time the vehicle runs at it',
  optional: true,
};

/** A drawer of motors, timed. */
export const motorMatching: Protocol = {
  title: 'Matching motors',
  asks: 'Which motors go together?',
  why: 'Motors of one bag differ by several per cent, and not alike forward and back: matched ones run straight before any loop helps.',
  aids: [
    'Clamp each motor the same way, with the same load on its shaft: a wheel on a brake pad, a fan, a drum with a weight.',
    'The same cables and the same driver for all; let each rest between runs.',
    'Charge once the battery is under the voltage set here: all are to run on the same.',
    'Four powers, both ways, three times each.',
  ],
  cautions: [
    'Clamp it before it is powered; sleeves and hair clear of what turns.',
    'A loaded motor heats: stop when it is too hot to hold.',
  ],
  next: 'Fit the best pair, write their numbers on the shelf, and make ten straight runs.',
  runs: 2 * REPEATS,
  conditions: [
    names,
    powers,
    weights,
    choice('ways', 'Ways', { both: 'forward and backward', forward: 'forward only' }),
    amount('repeats', 'Times each', ['number', ''], { least: 1, most: 20 }, { optional: true }),
    choice('reads', 'What is read', { speed: 'speed', time: 'time for so many turns' }),
    amount(
      'turns',
      'Turns timed',
      ['number', ''],
      { above: 0 },
      { optional: true, shownFor: ['reads', 'time'] },
    ),
    amount(
      'load',
      'Load on the shaft',
      ['torque', 'N·m'],
      { least: 0 },
      {
        optional: true,
        help: '0 where it turns freely; then its speed is predicted',
      },
    ),
    amount('pause', 'Rest between runs', ['time', 's'], { least: 0 }, { optional: true }),
    amount('chargeUnder', 'Charge the battery under', ['voltage', 'V'], { above: 0 }, { optional: true }),
  ],
  readings: [
    partName('motor', 'Motor'),
    amount('power', 'Power', ['share', '%'], { above: 0, most: 1 }),
    choice('way', 'Way', { forward: 'forward', backward: 'backward' }),
    amount(
      'speed',
      'Speed',
      ['rotation', 'rpm'],
      { above: 0 },
      { optional: true, shownFor: ['reads', 'speed'] },
    ),
    amount('time', 'Time', ['time', 's'], { above: 0 }, { optional: true, shownFor: ['reads', 'time'] }),
  ],
  analyse,
};

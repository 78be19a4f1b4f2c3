import { typed } from '../quantity/index.ts';
import { outliersOf } from '../trials/index.ts';
import { nextCell } from './motor-matching.ts';
import { readingFields, type ProtocolName } from './protocols.ts';
import { numberIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';

/** The other of two words, in turns. */
const inTurns =
  (key: string, one: string, other: string) =>
  (_: TrialConditions, readings: readonly TrialReading[]): TrialReading => ({
    [key]: wordIn(readings.at(-1) ?? {}, key) === one ? other : one,
  });

const kept = (readings: readonly TrialReading[], ...keys: readonly string[]): TrialReading => {
  const last = readings.at(-1) ?? {};
  return Object.fromEntries(keys.flatMap((key) => (last[key] === undefined ? [] : [[key, last[key]]])));
};

/** What is known of the next run before it is made, by protocol: what varies in turns, what stays. */
const NEXT: {
  readonly [N in ProtocolName]?: (
    conditions: TrialConditions,
    readings: readonly TrialReading[],
  ) => TrialReading;
} = {
  pivots: inTurns('way', 'left', 'right'),
  square: inTurns('way', 'clockwise', 'counter'),
  'steering-return': inTurns('from', 'left', 'right'),
  'motor-matching': (conditions, readings) => {
    const cell = nextCell(conditions, readings);
    return cell ? { motor: cell.motor, power: typed(cell.column.power, '%'), way: cell.column.way } : {};
  },
  // A pair is flipped once it has run.
  'wheel-matching': (_, readings) => {
    const [before, last] = [readings.at(-2), readings.at(-1)];
    if (!last) return {};
    const [left, right] = [wordIn(last, 'left'), wordIn(last, 'right')];
    const flipped = before && wordIn(before, 'left') === right && wordIn(before, 'right') === left;
    return flipped ? {} : { left: right, right: left };
  },
  'slider-choice': (_, readings) => kept(readings, 'slider', 'does'),
  'with-and-without': (conditions, readings) => ({
    ...kept(readings, 'load'),
    ...inTurns('change', 'without', 'with')(conditions, readings),
  }),
  score: (_, readings) => kept(readings, 'payload'),
  'coast-down': (_, readings) => kept(readings, 'roll', 'way'),
  balance: (_, readings) => kept(readings, 'what'),
};

/**
 * What is known of the next run before it is made.
 *
 * @example nextRun('pivots', {}, []).way // 'left'
 */
export const nextRun = (
  name: ProtocolName,
  conditions: TrialConditions,
  readings: readonly TrialReading[],
): TrialReading => NEXT[name]?.(conditions, readings) ?? {};

/** Words that part the runs of a set into those that are alike. */
const alike = (one: TrialReading, other: TrialReading): boolean =>
  Object.keys(one).every((key) => typeof one[key] !== 'string' || key === 'note' || one[key] === other[key]);

/**
 * The numbers of a run that are worth asking about before it is taken, by their keys: far from what such a run may be, or out
 * of line with those before it.
 *
 * @example oddIn('straight-run', {}, [], { side: typed(3, 'm'), distance: typed(2, 'm') }) // ['side']
 */
export function oddIn(
  name: ProtocolName,
  conditions: TrialConditions,
  readings: readonly TrialReading[],
  filled: TrialReading,
): readonly string[] {
  const before = readings.filter((reading) => alike(filled, reading));
  return readingFields(name, conditions, filled).flatMap((field) => {
    if (field.kind !== 'quantity') return [];
    const value = numberIn(filled, field.key);
    if (value === undefined) return [];
    const past = field.askPast !== undefined && Math.abs(value) > field.askPast;
    const others = before.flatMap((reading) => numberIn(reading, field.key) ?? []);
    const outOfLine = !RISES.has(field.key) && outliersOf([...others, value]).includes(others.length);
    const sideways =
      name === 'straight-run' &&
      field.key === 'side' &&
      Math.abs(value) > (numberIn(filled, 'distance') ?? Infinity);
    return past || outOfLine || sideways ? [field.key] : [];
  });
}

/** What is meant to differ from run to run. */
const RISES: ReadonlySet<string> = new Set([
  'time',
  'power',
  'load',
  'payload',
  'motor',
  'driver',
  'voltage',
]);

/** A battery that fell by more than this over a set is to be charged before the next one (common practice, no source). */
const FELL = 0.05;

/**
 * Whether the battery is to be charged before the next run.
 *
 * @example chargeFirst({ batteryBefore: typed(12.6, 'V'), batteryAfter: typed(11.2, 'V') }) // true
 */
export function chargeFirst(conditions: TrialConditions): boolean {
  const [before, after, under] = ['batteryBefore', 'batteryAfter', 'chargeUnder'].map((key) =>
    numberIn(conditions, key),
  );
  const now = after ?? before;
  if (now !== undefined && under !== undefined && now < under) return true;
  return before !== undefined && after !== undefined && after < (1 - FELL) * before;
}

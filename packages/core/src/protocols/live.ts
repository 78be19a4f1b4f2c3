import { radiansToDegrees, degreesToRadians, rpmToRadS, typed, type Quantity } from '../quantity/index.ts';
import { readAnswer, type Command } from '../standin/index.ts';
import type { ProtocolName } from './protocols.ts';
import { numberIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';

type Order = Omit<Command, 'id'>;
type Got = Readonly<Record<string, number | string>>;

const measured = (value: number, unit: string): Quantity => typed(value, unit, 'measured');
const numberOf = (got: Got, name: string): number | undefined => {
  const value = got[name];
  return typeof value === 'number' && Number.isFinite(value) ? value : undefined;
};

interface Live {
  /** What the vehicle is told for the next run; undefined where that is not settled yet. */
  readonly order: (conditions: TrialConditions, next: TrialReading) => Order | undefined;
  /** What of its answer is read; undefined where it lacks something. */
  readonly read: (next: TrialReading, got: Got) => TrialReading | undefined;
}

const by = (conditions: TrialConditions): Readonly<Record<string, string>> => ({
  by: wordIn(conditions, 'by') || 'counts',
});

const goes =
  (...keys: readonly ('side' | 'distance')[]): Live['read'] =>
  (next, got) => {
    const read = keys.map((key) => [key, numberOf(got, key)] as const);
    if (read.some(([, value]) => value === undefined)) return undefined;
    return {
      ...next,
      ...Object.fromEntries(
        read.map(([key, value]) => [key, measured(value ?? 0, key === 'side' ? 'mm' : 'm')]),
      ),
      note: '',
    };
  };

/** A brake that a vehicle which has one is told to set, N·m. */
function loadOf(conditions: TrialConditions): Readonly<Record<string, number>> {
  const load = numberIn(conditions, 'load');
  return load === undefined ? {} : { Nm: load };
}

/** Trials that a controller can run by itself, and what it is told and answers. */
const LIVE: { readonly [N in ProtocolName]?: Live } = {
  'straight-run': {
    order: (conditions) => ({
      verb: 'go',
      values: { m: numberIn(conditions, 'commanded') ?? 1, ...by(conditions) },
    }),
    read: goes('side', 'distance'),
  },
  distance: {
    order: (conditions) => ({
      verb: 'go',
      values: { m: numberIn(conditions, 'commanded') ?? 1, by: 'counts' },
    }),
    read: goes('distance'),
  },
  pivots: {
    order: (conditions, next) => ({
      verb: 'turn',
      values: {
        deg: radiansToDegrees(numberIn(conditions, 'commanded') ?? Math.PI),
        way: wordIn(next, 'way') || 'left',
        ...by(conditions),
      },
    }),
    read: (next, got) => {
      const turned = numberOf(got, 'turned');
      return turned === undefined
        ? undefined
        : { ...next, turned: measured(degreesToRadians(turned), '°'), note: '' };
    },
  },
  'motor-matching': {
    order: (conditions, next) =>
      wordIn(next, 'motor') === ''
        ? undefined
        : {
            verb: 'motor',
            values: {
              nr: wordIn(next, 'motor'),
              power: numberIn(next, 'power') ?? 1,
              way: wordIn(next, 'way'),
              ...loadOf(conditions),
            },
          },
    read: (next, got) => {
      const rpm = numberOf(got, 'rpm');
      return rpm === undefined || !(rpm > 0)
        ? undefined
        : { ...next, speed: measured(rpmToRadS(rpm), 'rpm'), note: '' };
    },
  },
};

/**
 * Whether a controller can run a trial by itself.
 *
 * @example isLive('straight-run') // true
 */
export const isLive = (name: ProtocolName): boolean => LIVE[name] !== undefined;

/**
 * What a controller is told for the next run; undefined where nothing is left to run.
 *
 * @example orderFor('straight-run', { commanded: typed(3, 'm') }, {}) // { verb: 'go', values: { m: 3, by: 'counts' } }
 */
export const orderFor = (
  name: ProtocolName,
  conditions: TrialConditions,
  next: TrialReading,
): Order | undefined => LIVE[name]?.order(conditions, next);

/**
 * The run that a controller's answer tells; undefined where it lacks something.
 *
 * @example runFrom('straight-run', {}, { side: 0.01, distance: 2.9 })?.side // { value: 0.01, unit: 'mm', origin: 'measured' }
 */
export const runFrom = (name: ProtocolName, next: TrialReading, got: Got): TrialReading | undefined =>
  LIVE[name]?.read(next, got);

/**
 * Runs from a text that a controller wrote, each `got` a run; in the order in which it was to run.
 *
 * @example runsFromLines('straight-run', () => ({}), 'ok 1\ngot 1 side=0.01 distance=2.9').length // 1
 */
export function runsFromLines(
  name: ProtocolName,
  next: (before: readonly TrialReading[]) => TrialReading,
  text: string,
): readonly TrialReading[] {
  const runs: TrialReading[] = [];
  for (const line of text.split(/\r\n|\n|\r/)) {
    const answer = readAnswer(line);
    if (answer?.says !== 'got') continue;
    const run = runFrom(name, next(runs), answer.values);
    if (run) runs.push(run);
  }
  return runs;
}

import Papa from 'papaparse';
import { dimensionOf, isQuantity, type Dimension } from '../quantity/index.ts';
import { meanOf } from '../trials/index.ts';
import { readingFields, type ProtocolName } from './protocols.ts';
import { numbersIn } from './reading.ts';
import { resultOfSet, type TrialSet } from './trial-set.ts';

/** A set of one build of a class or a club. */
export interface GroupSet extends TrialSet {
  readonly buildId: string;
  readonly buildName: string;
}

/** What builds are compared by in a kind of trial. */
interface Compared {
  readonly title: string;
  readonly dimension: Dimension;
  readonly better: 'less' | 'more';
  readonly of: (set: TrialSet) => number | undefined;
}

const measured =
  (key: string, turn: (value: number) => number = (value) => value) =>
  (set: TrialSet): number | undefined => {
    const found = resultOfSet(set).measured.find((one) => one.key === key);
    return found && turn(found.value);
  };
const off = (value: number): number => Math.abs(value - 1);

const COMPARED: { readonly [N in ProtocolName]?: Compared } = {
  'straight-run': {
    ...{ title: 'Off the line, all told', dimension: 'length', better: 'less' },
    of: ({ trials }) => {
      const sides = numbersIn(
        trials.map(({ reading }) => reading),
        'side',
      );
      return sides.length === 0 ? undefined : Math.sqrt(meanOf(sides.map((x) => x * x)));
    },
  },
  distance: { title: 'Off the way ordered', dimension: 'share', better: 'less', of: measured('share', off) },
  pivots: { title: 'Off the turn ordered', dimension: 'share', better: 'less', of: measured('share', off) },
  'coast-down': {
    title: 'Rolling resistance',
    dimension: 'coefficient',
    better: 'less',
    of: measured('rolling'),
  },
  'slip-slope': { title: 'Friction', dimension: 'coefficient', better: 'more', of: measured('friction') },
  pull: { title: 'Pull', dimension: 'force', better: 'more', of: measured('pull') },
  stopping: { title: 'Way to a stand', dimension: 'length', better: 'less', of: measured('distance') },
  'side-slope': { title: 'Side slope', dimension: 'angle', better: 'more', of: measured('angle') },
  score: { title: 'Carried a minute', dimension: 'mass', better: 'more', of: measured('rate') },
  'run-down': { title: 'Time until empty', dimension: 'time', better: 'more', of: measured('runTime') },
};

/** A build of a class in one kind of trial. */
export interface Placed {
  readonly set: GroupSet;
  readonly runs: number;
  /** What it is compared by; absent before its first run, or of a kind that compares nothing. */
  readonly value?: number;
  /** Of the best, at most 1. */
  readonly score?: number;
}

/** A class or a club in one kind of trial, the best first. */
export interface Standing {
  readonly group: string;
  readonly protocol: ProtocolName;
  readonly compares?: Pick<Compared, 'title' | 'dimension' | 'better'>;
  readonly placed: readonly Placed[];
}

function scoreOf(value: number, best: number, better: Compared['better']): number {
  if (value === best) return 1;
  return better === 'less' ? best / value : value / best;
}

function standing(group: string, protocol: ProtocolName, sets: readonly GroupSet[]): Standing {
  const compares = COMPARED[protocol];
  const rows = sets.map((set) => ({ set, runs: set.trials.length, value: compares?.of(set) }));
  const values = rows.flatMap(({ value }) => value ?? []);
  const best = compares?.better === 'less' ? Math.min(...values) : Math.max(...values);
  const placed = rows.map(({ value, ...row }): Placed =>
    value === undefined || !compares ? row : { ...row, value, score: scoreOf(value, best, compares.better) },
  );
  return {
    ...{ group, protocol },
    ...(compares
      ? { compares: { title: compares.title, dimension: compares.dimension, better: compares.better } }
      : {}),
    placed: placed.sort((a, b) => (b.score ?? -1) - (a.score ?? -1)),
  };
}

/**
 * How the builds of each class or club stand in each kind of trial that they share.
 *
 * @example standings([]) // []
 */
export function standings(sets: readonly GroupSet[]): readonly Standing[] {
  const groups = new Map<string, GroupSet[]>();
  for (const set of sets) {
    const { group } = set.conditions;
    if (typeof group !== 'string') continue;
    const key = JSON.stringify([group, set.protocol]);
    groups.set(key, [...(groups.get(key) ?? []), set]);
  }
  return [...groups].map(([key, of]) => {
    const [group, protocol] = JSON.parse(key) as [string, ProtocolName];
    return standing(group, protocol, of);
  });
}

/**
 * Every reading of some sets as one table: a line a reading, in SI and as it was called; for a spreadsheet.
 *
 * @example readingsCsv([]) // 'build,set,trial,run,reading,value,unit,word'
 */
export function readingsCsv(sets: readonly GroupSet[]): string {
  const rows = sets.flatMap((set) =>
    set.trials.flatMap(({ reading }, at) =>
      readingFields(set.protocol, set.conditions, reading).flatMap((field) => {
        const value = reading[field.key];
        if (value === undefined) return [];
        const before = [set.buildName, set.name, set.protocol, at + 1, field.title];
        return isQuantity(value) && field.kind === 'quantity'
          ? [[...before, value.value, dimensionOf(field.dimension).siSymbol, '']]
          : [[...before, '', '', typeof value === 'string' ? value : '']];
      }),
    ),
  );
  return Papa.unparse({
    fields: ['build', 'set', 'trial', 'run', 'reading', 'value', 'unit', 'word'],
    data: rows,
  }).trimEnd();
}

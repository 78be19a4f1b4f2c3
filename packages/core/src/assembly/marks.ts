import { freeId, type Build, type MarkedLine, type MarkedStep, type OwnLine } from '../vehicle/index.ts';
import type { PartLine } from './parts-list.ts';

/** What a builder notes on a line; undefined takes a note away. */
export interface LineNote {
  readonly state?: MarkedLine['state'];
  readonly arrivesOn?: string | undefined;
  readonly costEach?: number | undefined;
  readonly massEach?: MarkedLine['massEach'];
  readonly supplier?: string | undefined;
}

const replace = <T extends { readonly id: string }>(items: readonly T[], item: T): T[] =>
  items.some((other) => other.id === item.id)
    ? items.map((other) => (other.id === item.id ? item : other))
    : [...items, item];

/** Keys without a value are left out: the document says nothing where nothing is known. */
const given = <T extends object>(fields: T): T =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as T;

/**
 * The build with a note on a line of its parts list, wherever that line keeps it: part, own line or mark.
 *
 * @example markLine(puffin, partsList(puffin)[0], { state: 'on-hand' }).assembly.lines.some(({ state }) => state === 'on-hand')
 *   // true
 */
export function markLine(build: Build, line: PartLine, note: LineNote): Build {
  // What is on hand needs no day to arrive on.
  const settled: LineNote =
    note.state !== undefined && note.state !== 'ordered' ? { ...note, arrivesOn: undefined } : note;
  const { assembly } = build;
  if (line.source === 'chosen') {
    const { costEach, massEach, supplier, ...rest } = settled;
    const parts = build.parts.map((part) =>
      part.id === line.partId
        ? given({
            ...part,
            ...rest,
            ...('costEach' in settled ? { cost: costEach } : {}),
            ...(massEach ? { massKg: massEach.value } : {}),
            ...('supplier' in settled ? { note: supplier ?? '' } : {}),
          })
        : part,
    );
    return { ...build, parts };
  }
  if (line.source === 'own') {
    const own = assembly.own.map((mine): OwnLine =>
      mine.id === line.id ? given({ ...mine, ...settled }) : mine,
    );
    return { ...build, assembly: { ...assembly, own } };
  }
  const before = assembly.lines.find((mark) => mark.id === line.id) ?? { id: line.id, state: line.state };
  const lines = replace<MarkedLine>(assembly.lines, given({ ...before, ...settled }));
  return { ...build, assembly: { ...assembly, lines } };
}

/**
 * The build with a note on a step; a step of which nothing is noted any more has no mark.
 *
 * @example markStep(gull, 'frame', { doneOn: '2027-03-14' }).assembly.steps
 *   // [{ id: 'frame', doneOn: '2027-03-14' }]
 */
export function markStep(
  build: Build,
  id: string,
  note: { readonly [K in Exclude<keyof MarkedStep, 'id'>]?: MarkedStep[K] | undefined },
): Build {
  const before = build.assembly.steps.find((mark) => mark.id === id) ?? { id };
  const mark = given({ ...before, ...note });
  const others = build.assembly.steps;
  const steps =
    Object.keys(mark).length > 1 ? replace(others, mark) : others.filter((other) => other.id !== id);
  return { ...build, assembly: { ...build.assembly, steps } };
}

/**
 * The build with one more line of the builder's own.
 *
 * @example addOwnLine(puffin, 'Tray').assembly.own.at(-1)?.name // 'Tray'
 */
export const addOwnLine = (build: Build, name: string): Build => ({
  ...build,
  assembly: {
    ...build.assembly,
    own: [
      ...build.assembly.own,
      { id: freeId('own', build.assembly.own), name, count: 1, state: 'wished-for' },
    ],
  },
});

/**
 * A line of the builder's own under another name or count.
 *
 * @example changeOwnLine(addOwnLine(gull, 'Tray'), 'own-1', { count: 2 }).assembly.own[0]?.count // 2
 */
export const changeOwnLine = (
  build: Build,
  id: string,
  to: Partial<Pick<OwnLine, 'name' | 'count'>>,
): Build => ({
  ...build,
  assembly: {
    ...build.assembly,
    own: build.assembly.own.map((line) => (line.id === id ? { ...line, ...to } : line)),
  },
});

/**
 * The list without a line of the builder's own.
 *
 * @example removeOwnLine(addOwnLine(gull, 'Tray'), 'own-1').assembly.own // []
 */
export const removeOwnLine = (build: Build, id: string): Build => ({
  ...build,
  assembly: { ...build.assembly, own: build.assembly.own.filter((line) => line.id !== id) },
});

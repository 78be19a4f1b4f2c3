import Papa from 'papaparse';
import { FORMULA } from '../exchange/index.ts';
import type { Build } from '../vehicle/index.ts';
import { partsList } from './parts-list.ts';
import { assemblySteps } from './steps.ts';

/** Something to buy, for one build or several together. */
export interface ToBuy {
  readonly name: string;
  readonly count: number;
  /** A part of the list, a screw or nut in a usual size with some to spare, or what is used up. */
  readonly kind: 'part' | 'fastener' | 'consumable';
  /** Ordered already, or still to be ordered. */
  readonly state: 'ordered' | 'wished-for';
  readonly supplier?: string;
  readonly costEach?: number;
  /** The builds that want it. */
  readonly builds: readonly string[];
}

/** Of screws so many more, as some are lost: a tenth, two at least (common practice, no source). */
const SPARE = 0.1;
const LEAST_SPARE = 2;
const withSpares = (count: number): number => count + Math.max(LEAST_SPARE, Math.ceil(count * SPARE));

/** What is used up, among what steps lay out. */
const USED_UP: readonly string[] = [
  'thread lock',
  'grease',
  'heat-shrink sleeve',
  'cable ties',
  'label tape',
];

type Wanted = Omit<ToBuy, 'builds'>;

function ofBuild(build: Build): readonly Wanted[] {
  const { steps } = assemblySteps(build);
  const parts = partsList(build).flatMap(({ name, count, state, supplier, costEach, missing }): Wanted[] =>
    state === 'on-hand' || missing !== undefined
      ? []
      : [
          {
            ...{ name, count, kind: 'part', state },
            ...(supplier === undefined ? {} : { supplier }),
            ...(costEach === undefined ? {} : { costEach }),
          },
        ],
  );
  // Those of stated sizes stand in the parts list; what is put in already is there.
  const fasteners = steps
    .filter(({ doneOn }) => doneOn === undefined)
    .flatMap(({ fasteners: all }) => all.filter(({ usual }) => usual))
    .map(({ size, kind, lengthMm, count }): Wanted => ({
      name:
        kind === 'nut'
          ? `Self-locking nut ${size}`
          : `Socket head screw ${size}${lengthMm === undefined ? '' : ` × ${lengthMm}`}, 8.8`,
      ...{ count, kind: 'fastener', state: 'wished-for' },
    }));
  const laidOut = new Set(steps.flatMap(({ tools, doneOn }) => (doneOn === undefined ? tools : [])));
  const listed = partsList(build).map(({ name }) => name.toLowerCase());
  // What stands in the parts list by the builder's own hand is not asked for again.
  const usedUp = USED_UP.filter((one) => laidOut.has(one) && !listed.some((name) => name.includes(one))).map(
    (name): Wanted => ({
      ...{ name, count: 1, kind: 'consumable', state: 'wished-for' },
    }),
  );
  return [...parts, ...fasteners, ...usedUp];
}

/**
 * What is left to buy for some builds together: parts that are not on hand, screws in usual sizes with some to spare, and what is
 * used up; the same thing for two builds is one line.
 *
 * @example toBuy([puffin]).some(({ kind }) => kind === 'fastener') // true
 */
export function toBuy(builds: readonly Build[]): readonly ToBuy[] {
  const found = new Map<string, ToBuy>();
  for (const build of builds)
    for (const one of ofBuild(build)) {
      const key = [one.kind, one.name, one.state, one.supplier ?? '', one.costEach ?? ''].join('\n');
      const known = found.get(key);
      const names = [...new Set([...(known?.builds ?? []), build.name])];
      // One tube or roll serves several builds.
      const count = one.kind === 'consumable' ? 1 : (known?.count ?? 0) + one.count;
      found.set(key, { ...one, count, builds: names });
    }
  return [...found.values()]
    .map((one) => (one.kind === 'fastener' ? { ...one, count: withSpares(one.count) } : one))
    .sort((a, b) => (a.supplier ?? '\uffff').localeCompare(b.supplier ?? '\uffff', 'en'));
}

const COLUMNS = ['supplier', 'what', 'count', 'kind', 'state', 'cost each', 'for'] as const;

/**
 * What is left to buy as CSV (RFC 4180, one heading line), ordered by supplier. Names that a spreadsheet would take for formulas
 * are quoted as text.
 *
 * @example toBuyCsv(toBuy([puffin])).split('\r\n')[0] // 'supplier,what,count,kind,state,cost each,for'
 */
export const toBuyCsv = (lines: readonly ToBuy[]): string =>
  `${Papa.unparse(
    {
      fields: [...COLUMNS],
      data: lines.map(({ name, count, kind, state, supplier = '', costEach, builds }) => [
        ...[supplier, name, count, kind, state === 'ordered' ? 'ordered' : 'to order'],
        ...[costEach ?? '', builds.join('; ')],
      ]),
    },
    { escapeFormulae: FORMULA },
  )}\r\n`;

import { assertNever } from '../contract/index.ts';
import {
  dimensionOf,
  isQuantity,
  show,
  showNumber,
  type Quantity,
  type UnitSystem,
} from '../quantity/index.ts';
import { stageTitle, type StageKind } from '../transmission/index.ts';
import type { Path } from './changes.ts';
import type { Difference } from './differences.ts';
import type { Build } from './document.ts';
import { meaningOf, type Meaning } from './meaning.ts';
import { PART_STATE_WORDS } from './part-state.ts';

/** A difference as it is said: where, what, and what it was and became. */
export interface DifferenceInWords {
  readonly key: string;
  /** "Payload, mass" */
  readonly place: string;
  readonly before: string;
  readonly after: string;
  /** All of it as one line. */
  readonly text: string;
}

const NOTHING = 'none';
const STATE_WORDS: Readonly<Record<string, string>> = {
  ...PART_STATE_WORDS,
  'double-rule': 'double rule',
};

function quantityText(q: Quantity, meaning: Meaning, system: UnitSystem): string {
  if (!meaning.dimension || !dimensionOf(meaning.dimension)) return `${showNumber(q.value)} ${q.unit}`;
  const say = (si: number) =>
    show(si, meaning.dimension ?? 'coefficient', system, { typedUnit: q.unit, digits: 4 });
  return q.spread === undefined ? say(q.value).text : `${say(q.value).text} ± ${say(q.spread).text}`;
}

function valueText(x: unknown, meaning: Meaning, system: UnitSystem): string {
  if (x === undefined || x === null || x === '') return NOTHING;
  if (isQuantity(x)) return quantityText(x, meaning, system);
  if (typeof x === 'boolean') return x ? 'yes' : 'no';
  if (typeof x === 'number') return meaning.unit ? `${showNumber(x, 4)} ${meaning.unit}` : showNumber(x, 4);
  if (typeof x === 'string') return STATE_WORDS[x] ?? x;
  if (Array.isArray(x)) return x.map((item) => valueText(item, {}, system)).join(', ');
  return 'kind' in (x as object) ? String((x as { readonly kind: unknown }).kind) : 'given';
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

type Named = { readonly id: string; readonly name?: string; readonly kind?: string };

/** What stands at a path in the first of these builds that has it; ids lead into lists. */
function valueAt(path: Path, builds: readonly Build[]): unknown {
  const inside = (x: unknown, step: string): unknown =>
    Array.isArray(x)
      ? (x as Named[]).find((item) => item.id === step)
      : typeof x === 'object' && x !== null
        ? (x as Readonly<Record<string, unknown>>)[step]
        : undefined;
  return builds.map((build) => path.reduce<unknown>(inside, build)).find((found) => found !== undefined);
}

/** What an item is called: by its name, or by what it is and which of them ("Chain, stage 2"). */
function itemName(item: Named, listPath: Path, builds: readonly Build[]): string {
  if (item.name !== undefined) return item.name;
  if (listPath.at(-1) !== 'stages') return item.id;
  const at = builds
    .flatMap((build) => build.drives)
    .filter((drive) => listPath[1] === undefined || drive.id === listPath[1])
    .map(({ stages }) => stages.findIndex((stage) => stage.id === item.id))
    .find((n) => n >= 0);
  return `${stageTitle(item.kind as StageKind)}, stage ${(at ?? 0) + 1}`;
}

/** The titles that lead to a place: "Payload", "Slip, loaded". A list says nothing, its item its name. */
function whereIs(path: Path, builds: readonly Build[]): string {
  const words = path.slice(0, -1).map((_, n) => {
    const here = path.slice(0, n + 1);
    // Where there is one drive, everybody knows which.
    if (n === 1 && path[0] === 'drives' && builds.every(({ drives }) => drives.length === 1)) return '';
    const found = valueAt(here, builds);
    if (Array.isArray(found)) return '';
    if (Array.isArray(valueAt(here.slice(0, -1), builds)))
      return itemName(found as Named, here.slice(0, -1), builds);
    return meaningOf(here).title ?? '';
  });
  return words.filter((word) => word !== '').join(', ');
}

/** Ids that stand for something with a name are said by that name. */
function named(x: unknown, path: Path, build: Build): unknown {
  const last = path.at(-1);
  if (typeof x !== 'string') return x;
  if (last === 'groundId') return build.grounds.find((g) => g.id === x)?.name ?? x;
  if (last === 'motorId' || last === 'driverId') return build.parts.find((p) => p.id === x)?.name ?? x;
  return x;
}

function assemble(
  key: string,
  where: string,
  what: string,
  before: string,
  after: string,
): DifferenceInWords {
  const place = [where, where === '' ? what : lowerFirst(what)].filter((word) => word !== '').join(', ');
  return { key, place, before, after, text: `${place}: ${before} → ${after}` };
}

/**
 * What stands at a path of a build, as it is called: where, and what.
 *
 * @example placeInWords(['masses', 'payload', 'mass'], puffin) // 'Payload, mass'
 */
export const placeInWords = (path: Path, build: Build): string =>
  assemble('', whereIs(path, [build]), meaningOf(path).title ?? path.at(-1) ?? '', '', '').place;

/**
 * A difference between two builds in a builder's words.
 *
 * @example inWords(differencesBetween(puffin, { ...puffin, name: 'Auk' })[0], puffin, { ...puffin, name: 'Auk' }).text
 *   // 'Name: Puffin → Auk'
 */
export function inWords(
  { key, changes }: Difference,
  before: Build,
  after: Build,
  system: UnitSystem = 'as-typed',
): DifferenceInWords {
  const both = [after, before];
  const main = changes.find((change) => change.kind === 'set') ?? changes[0];
  if (!main) return assemble(key, '', key, NOTHING, NOTHING);
  switch (main.kind) {
    case 'set': {
      const meaning = meaningOf(main.path);
      const say = (x: unknown, build: Build) => valueText(named(x, main.path, build), meaning, system);
      const said = [say(main.before, before), say(main.after, after)] as const;
      // Where the value reads the same, what changed is where it came from or its unit.
      if (said[0] === said[1] && isQuantity(main.before) && isQuantity(main.after))
        return assemble(
          key,
          whereIs(main.path, both),
          meaning.title ?? main.path.at(-1) ?? '',
          `${said[0]} (${main.before.origin})`,
          `${said[1]} (${main.after.origin})`,
        );
      return assemble(key, whereIs(main.path, both), meaning.title ?? main.path.at(-1) ?? '', ...said);
    }
    case 'add':
    case 'remove': {
      const added = main.kind === 'add';
      const name = itemName(main.item, main.path, added ? [after] : [before]);
      const list = meaningOf(main.path).title ?? '';
      return {
        key,
        place: `${list}, ${name}`,
        before: added ? NOTHING : 'there',
        after: added ? 'there' : NOTHING,
        text: `${list}: ${name} ${added ? 'added' : 'removed'}`,
      };
    }
    case 'order':
      return assemble(
        key,
        whereIs(main.path, both),
        meaningOf(main.path).title ?? '',
        'old order',
        'new order',
      );
    default:
      return assertNever(main);
  }
}

import { assertNever, isJson, type Json } from '../contract/index.ts';
import { isQuantity } from '../quantity/index.ts';

/** Steps from the top of a document: keys, and for items of lists their ids. */
export type Path = readonly string[];

/** One difference between two documents. Items of lists are told apart by their ids. */
export type Change =
  | { readonly kind: 'set'; readonly path: Path; readonly before: unknown; readonly after: unknown }
  | { readonly kind: 'add'; readonly path: Path; readonly item: Item; readonly at: number }
  | { readonly kind: 'remove'; readonly path: Path; readonly item: Item; readonly at: number }
  | {
      readonly kind: 'order';
      readonly path: Path;
      readonly before: readonly string[];
      readonly after: readonly string[];
    };

interface Item {
  readonly id: string;
}

const isItem = (x: unknown): x is Item & Json => isJson(x) && typeof x.id === 'string';
const isItems = (x: unknown): x is readonly (Item & Json)[] => Array.isArray(x) && x.every(isItem);

const same = (a: unknown, b: unknown): boolean => {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((x, n) => same(x, b[n]));
  if (!isJson(a) || !isJson(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => same(a[key], b[key]));
};

/**
 * What turns `before` into `after`, in the order of the document; empty where they say the same.
 *
 * @example changesBetween({ a: 1, b: 2 }, { a: 1, b: 3 }) // [{ kind: 'set', path: ['b'], before: 2, after: 3 }]
 */
export function changesBetween(before: unknown, after: unknown, path: Path = []): Change[] {
  if (same(before, after)) return [];
  if (isItems(before) && isItems(after)) return listChanges(before, after, path);
  // A quantity changes as a whole.
  const open = (x: unknown): x is Json => isJson(x) && !isQuantity(x);
  if (open(before) && open(after) && before.kind === after.kind) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => changesBetween(before[key], after[key], [...path, key]));
  }
  return [{ kind: 'set', path, before, after }];
}

const idsOf = (items: readonly Item[]): string[] => items.map((item) => item.id);

function listChanges(before: readonly Item[], after: readonly Item[], path: Path): Change[] {
  const had = new Map(before.map((item) => [item.id, item]));
  const has = new Map(after.map((item) => [item.id, item]));
  const removed = before.flatMap((item, at): Change[] =>
    has.has(item.id) ? [] : [{ kind: 'remove', path, item, at }],
  );
  const added = after.flatMap((item, at): Change[] =>
    had.has(item.id) ? [] : [{ kind: 'add', path, item, at }],
  );
  const inside = after.flatMap((item) => {
    const old = had.get(item.id);
    return old ? changesBetween(old, item, [...path, item.id]) : [];
  });
  const stayed = before.filter((item) => has.has(item.id));
  const now = after.filter((item) => had.has(item.id));
  const order: Change[] = same(idsOf(stayed), idsOf(now))
    ? []
    : [{ kind: 'order', path, before: idsOf(before), after: idsOf(after) }];
  return [...removed, ...added, ...order, ...inside];
}

/** The same change backwards. */
function inverse(change: Change): Change {
  switch (change.kind) {
    case 'set':
    case 'order':
      return { ...change, before: change.after, after: change.before } as Change;
    case 'add':
      return { ...change, kind: 'remove' };
    case 'remove':
      return { ...change, kind: 'add' };
    default:
      return assertNever(change);
  }
}

/** Places in a list hold only once what goes is gone, and the order only once all is there. */
const TURN = { remove: 0, add: 1, order: 2, set: 3 } as const;

/**
 * Undoing all that `changesBetween` found.
 *
 * @example applyChanges({ a: 2 }, inverseOf(changesBetween({ a: 1 }, { a: 2 }))) // { a: 1 }
 */
export const inverseOf = (changes: readonly Change[]): Change[] =>
  changes.map(inverse).sort((a, b) => TURN[a.kind] - TURN[b.kind]);

/**
 * The document with these changes made. A change whose place is no longer there (an item since removed) is left out;
 * what came from elsewhere in the meantime stays.
 *
 * @example applyChanges({ a: 1 }, changesBetween({ a: 1 }, { a: 2 })) // { a: 2 }
 */
export const applyChanges = <T>(document: T, changes: readonly Change[]): T =>
  changes.reduce<unknown>((d, change) => at(d, change.path, (x) => applied(x, change)), document) as T;

/** Replaces what stands at a path; nothing where the path leads nowhere. */
function at(x: unknown, [step, ...rest]: Path, change: (x: unknown) => unknown): unknown {
  if (step === undefined) return change(x);
  if (isItems(x)) {
    if (!x.some((item) => item.id === step)) return x;
    return x.map((item) => (item.id === step ? at(item, rest, change) : item));
  }
  if (!isJson(x) || (rest.length > 0 && !(step in x))) return x;
  const next = at(x[step], rest, change);
  if (next !== undefined) return { ...x, [step]: next };
  // A value that is no longer given has no key.
  return Object.fromEntries(Object.entries(x).filter(([key]) => key !== step));
}

function applied(x: unknown, change: Change): unknown {
  if (change.kind === 'set') return change.after;
  if (!isItems(x)) return x;
  switch (change.kind) {
    case 'add':
      return x.some((item) => item.id === change.item.id)
        ? x
        : [...x.slice(0, change.at), change.item, ...x.slice(change.at)];
    case 'remove':
      return x.filter((item) => item.id !== change.item.id);
    case 'order': {
      const place = (item: Item): number => {
        const n = change.after.indexOf(item.id);
        return n < 0 ? change.after.length : n;
      };
      return [...x].sort((a, b) => place(a) - place(b));
    }
    default:
      return assertNever(change);
  }
}

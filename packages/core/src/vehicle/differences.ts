import { changesBetween, type Change, type Path } from './changes.ts';
import type { Build } from './document.ts';

/** Changes that only make sense together: a part chosen, and the copy of it that the build carries. */
export interface Difference {
  /** Stable for the same two documents. */
  readonly key: string;
  readonly changes: readonly Change[];
}

const keyOf = (change: Change): string => {
  const place = change.path.join('.');
  return change.kind === 'add' || change.kind === 'remove' ? `${place}.${change.item.id}` : place;
};

/** Ids of the parts that a change speaks of: a choice that names them, or the copy that the build carries. */
function partsNamed(change: Change): readonly string[] {
  const list = change.path.at(-1);
  if (change.kind === 'set') {
    const named = list === 'motorId' || list === 'driverId' ? [change.before, change.after] : [];
    return named.filter((id) => typeof id === 'string');
  }
  const counted = list === 'packs' || list === 'drivers' || list === 'fitted' || list === 'parts';
  return (change.kind === 'add' || change.kind === 'remove') && counted ? [change.item.id] : [];
}

/**
 * What differs between two builds, each difference whole in itself: taking one and leaving another keeps a build.
 *
 * @example differencesBetween(puffin, { ...puffin, name: 'Auk' })[0]?.key // 'name'
 */
export function differencesBetween(before: Build, after: Build): Difference[] {
  let groups: { key: string; changes: Change[]; parts: readonly string[] }[] = [];
  for (const change of changesBetween(before, after)) {
    if (change.kind === 'order' && change.path[0] === 'parts') continue;
    const parts = partsNamed(change);
    const own = { key: keyOf(change), changes: [change], parts };
    const met = groups.filter(
      (group) => group.key === own.key || group.parts.some((id) => parts.includes(id)),
    );
    // A choice of several parts binds together what was apart so far.
    const joined = [...met, own].reduce((one, other) => ({
      key: one.key,
      changes: [...one.changes, ...other.changes],
      parts: [...one.parts, ...other.parts],
    }));
    const [first] = met;
    groups = first
      ? groups.flatMap((group) => (group === first ? [joined] : met.includes(group) ? [] : [group]))
      : [...groups, own];
  }
  return groups.map(({ key, changes }) => ({ key, changes }));
}

const startsWith = (path: Path, start: Path): boolean => start.every((step, n) => path[n] === step);
const placeOf = (change: Change): Path =>
  change.kind === 'add' || change.kind === 'remove' ? [...change.path, change.item.id] : change.path;
const meet = (a: Path, b: Path): boolean => startsWith(a, b) || startsWith(b, a);

/** Whether a difference touches a place that one of these changes touches too. */
export const touches = (difference: Difference, changes: readonly Change[]): boolean =>
  difference.changes.some((mine) => changes.some((other) => meet(placeOf(mine), placeOf(other))));

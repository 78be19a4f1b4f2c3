import { changesBetween, type Change, type Path } from './changes.ts';
import type { Build } from './document.ts';
import type { PartKind } from './part.ts';

/** Changes that only make sense together: a part chosen, and the copy of it that the build carries. */
export interface Difference {
  /** Stable for the same two documents. */
  readonly key: string;
  readonly changes: readonly Change[];
}

const CHOSEN_AT: Readonly<Partial<Record<PartKind, string>>> = {
  motor: 'drive.motorId',
  driver: 'supply.driverId',
  battery: 'supply.batteryId',
};

const keyOf = (change: Change): string => {
  const place = change.path.join('.');
  return change.kind === 'add' || change.kind === 'remove' ? `${place}.${change.item.id}` : place;
};

/** The kind of a part that comes or goes with a choice. */
const partKind = (change: Change): PartKind | undefined =>
  change.path[0] === 'parts' && (change.kind === 'add' || change.kind === 'remove')
    ? (change.item as unknown as { readonly kind: PartKind }).kind
    : undefined;

/** What differs between two builds, each difference whole in itself: taking one and leaving another keeps a build. */
export function differencesBetween(before: Build, after: Build): Difference[] {
  const groups = new Map<string, Change[]>();
  for (const change of changesBetween(before, after)) {
    const kind = partKind(change);
    if (change.kind === 'order' && change.path[0] === 'parts') continue;
    const key = (kind && CHOSEN_AT[kind]) ?? keyOf(change);
    groups.set(key, [...(groups.get(key) ?? []), change]);
  }
  return [...groups].map(([key, changes]) => ({ key, changes }));
}

const startsWith = (path: Path, start: Path): boolean => start.every((step, n) => path[n] === step);
const placeOf = (change: Change): Path =>
  change.kind === 'add' || change.kind === 'remove' ? [...change.path, change.item.id] : change.path;
const meet = (a: Path, b: Path): boolean => startsWith(a, b) || startsWith(b, a);

/** Whether a difference touches a place that one of these changes touches too. */
export const touches = (difference: Difference, changes: readonly Change[]): boolean =>
  difference.changes.some((mine) => changes.some((other) => meet(placeOf(mine), placeOf(other))));

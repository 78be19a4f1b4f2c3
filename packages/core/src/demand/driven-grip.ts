import { assertNever } from '../contract/index.ts';
import { propelling, pullsAt } from '../drive/index.ts';
import {
  driveOf,
  drivesThat,
  outputsOf,
  servedLayout,
  type Build,
  rememberedBesidesJobs,
} from '../vehicle/index.ts';
import type { ContactLoad } from './report.ts';

/** Items of one key together, in the order in which the keys come. */
export function groupedBy<T>(items: readonly T[], key: (item: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
  }
  return [...groups.values()];
}

/** Contacts of one wheel, or of one track. */
export const wheelOf = (c: ContactLoad): string => `${c.axleId}.${c.side}`;

/** The sum of what each item has. */
export const sumOf = <T>(items: readonly T[], of: (item: T) => number): number =>
  items.reduce((sum, item) => sum + of(item), 0);

/**
 * What the driven contacts can push with: an open differential twice its lesser wheel, a locked axle the sum, drives
 * of their own each as much as the one with the least.
 */
export function drivenGrip(build: Build, contacts: readonly ContactLoad[]): number {
  const drives = drivesThat(build, 'propels');
  if (drives.length === 1) return gripOfDrive(drives[0] ?? build, contacts);
  const turning = (c: ContactLoad): number => drives.filter((seen) => turnsAxle(seen, c.axleId)).length;
  const shared = contacts.map((c) => (c.driven ? { ...c, gripN: c.gripN / Math.max(1, turning(c)) } : c));
  // Each takes its share of the force: all pull no more than until the first of them slips.
  const limits = startShares(build).flatMap(({ seen, share }) =>
    share > 0 ? gripOfDrive(seen, shared) / share : [],
  );
  return Math.min(...limits);
}

const turnsAxle = (seen: Build, axleId: string): boolean =>
  servedLayout(seen).axles.some(({ id, driven }) => driven && id === axleId);

/** How the drives share a start: as they pull from rest; until all have a motor, as many drivelines as each has. */
const startShares = rememberedBesidesJobs((build: Build) => {
  const drives = drivesThat(build, 'propels');
  const pulling = propelling(build);
  const [first] = pulling;
  const pulls = first && pulling.length === drives.length ? pullsAt(first.line, 0) : [];
  const able = pulls.map((pull) => Math.max(0, pull));
  const all = sumOf(able, (pull) => pull);
  const lines = sumOf(drives, outputsOf);
  return drives.map((seen, at) => ({
    seen,
    share: all > 0 ? (able[at] ?? 0) / all : outputsOf(seen) / lines,
  }));
});

/** The same of the wheels of the drive that a build is looked at through. */
export function gripOfDrive(build: Build, contacts: readonly ContactLoad[]): number {
  const all = servedLayout(build) === build.layout;
  const driven = contacts.filter((c) => c.driven && (all || turnsAxle(build, c.axleId)));
  const { together, differential } = driveOf(build);
  const gripBy = (of: readonly ContactLoad[], key: (c: ContactLoad) => string): number[] =>
    groupedBy(of, key).map((group) => sumOf(group, (c) => c.gripN));
  const each = (sums: readonly number[]): number => (sums.length === 0 ? 0 : sums.length * Math.min(...sums));
  const axleGrips = groupedBy(driven, (c) => c.axleId).map((axle) => {
    const sides = gripBy(axle, (c) => c.side);
    return differential === 'locked' ? sumOf(sides, (n) => n) : each(sides);
  });
  switch (together) {
    case 'wheel':
      return each(gripBy(driven, wheelOf));
    case 'side':
      return each(gripBy(driven, (c) => c.side));
    case 'axle':
      return each(axleGrips);
    case 'all':
      return sumOf(axleGrips, (n) => n);
    default:
      return assertNever(together);
  }
}

import { applyChanges, changesBetween } from './changes.ts';
import { differencesBetween, touches, type Difference } from './differences.ts';
import { buildSchema, type Build } from './document.ts';
import { problemsOf, type ReadBuild } from './read-build.ts';

/** Who changed a place since both set out from the same build. */
export type ChangedBy = 'mine' | 'theirs' | 'both';

/** A difference, and who made it. */
export interface Contested extends Difference {
  readonly by: ChangedBy;
}

/**
 * Two builds that grew from one: every difference between them, and who made it.
 *
 * @example contest(puffin, { ...puffin, name: 'Auk' }, { ...puffin, name: 'Knot' }).length // 1
 */
export function contest(base: Build, theirs: Build, mine: Build): Contested[] {
  const mineSince = changesBetween(base, mine);
  const theirsSince = changesBetween(base, theirs);
  return differencesBetween(theirs, mine).map((difference) => {
    const byMe = touches(difference, mineSince);
    const byThem = touches(difference, theirsSince);
    return { ...difference, by: byMe && byThem ? 'both' : byThem ? 'theirs' : 'mine' };
  });
}

/**
 * Their build with these of my differences taken over; refused with its problems where that is no whole build.
 *
 * @example mergeInto(puffin, differencesBetween(puffin, { ...puffin, name: 'Auk' })).build.name // 'Auk'
 */
export function mergeInto(theirs: Build, taken: readonly Difference[]): ReadBuild {
  const merged = buildSchema.safeParse(
    applyChanges(
      theirs,
      taken.flatMap(({ changes }) => changes),
    ),
  );
  return merged.success
    ? { ok: true, build: merged.data }
    : { ok: false, problems: problemsOf(merged.error) };
}

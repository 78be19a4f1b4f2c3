import { remembered } from '../contract/index.ts';
import type { Build } from './document.ts';

/** What makes builds differ where many of one are tried: looked up by these, whoever differs in them is never in another's way. */
const APART = ['drives', 'parts', 'supply', 'layout', 'masses', 'grounds'] as const satisfies (keyof Build)[];
/** So many builds are kept in mind that differ in nothing of that, but in a name or a rule. */
const KEPT = 16;

interface Seen {
  readonly build: Build;
  readonly besides: Build;
}
interface Shelf {
  readonly next: WeakMap<object, Shelf>;
  readonly seen: Seen[];
}
const emptyShelf = (): Shelf => ({ next: new WeakMap(), seen: [] });
const shelves = emptyShelf();

const shelfOf = (build: Build): Shelf =>
  APART.reduce((shelf, field) => {
    const found = shelf.next.get(build[field]) ?? emptyShelf();
    shelf.next.set(build[field], found);
    return found;
  }, shelves);

/** Whether two builds differ in their duties alone: an edit leaves the rest as the same objects. */
const differInDuties = (a: Build, b: Build): boolean => {
  const fields = Object.keys(a) as (keyof Build)[];
  return (
    fields.length === Object.keys(b).length &&
    fields.every((field) => field === 'duties' || Object.is(a[field], b[field]))
  );
};

/**
 * What a build is besides its jobs: the same object for builds that differ in their jobs alone, so that what is
 * `remembered` of it outlives an edit of a job. It has no `duties` at all: who reads them after all fails at once.
 *
 * @example besidesJobs({ ...puffin, duties: [] }) === besidesJobs(puffin) // true
 */
export const besidesJobs = remembered((build: Build): Build => {
  if (!('duties' in build)) return build;
  const { seen } = shelfOf(build);
  const at = seen.findIndex((one) => differInDuties(one.build, build));
  const [found = { build, besides: withoutJobs(build) }] = at < 0 ? [] : seen.splice(at, 1);
  seen.unshift(found);
  seen.length = Math.min(seen.length, KEPT);
  return found.besides;
});

function withoutJobs(build: Build): Build {
  const { duties: _jobs, ...besides } = build;
  return besides as Build;
}

/**
 * The same function, asked once as long as nothing but the jobs of a build is edited. For what reads no job.
 *
 * @example rememberedBesidesJobs((build) => build.drives.length)(puffin) // 1
 */
export function rememberedBesidesJobs<V>(work: (besides: Build) => V): (build: Build) => V {
  const known = remembered(work);
  return (build) => known(besidesJobs(build));
}

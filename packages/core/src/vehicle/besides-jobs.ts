import { remembered } from '../contract/index.ts';
import type { Build } from './document.ts';

/** So many builds are kept in mind that differ in nothing by which they are looked up, but in a name or a rule. */
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

/** What is left out of a build, and so may differ. */
interface Besides {
  /** What makes builds differ where many of one are tried: looked up by these, whoever differs in them is never in another's way. */
  readonly apart: readonly ('drives' | 'parts' | 'supply' | 'layout' | 'masses' | 'grounds')[];
  /** Fields in which builds may differ that are the same besides. */
  readonly but: ReadonlySet<keyof Build>;
  /** Whether what is left of those is the same too. */
  readonly alike?: (a: Build, b: Build) => boolean;
  readonly without: (build: Build) => Build;
}

/** An edit leaves the rest of a build as the same objects. */
const isSameBut = (but: ReadonlySet<keyof Build>, a: Build, b: Build): boolean => {
  const fields = Object.keys(a) as (keyof Build)[];
  return (
    fields.length === Object.keys(b).length &&
    fields.every((field) => but.has(field) || Object.is(a[field], b[field]))
  );
};

/** The build without something: the same object for builds that differ in that alone. */
export function besides({ apart, but, alike = () => true, without }: Besides): (build: Build) => Build {
  const shelves = emptyShelf();
  const shelfOf = (build: Build): Shelf =>
    apart.reduce((shelf, field) => {
      const found = shelf.next.get(build[field]) ?? emptyShelf();
      shelf.next.set(build[field], found);
      return found;
    }, shelves);
  return remembered((build) => {
    const { seen } = shelfOf(build);
    const at = seen.findIndex((one) => isSameBut(but, one.build, build) && alike(one.build, build));
    const [found = { build, besides: without(build) }] = at < 0 ? [] : seen.splice(at, 1);
    seen.unshift(found);
    seen.length = Math.min(seen.length, KEPT);
    return found.besides;
  });
}

function withoutJobs(build: Build): Build {
  const { duties: _jobs, ...left } = build;
  return left as Build;
}

const lookedUp = besides({
  apart: ['drives', 'parts', 'supply', 'layout', 'grounds', 'masses'],
  but: new Set(['duties']),
  without: withoutJobs,
});

/**
 * What a build is besides its jobs: the same object for builds that differ in their jobs alone, so that what is
 * `remembered` of it outlives an edit of a job. It has no `duties` at all: who reads them after all fails at once.
 *
 * @example besidesJobs({ ...puffin, duties: [] }) === besidesJobs(puffin) // true
 */
export const besidesJobs = (build: Build): Build => ('duties' in build ? lookedUp(build) : build);

/**
 * The same function, asked once as long as nothing but the jobs of a build is edited. For what reads no job.
 *
 * @example rememberedBesidesJobs((build) => build.drives.length)(puffin) // 1
 */
export function rememberedBesidesJobs<V>(work: (besides: Build) => V): (build: Build) => V {
  const known = remembered(work);
  return (build) => known(besidesJobs(build));
}

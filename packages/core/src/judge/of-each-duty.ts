import type { Build, Duty } from '../vehicle/index.ts';

/** So many builds are kept in mind: the one that is edited, and what it is compared with. */
const KEPT = 4;

/** Whether two builds differ in their duties alone: an edit leaves the rest as the same objects. */
const differInDuties = (a: Build, b: Build): boolean => {
  const fields = Object.keys(a) as (keyof Build)[];
  return (
    fields.length === Object.keys(b).length &&
    fields.every((field) => field === 'duties' || Object.is(a[field], b[field]))
  );
};

/**
 * A function of a build and one of its duties, asked once for each duty as long as nothing of the build but its duties
 * is changed: an edit of one job works out that job anew, not the others. For what reads no other duty.
 *
 * @param work pure; given the build, answers for each of its duties
 */
export function ofEachDuty<V>(work: (build: Build) => (duty: Duty) => V): (build: Build) => readonly V[] {
  const recent: { readonly build: Build; readonly known: WeakMap<Duty, { readonly value: V }> }[] = [];
  return (build) => {
    const at = recent.findIndex((one) => differInDuties(one.build, build));
    const [found = { build, known: new WeakMap<Duty, { readonly value: V }>() }] =
      at < 0 ? [] : recent.splice(at, 1);
    recent.unshift(found);
    recent.length = Math.min(recent.length, KEPT);
    const answer = work(build);
    return build.duties.map((duty) => {
      const known = found.known.get(duty);
      if (known) return known.value;
      const value = answer(duty);
      found.known.set(duty, { value });
      return value;
    });
  };
}

import { once, remembered } from '../contract/index.ts';
import {
  closeness,
  dutiesAndDrives,
  evaluate,
  marginsInDuty,
  marginsOf,
  type LinkReport,
} from '../judge/index.ts';
import { canBe, whole, type Build } from '../vehicle/index.ts';

/** A gain under this share of the rule is not worth a line. */
export const WORTH = 0.02;

/** What tells a build from the one that it was made of: most of it is the same objects. */
function differing(from: Build, build: Build): string {
  const fields = Object.keys({ ...from, ...build }) as (keyof Build)[];
  const changed = fields.filter((field) => !Object.is(from[field], build[field]));
  // What is gone has its name alone.
  return JSON.stringify(changed.map((field) => (field in build ? [field, build[field]] : [field])));
}

/** The same function of what a build becomes, asked once for each, whichever findings propose it. */
function onceForEach<T>(from: Build, work: (build: Build) => T): (build: Build) => T {
  const known = new Map<string, { readonly value: T }>();
  // What tells a candidate is written out once, however often it is asked of.
  return remembered((candidate) => {
    const build = whole(candidate);
    const key = differing(from, build);
    const found = known.get(key) ?? { value: work(build) };
    known.set(key, found);
    return found.value;
  });
}

/**
 * What each build comes to that a candidate makes of this one: as much of it as is asked, and once.
 *
 * @param from the build that stands, whole
 */
export const becoming = (from: Build) =>
  onceForEach(from, (made) => ({
    reports: once(() => dutiesAndDrives(made)),
    inDuty: (dutyId: string) => marginsInDuty(made, dutyId),
    margins: once(() => marginsOf(made)),
    whole: once(() => evaluate(made)),
    // Twice as many teeth may be more than a wheel can have.
    canBe: once(() => canBe(made)),
  }));

/**
 * Whether a build may be the better one for a margin: no better in the very duty that asks it is no better at all, and the
 * rest of that build need not be worked out.
 *
 * @param inDuty the margins of a build in one of its duties
 */
export function hopes(
  build: Build,
  { link, dutyId, ratio, rule }: LinkReport,
  inDuty: (made: Build, dutyId: string) => readonly LinkReport[],
): (made: Build) => boolean {
  if (dutyId === null) return () => true;
  const same = (made: Build) => inDuty(made, dutyId).filter((other) => other.link === link);
  // What other duties have a say in cannot be told from one.
  if (same(build).length === 0) return () => true;
  return (made) => same(made).every((now) => closeness(now) > ratio / rule + WORTH);
}

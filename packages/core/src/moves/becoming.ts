import { once, remembered } from '../contract/index.ts';
import {
  closeness,
  dutiesAndDrives,
  evaluate,
  marginsAtRest,
  marginsInDuty,
  marginsOf,
  type LinkReport,
} from '../judge/index.ts';
import { canBe, whole, type Build } from '../vehicle/index.ts';

/** A gain under this share of the rule is not worth a line. */
export const WORTH = 0.02;

/** A part of a build written out, once for each object: candidates have most of theirs in common. */
const written = remembered((part: object): string =>
  Array.isArray(part)
    ? `[${part.map(writtenOut).join()}]`
    : `{${Object.entries(part)
        .map(([key, value]) => `${key}:${writtenOut(value)}`)
        .join()}}`,
);
const writtenOut = (value: unknown): string =>
  typeof value === 'object' && value !== null ? written(value) : JSON.stringify(value);

/** What tells a build from the one that it was made of: most of it is the same objects. */
function differing(from: Build, build: Build): string {
  const fields = Object.keys({ ...from, ...build }) as (keyof Build)[];
  const changed = fields.filter((field) => !Object.is(from[field], build[field]));
  // What is gone has its name alone.
  return changed.map((field) => (field in build ? `${field}:${writtenOut(build[field])}` : field)).join();
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
    document: made,
    reports: once(() => dutiesAndDrives(made)),
    atRest: once(() => marginsAtRest(made)),
    inDuty: (dutyId: string) => marginsInDuty(made, dutyId),
    margins: once(() => marginsOf(made)),
    whole: once(() => evaluate(made)),
    // Twice as many teeth may be more than a wheel can have.
    canBe: once(() => canBe(made)),
  }));

/** What a build comes to, as far as it is looked at. */
export type Becoming = ReturnType<ReturnType<typeof becoming>>;

/**
 * Whether a build may be the better one for a margin, from the little that tells to the more: no better in one duty is no
 * better at all, and what breaks anything is no move. The rest of such a build need not be worked out.
 *
 * @param spoils whether some margins break what held
 */
export function hopes(
  from: Becoming,
  link: LinkReport | undefined,
  spoils: (links: readonly LinkReport[]) => boolean,
): (made: Becoming) => boolean {
  const same = (links: readonly LinkReport[]) => links.filter((other) => other.link === link?.link);
  const before = link ? closeness(link) : 0;
  // What other duties have a say in cannot be told from one.
  const told = link !== undefined && link.dutyId !== null && same(from.inDuty(link.dutyId)).length > 0;
  const mayGain = (links: readonly LinkReport[]): boolean =>
    !told || same(links).every((now) => closeness(now) > before + WORTH);
  const own = ({ id }: { readonly id: string }): number => (id === link?.dutyId ? 0 : 1);
  return ({ atRest, inDuty, document }) =>
    !spoils(atRest()) &&
    [...document.duties]
      .sort((a, b) => own(a) - own(b))
      .every(({ id }) => {
        const links = inDuty(id);
        return mayGain(links) && !spoils(links);
      });
}

import { marginsOf, type LinkReport, type Margins } from '../judge/index.ts';
import type { Build } from '../vehicle/index.ts';
import { putSetIn, type FoundSet } from './found-set.ts';
import { isGivenIn } from './tally.ts';

/** A set put in its build and judged there. */
export interface SetInFull {
  readonly set: FoundSet;
  readonly build: Build;
  readonly margins: Margins;
  /** Nearest to failing of all margins. */
  readonly worst: LinkReport | undefined;
  /** The same of those that the set changes. */
  readonly ofSet: LinkReport | undefined;
  /** Of those the one that lacks the most of what it needs; undefined where none does, however short of its rule. */
  readonly fails: LinkReport | undefined;
}

const worstOf = (links: readonly LinkReport[]): LinkReport | undefined =>
  links.reduce<LinkReport | undefined>(
    (worst, link) => (worst && worst.ratio / worst.rule <= link.ratio / link.rule ? worst : link),
    undefined,
  );

/**
 * A set put in its build and judged there, by what judges every build.
 *
 * @example inFull(puffin, { motor: motorOf(puffin), driver: driverOf(puffin), battery: batteryOf(puffin), stages: driveOf(puffin).stages }).worst?.link
 *   // 'torque'
 */
export function inFull(build: Build, set: FoundSet): SetInFull {
  const put = putSetIn(build, set);
  const margins = marginsOf(put);
  const own = margins.links.filter((link) => !isGivenIn(margins, link));
  const failing = own.filter(({ ratio }) => ratio < 1).sort((a, b) => a.ratio - b.ratio);
  return {
    set,
    build: put,
    margins,
    worst: worstOf(margins.links),
    ofSet: worstOf(own),
    fails: failing[0],
  };
}

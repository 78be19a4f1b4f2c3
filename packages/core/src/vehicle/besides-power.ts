import { remembered } from '../contract/index.ts';
import { stageKind } from '../transmission/index.ts';
import { besides, besidesJobs } from './besides-jobs.ts';
import type { Build } from './document.ts';
import type { Drive } from './drive.ts';

/** Of a drive, which wheels it turns and how: what the ground has to do with. What is inside it is left out. */
const outside = remembered((drive: Drive) => {
  const { id, does, axleIds, together, differential, motorsPerWheel, stages } = drive;
  const kept = {
    ...{ id, does, together, differential, motorsPerWheel },
    ...(axleIds === undefined ? {} : { axleIds }),
    // The spool or sprocket that the drive ends in.
    stages: stages.slice(-1).filter(({ kind }) => stageKind(kind).ends !== undefined),
  };
  return { drive: kept as unknown as Drive, key: JSON.stringify(kept) };
});

function withoutPower(build: Build): Build {
  const { duties: _jobs, parts: _parts, supply: _supply, drives, ...left } = build;
  return { ...left, drives: drives.map((drive) => outside(drive).drive) } as Partial<Build> as Build;
}

const lookedUp = besides({
  apart: ['layout', 'masses'],
  but: new Set(['duties', 'drives', 'parts', 'supply']),
  alike: (a, b) =>
    a.drives.length === b.drives.length &&
    a.drives.every((drive, at) => {
      const other = b.drives[at];
      return drive === other || (other !== undefined && outside(drive).key === outside(other).key);
    }),
  without: withoutPower,
});

/**
 * What a build is besides its jobs and what drives it: the same object for builds that differ only in motors, stages,
 * drivers and supply, so that how they stand and what the ground asks is worked out once. It has no parts, no supply and
 * drives without an inside: who reads those after all fails at once.
 *
 * @example besidesPower({ ...puffin, parts: [] }) === besidesPower(puffin) // true
 */
export const besidesPower = (build: Build): Build =>
  'parts' in build ? lookedUp(besidesJobs(build)) : build;

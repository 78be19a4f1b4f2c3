import type { StoredTrialSet } from '@zubric/core/answers';
import type { Build } from '@zubric/core/vehicle';
import { strToU8, zipSync } from 'fflate';
import { fileNameOf } from './file-name.ts';

/** A build with the sets of trials that were made with it. */
export interface BuildTakenOut {
  readonly build: Build;
  readonly trialSets: readonly StoredTrialSet[];
}

/** A set of trials as it travels in a build's file. */
const inFile = ({ id, protocol, name, conditions, invented, createdAt, trials }: StoredTrialSet) => ({
  ...{ id, protocol, name, conditions, invented, createdAt },
  trials: trials.map(({ ordinal, reading, recordedAt, by = '' }) => ({ ordinal, reading, recordedAt, by })),
});

const textOf = ({ build, trialSets }: BuildTakenOut): string =>
  `${JSON.stringify(trialSets.length === 0 ? build : { ...build, trialSets: trialSets.map(inFile) }, null, 2)}\n`;

/** One build as its file, several as a zip of theirs; builds of one name are numbered. */
export function takenOut(builds: readonly BuildTakenOut[]): {
  readonly name: string;
  readonly content: Blob;
} {
  const [first] = builds;
  if (first && builds.length === 1)
    return {
      name: `${fileNameOf(first.build.name)}.zubric.json`,
      content: new Blob([textOf(first)], { type: 'application/json' }),
    };
  const files: Record<string, Uint8Array> = {};
  for (const build of builds) {
    const name = fileNameOf(build.build.name);
    let n = 1;
    while (`${name}${n === 1 ? '' : `-${n}`}.zubric.json` in files) n++;
    files[`${name}${n === 1 ? '' : `-${n}`}.zubric.json`] = strToU8(textOf(build));
  }
  return { name: 'builds.zip', content: new Blob([zipSync(files)], { type: 'application/zip' }) };
}

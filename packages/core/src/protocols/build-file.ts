import { isJson } from '../contract/index.ts';
import { problemsOf, readBuild, type Build, type Problem } from '../vehicle/index.ts';
import { trialSetsInFile, type TrialSetInFile } from './trial-set.ts';

/** A build with its trials from a file, or what is wrong with it. */
export type BuildFile =
  | { readonly ok: true; readonly build: Build; readonly trialSets: readonly TrialSetInFile[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** What a file calls itself that holds a build with all that belongs to it. */
export const WHOLE_FORMAT = 'zubric-whole';

/** The build of a file, and its trials: beside it in a whole, in it where it is a build alone. */
function parted(json: unknown): {
  readonly build: unknown;
  readonly trialSets: unknown;
  readonly under: string;
} {
  if (!isJson(json)) return { build: json, trialSets: [], under: '' };
  if (json.format === WHOLE_FORMAT)
    return { build: json.build, trialSets: json.trialSets ?? [], under: 'build.' };
  const { trialSets = [], ...build } = json;
  return { build, trialSets, under: '' };
}

/**
 * A build's file with the trials that travel in it: `trialSets` beside the other keys of a build, or a whole with its
 * logbook. Never throws; a file that cannot be taken comes back with one problem a line.
 *
 * @example readBuildFile({ ...puffin, trialSets: [] }).ok // true
 */
export function readBuildFile(json: unknown): BuildFile {
  const { build, trialSets, under } = parted(json);
  const read = readBuild(build);
  const sets = trialSetsInFile.safeParse(trialSets);
  if (read.ok && sets.success) return { ok: true, build: read.build, trialSets: sets.data };
  return {
    ok: false,
    problems: [
      ...(read.ok ? [] : read.problems.map(({ path, message }) => ({ path: `${under}${path}`, message }))),
      ...(sets.success
        ? []
        : problemsOf(sets.error).map(({ path, message }) => ({ path: `trialSets.${path}`, message }))),
    ],
  };
}

import { readBuildFile, type TrialSetInFile } from '@zubric/core/protocols';
import type { Build } from '@zubric/core/vehicle';
import type { Files } from './calc.ts';
import { parseJson, problemLine, refused, type Outcome } from './outcome.ts';

/** A build with its trials, as a file has them. */
export interface ReadBuild {
  readonly build: Build;
  readonly trialSets: readonly TrialSetInFile[];
}

/** A build read from a file; or what to say of a file that is none. */
export type BuildFile =
  | ({ readonly ok: true } & ReadBuild)
  | { readonly ok: false; readonly outcome: Outcome };

/** Reads a build from a file, `-` for standard input. */
export function buildIn(path: string, files: Files): BuildFile {
  const parsed = parseJson(files.read(path));
  if (!parsed.ok) return { ok: false, outcome: refused([parsed.why]) };
  const read = readBuildFile(parsed.value);
  return read.ok ? read : { ok: false, outcome: refused(read.problems.map(problemLine)) };
}

import { readBuild } from '@zubric/core/build';
import { evaluate } from '@zubric/core/evaluate';
import type { Files } from './calc.ts';
import { asJson, done, parseJson, problemLine, refused, type Outcome } from './outcome.ts';

export const EVALUATE_USAGE = [
  'zubric evaluate FILE      the report of a build as JSON; - reads standard input',
];

/** `zubric evaluate FILE`: the report, or one line per problem of the file. */
export function evaluateFile(args: readonly string[], files: Files): Outcome {
  const [path, ...more] = args;
  if (path === undefined || more.length > 0) return refused(EVALUATE_USAGE);
  const parsed = parseJson(files.read(path));
  if (!parsed.ok) return refused([parsed.why]);
  const read = readBuild(parsed.value);
  return read.ok ? done(asJson(evaluate(read.build))) : refused(read.problems.map(problemLine));
}

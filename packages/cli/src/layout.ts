import { layoutReport } from '@zubric/core/layout';
import { layoutFindingInWords, layoutMoveInWords } from '@zubric/core/say';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { asJson, done, refused, type Outcome } from './outcome.ts';

export const LAYOUT_USAGE = [
  'zubric layout FILE        where the parts of a build are: weight, room, reach; - reads standard input',
];

/** `zubric layout FILE`: the layout of a build as JSON, or one line per problem of the file. */
export function layoutFile(args: readonly string[], files: Files): Outcome {
  const [path, ...more] = args;
  if (path === undefined || more.length > 0) return refused(LAYOUT_USAGE);
  const read = buildIn(path, files);
  if (!read.ok) return read.outcome;
  const { build } = read;
  const report = layoutReport(build);
  return done(
    asJson({
      ...report,
      findings: report.findings.map(({ moves, ...finding }) => ({
        ...finding,
        text: layoutFindingInWords({ ...finding, moves }, build),
        moves: moves.map((move) => ({ ...move, text: layoutMoveInWords(move, build) })),
      })),
    }),
  );
}

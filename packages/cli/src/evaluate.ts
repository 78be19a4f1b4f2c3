import { evaluate, type Report } from '@zubric/core/judge';
import { movesInWords, movesOfFinding, reportInWords } from '@zubric/core/say';
import { moves } from '@zubric/core/moves';
import { partSchema, type Build, type Part } from '@zubric/core/vehicle';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { asJson, done, refused, type Outcome } from './outcome.ts';

export const EVALUATE_USAGE = [
  'zubric evaluate FILE      the report of a build as JSON; - reads standard input',
];

/** `zubric evaluate FILE`: the report, or one line per problem of the file. */
export function evaluateFile(args: readonly string[], files: Files): Outcome {
  const [path, ...more] = args;
  if (path === undefined || more.length > 0) return refused(EVALUATE_USAGE);
  const read = buildIn(path, files);
  if (!read.ok) return read.outcome;
  const report = evaluate(read.build);
  return done(asJson(withMoves(read.build, report, shelfOf(files))));
}

const SHELF = ['motors', 'drivers', 'batteries'];

/** The shelf beside the command, where there is one: moves and searches take parts from it. */
export function shelfOf(files: Files): Part[] {
  return SHELF.flatMap((kind) => {
    try {
      const read = partSchema.array().safeParse(JSON.parse(files.read(`data/shelf/${kind}.json`)));
      return read.success ? read.data : [];
    } catch {
      return [];
    }
  });
}

/** The report in words, each finding with the moves of its margin. */
function withMoves(build: Build, report: Report, shelf: readonly Part[]) {
  const all = movesInWords(moves(build, report, { shelf }));
  const said = reportInWords(report, build);
  const findings = said.findings.map((finding) => ({
    ...finding,
    moves: movesOfFinding(all, finding).map(
      ({ changes: _, before: _b, after: _a, makesShort: _m, ...move }) => move,
    ),
  }));
  return { ...said, findings };
}

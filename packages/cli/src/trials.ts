import { factsOf } from '@zubric/core/diagnosis';
import { evaluate } from '@zubric/core/judge';
import { moves } from '@zubric/core/moves';
import {
  allAgree,
  compared,
  diagnosisOf,
  matchingOf,
  predictedOf,
  resultOfSet,
  type TrialSetInFile,
} from '@zubric/core/protocols';
import { inUnits } from '@zubric/core/quantity';
import { movesInWords } from '@zubric/core/say';
import type { Build } from '@zubric/core/vehicle';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { asJson, done, refused, type Outcome } from './outcome.ts';

export const TRIALS_USAGE = [
  'zubric trials FILE        what the trials of a build say: results, predicted beside measured, matching, diagnosis',
];

const idOf = (set: TrialSetInFile, at: number): string => set.id ?? `set-${at + 1}`;

/** A set with what it comes to and what the build foretells of it. */
function told(build: Build, set: TrialSetInFile, at: number) {
  const result = resultOfSet(set);
  const predicted = predictedOf(set.protocol, build, set.conditions, result.measured);
  const beside = compared(result, predicted);
  return {
    id: idOf(set, at),
    name: set.name,
    protocol: set.protocol,
    n: result.runs,
    summary: inUnits(result.says, 'metric'),
    verdict: result.verdict,
    luck: result.luck ?? null,
    notes: result.notes.map((note) => inUnits(note, 'metric')),
    outliers: result.outliers.map((run) => run + 1),
    predicted: Object.fromEntries(predicted.map(({ key, ...range }) => [key, range])),
    measured: Object.fromEntries(result.measured.map(({ key, ...one }) => [key, one])),
    agrees: allAgree(beside),
    agreesBy: Object.fromEntries(beside.map((one) => [one.measured.key, one.agrees])),
  };
}

/** What is behind a symptom, and the moves of the margins that the likeliest cause hangs on. */
function diagnosed(build: Build, set: TrialSetInFile) {
  const readings = set.trials.map(({ reading }) => reading);
  const found = diagnosisOf(set.conditions, readings, factsOf(build));
  const links = found.ranked[0]?.links ?? [];
  const mends = movesInWords(moves(build, evaluate(build), { shelf: [] })).filter(
    ({ link }) => link !== null && links.includes(link),
  );
  return {
    ...found,
    moves: mends.flatMap(({ moves: all }) => all.map(({ text, gains, costs }) => ({ text, gains, costs }))),
  };
}

/** `zubric trials FILE`: what the trials that travel in a build's file come to, as JSON; or one line per problem of the file. */
export function trialsFile(args: readonly string[], files: Files): Outcome {
  const [path, ...more] = args;
  if (path === undefined || more.length > 0) return refused(TRIALS_USAGE);
  const read = buildIn(path, files);
  if (!read.ok) return read.outcome;
  const { build, trialSets } = read;
  return done(
    asJson({
      sets: trialSets.map((set, at) => told(build, set, at)),
      matching: trialSets.flatMap((set, at) => {
        const found = matchingOf(set);
        return found ? [{ setId: idOf(set, at), ...found }] : [];
      }),
      diagnosis: trialSets.flatMap((set, at) =>
        set.protocol === 'diagnosis' ? [{ setId: idOf(set, at), ...diagnosed(build, set) }] : [],
      ),
    }),
  );
}

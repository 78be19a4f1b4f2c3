import { factsOf } from '@zubric/core/diagnosis';
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
  const predicted = predictedOf(set.protocol, build, set.conditions);
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

/** `zubric trials FILE`: what the trials that travel in a build's file come to, as JSON; or one line per problem of the file. */
export function trialsFile(args: readonly string[], files: Files): Outcome {
  const [path, ...more] = args;
  if (path === undefined || more.length > 0) return refused(TRIALS_USAGE);
  const read = buildIn(path, files);
  if (!read.ok) return read.outcome;
  const { build, trialSets } = read;
  const facts = factsOf(build);
  return done(
    asJson({
      sets: trialSets.map((set, at) => told(build, set, at)),
      matching: trialSets.flatMap((set, at) => {
        const found = matchingOf(set);
        return found ? [{ setId: idOf(set, at), ...found }] : [];
      }),
      diagnosis: trialSets.flatMap((set, at) =>
        set.protocol === 'diagnosis'
          ? [
              {
                setId: idOf(set, at),
                ...diagnosisOf(
                  set.conditions,
                  set.trials.map(({ reading }) => reading),
                  facts,
                ),
              },
            ]
          : [],
      ),
    }),
  );
}

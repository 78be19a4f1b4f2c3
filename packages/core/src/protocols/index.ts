export {
  type AmountsField,
  type ChoiceField,
  type Field,
  type FieldValue,
  type NameField,
  type NamesField,
  type QuantityField,
} from './field.ts';
export { DECIDED, diagnosisOf } from './diagnosing.ts';
export { matched, veerOf, VEER_WAY_M, type Matching, type Pair } from './matching.ts';
export {
  columnsOf,
  motorsMatched,
  motorTable,
  nextCell,
  repeatsOf,
  type Cell,
  type Column,
} from './motor-matching.ts';
export type { Protocol } from './protocol.ts';
export {
  COMMON_CONDITIONS,
  conditionFields,
  conditionsSchema,
  PROTOCOL_NAMES,
  protocolOf,
  PROTOCOLS,
  readingFields,
  readingSchema,
  type ProtocolName,
} from './protocols.ts';
export { amountsIn, namesIn, numberIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
export type { Measured, PlotAxis, TrialPlot, TrialResult } from './result.ts';
export { courseIn } from './over-a-course.ts';
export { HIT_M } from './straight.ts';
export { SIGNIFICANT } from './summary.ts';
export { wheelsMatched } from './wheel-matching.ts';
export { matchingOf } from './all-matchings.ts';
export { allAgree, compared, doubtedOf, type Compared, type Doubted } from './agreement.ts';
export { dutyOfTrial, neededFor, predictedOf, type Predicted } from './predicted.ts';
export { takenPlaces, takeOver } from './take-over.ts';
export {
  resultOfSet,
  trialSetInFile,
  trialSetsInFile,
  type TrialSet,
  type TrialSetInFile,
} from './trial-set.ts';
export { readBuildFile, WHOLE_FORMAT, type BuildFile } from './build-file.ts';
export { chargeFirst, nextRun, oddIn } from './next-run.ts';
export { usualConditions } from './usual.ts';
export { runsFromCsv, type RunsColumn, type RunsMapping, type RunsRead } from './runs-csv.ts';
export { isLive, orderFor, runFrom, runsFromLines } from './live.ts';
export { readingsCsv, standings, type GroupSet, type Placed, type Standing } from './group.ts';
export { tuningPlan, type TuningLine, type TuningPlan } from './tuning.ts';
export { measuredWorking } from './measured-working.ts';

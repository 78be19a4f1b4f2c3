export {
  AS_IT_IS,
  diagnose,
  RUNS_EACH,
  type Diagnosis,
  type Evidence,
  type FloorRuns,
  type Ranked,
  type StepMade,
  type StepNext,
} from './diagnose.ts';
export { factsOf } from './facts.ts';
export type { Facts, Symptom } from './symptom.ts';
export { SYMPTOM_NAMES, symptomOf, type SymptomName } from './symptoms.ts';

export { fastenerInWords, planProblemInWords, portProblemInWords, reasonInWords } from './assembly.ts';
export { cautionsOf } from './cautions.ts';
export { CAUSE_WORDS, driveFindingInWords, driveMoveInWords, endsInWords, SCHOOL_WORDS } from './driving.ts';
export { glossaryPage, termOf, TERMS, type Term, type TermId } from './glossary.ts';
export { nextStep, type NextStep } from './next-step.ts';
export {
  layoutFindingInWords,
  layoutMoveInWords,
  listInWords,
  MOUNT_WORDS,
  moveToInWords,
  WAY_WORDS,
} from './layout.ts';
export { movesInWords, movesOfFinding, type MoveInWords, type MovesForInWords } from './moves.ts';
export {
  findingsInWords,
  reportInWords,
  type FindingInWords,
  type ReportInWords,
} from './report-in-words.ts';
export { setInWords, whyNot } from './search.ts';
export { chanceInWords, measuredBy, measureFirst, uncertainInWords, type Measured } from './spreads.ts';
export { leewayInWords, marginInWords, numberInWords, VERDICT_WORDS } from './what-if.ts';

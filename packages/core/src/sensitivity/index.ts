export { usualSpan, withinMayBe, type Span } from './span.ts';
export {
  stepsFromNow,
  whatIf,
  whatIfSteps,
  type MarginAlong,
  type MarginKey,
  type MarginThere,
  type StepFromNow,
  type VerdictTurn,
  type WhatIf,
  type WhatIfAsked,
} from './what-if.ts';

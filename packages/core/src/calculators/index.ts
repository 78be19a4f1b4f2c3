export { UnknownCalculator, calculate } from './calculate.ts';
export { calculationProblem, type CalculationProblem } from './problems.ts';
export { questionsByTopic, questionsFor, searchedText, type Questions } from './questions.ts';
export {
  CALCULATORS,
  findCalculator,
  type AnyCalculator,
  type CalculatorName,
  type FoundBy,
  type TakenBy,
} from './registry.ts';
export { fillsFromBuild, fromBuild } from './from-build.ts';
export { intoBuild, placesFor, type ShownAt } from './into-build.ts';

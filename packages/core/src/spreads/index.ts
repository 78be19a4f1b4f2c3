export {
  chances,
  chanceSteps,
  firstToMeasure,
  type Chance,
  type Chances,
  type Decides,
  type Drawing,
  type ToMeasure,
} from './chances.ts';
export { asMeasured, drawn, uncertainIn, type Uncertain } from './inputs.ts';
export { explained } from './rank-regression.ts';
export { latinHypercube } from './latin-hypercube.ts';

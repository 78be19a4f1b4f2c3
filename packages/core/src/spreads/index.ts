export { chances, chanceSteps, type Chance, type Chances, type Decides, type Drawing } from './chances.ts';
export { asMeasured, drawn, uncertainIn, type Uncertain } from './inputs.ts';
export { explained } from './rank-regression.ts';
export { latinHypercube } from './latin-hypercube.ts';

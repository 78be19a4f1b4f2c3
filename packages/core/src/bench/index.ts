export {
  fitReadings,
  USUAL_INSTRUMENTS,
  type BenchFit,
  type Estimate,
  type Instruments,
  type Residual,
} from './fit.ts';
export { readingOf, readingsFrom, readLine, writeLine, type MeterLine, type ReadBench } from './lines.ts';
export { measuredFigures, type MeasuredFigures, type SheetKey } from './measured-figures.ts';
export { nextStep, worstOff, type NextStep } from './next-step.ts';

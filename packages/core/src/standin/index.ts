export {
  afterStep,
  endOfRun,
  HIDDEN,
  sideAfter,
  turnsInTheAir,
  veeringVehicle,
  type Hidden,
  type VeeringVehicle,
} from './veering.ts';
export {
  readAnswer,
  readCommand,
  VERBS,
  writeAnswer,
  writeCommand,
  type Answer,
  type Command,
  type Verb,
} from './lines.ts';
export { SimulatedVehicle } from './simulated-vehicle.ts';

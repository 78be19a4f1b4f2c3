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

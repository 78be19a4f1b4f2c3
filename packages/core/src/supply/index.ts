export {
  CHEMISTRIES,
  CHEMISTRY_NAMES,
  batteryPack,
  coldPack,
  packAfter,
  type Chemistry,
} from './battery-pack.ts';
export { currentForPower } from './battery-sag.ts';
export {
  fullCommand,
  fullCommandTorque,
  idleCurrent,
  pointAt,
  pointOfTwoHalves,
  startingCurrent,
  withAuxiliary,
  type Circuit,
  type FullCommand,
  type Limit,
  type OperatingPoint,
} from './circuit.ts';
export { circuitFrom, circuitInput, constantsOf, circuitKeys, circuitSymbols } from './circuit-keys.ts';
export { driverDraw } from './driver-draw.ts';
export { energyDrawn } from './energy-drawn.ts';
export { fullCommandPoint } from './full-command.ts';
export { onVoltage, sharedSupply, startingTogether, type Branch } from './shared-supply.ts';
export { STRETCH_S, meanDraw, outingDraw } from './outing-draw.ts';
export { CHARGE, chargedAfter, chargeTime } from './charge-time.ts';
export { chargingBySun, SUN_EFFICIENCY } from './charging-by-sun.ts';
export { fuseChoice } from './fuse-choice.ts';
export { supplyRail } from './supply-rail.ts';
export { runTime } from './run-time.ts';
export { wire } from './wire.ts';

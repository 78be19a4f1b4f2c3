export { CHEMISTRY_NAMES, batteryPack, type Chemistry } from './battery-pack.ts';
export { batterySag, currentForPower } from './battery-sag.ts';
export {
  fullCommand,
  fullCommandTorque,
  pointAt,
  pointOfTwoHalves,
  type Circuit,
  type FullCommand,
  type Limit,
  type OperatingPoint,
} from './circuit.ts';
export { circuitFrom, circuitInput, circuitKeys, circuitSymbols } from './circuit-keys.ts';
export { driverDraw } from './driver-draw.ts';
export { energyDrawn } from './energy-drawn.ts';
export { fullCommandPoint } from './full-command.ts';
export { meanDraw, outingDraw } from './outing-draw.ts';
export { fuseChoice } from './fuse-choice.ts';
export { runTime } from './run-time.ts';
export { wire } from './wire.ts';

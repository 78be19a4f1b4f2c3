export { CHEMISTRY_NAMES, batteryPack, type Chemistry } from './battery-pack.ts';
export { batterySag, currentForPower } from './battery-sag.ts';
export {
  fullCommand,
  fullCommandTorque,
  pointAt,
  type Circuit,
  type FullCommand,
  type Limit,
  type OperatingPoint,
} from './circuit.ts';
export { fuseChoice } from './fuse-choice.ts';
export { runTime } from './run-time.ts';
export { wire } from './wire.ts';

export { veer } from './calibration.ts';
export {
  PROTOCOLS,
  PROTOCOL_NAMES,
  type ProtocolName,
  type TrialConditions,
  type TrialReading,
} from './protocols.ts';
export {
  STRAIGHT_RUNS,
  straightRunConditions,
  straightRunReading,
  straightRunResult,
  straightRunWorking,
  type StraightRunConditions,
  type StraightRunReading,
  type StraightRunResult,
  type StraightRunVerdict,
} from './straight-run.ts';
export { studentCritical } from './student.ts';
export { meanOf, varianceOf } from './statistics.ts';

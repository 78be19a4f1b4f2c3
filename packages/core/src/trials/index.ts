export { effectiveDiameter, encoderCounts, travelCounts, veer } from './calibration.ts';
export { coastDown } from './coast-down.ts';
export { compareTrials } from './compare-trials.ts';
export { matchMotors } from './match-motors.ts';
export { odometrySquare } from './odometry-square.ts';
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
export { trialSummary } from './trial-summary.ts';

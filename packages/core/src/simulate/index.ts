export { runLaunch, type LaunchResult } from './launch.ts';
export type { LaunchInput } from './launch-model.ts';
export { sampleLaunch } from './sample-launch.ts';
export { launchOfBuild } from './launch-of-build.ts';
export { launchWorking } from './launch-working.ts';
export { simulateLaunch } from './simulate-launch.ts';
export { launchOutlook, timeOver, usualRunS, type LaunchOutlook } from './launch-outlook.ts';
export {
  balanceReport,
  balanceTrace,
  cycleTimes,
  firstGains,
  nudgedBalance,
  USUAL_CYCLE,
  type BalanceAsk,
  type BalanceReport,
  type BalanceSample,
  type ControlCycle,
} from './balance-report.ts';
export {
  FLOOR_BESIDES,
  floorReport,
  floorTrace,
  spongyTyre,
  type FloorAsk,
  type FloorBeside,
  type FloorReport,
  type FloorSample,
  type FloorTold,
} from './floor-report.ts';
export type { BalanceGains, BalanceHold } from './balance-loop.ts';
export type { BalanceTold } from './balance-told.ts';
export { tooExtreme } from './too-extreme.ts';
export { usualWheelKg, WHEEL_INERTIA } from './usual-wheel.ts';
export {
  sphereReport,
  sphereTrace,
  type SphereAsk,
  type SphereReport,
  type SphereSample,
  type SphereTold,
} from './sphere-report.ts';
export {
  creepReport,
  creepTrace,
  smoothAbove,
  type CreepAsk,
  type CreepReport,
  type CreepSample,
} from './creep-report.ts';
export type { CreepEnd } from './run-creep.ts';

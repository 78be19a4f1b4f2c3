export { runLaunch, type LaunchResult } from './launch.ts';
export type { LaunchInput } from './launch-model.ts';
export { sampleLaunch } from './sample-launch.ts';
export { launchOfBuild } from './launch-of-build.ts';
export { launchWorking } from './launch-working.ts';
export { simulateLaunch } from './simulate-launch.ts';
export { launchOutlook, usualRunS, type LaunchOutlook } from './launch-outlook.ts';

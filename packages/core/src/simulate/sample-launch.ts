import type { LaunchResult } from './launch.ts';
import { launchModel, type LaunchInput } from './launch-model.ts';
import { distanceAfter, speedAfter } from './riccati.ts';

/**
 * Evenly spaced samples of a finished launch, for drawing: speed, distance, battery current and pull.
 *
 * @example sampleLaunch(launchOfBuild(puffin, duty, report.duties[0], 4), runLaunch(launchOfBuild(puffin, duty, report.duties[0], 4)), 10).length
 *   // 10
 */
export function sampleLaunch(i: LaunchInput, result: LaunchResult, samples = 201) {
  const model = launchModel(i);
  return Array.from({ length: samples }, (_, n) => {
    const tS = (i.durationS * n) / (samples - 1);
    const stretch = result.stretches.findLast((s) => s.startS <= tS);
    const speedMps = stretch ? speedAfter(stretch.rise, tS - stretch.startS) : 0;
    const distanceM = stretch ? stretch.startM + distanceAfter(stretch.rise, tS - stretch.startS) : 0;
    const { batteryA, forceN } = model.at(speedMps);
    return { tS, speedMps, distanceM, currentA: batteryA, forceN };
  });
}

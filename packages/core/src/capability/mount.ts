import { isOnMotor } from '../drive/index.ts';
import { stagePull } from '../transmission/index.ts';
import { driveOf, type Build } from '../vehicle/index.ts';
import type { LoadedStage } from './drive-loads.ts';

const PER_TEN = 10;

/**
 * The stage that pulls at the motor's mount: the first that is not one with the motor.
 *
 * @example pullingAtMount(loadedStages(line, drivenAt(dutyPoint(line, duty, 400))))?.stage.kind // 'chain'
 */
export const pullingAtMount = (loaded: readonly LoadedStage[]): LoadedStage | undefined =>
  loaded.find(({ stage }) => !isOnMotor(stage));

/**
 * What the calculator of the mount takes; undefined where nothing is known to pull at it.
 *
 * @example mountInput(puffin, loadedStages(line, drivenAt(dutyPoint(line, duty, 400))))?.leverMm // 46
 */
export function mountInput(build: Build, loaded: readonly LoadedStage[]) {
  const first = pullingAtMount(loaded);
  const pull = first && stagePull(first.stage, first.load);
  const { lever, twist } = driveOf(build).mount;
  if (!pull) return undefined;
  return {
    ...pull,
    leverMm: lever.value * 1000,
    ...(twist ? { twistPerNmDeg: (twist.value * 180) / Math.PI / PER_TEN } : {}),
  };
}

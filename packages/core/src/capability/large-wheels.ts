import { stageFigures, stageKind, type Stage } from '../transmission/index.ts';
import { driveOf, layoutKind, type Build } from '../vehicle/index.ts';
import { lastOnAxle } from './on-axle.ts';

/** A sprocket, pulley or gear that is larger than the vehicle has room for. */
export interface LargeWheel {
  readonly stageId: string;
  /** Its outside diameter, m. */
  readonly acrossM: number;
}

/**
 * As large as a wheel of a stage may be and stay within the vehicle, m: as high as its body stands over the ground, or as
 * its wheels.
 *
 * @example roomForWheels(puffin) // 0.86
 */
export const roomForWheels = (build: Build): number =>
  Math.max(
    build.body.height.value + build.body.clearance.value,
    ...build.layout.axles.map(({ diameter }) => diameter.value),
  );

/**
 * The wheels of stages that are larger than that, at most one of a stage. What sits on the driven axle has to clear the
 * ground instead: `axle-clearance`.
 *
 * @param stages those of the drive, unless others are tried in it
 * @example largeWheels(puffin) // []
 */
export function largeWheels(
  build: Build,
  stages: readonly Stage[] = driveOf(build).stages,
): readonly LargeWheel[] {
  const roomM = roomForWheels(build);
  const onAxle = layoutKind(build.layout.kind).pullsByRope ? undefined : lastOnAxle(stages);
  return stages.flatMap((stage) => {
    if (stageKind(stage.kind).ends) return [];
    const { driver = 0, driven = 0 } = stageFigures(stage).outsideM ?? {};
    const acrossM = Math.max(driver, stage === onAxle ? 0 : driven);
    return acrossM > roomM ? [{ stageId: stage.id, acrossM }] : [];
  });
}

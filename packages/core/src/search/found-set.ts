import type { Stage } from '../transmission/index.ts';
import {
  changeDrive,
  choosePart,
  driveOf,
  drivesThat,
  throughDrive,
  whole,
  type Build,
  type PartOf,
} from '../vehicle/index.ts';

/** Motor, driver, battery and stages that are put in a build together. */
export interface SetOfParts {
  readonly motor: PartOf<'motor'>;
  /** Absent where the motor has electronics of its own. */
  readonly driver?: PartOf<'driver'> | undefined;
  readonly battery: PartOf<'battery'>;
  readonly stages: readonly Stage[];
  /** Of the driven wheels, where they are others than the build's. */
  readonly wheelDiameterM?: number | undefined;
}

/** What a set comes to. */
export interface Worth {
  /** Of all its parts; undefined where one has no price. */
  readonly cost: number | undefined;
  readonly massKg: number;
  /** How long the battery lasts at the mix of the duties; Infinity where it never runs out. */
  readonly runTimeS: number;
  /** The least of all margins, as ratio over rule; where one fails that no set changes, of those that it does change. */
  readonly near: number;
  /** Whether nothing that a set changes has less than it needs. */
  readonly works: boolean;
  /** By how much it has less than is needed, as shares of that, all such margins together. */
  readonly lacks: number;
}

/** A set with what it comes to. */
export interface FoundSet extends SetOfParts, Worth {}

/** The drives that move a vehicle alike: the one looked at, and all with its motor, driver and stages. */
export function alikeDrives(build: Build): readonly string[] {
  const { id, motorId, driverId, stages } = driveOf(build);
  const alike = JSON.stringify([motorId, driverId, stages]);
  const others = drivesThat(build, 'propels')
    .map(driveOf)
    .filter((drive) => JSON.stringify([drive.motorId, drive.driverId, drive.stages]) === alike);
  return [id, ...others.map((drive) => drive.id).filter((other) => other !== id)];
}

/** A build looked at through the first drive that moves it. */
export const throughMoving = (build: Build): Build => drivesThat(whole(build), 'propels')[0] ?? whole(build);

/** The build on driven wheels of another diameter. */
export const onWheels = (build: Build, diameterM: number | undefined): Build =>
  diameterM === undefined
    ? build
    : {
        ...build,
        layout: {
          ...build.layout,
          axles: build.layout.axles.map((axle) =>
            axle.driven ? { ...axle, diameter: { ...axle.diameter, value: diameterM } } : axle,
          ),
        },
      };

/**
 * The build with a set in it: in the drive that moves it, and in all that are like that one.
 *
 * @example driveOf(putSetIn(puffin, { motor: motorOf(puffin), driver: driverOf(puffin), battery: batteryOf(puffin), stages: [] })).stages
 *   // []
 */
export function putSetIn(given: Build, set: SetOfParts): Build {
  const build = onWheels(throughMoving(given), set.wheelDiameterM);
  const fitted = alikeDrives(build).reduce((so, driveId) => {
    const seen = choosePart(throughDrive(so, driveId), set.motor);
    const driven = set.driver ? choosePart(seen, set.driver) : seen;
    return changeDrive(driven, { stages: set.stages });
  }, build);
  return throughDrive(choosePart(fitted, set.battery), driveOf(build).id);
}

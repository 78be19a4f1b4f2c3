import { assertNever, onceFor, remembered } from '../contract/index.ts';
import { rememberedBesidesJobs } from './besides-jobs.ts';
import type { Build } from './document.ts';
import type { Drive, Purpose } from './drive.ts';
import { drivelinesOf, type Axle, type Layout } from './layout/index.ts';

/**
 * A build may be looked at through one of its drives: what is then asked of "its" motor, driver or stages is asked of that
 * one. The mark is no part of the document; `whole` takes it off.
 */
type Through = Build & { readonly through?: string };

const throughOf = (build: Through): string | undefined => build.through;

/**
 * The drive that a build is looked at through; without a mark the first that moves the vehicle.
 *
 * @example driveOf(puffin).motorId // 'motor-24v-500w-9'
 */
export function driveOf(build: Build): Drive {
  const through = throughOf(build);
  const drive =
    through === undefined
      ? build.drives.find(({ does }) => does === 'propels')
      : build.drives.find(({ id }) => id === through);
  const found = drive ?? build.drives[0];
  if (!found) throw new RangeError('a build has at least one drive');
  return found;
}

/**
 * The build looked at through one of its drives.
 *
 * @example driveOf(throughDrive(whimbrel, 'drive-3')).does // 'works'
 */
export const throughDrive = (build: Build, driveId: string): Build =>
  driveOf(build).id === driveId ? build : throughOther(build)(driveId);

const throughOther = remembered((build: Build) =>
  onceFor((driveId: string) => ({ ...build, through: driveId }) as Build),
);

/**
 * The build as a document, whatever it was looked at through.
 *
 * @example whole(throughDrive(whimbrel, 'drive-3')).drives.length // 3
 */
export function whole(build: Build): Build {
  const { through, ...document } = build as Through;
  return through === undefined ? build : document;
}

/**
 * The build with something changed in the drive that it is looked at through; what is undefined goes.
 *
 * @example driveOf(changeDrive(puffin, { stages: [] })).stages // []
 */
export function changeDrive(build: Build, change: Partial<Drive>): Build {
  const { id } = driveOf(build);
  const goes = Object.values(change).some((value) => value === undefined);
  const changed = (drive: Drive): Drive => {
    const next = { ...drive, ...change };
    return goes
      ? (Object.fromEntries(Object.entries(next).filter(([, x]) => x !== undefined)) as Drive)
      : next;
  };
  return { ...build, drives: build.drives.map((drive) => (drive.id === id ? changed(drive) : drive)) };
}

/**
 * The build looked at through each of its drives, in their order.
 *
 * @example drivesOf(whimbrel).length // 3
 */
export const drivesOf = remembered((build: Build): readonly Build[] =>
  build.drives.map(({ id }) => throughDrive(build, id)),
);

const byPurpose = remembered((build: Build): Readonly<Record<Purpose, readonly Build[]>> => {
  const that = (does: Purpose): readonly Build[] =>
    drivesOf(build).filter((seen) => driveOf(seen).does === does);
  return { propels: that('propels'), steers: that('steers'), works: that('works') };
});

/**
 * The build looked at through each drive of a purpose, in their order.
 *
 * @example drivesThat(whimbrel, 'propels').length // 1
 */
export const drivesThat = (build: Build, does: Purpose): readonly Build[] => byPurpose(build)[does];

const serves = (drive: Drive, axle: Axle): boolean => drive.axleIds?.includes(axle.id) ?? true;

/**
 * The layout as the drive has it that a build is looked at through: others' axles are not driven, or not steered.
 *
 * @example servedLayout(puffin).axles.length // 2
 */
export const servedLayout = rememberedBesidesJobs((build: Build): Layout => {
  const drive = driveOf(build);
  const key = drive.does === 'steers' ? 'steered' : 'driven';
  if (build.layout.axles.every((axle) => !axle[key] || serves(drive, axle))) return build.layout;
  return {
    ...build.layout,
    axles: build.layout.axles.map((axle) => (serves(drive, axle) ? axle : { ...axle, [key]: false })),
  };
});

/** The build with no drive naming an axle that is not there: one that named no other serves every one. */
export const withoutLostAxles = (build: Build): Build =>
  build.drives.every(({ axleIds = [] }) => axleIds.every((axleId) => hasAxle(build, axleId)))
    ? build
    : {
        ...build,
        drives: build.drives.map(({ axleIds = [], ...drive }) => {
          const left = axleIds.filter((axleId) => hasAxle(build, axleId));
          return left.length > 0 ? { ...drive, axleIds: left } : drive;
        }),
      };

const hasAxle = ({ layout }: Build, axleId: string): boolean => layout.axles.some(({ id }) => id === axleId);

/** Wheels that are steered by themselves, or axles that are steered as one. */
function steeredBy(drive: Drive, layout: Layout): number {
  const axles = layout.axles.filter((axle) => axle.steered && serves(drive, axle));
  return Math.max(
    1,
    drive.together === 'wheel'
      ? axles.reduce((n, { track }) => n + (track.value > 0 ? 2 : 1), 0)
      : axles.length,
  );
}

/**
 * Drivelines of the drive that a build is looked at through: ways from a motor to what it turns.
 *
 * @example outputsOf(puffin) // 2
 */
export function outputsOf(build: Build): number {
  const drive = driveOf(build);
  switch (drive.does) {
    case 'propels':
      return drivelinesOf(servedLayout(build), drive.together);
    case 'steers':
      return steeredBy(drive, build.layout);
    case 'works':
      return 1;
    default:
      return assertNever(drive.does);
  }
}

/**
 * Motors of that drive.
 *
 * @example motorsIn(puffin) // 2
 */
export const motorsIn = (build: Build): number => outputsOf(build) * driveOf(build).motorsPerWheel;

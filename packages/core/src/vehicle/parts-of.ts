import type { Build } from './document.ts';
import { drivelinesOf } from './layout/index.ts';
import { isChosen, type Part, type PartKind, type PartOf } from './part.ts';

const carried = <K extends PartKind>(build: Build, kind: K, partId: string | null): PartOf<K> | undefined =>
  build.parts.find((p): p is PartOf<K> => p.kind === kind && p.id === partId);

export const motorOf = (build: Build) => carried(build, 'motor', build.drive.motorId);
export const driverOf = (build: Build) => carried(build, 'driver', build.supply.driverId);
export const batteryOf = (build: Build) => carried(build, 'battery', build.supply.batteryId);

/** Whether a driver only switches: all or nothing. */
export const switchesOnly = (driver: PartOf<'driver'> | undefined): boolean =>
  driver?.control !== undefined && driver.control !== 'by degrees';

const MOST_DRIVERS = 12;

/** So many drivers of so many channels as the motors of a build need. */
function driversFor({ layout, drive }: Build, channels: number): number {
  const motors = drivelinesOf(layout, drive.together) * drive.motorsPerWheel;
  return Math.min(MOST_DRIVERS, Math.max(1, Math.ceil(motors / channels)));
}

/**
 * The build with this part chosen for its kind, its copy carried along and the one it replaces left out; of a driver as many as
 * its motors have channels. Of a kind of which a
 * build has as many as it likes one is fitted.
 */
export function choosePart(build: Build, part: Part): Build {
  if (!isChosen(part)) return fitPart(build, part, 1);
  const chosen: Build = {
    ...build,
    drive: part.kind === 'motor' ? { ...build.drive, motorId: part.id } : build.drive,
    supply:
      part.kind === 'driver'
        ? { ...build.supply, driverId: part.id, driverCount: driversFor(build, part.channels) }
        : part.kind === 'battery'
          ? { ...build.supply, batteryId: part.id }
          : build.supply,
  };
  const others = build.parts.filter((p) => p.kind !== part.kind);
  return { ...chosen, parts: [...others, part] };
}

/** The build with its copy of a part as this one; one that carries none stays as it is. */
export const withCopyOf = (build: Build, part: Part): Build => ({
  ...build,
  parts: build.parts.map((copy) => (copy.id === part.id ? part : copy)),
});

/** A part that is fitted beside those that are chosen, and how many of it. */
export interface FittedPart {
  readonly part: Part;
  readonly count: number;
}

/** What is fitted beside motor, driver and battery. */
export const fittedOf = ({ fitted = [], parts }: Build): readonly FittedPart[] =>
  fitted.flatMap(({ id, count }) => {
    const part = parts.find((carriedAlong) => carriedAlong.id === id);
    return part ? [{ part, count }] : [];
  });

/** The build with so many of a part fitted, its copy carried along; with none of it, without. */
export function fitPart(build: Build, part: Part, count: number): Build {
  const { fitted = [], parts } = build;
  const others = {
    fitted: fitted.filter(({ id }) => id !== part.id),
    parts: parts.filter(({ id }) => id !== part.id),
  };
  if (count === 0) return { ...build, ...others };
  const at = fitted.findIndex(({ id }) => id === part.id);
  return {
    ...build,
    parts: [...others.parts, part],
    fitted:
      at < 0
        ? [...fitted, { id: part.id, count }]
        : fitted.map((item) => (item.id === part.id ? { ...item, count } : item)),
  };
}

/** Everything on board, the whole payload too: kg. */
export const massAllUp = ({ masses: { own, payload, others } }: Build): number =>
  [own, payload, ...others].reduce((sum, { mass }) => sum + mass.value, 0);

import type { Build } from './document.ts';
import type { Part, PartKind, PartOf } from './part.ts';

const carried = <K extends PartKind>(build: Build, kind: K, partId: string | null): PartOf<K> | undefined =>
  build.parts.find((p): p is PartOf<K> => p.kind === kind && p.id === partId);

export const motorOf = (build: Build) => carried(build, 'motor', build.drive.motorId);
export const driverOf = (build: Build) => carried(build, 'driver', build.supply.driverId);
export const batteryOf = (build: Build) => carried(build, 'battery', build.supply.batteryId);

/** The build with this part chosen for its kind, its copy carried along and the one it replaces left out. */
export function choosePart(build: Build, part: Part): Build {
  const chosen: Build = {
    ...build,
    drive: part.kind === 'motor' ? { ...build.drive, motorId: part.id } : build.drive,
    supply:
      part.kind === 'driver'
        ? { ...build.supply, driverId: part.id }
        : part.kind === 'battery'
          ? { ...build.supply, batteryId: part.id }
          : build.supply,
  };
  const others = build.parts.filter((p) => p.kind !== part.kind);
  return { ...chosen, parts: [...others, part] };
}

/** Everything on board, the whole payload too: kg. */
export const massAllUp = ({ masses: { own, payload, others } }: Build): number =>
  [own, payload, ...others].reduce((sum, { mass }) => sum + mass.value, 0);

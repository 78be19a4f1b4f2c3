import { assertNever } from '../contract/index.ts';
import type { Build } from './document.ts';
import { isChosen, type ChosenPart, type Part, type PartKind, type PartOf } from './part.ts';
import { changeDrive, driveOf, drivesOf, drivesThat, motorsIn, throughDrive } from './through.ts';

const carried = <K extends PartKind>(build: Build, kind: K, partId: string | null): PartOf<K> | undefined =>
  build.parts.find((p): p is PartOf<K> => p.kind === kind && p.id === partId);

/**
 * Motor and driver of the drive that a build is looked at through.
 *
 * @example motorOf(puffin)?.type // 'brushed'
 */
export const motorOf = (build: Build) => carried(build, 'motor', driveOf(build).motorId);
/**
 * The driver of the drive that is looked at; undefined where none is chosen.
 *
 * @example driverOf(puffin)?.channels // 2
 */
export const driverOf = (build: Build) => carried(build, 'driver', driveOf(build).driverId);

/**
 * What feeds the build, pack by pack; each with how many of it.
 *
 * @example packsOf(puffin)[0]?.inSeries // 1
 */
export const packsOf = (build: Build) =>
  build.supply.packs.flatMap(({ id, ...counts }) => {
    const part = carried(build, 'battery', id) ?? carried(build, 'source', id);
    return part ? [{ part, ...counts }] : [];
  });

/**
 * The first battery that feeds the build.
 *
 * @example batteryOf(puffin)?.chemistry // 'lifepo4'
 */
export const batteryOf = (build: Build): PartOf<'battery'> | undefined =>
  packsOf(build)
    .map(({ part }) => part)
    .find((part) => part.kind === 'battery');

/**
 * Boards of the part that drives the drive which a build is looked at through.
 *
 * @example driverCountOf(puffin) // 1
 */
export const driverCountOf = (build: Build): number =>
  build.supply.drivers.find(({ id }) => id === driveOf(build).driverId)?.count ?? 0;

/**
 * The build with so many of those boards.
 *
 * @example driverCountOf(withDriverCount(puffin, 2)) // 2
 */
export const withDriverCount = (build: Build, count: number): Build => ({
  ...build,
  supply: {
    ...build.supply,
    drivers: build.supply.drivers.map((driver) =>
      driver.id === driveOf(build).driverId ? { ...driver, count } : driver,
    ),
  },
});

/**
 * Motors of all drives that hang on drivers of this part.
 *
 * @example motorsOn(puffin, driverOf(puffin).id) // 2
 */
export const motorsOn = (build: Build, driverId: string): number =>
  build.drives
    .filter((drive) => drive.driverId === driverId)
    .reduce((sum, { id }) => sum + motorsIn(throughDrive(build, id)), 0);

/**
 * Whether a driver only switches: all or nothing.
 *
 * @example switchesOnly(driverOf(puffin)) // false
 */
export const switchesOnly = (driver: PartOf<'driver'> | undefined): boolean =>
  driver?.control !== undefined && driver.control !== 'by degrees';

const MOST_DRIVERS = 12;

/** The build with so many boards of each driver that a drive hangs on as their motors need; those known already as they are. */
function withDrivers(build: Build, chosen?: PartOf<'driver'>): Build {
  const asked = [...new Set(build.drives.flatMap(({ driverId }) => driverId ?? []))];
  const drivers = asked.map((id) => {
    const known = build.supply.drivers.find((driver) => driver.id === id);
    if (known && chosen?.id !== id) return known;
    const channels = chosen?.channels ?? 1;
    return { id, count: Math.min(MOST_DRIVERS, Math.max(1, Math.ceil(motorsOn(build, id) / channels))) };
  });
  return { ...build, supply: { ...build.supply, drivers } };
}

/** The build without copies of parts of a kind that nothing in it names any more. */
function withoutUnused(build: Build, kinds: readonly PartKind[]): Build {
  const named = new Set([
    ...build.drives.flatMap(({ motorId, driverId }) => [motorId, driverId]),
    ...[...build.supply.packs, ...build.supply.drivers, ...(build.fitted ?? [])].map(({ id }) => id),
  ]);
  return { ...build, parts: build.parts.filter(({ id, kind }) => !kinds.includes(kind) || named.has(id)) };
}

const withCopy = (build: Build, part: Part): Build => ({
  ...build,
  parts: [...build.parts.filter(({ id }) => id !== part.id), part],
});

/**
 * The build fed by this part alone, a battery or another source.
 *
 * @example packsOf(feedFrom(puffin, batteryOf(puffin))).length // 1
 */
export const feedFrom = (build: Build, part: PartOf<'battery'> | PartOf<'source'>): Build =>
  withoutUnused(
    withCopy(
      {
        ...build,
        supply: {
          ...build.supply,
          packs: [{ id: part.id, inSeries: 1, inParallel: 1 }],
          joined: 'in series',
        },
      },
      part,
    ),
    ['battery', 'source'],
  );

/**
 * The build fed by this part too; the first of it.
 *
 * @example packsOf(addPack(puffin, batteryOf(puffin))).length // 1
 */
export const addPack = (build: Build, part: PartOf<'battery'> | PartOf<'source'>): Build => {
  const { packs } = build.supply;
  if (packs.some(({ id }) => id === part.id)) return build;
  const added = [...packs, { id: part.id, inSeries: 1, inParallel: 1 }];
  return withCopy({ ...build, supply: { ...build.supply, packs: added } }, part);
};

/**
 * The build with so many of a pack in series and side by side; without it where nothing is given.
 *
 * @example packsOf(changePack(puffin, batteryOf(puffin).id, { inParallel: 2 }))[0]?.inParallel // 2
 */
export function changePack(
  build: Build,
  partId: string,
  counts: { readonly inSeries?: number; readonly inParallel?: number } | undefined,
): Build {
  const packs = build.supply.packs.flatMap((pack) =>
    pack.id === partId ? (counts ? [{ ...pack, ...counts }] : []) : [pack],
  );
  return withoutUnused({ ...build, supply: { ...build.supply, packs } }, ['battery', 'source']);
}

function chosen(build: Build, part: ChosenPart): Build {
  switch (part.kind) {
    case 'motor':
      return withoutUnused(withCopy(changeDrive(build, { motorId: part.id }), part), ['motor']);
    case 'driver':
      return withoutUnused(withDrivers(withCopy(changeDrive(build, { driverId: part.id }), part), part), [
        'driver',
      ]);
    case 'battery':
      return feedFrom(build, part);
    default:
      return assertNever(part);
  }
}

/**
 * The build with this part chosen for its kind in the drive that it is looked at through, its copy carried along and the one
 * it replaces left out; of a driver as many as its motors have channels. Of a kind of which a build has as many as it
 * likes one is fitted.
 *
 * @example motorOf(choosePart(puffin, { ...motorOf(puffin), id: 'other' }))?.id // 'other'
 */
export const choosePart = (build: Build, part: Part): Build =>
  isChosen(part) ? chosen(build, part) : fitPart(build, part, 1);

/** The supply without the interlocks of a drive. */
function withoutInterlocks(supply: Build['supply'], driveId: string): Build['supply'] {
  const { interlocks } = supply;
  return interlocks
    ? { ...supply, interlocks: interlocks.filter((interlock) => interlock.driveId !== driveId) }
    : supply;
}

/**
 * The build without a drive; its interlocks go with it, and its motor and driver where no other has them.
 *
 * @example withoutDrive(whimbrel, 'drive-3').drives.length // 2
 */
export const withoutDrive = (build: Build, driveId: string): Build =>
  withoutUnused(
    withDrivers({
      ...build,
      drives: build.drives.filter(({ id }) => id !== driveId),
      supply: withoutInterlocks(build.supply, driveId),
    }),
    ['motor', 'driver'],
  );

/**
 * Motors that move the vehicle, all drives together.
 *
 * @example propellingMotors(puffin) // 2
 */
export const propellingMotors = (build: Build): number =>
  drivesThat(build, 'propels').reduce((sum, seen) => sum + motorsIn(seen), 0);

/**
 * The build with its copy of a part as this one; one that carries none stays as it is.
 *
 * @example motorOf(withCopyOf(puffin, { ...motorOf(puffin), stallA: 90 }))?.stallA // 90
 */
export const withCopyOf = (build: Build, part: Part): Build => ({
  ...build,
  parts: build.parts.map((copy) => (copy.id === part.id ? part : copy)),
});

/** A part that is fitted beside those that are chosen, and how many of it. */
export interface FittedPart {
  readonly part: Part;
  readonly count: number;
}

/**
 * What is fitted beside motors, drivers and packs.
 *
 * @example fittedOf(puffin).length // 0
 */
export const fittedOf = ({ fitted = [], parts }: Build): readonly FittedPart[] =>
  fitted.flatMap(({ id, count }) => {
    const part = parts.find((carriedAlong) => carriedAlong.id === id);
    return part ? [{ part, count }] : [];
  });

/**
 * Every part of a build with how many of it there are: motors of all drives, boards, packs, and what is fitted.
 *
 * @example piecesOf(puffin).map(({ count }) => count) // [2, 1, 1]
 */
export function piecesOf(build: Build): readonly FittedPart[] {
  const counts = new Map<string, number>();
  const add = (id: string | null, count: number): void => {
    if (id !== null) counts.set(id, (counts.get(id) ?? 0) + count);
  };
  for (const seen of drivesOf(build)) add(driveOf(seen).motorId, motorsIn(seen));
  for (const { id, count } of build.supply.drivers) add(id, count);
  for (const { id, inSeries, inParallel } of build.supply.packs) add(id, inSeries * inParallel);
  for (const { part, count } of fittedOf(build)) add(part.id, count);
  return build.parts.flatMap((part) => {
    const count = counts.get(part.id) ?? 0;
    return count > 0 ? [{ part, count }] : [];
  });
}

/**
 * The build with so many of a part fitted, its copy carried along; with none of it, without.
 *
 * @example fitPart(puffin, motorOf(puffin), 1).fitted.length // 1
 */
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

/**
 * Everything on board, the whole payload too: kg.
 *
 * @example massAllUp(puffin) // 178
 */
export const massAllUp = ({ masses: { own, payload, others } }: Build): number =>
  [own, payload, ...others].reduce((sum, { mass }) => sum + mass.value, 0);

/**
 * The vehicle by itself, without payload and riders: kg.
 *
 * @example itselfKg(puffin) // 58
 */
export const itselfKg = ({ masses: { own, others } }: Build): number =>
  others.reduce((sum, { kind, mass }) => (kind === 'rider' ? sum : sum + mass.value), own.mass.value);

/**
 * What its motors, their drivers and what feeds them weigh together: kg. It is part of what the vehicle weighs.
 *
 * @example powerKg(puffin) < itselfKg(puffin) // true
 */
export const powerKg = (build: Build): number =>
  piecesOf(build).reduce((sum, { part, count }) => (isChosen(part) ? sum + count * part.massKg : sum), 0);

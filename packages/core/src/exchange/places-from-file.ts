import Papa from 'papaparse';
import { z } from 'zod';
import { show } from '../quantity/index.ts';

/** A place of a course: from where it starts, ahead and to the right. */
interface CoursePoint {
  readonly aheadM: number;
  readonly rightM: number;
}

/** A file without places to drive along, and what to change. */
export class UnreadablePlaces extends Error {}

/** What a file's columns or coordinates were taken for. */
export const PLACES_BY = ['earth', 'ahead-right', 'ahead-left'] as const;

/** Places to drive along. */
export interface ReadPlaces {
  readonly points: readonly CoursePoint[];
  readonly by: (typeof PLACES_BY)[number];
}

/** A course has at most so many places, and none farther off, m. */
const MOST = 2000;
const FARTHEST_M = 1000;

const position = z.array(z.number()).min(2).max(4);
const geometrySchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Point'), coordinates: position }),
  z.object({ type: z.literal('MultiPoint'), coordinates: z.array(position) }),
  z.object({ type: z.literal('LineString'), coordinates: z.array(position) }),
  z.object({ type: z.literal('MultiLineString'), coordinates: z.array(z.array(position)) }),
  z.object({ type: z.literal('Polygon'), coordinates: z.array(z.array(position)) }),
]);
const featureSchema = z.object({ type: z.literal('Feature'), geometry: geometrySchema });
const geoJsonSchema = z.union([
  z.object({ type: z.literal('FeatureCollection'), features: z.array(featureSchema) }),
  featureSchema,
  geometrySchema,
]);

type OnEarth = readonly [longitudeDeg: number, latitudeDeg: number];

function positionsOf(geometry: z.output<typeof geometrySchema>): readonly (readonly number[])[] {
  switch (geometry.type) {
    case 'Point':
      return [geometry.coordinates];
    case 'MultiPoint':
    case 'LineString':
      return geometry.coordinates;
    case 'MultiLineString':
      return geometry.coordinates.flat();
    // Along its edge: what is cut out of it is no way.
    case 'Polygon':
      return geometry.coordinates[0] ?? [];
  }
}

/** The ellipsoid of WGS 84: its equatorial radius, m, and the square of its first eccentricity. */
const WGS84 = { radiusM: 6_378_137, eccentricity2: 6.694_379_990_14e-3 };
const DEGREE = Math.PI / 180;

/** Places on the Earth as seen from the first, the second straight ahead of it. */
function fromEarth(all: readonly OnEarth[]): CoursePoint[] {
  const wrong = all.findIndex(([lon, lat]) => !(Math.abs(lon) <= 180 && Math.abs(lat) < 90));
  if (wrong >= 0)
    throw new UnreadablePlaces(
      `Place ${wrong + 1} is nowhere on the Earth: longitudes and latitudes in degrees are expected.`,
    );
  const [lon0, lat0] = all[0] as OnEarth;
  const { radiusM, eccentricity2 } = WGS84;
  const bulge = 1 - eccentricity2 * Math.sin(lat0 * DEGREE) ** 2;
  const northM = (radiusM * (1 - eccentricity2)) / bulge ** 1.5;
  const eastM = (radiusM / Math.sqrt(bulge)) * Math.cos(lat0 * DEGREE);
  // The short way round where the date changes.
  const around = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;
  const flat = all.map(([lon, lat]) => ({
    east: around(lon - lon0) * DEGREE * eastM,
    north: (lat - lat0) * DEGREE * northM,
  }));
  const first = flat.find(({ east, north }) => Math.hypot(east, north) > 1e-6);
  if (!first) throw new UnreadablePlaces('All places of this file are the same one: give at least two.');
  const far = Math.hypot(first.east, first.north);
  const [e, n] = [first.east / far, first.north / far];
  return flat.slice(1).map(({ east, north }) => ({
    aheadM: east * e + north * n,
    rightM: east * n - north * e,
  }));
}

const NAMES = {
  latitude: /^lat(itude)?$/i,
  longitude: /^(lon|lng|long|longitude)$/i,
  ahead: /^(ahead|aheadm|x)$/i,
  right: /^(right|rightm)$/i,
  left: /^(left|leftm|y)$/i,
} as const;

function fromTable(text: string): ReadPlaces {
  const { data } = Papa.parse<string[]>(text.trim(), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
  });
  const [head = [], ...rest] = data;
  const columnOf = (name: keyof typeof NAMES): number =>
    head.findIndex((title) => NAMES[name].test(title.replace(/[\s_[(].*$/, '').trim()));
  const isBare = head.every((cell) => Number.isFinite(Number(cell.replace(',', '.'))));
  const rows = isBare ? data : rest;
  const numbers = (n: number): number[] =>
    rows.map((row, at) => {
      const value = Number((row[n] ?? '').trim().replace(',', '.') || NaN);
      if (Number.isFinite(value)) return value;
      throw new UnreadablePlaces(`Row ${at + (isBare ? 1 : 2)}, “${row[n] ?? ''}”, is no number.`);
    });
  if (rows.length === 0) throw new UnreadablePlaces('This table has no places: a row each.');
  const [latitude, longitude] = [columnOf('latitude'), columnOf('longitude')];
  if (latitude >= 0 && longitude >= 0) {
    const [lat, lon] = [numbers(latitude), numbers(longitude)];
    return { by: 'earth', points: fromEarth(lon.map((x, n): OnEarth => [x, lat[n] ?? 0])) };
  }
  const [ahead, right, left] = isBare ? [0, 1, -1] : [columnOf('ahead'), columnOf('right'), columnOf('left')];
  if (ahead < 0 || (right < 0 && left < 0))
    throw new UnreadablePlaces(
      `The columns are ${head.map((title) => `“${title}”`).join(', ')}: name them latitude and longitude, ahead and right (metres), or x and y (metres, y to the left).`,
    );
  const [x, y] = [numbers(ahead), numbers(right >= 0 ? right : left)];
  const side = right >= 0 ? 1 : -1;
  return {
    by: right >= 0 ? 'ahead-right' : 'ahead-left',
    points: x.map((aheadM, n) => ({ aheadM, rightM: side * (y[n] ?? 0) })),
  };
}

function fromGeoJson(json: unknown): ReadPlaces {
  const read = geoJsonSchema.safeParse(json);
  if (!read.success)
    throw new UnreadablePlaces(
      'This is no GeoJSON of points, lines or areas: export the way as GeoJSON, in longitude and latitude.',
    );
  const shape = read.data;
  const geometries =
    shape.type === 'FeatureCollection'
      ? shape.features.map(({ geometry }) => geometry)
      : [shape.type === 'Feature' ? shape.geometry : shape];
  const all = geometries.flatMap(positionsOf).map(([lon = NaN, lat = NaN]): OnEarth => [lon, lat]);
  if (all.length < 2) throw new UnreadablePlaces('A way has at least two places.');
  return { by: 'earth', points: fromEarth(all) };
}

/** No more places than a course has, none out of reach. */
function checked(read: ReadPlaces): ReadPlaces {
  const { points } = read;
  if (points.length > MOST)
    throw new UnreadablePlaces(
      `It has ${points.length} places; a course has at most ${MOST}. Thin them out.`,
    );
  const far = points.findIndex(
    ({ aheadM, rightM }) => Math.max(Math.abs(aheadM), Math.abs(rightM)) > FARTHEST_M,
  );
  if (far >= 0)
    throw new UnreadablePlaces(
      `Place ${far + 1} is more than ${show(FARTHEST_M, 'length', 'metric').text} off: a course is driven near by.`,
    );
  return read;
}

/**
 * Places to drive along from a file: GeoJSON, or a table of latitude and longitude, of metres ahead and to the right (or x and y), with a
 * head or without. What lies on the Earth is seen from its first place, the second ahead.
 *
 * Source: RFC 7946 (longitude first, WGS 84); radii of curvature of the ellipsoid of WGS 84.
 *
 * @throws UnreadablePlaces with what to change
 * @example placesFromFile('ahead,right\n2,0\n2,1').points // [{ aheadM: 2, rightM: 0 }, { aheadM: 2, rightM: 1 }]
 */
export function placesFromFile(text: string): ReadPlaces {
  if (text.trim() === '') throw new UnreadablePlaces('This file is empty.');
  if (!/^\s*[{[]/.test(text)) return checked(fromTable(text));
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new UnreadablePlaces('This file begins like GeoJSON and does not end like it: export it again.');
  }
  return checked(fromGeoJson(json));
}

/** A corner of a row beside stands no farther out than so many times the distance of the rows. */
const MOST_MITRE = 3;

/** A way beside another, to the right positive: corner by corner, what would go back on itself left out. */
function beside(way: readonly CoursePoint[], off: number): CoursePoint[] {
  const unit = (from: CoursePoint, to: CoursePoint): CoursePoint => {
    const far = Math.hypot(to.aheadM - from.aheadM, to.rightM - from.rightM);
    return { aheadM: (to.aheadM - from.aheadM) / far, rightM: (to.rightM - from.rightM) / far };
  };
  const at = (n: number): CoursePoint => way[n] as CoursePoint;
  const moved = way.map((place, n): CoursePoint => {
    const before = unit(at(Math.max(0, n - 1)), at(Math.max(1, n)));
    const after = unit(at(Math.min(way.length - 2, n)), at(Math.min(way.length - 1, n + 1)));
    // Square to both, as far out that each of its two edges stands off as it should.
    const [ahead, right] = [-(before.rightM + after.rightM), before.aheadM + after.aheadM];
    const length = Math.hypot(ahead, right);
    const far = off * Math.min(MOST_MITRE, 2 / Math.max(1e-9, length));
    return length < 1e-9
      ? { aheadM: place.aheadM - off * before.rightM, rightM: place.rightM + off * before.aheadM }
      : { aheadM: place.aheadM + (far * ahead) / length, rightM: place.rightM + (far * right) / length };
  });
  return moved.filter((place, n) => {
    const next = moved[n + 1];
    if (n === 0 || !next) return true;
    const [way1, own] = [unit(at(n), at(n + 1)), unit(place, next)];
    return way1.aheadM * own.aheadM + way1.rightM * own.rightM > 0;
  });
}

/**
 * A way and rows beside it, driven back and forth: so many more, each so far to the right of the one before, or to the left.
 *
 * @throws UnreadablePlaces where that is more places than a course has, or out of reach
 * @example rowsBeside([{ aheadM: 5, rightM: 0 }], { more: 1, apartM: 1, side: 'right' }).length // 3
 */
export function rowsBeside(
  points: readonly CoursePoint[],
  { more, apartM, side }: { readonly more: number; readonly apartM: number; readonly side: 'left' | 'right' },
): readonly CoursePoint[] {
  // It is driven from where it starts; places that follow upon themselves have no direction.
  const way = [{ aheadM: 0, rightM: 0 }, ...points].filter(
    (place, n, all) =>
      n === 0 ||
      Math.hypot(place.aheadM - (all[n - 1]?.aheadM ?? NaN), place.rightM - (all[n - 1]?.rightM ?? NaN)) >
        1e-6,
  );
  if (way.length < 2) return points;
  const rows = Array.from({ length: more }, (_, n) => {
    const row = beside(way, (side === 'right' ? 1 : -1) * apartM * (n + 1));
    return n % 2 === 0 ? row.toReversed() : row;
  });
  return checked({ by: 'ahead-right', points: [...way.slice(1), ...rows.flat()] }).points;
}

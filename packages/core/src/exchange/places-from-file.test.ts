import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placesFromFile, rowsBeside, UnreadablePlaces } from './places-from-file.ts';

const line = (coordinates: readonly (readonly number[])[]) =>
  JSON.stringify({
    type: 'FeatureCollection',
    features: [{ type: 'Feature', properties: {}, geometry: { type: 'LineString', coordinates } }],
  });

describe('places from a file', () => {
  it('of GeoJSON lie where degrees have them: 110.574 km a degree north and 111.320 km east at the equator (WGS 84 tables)', () => {
    const { points, by } = placesFromFile(
      line([
        [10, 0],
        [10, 0.001],
        [10.001, 0.001],
        [10.001, 0, 12],
      ]),
    );
    expect(by).toBe('earth');
    expect(points[0]?.aheadM).toBeCloseTo(110.574, 2);
    expect(points[0]?.rightM).toBeCloseTo(0, 9);
    // It starts to the north: east is to its right.
    expect(points[1]?.rightM).toBeCloseTo(111.32, 2);
    expect(points[2]?.aheadM).toBeCloseTo(0, 6);
  });

  it('are as far apart as great circles have them, wherever they are (haversine, mean radius: within half a per cent)', () => {
    fc.assert(
      fc.property(
        fc.record({
          lon: fc.double({ min: -180, max: 180, noNaN: true }),
          lat: fc.double({ min: -70, max: 70, noNaN: true }),
          dLon: fc.double({ min: -0.002, max: 0.002, noNaN: true }),
          dLat: fc.double({ min: 1e-4, max: 0.002, noNaN: true }),
        }),
        ({ lon, lat, dLon, dLat }) => {
          const wrapped = ((((lon + dLon + 180) % 360) + 360) % 360) - 180;
          const { points } = placesFromFile(
            line([
              [lon, lat],
              [wrapped, lat + dLat],
            ]),
          );
          const rad = Math.PI / 180;
          const h =
            Math.sin((dLat * rad) / 2) ** 2 +
            Math.cos(lat * rad) * Math.cos((lat + dLat) * rad) * Math.sin((dLon * rad) / 2) ** 2;
          const farM = 2 * 6_371_008.8 * Math.asin(Math.sqrt(h));
          expect(points[0]?.aheadM).toBeGreaterThan(0.993 * farM);
          expect(points[0]?.aheadM).toBeLessThan(1.007 * farM);
          expect(points[0]?.rightM).toBeCloseTo(0, 6);
        },
      ),
    );
  });

  it('are points, areas and several lines too, in the order of the file', () => {
    const of = (geometry: object) => placesFromFile(JSON.stringify(geometry)).points;
    expect(
      of({
        type: 'MultiPoint',
        coordinates: [
          [0, 0],
          [0, 0.001],
        ],
      }),
    ).toHaveLength(1);
    expect(
      of({
        type: 'Polygon',
        coordinates: [
          [
            [0, 0],
            [0, 0.001],
            [0.001, 0],
            [0, 0],
          ],
          [[0.1, 0.1]],
        ],
      }),
    ).toHaveLength(3);
    expect(
      of({
        type: 'MultiLineString',
        coordinates: [
          [
            [0, 0],
            [0, 0.001],
          ],
          [[0.001, 0]],
        ],
      }),
    ).toHaveLength(2);
    const two = ['Point', 'Point'].map((type, n) => ({
      type: 'Feature',
      geometry: { type, coordinates: [0, n / 1000] },
    }));
    expect(of({ type: 'FeatureCollection', features: two })).toHaveLength(1);
  });

  it.each([
    ['ahead,right\n2,0\n2,1.5', 'ahead-right', 1.5],
    ['x;y\n2;0\n2;1,5', 'ahead-left', -1.5],
    ['2,0\n2,1.5', 'ahead-right', 1.5],
    ['right (m)\tahead (m)\n0\t2\n1.5\t2', 'ahead-right', 1.5],
  ] as const)('of a table %j are its columns', (text, by, rightM) => {
    expect(placesFromFile(text)).toEqual({
      by,
      points: [
        { aheadM: 2, rightM: expect.closeTo(0, 12) as number },
        { aheadM: 2, rightM },
      ],
    });
  });

  it('of a table of latitude and longitude are those of GeoJSON', () => {
    const table = placesFromFile('name,Latitude,Longitude\na,51.5,-0.1\nb,51.501,-0.1\nc,51.501,-0.099');
    expect(table).toEqual(
      placesFromFile(
        line([
          [-0.1, 51.5],
          [-0.1, 51.501],
          [-0.099, 51.501],
        ]),
      ),
    );
  });

  it.each([
    ['', /empty/],
    ['{"type": "Topology"}', /no GeoJSON of points/],
    ['{"type": ', /export it again/],
    ['a,b\n1,2', /columns are “a”, “b”: name them latitude/],
    ['ahead,right\n1,much', /Row 2, “much”, is no number/],
    ['ahead,right\n', /no places/],
    ['ahead,right\n1,2000', /more than 1\s000\sm off/],
    [line([[0, 0]]), /at least two places/],
    [
      line([
        [0, 0],
        [0, 0],
      ]),
      /the same one/,
    ],
    [
      line([
        [0, 0],
        [500000, 4],
      ]),
      /nowhere on the Earth/,
    ],
    [Array.from({ length: 2001 }, () => '1,1').join('\n'), /at most 2000/],
  ])('says what to change of %#', (text, why) => {
    expect(() => placesFromFile(text)).toThrow(why);
    expect(() => placesFromFile(text)).toThrow(UnreadablePlaces);
  });
});

describe('rows beside a way', () => {
  it('go back and forth, each as far off as asked', () => {
    const rows = rowsBeside([{ aheadM: 10, rightM: 0 }], { more: 2, apartM: 1.5, side: 'right' });
    const at = (aheadM: number, rightM: number) => ({
      aheadM: expect.closeTo(aheadM, 9),
      rightM: expect.closeTo(rightM, 9),
    });
    expect(rows).toEqual([at(10, 0), at(10, 1.5), at(0, 1.5), at(0, 3), at(10, 3)]);
    const left = rowsBeside([{ aheadM: 10, rightM: 0 }], { more: 1, apartM: 2, side: 'left' });
    expect(left.map(({ rightM }) => Math.round(rightM))).toEqual([0, -2, -2]);
  });

  it('round a corner stand off both its edges alike (offset of a polygon)', () => {
    const corner = [
      { aheadM: 10, rightM: 0 },
      { aheadM: 10, rightM: 10 },
    ];
    const outside = rowsBeside(corner, { more: 1, apartM: 1, side: 'left' }).slice(2).toReversed();
    expect(outside).toEqual(
      [
        [0, -1],
        [11, -1],
        [11, 10],
      ].map(([aheadM = 0, rightM = 0]) => ({
        aheadM: expect.closeTo(aheadM, 9),
        rightM: expect.closeTo(rightM, 9),
      })),
    );
    // Where it is too tight for the inner side, what would go back is left out.
    const tight = [
      { aheadM: 10, rightM: 0 },
      { aheadM: 10, rightM: 0.5 },
      { aheadM: 0, rightM: 0.5 },
    ];
    const inner = rowsBeside(tight, { more: 1, apartM: 3, side: 'right' });
    expect(inner.length).toBeLessThan(8);
    for (const { aheadM, rightM } of inner) expect(Number.isFinite(aheadM + rightM)).toBe(true);
  });

  it('are no more than a course has', () => {
    const way = Array.from({ length: 900 }, (_, n) => ({ aheadM: n / 10, rightM: 0 }));
    expect(() => rowsBeside(way, { more: 3, apartM: 0.1, side: 'right' })).toThrow(UnreadablePlaces);
    expect(rowsBeside([{ aheadM: 0, rightM: 0 }], { more: 2, apartM: 1, side: 'right' })).toHaveLength(1);
  });
});

/** A layout of as many parts as a build holds, and how long it takes to find a place in it. */
import { readFileSync } from 'node:fs';
import { findPlaces } from '@zubric/core/layout';
import { readBuild, type Build } from '@zubric/core/vehicle';

/** The barrow with 200 boxes in rows, each beside the next. */
export function crowded(): Build {
  const read = readBuild(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
  if (!read.ok || !read.build.arrangement) throw new Error('the barrow does not read');
  const { build } = read;
  const { arrangement } = read.build;
  const [battery] = arrangement.parts;
  if (!battery) throw new Error('the barrow has a battery box');
  const mm = (value: number) => ({ value, unit: 'mm', origin: 'typed' as const });
  const small = Array.from({ length: 199 }, (_, n) => ({
    ...battery,
    id: `box-${n}`,
    name: `Box ${n + 1}`,
    partId: undefined,
    length: mm(0.03),
    width: mm(0.03),
    height: mm(0.03),
    aheadOfRearAxle: mm(-0.1 + 0.04 * (n % 20)),
    left: mm(-0.2 + 0.04 * Math.floor(n / 20)),
    above: mm(0.45),
    mass: { ...battery.mass, value: 0.02 },
  }));
  return { ...build, arrangement: { ...arrangement, zones: [], parts: [battery, ...small] } };
}

/** Milliseconds to find the places of the battery box among 200 parts. */
export function findPlaceMs(): number {
  const build = crowded();
  const start = performance.now();
  const places = findPlaces(build, 'battery-box');
  const took = performance.now() - start;
  if (places.length === 0) throw new Error('no place was found');
  return took;
}

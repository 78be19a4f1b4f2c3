import { z } from 'zod';
import { sumOf } from '../../contract/index.ts';
import { quantity, scaled } from '../../quantity/index.ts';
import { keyShear } from '../key-shear.ts';
import { sizeOf } from '../stages/work.ts';
import {
  STEEL_BEARING,
  STEEL_SHEAR,
  allowableShear,
  boredToShaft,
  bore,
  common,
  length,
  ofMPa,
  ofMm,
  toMPa,
  toMm,
} from './common.ts';
import type { Face, PathMember } from './member.ts';
import { keyFor } from './usual-sizes.ts';

const schema = z.strictObject({
  ...common,
  kind: z.literal('key'),
  bore,
  width: length('Key width'),
  height: length('Key height'),
  length: length('Key length'),
  allowable: allowableShear,
  allowableBearing: quantity('stress', { above: 0 }, 'Allowable bearing'),
});
type KeyedHub = z.output<typeof schema>;

/** A hub on a key. */
export const key = {
  schema,
  title: 'Hub with key',
  all: 'All keys',
  isHub: true,
  faces(element) {
    const face: Face = { kind: 'bore', diameter: element.bore, keyWidth: element.width };
    return { before: face, behind: face };
  },
  holds: (element, torqueNm) =>
    sumOf(
      keyShear,
      {
        shaftDiameterMm: toMm(element.bore),
        keyWidthMm: toMm(element.width),
        keyHeightMm: toMm(element.height),
        keyLengthMm: toMm(element.length),
        torqueNm,
        allowableShearMPa: toMPa(element.allowable),
        allowableBearingMPa: toMPa(element.allowableBearing),
      },
      'factor',
    ),
  fresh: (own) => ({
    ...own,
    kind: 'key',
    width: ofMm(keyFor(own.bore)),
    height: ofMm(keyFor(own.bore)),
    length: { ...own.bore, value: own.bore.value * 1.25 },
    allowable: ofMPa(STEEL_SHEAR),
    allowableBearing: ofMPa(STEEL_BEARING),
  }),
  stronger: (element) => [
    { text: 'a key twice as long', element: { ...element, length: scaled(element.length, 2) } },
  ],
  fitted: (element, mismatch) =>
    boredToShaft(element, mismatch) ??
    (mismatch.adapter === 'stepped-key'
      ? {
          text: `“${element.name}” with a key of the width of its keyway`,
          element: { ...element, width: mismatch.wants },
        }
      : undefined),
  part: ({ name, width, height, length: long }) => ({
    name: `Key for ${name.toLowerCase()}, ${sizeOf(width)} × ${sizeOf(height)} × ${sizeOf(long)}`,
    count: 1,
  }),
} as const satisfies PathMember<KeyedHub>;

import { z } from 'zod';
import { sumOf } from '../../contract/index.ts';
import { SET_SCREW_SIZES, setScrewHold } from '../set-screw-hold.ts';
import { boredToShaft, bore, common, hubFaces, toMm } from './common.ts';
import type { PathMember } from './member.ts';
import { fasteningFor } from './usual-sizes.ts';

const schema = z.strictObject({
  ...common,
  kind: z.literal('set-screws'),
  bore,
  size: z.enum(SET_SCREW_SIZES).meta({ title: 'Size of the screws' }),
  count: z.int().min(1).max(8).meta({ title: 'Set screws' }),
});
type ScrewedHub = z.output<typeof schema>;

const MOST_SCREWS = 8;
const LARGER_SCREWS = ['M2.5', 'M3', 'M4', 'M5', 'M6', 'M8'] as const;
/** A set screw is no larger than this share of the bore that it presses on (common practice, no source). */
const MOST_OF_BORE = 0.6;

/** A hub held by set screws. */
export const setScrews = {
  schema,
  title: 'Hub with set screws',
  all: 'All set screws',
  isHub: true,
  // Shigley, ch. 7: four to eight where it jerks (from memory).
  safety: 4,
  faces: hubFaces,
  holds: (element, torqueNm) =>
    sumOf(
      setScrewHold,
      { size: element.size, count: element.count, shaftDiameterMm: toMm(element.bore), torqueNm },
      'factor',
    ),
  fresh: (own) => ({ ...own, kind: 'set-screws', size: fasteningFor(own.bore).setScrew, count: 2 }),
  stronger: (element) => [
    {
      text: 'two set screws more',
      element: { ...element, count: Math.min(MOST_SCREWS, element.count + 2) },
    },
    ...LARGER_SCREWS.filter(
      (screw) =>
        Number(screw.slice(1)) > Number(element.size.replace('M', '')) &&
        Number(screw.slice(1)) <= MOST_OF_BORE * toMm(element.bore),
    )
      .slice(0, 2)
      .map((size) => ({ text: `set screws ${size}`, element: { ...element, size } })),
  ],
  fitted: boredToShaft,
  part: ({ name, size, count }) => ({ name: `Set screw ${size} for ${name.toLowerCase()}`, count }),
} as const satisfies PathMember<ScrewedHub>;

import { z } from 'zod';
import { sumOf } from '../../contract/index.ts';
import { quantity, scaled, figure, sentence } from '../../quantity/index.ts';
import { boltCircle as boltCircleSum } from '../bolt-circle.ts';
import { sizeOf } from '../stages/work.ts';
import { allowableShear, areApart, common, length, ofMPa, ofMm, toMPa, toMm } from './common.ts';
import type { PathMember } from './member.ts';
import { fasteningFor } from './usual-sizes.ts';

const schema = z.strictObject({
  ...common,
  kind: z.literal('bolt-circle'),
  bolts: z.int().min(2).max(24).meta({ title: 'Bolts' }),
  circle: length('Bolt circle', 'Diameter of the bolt circle of the part before'),
  boltDiameter: length('Bolt diameter'),
  standoff: quantity('length', { least: 0 }, 'Standoff', 'Free length between the two parts'),
  allowable: allowableShear,
  otherBolts: z.int().min(2).max(24).meta({ title: 'Holes of the part behind' }),
  otherCircle: length('Its bolt circle', 'Diameter of the bolt circle of the part behind'),
});
type BoltCircle = z.output<typeof schema>;

/** Shear that a bolt of 8.8 may carry where it jerks (common practice, no source). */
const BOLT_SHEAR = 100;

/** Two flanges bolted face to face. */
export const boltCircle = {
  schema,
  title: 'Bolt circle',
  all: 'All bolt circles',
  /** Those bolts that both parts have holes for, on the smaller circle. */
  holds: (element, torqueNm) =>
    sumOf(
      boltCircleSum,
      {
        bolts: Math.min(element.bolts, element.otherBolts),
        circleDiameterMm: Math.min(toMm(element.circle), toMm(element.otherCircle)),
        boltDiameterMm: toMm(element.boltDiameter),
        torqueNm,
        allowableShearMPa: toMPa(element.allowable),
        standoffMm: toMm(element.standoff),
      },
      'factor',
    ),
  fresh: ({ bore, ...own }) => ({
    ...own,
    kind: 'bolt-circle',
    bolts: 4,
    circle: { ...bore, value: bore.value * 3 },
    boltDiameter: ofMm(fasteningFor(bore).boltMm),
    standoff: ofMm(0),
    allowable: ofMPa(BOLT_SHEAR),
    otherBolts: 4,
    otherCircle: { ...bore, value: bore.value * 3 },
  }),
  stronger(element) {
    const boltDiameter = scaled(element.boltDiameter, 1.25);
    return [
      {
        text: sentence`bolts of ${figure(boltDiameter.value, 'length')}`,
        element: { ...element, boltDiameter },
      },
      ...(element.standoff.value > 0
        ? [
            {
              text: 'standoffs half as long',
              element: { ...element, standoff: scaled(element.standoff, 0.5) },
            },
          ]
        : []),
    ];
  },
  mismatch: ({ bolts, otherBolts, circle, otherCircle }) =>
    bolts !== otherBolts || areApart(circle, otherCircle)
      ? {
          what: 'bolt-circle',
          has: circle,
          wants: otherCircle,
          adapter: 'plate',
          holes: [bolts, otherBolts],
        }
      : undefined,
  fitted: (element) => ({
    text: `“${element.name}”: both parts with ${element.bolts} holes on the same circle`,
    element: { ...element, otherBolts: element.bolts, otherCircle: element.circle },
  }),
  part: ({ name, boltDiameter, bolts }) => ({
    name: `Bolt Ø ${sizeOf(boltDiameter)} for ${name.toLowerCase()}`,
    count: bolts,
  }),
} as const satisfies PathMember<BoltCircle>;

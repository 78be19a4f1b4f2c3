import { z } from 'zod';
import { sumOf } from '../../contract/index.ts';
import { scaled } from '../../quantity/index.ts';
import { pressFit as pressFitSum } from '../press-fit.ts';
import { boredToShaft, bore, common, friction, hubFaces, length, toMm, usualFriction } from './common.ts';
import type { PathMember } from './member.ts';

const schema = z.strictObject({
  ...common,
  kind: z.literal('press-fit'),
  bore,
  hubDiameter: length('Hub diameter', 'Outer diameter of the hub'),
  length: length('Seat length'),
  interference: length('Interference', 'By how much the shaft is thicker than the bore'),
  friction,
});
type PressedHub = z.output<typeof schema>;

/** Steel: Shigley, table A-5 (from memory), GPa. */
const MODULUS = 207;

/** A hub pressed on its shaft. */
export const pressFit = {
  schema,
  title: 'Pressed-on hub',
  all: 'All press fits',
  isHub: true,
  safety: 2,
  faces: hubFaces,
  holds: (element, torqueNm) =>
    sumOf(
      pressFitSum,
      {
        shaftDiameterMm: toMm(element.bore),
        hubDiameterMm: toMm(element.hubDiameter),
        lengthMm: toMm(element.length),
        interferenceMm: toMm(element.interference),
        friction: element.friction.value,
        modulusGPa: MODULUS,
        torqueNm,
      },
      'factor',
    ),
  fresh: (own) => ({
    ...own,
    kind: 'press-fit',
    hubDiameter: { ...own.bore, value: own.bore.value * 2 },
    length: own.bore,
    interference: { ...own.bore, value: own.bore.value * 0.001 },
    friction: usualFriction(),
  }),
  stronger: (element) => [
    { text: 'a seat twice as long', element: { ...element, length: scaled(element.length, 2) } },
  ],
  fitted: boredToShaft,
} as const satisfies PathMember<PressedHub>;

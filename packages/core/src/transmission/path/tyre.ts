import { z } from 'zod';
import { sumOf } from '../../contract/index.ts';
import { assumed, quantity, scaled, typed } from '../../quantity/index.ts';
import { tyreHold } from '../tyre-hold.ts';
import { common, friction, length, ofMm, toMPa, toMm } from './common.ts';
import type { PathMember } from './member.ts';

const schema = z.strictObject({
  ...common,
  kind: z.literal('tyre'),
  rimDiameter: length('Rim diameter', 'Of the seat of the tyre'),
  seatWidth: length('Seat width', 'Both beads together'),
  pressure: quantity('stress', { least: 0 }, 'Pressure on the seat', 'Its air, or its stretch'),
  friction,
  bond: quantity('stress', { least: 0 }, 'Glue carries', 'Shear that the glue may carry; 0 without'),
});
type Tyre = z.output<typeof schema>;

/** Shear that rim glue may carry, Pa (common practice, no source). */
const GLUED = 0.2e6;

/** A tyre on its rim. */
export const tyre = {
  schema,
  title: 'Tyre on its rim',
  all: 'All tyres',
  safety: 2,
  holds: (element, torqueNm) =>
    sumOf(
      tyreHold,
      {
        rimDiameterMm: toMm(element.rimDiameter),
        seatWidthMm: toMm(element.seatWidth),
        pressureKPa: element.pressure.value / 1000,
        friction: element.friction.value,
        bondMPa: toMPa(element.bond),
        torqueNm,
      },
      'factor',
    ),
  fresh: ({ bore, ...own }) => ({
    ...own,
    kind: 'tyre',
    rimDiameter: { ...bore, value: bore.value * 10 },
    seatWidth: ofMm(20),
    pressure: assumed(150e3, 'kPa'),
    friction: assumed(0.4, ''),
    bond: assumed(0, 'MPa'),
  }),
  stronger: (element) => [
    { text: 'glued on', element: { ...element, bond: typed(GLUED, 'MPa') } },
    {
      text: 'half as much pressure again',
      element: { ...element, pressure: scaled(element.pressure, 1.5) },
    },
  ],
} as const satisfies PathMember<Tyre>;

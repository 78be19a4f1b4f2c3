import { z } from 'zod';
import { sumOf } from '../../contract/index.ts';
import { assumed, quantity, scaled } from '../../quantity/index.ts';
import { clampHold } from '../clamp-hold.ts';
import { boredToShaft, bore, common, friction, hubFaces, toMm, usualFriction } from './common.ts';
import type { PathMember } from './member.ts';
import { fasteningFor } from './usual-sizes.ts';

const MOST_SCREWS = 8;

const schema = z.strictObject({
  ...common,
  kind: z.literal('clamp'),
  bore,
  screws: z.int().min(1).max(MOST_SCREWS).meta({ title: 'Screws' }),
  screwForce: quantity('force', { above: 0 }, 'Force of a screw', 'Of each screw, tightened'),
  friction,
});
type ClampedHub = z.output<typeof schema>;

/** A hub that clamps round the shaft. */
export const clamp = {
  schema,
  title: 'Clamped hub',
  all: 'All clamps',
  isHub: true,
  safety: 2,
  faces: hubFaces,
  holds: (element, torqueNm) =>
    sumOf(
      clampHold,
      {
        screws: element.screws,
        screwForceN: element.screwForce.value,
        friction: element.friction.value,
        shaftDiameterMm: toMm(element.bore),
        torqueNm,
      },
      'factor',
    ),
  fresh: (own) => ({
    ...own,
    kind: 'clamp',
    screws: 2,
    screwForce: assumed(fasteningFor(own.bore).clampN, 'N'),
    friction: usualFriction(),
  }),
  stronger: (element) => [
    {
      text: 'two screws more',
      element: { ...element, screws: Math.min(MOST_SCREWS, element.screws + 2) },
    },
    {
      text: 'screws of twice the force',
      element: { ...element, screwForce: scaled(element.screwForce, 2) },
    },
  ],
  fitted: boredToShaft,
  part: ({ name, screws }) => ({ name: `Clamp screw for ${name.toLowerCase()}`, count: screws }),
} as const satisfies PathMember<ClampedHub>;

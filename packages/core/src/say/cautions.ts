import { layoutKind, rollsAway, type Build } from '../vehicle/index.ts';

/** Faster than this nobody walks beside it at ease (common practice, no source): m/s. */
const WALKING_MPS = 1.8;

/**
 * The cautions that a build's people, ground and hitch ask for; makers' instructions and local codes come first.
 *
 * @example cautionsOf(puffin).length // 1
 */
export function cautionsOf({ people, duties, layout }: Build): string[] {
  const steep = duties.some(rollsAway);
  const tows = duties.some((d) => d.towed !== undefined || d.drawbar.value > 0);
  const pushes = duties.some(({ push }) => push !== undefined);
  const fast = duties.some((d) => d.speed.value > WALKING_MPS);
  return [
    ...(people === 'riding'
      ? [
          'Somebody rides: a friction brake, a switch that cuts the drive when the rider is off, a speed cap and helmets; not on public roads unless it is registered.',
        ]
      : []),
    ...(people === 'beside' && fast
      ? ['It outruns who walks beside it: cap its speed, and keep the main switch within reach.']
      : []),
    ...(layoutKind(layout.kind).pullsByRope
      ? ['Winching: nobody in line with the rope or below the load, gloves on, the anchor proved first.']
      : []),
    ...(pushes
      ? [
          'A blade: nobody in front of it or beside it, and walk the ground first: an edge that meets a kerb or a cover stops the vehicle dead.',
        ]
      : []),
    ...(tows
      ? ['Towing: nobody between tug and load or in line with the rope; uncouple only on the level.']
      : []),
    ...(steep
      ? [
          'What goes up must come down: try a slope first without load, with nobody below it, and with a way to stop that does not need the motors.',
        ]
      : []),
    ...(layoutKind(layout.kind).onTracks
      ? ['Tracks pull fingers in: guard sprockets and idlers, battery unplugged to work on them.']
      : []),
    ...(layoutKind(layout.kind).balances
      ? ['A balancer falls when its power goes: first runs on a tether, over something soft.']
      : []),
  ];
}

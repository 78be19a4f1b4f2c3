import { remembered } from '../contract/index.ts';
import {
  CASTOR_TRAIL,
  layoutKind,
  steeringLock,
  wheelsOf,
  type Axle,
  type Build,
  type PlacedPart,
} from '../vehicle/index.ts';
import { loopsOf } from './lines.ts';
import { solidOfPart, solidOfZone } from './placed-solid.ts';
import { shellOf } from './shell.ts';
import { cylinderAt, hullOf, sweptAlong, type Solid } from './solid.ts';
import { times, turned, type Vector } from './vector.ts';

/** Something that takes room: a placed part, a wheel or track with all that it sweeps, a belt or chain, a piece of the body, a keep-out. */
export interface Thing {
  readonly id: string;
  readonly name: string;
  readonly kind: 'part' | 'wheel' | 'loop' | 'shell' | 'keep-out';
  readonly solids: readonly Solid[];
  /** As it stands, wheels straight ahead. */
  readonly standing: readonly Solid[];
  readonly part?: PlacedPart;
  /** Of a wheel: whether a motor turns it. */
  readonly driven?: boolean;
  /** Things that it may touch: the wheels that a loop runs round. */
  readonly touches?: readonly string[];
  /** Of a piece of the body that is taken off to open it. */
  readonly opens?: boolean;
}

/** Places between the locks at which a steered wheel is looked at. */
const LOCK_STEPS = 8;

const ACROSS: Vector = [0, 1, 0];
const UP: Vector = [0, 0, 1];

/** The bodies of one wheel, track, castor or slider about the place where it stands, with what they sweep. */
function wheelSolids(
  build: Build,
  axle: Axle,
  [ahead, left]: readonly [number, number],
): Pick<Thing, 'solids' | 'standing'> {
  const { diameter, width, contactLength } = axle;
  const radius = diameter.value / 2;
  const middle: Vector = [ahead, left, radius];
  const wheelAt = (at: Vector, along: Vector): Solid => cylinderAt(at, along, radius, width.value);
  if (contactLength) {
    const half = contactLength.value / 2;
    const ends = [ahead - half, ahead + half].map((end) => wheelAt([end, left, radius], ACROSS));
    return { solids: [hullOf(ends)], standing: [hullOf(ends)] };
  }
  const standing = [wheelAt(middle, ACROSS)];
  const sprung = (solids: readonly Solid[]) =>
    axle.travel ? solids.map((solid) => sweptAlong(solid, times(UP, axle.travel?.value ?? 0))) : solids;
  const spins = (about: number) => ({
    solids: sprung([cylinderAt(middle, UP, about, diameter.value)]),
    standing,
  });
  if (axle.form === 'castor')
    return spins(Math.hypot(radius + CASTOR_TRAIL * diameter.value, width.value / 2));
  if (!axle.steered) return { solids: sprung(standing), standing };
  // A module turns all the way round.
  if (build.layout.kind === 'modules') return spins(Math.hypot(radius, width.value / 2));
  const lock = steeringLock(build);
  const steered = Array.from({ length: 2 * LOCK_STEPS + 1 }, (_, n) =>
    wheelAt(middle, turned(ACROSS, (lock * (n - LOCK_STEPS)) / LOCK_STEPS)),
  );
  return { solids: sprung(steered), standing };
}

/** What sweeps no more than it is. */
const alike = (solid: Solid): Pick<Thing, 'solids' | 'standing'> => ({ solids: [solid], standing: [solid] });

/** Wheels and tracks, one for each side. */
function wheelThings(build: Build): Thing[] {
  if (layoutKind(build.layout.kind).rollsInside) return [];
  return build.layout.axles.flatMap((axle) => {
    const half = axle.track.value / 2;
    const sides =
      wheelsOf(axle) === 2
        ? ([
            ['left', half],
            ['right', -half],
          ] as const)
        : ([['middle', 0]] as const);
    return sides.map(([side, left]): Thing => ({
      id: `${axle.id}-${side}`,
      name: side === 'middle' ? axle.name : `${axle.name}, ${side}`,
      kind: 'wheel',
      driven: axle.driven,
      ...wheelSolids(build, axle, [axle.ahead.value, left]),
    }));
  });
}

/** A placed part as a thing: the same while the part is. */
const partThing = remembered((part: PlacedPart): Thing => ({
  id: part.id,
  name: part.name,
  kind: 'part',
  ...alike(solidOfPart(part)),
  part,
}));

/**
 * Everything that takes room in a build.
 *
 * @example thingsOf(sanderling).length // 7: five parts, two tracks
 */
export const thingsOf = remembered((build: Build): readonly Thing[] => [
  ...(build.arrangement?.parts ?? []).map(partThing),
  ...wheelThings(build),
  ...loopsOf(build).map(({ id, name, solids, round }): Thing => ({
    id,
    name,
    kind: 'loop',
    solids,
    standing: solids,
    touches: round,
  })),
  ...shellOf(build).map(({ id, name, solids, comesOff }): Thing => ({
    id,
    name,
    kind: 'shell',
    solids,
    standing: solids,
    opens: comesOff,
  })),
  ...(build.arrangement?.zones ?? []).flatMap((zone): Thing[] =>
    zone.kind === 'keep-out'
      ? [{ id: zone.id, name: zone.name, kind: 'keep-out', ...alike(solidOfZone(zone)) }]
      : [],
  ),
]);

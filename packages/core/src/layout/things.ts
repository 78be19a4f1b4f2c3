import { remembered } from '../contract/index.ts';
import {
  contactsOf,
  layoutKind,
  wheelsOf,
  type Axle,
  type Build,
  type PlacedPart,
} from '../vehicle/index.ts';
import { solidOfPart, solidOfZone } from './placed-solid.ts';
import { cylinderAt, hullOf, type Solid } from './solid.ts';
import { turned, type Vector } from './vector.ts';

/** Something that takes room: a placed part, a wheel or track with all that it sweeps, a keep-out. */
export interface Thing {
  readonly id: string;
  readonly name: string;
  readonly kind: 'part' | 'wheel' | 'keep-out';
  readonly solids: readonly Solid[];
  /** As it stands, wheels straight ahead. */
  readonly standing: readonly Solid[];
  readonly part?: PlacedPart;
}

/** How far wheels steer either way where nobody says, rad (common practice, no source). */
const USUAL_LOCK = 0.5;
/** Places between the locks at which a steered wheel is looked at. */
const LOCK_STEPS = 8;
/** How far a castor's wheel trails its pivot, as a share of its diameter (common practice, no source). */
const TRAIL = 0.3;

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
  const spins = (about: number) => ({ solids: [cylinderAt(middle, UP, about, diameter.value)], standing });
  if (axle.form === 'castor') return spins(Math.hypot(radius + TRAIL * diameter.value, width.value / 2));
  if (!axle.steered) return { solids: standing, standing };
  // A module turns all the way round.
  if (build.layout.kind === 'modules') return spins(Math.hypot(radius, width.value / 2));
  const lock = build.steering ? build.steering.lockToLock.value / 2 : USUAL_LOCK;
  const steered = Array.from({ length: 2 * LOCK_STEPS + 1 }, (_, n) =>
    wheelAt(middle, turned(ACROSS, (lock * (n - LOCK_STEPS)) / LOCK_STEPS)),
  );
  return { solids: steered, standing };
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
 * @example thingsOf(puffin).length // 10: six parts, four wheels
 */
export const thingsOf = remembered((build: Build): readonly Thing[] => [
  ...(build.arrangement?.parts ?? []).map(partThing),
  ...wheelThings(build),
  ...(build.arrangement?.zones ?? []).flatMap((zone): Thing[] =>
    zone.kind === 'keep-out'
      ? [{ id: zone.id, name: zone.name, kind: 'keep-out', ...alike(solidOfZone(zone)) }]
      : [],
  ),
]);

/** The body's box about the middle of what the vehicle stands on. */
export interface BodyBox {
  readonly least: Vector;
  readonly most: Vector;
}

/**
 * Where the body lies: its length about the middle between the first and the last contact, from its clearance up.
 *
 * @example bodyBox(puffin).most // [0.875, 0.36, 0.75]
 */
export function bodyBox({ layout, body }: Pick<Build, 'layout' | 'body'>): BodyBox {
  const ahead = contactsOf(layout).map(({ aheadM }) => aheadM);
  const middle = (Math.min(...ahead) + Math.max(...ahead)) / 2;
  const [length, width] = [body.length.value / 2, body.width.value / 2];
  return {
    least: [middle - length, -width, body.clearance.value],
    most: [middle + length, width, Math.max(body.height.value, body.clearance.value)],
  };
}

import type { Build, PlacedPart } from '../vehicle/index.ts';
import { isFree, isInside, keepsClear, mayTouch } from './overlaps.ts';
import { roomBefore, solidOfPart, solidOfZone } from './placed-solid.ts';
import { sweptAlong, type Solid } from './solid.ts';
import { bodyBox, type BodyBox } from './body-box.ts';
import { thingsOf, type Thing } from './things.ts';
import { times, WAYS } from './vector.ts';
import { centreOfGravity, restingOn } from './weight.ts';

/** A place where a part fits and its faces are reached. */
export interface FreePlace {
  readonly aheadM: number;
  readonly leftM: number;
  readonly aboveM: number;
  readonly turnRad: number;
  /** Of the weight without payload, what stands on driven wheels with it there. */
  readonly drivenShare: number;
  /** How far the middle of gravity is off the middle line with it there. */
  readonly asideM: number;
  readonly heightM: number;
}

/** How finely places are tried, and how many are told. */
export interface PlaceAsked {
  readonly pitchM?: number;
  readonly most?: number;
}

/** Places tried along the body where nobody says a pitch, and those judged in full. */
const ALONG = 24;
const JUDGED = 150;
/** However large a bay is: no more places along it, and no more heights. */
const MOST_STEPS = 48;
const TOLD = 5;

/** Where a part may be looked for: in the bays, or without any in the whole of the body. */
function roomsFor(build: Build): BodyBox[] {
  const bays = (build.arrangement?.zones ?? []).filter(({ kind }) => kind === 'bay').map(solidOfZone);
  return bays.length > 0 ? bays : [bodyBox(build)];
}

/** Even steps from one end to the other, both ends among them. */
function steps(least: number, most: number, pitch: number): number[] {
  if (most < least) return [];
  const count = Math.min(MOST_STEPS, Math.max(1, Math.round((most - least) / pitch)));
  return Array.from({ length: count + 1 }, (_, n) => least + ((most - least) * n) / count);
}

/** The part somewhere else. */
const placedAt = (part: PlacedPart, [ahead, left, above]: readonly number[], turn: number): PlacedPart => ({
  ...part,
  aheadOfRearAxle: { ...part.aheadOfRearAxle, value: ahead ?? 0 },
  left: { ...part.left, value: left ?? 0 },
  above: { ...part.above, value: above ?? 0 },
  turn: { ...part.turn, value: turn },
});

/** All places of a grid in a room, on its floor, on what stands there, and where it is now. */
function* gridIn(room: BodyBox, part: PlacedPart, things: readonly Thing[], pitch: number, gap: number) {
  for (const turn of [part.turn.value, part.turn.value + Math.PI / 2]) {
    const { least, most } = solidOfPart(placedAt(part, [0, 0, 0], turn));
    const tall = part.height.value;
    const floors = [room.least[2], ...things.flatMap(({ solids }) => solids.map((s) => s.most[2] + gap))];
    const heights = [...new Set([...floors.map((z) => z + tall / 2), part.above.value])].filter(
      (z) => z - tall / 2 >= room.least[2] - 1e-9 && z + tall / 2 <= room.most[2] + 1e-9,
    );
    for (const ahead of steps(room.least[0] - least[0], room.most[0] - most[0], pitch))
      for (const left of steps(room.least[1] - least[1], room.most[1] - most[1], pitch))
        for (const above of heights) yield placedAt(part, [ahead, left, above], turn);
  }
}

/** Whether every face of a part is reached, and the part itself comes off, with nothing else taken off. */
function isReached(part: PlacedPart, solid: Solid, others: readonly Thing[]): boolean {
  const rooms = part.faces.flatMap((face) => roomBefore(face, part) ?? []);
  if (rooms.some((room) => room.least[2] < 0 || !isFree(room, others))) return false;
  return OUT.some((way) => isFree(sweptAlong(solid, times(WAYS[way], FAR)), others));
}

/** Ways out, and further than any vehicle is long, m. */
const OUT = ['top', 'back', 'front', 'left', 'right'] as const;
const FAR = 10;

/** Turned all the way round is not turned. */
const isTold = (places: readonly FreePlace[], place: FreePlace, apart: number): boolean =>
  places.some(
    (other) =>
      Math.hypot(other.aheadM - place.aheadM, other.leftM - place.leftM, other.aboveM - place.aboveM) < apart,
  );

/**
 * Free places for a part: where it keeps its gaps, stays within the bays or the body, and its faces are reached; the best
 * balanced first: little aside, much on the driven wheels, low.
 *
 * @example findPlaces(puffin, 'no-such-part') // []
 */
export function findPlaces(
  build: Build,
  partId: string,
  { pitchM, most = TOLD }: PlaceAsked = {},
): FreePlace[] {
  const part = build.arrangement?.parts.find(({ id }) => id === partId);
  if (!build.arrangement || !part) return [];
  const clearance = build.arrangement.clearance.value;
  const pitch = pitchM ?? build.body.length.value / ALONG;
  const things = thingsOf(build);
  const itself = things.find(({ id }) => id === partId);
  const others = things.filter((other) => other !== itself && !(itself && mayTouch(itself, other)));
  // A body that opens is opened for it.
  const solidOnes = others.filter(({ kind, opens }) => kind !== 'keep-out' && opens !== true);
  const free: PlacedPart[] = [];
  for (const room of roomsFor(build))
    for (const there of gridIn(room, part, solidOnes, pitch, clearance)) {
      const solid = solidOfPart(there);
      if (
        isInside(build, there, [solid]) &&
        keepsClear([solid], others, clearance) &&
        isReached(there, solid, solidOnes)
      )
        free.push(there);
    }
  const judged = thinned(free, JUDGED).map((there) => judgedAt(build, there));
  const told: FreePlace[] = [];
  for (const place of judged.sort((a, b) => worth(build, b) - worth(build, a))) {
    if (told.length >= most) break;
    if (!isTold(told, place, 2 * pitch)) told.push(place);
  }
  return told;
}

const thinned = <T>(items: readonly T[], most: number): T[] =>
  items.filter(
    (_, n) =>
      items.length <= most ||
      Math.floor((n * most) / items.length) !== Math.floor(((n - 1) * most) / items.length),
  );

function judgedAt(build: Build, there: PlacedPart): FreePlace {
  const { arrangement } = build;
  if (!arrangement) throw new RangeError('nothing is placed');
  const moved: Build = {
    ...build,
    arrangement: { ...arrangement, parts: arrangement.parts.map((p) => (p.id === there.id ? there : p)) },
  };
  const { leftM, heightM } = centreOfGravity(moved);
  const resting = restingOn(moved, 0);
  return {
    aheadM: there.aheadOfRearAxle.value,
    leftM: there.left.value,
    aboveM: there.above.value,
    turnRad: there.turn.value,
    drivenShare: resting?.stands ? resting.drivenShare : 0,
    asideM: Math.abs(leftM),
    heightM,
  };
}

/** What a place is worth: weight on driven wheels, nothing aside, and low, each as a share of the vehicle's own size. */
const worth = ({ body }: Build, { drivenShare, asideM, heightM }: FreePlace): number =>
  drivenShare - (4 * asideM) / body.width.value - (0.5 * heightM) / body.height.value;

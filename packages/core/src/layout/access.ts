import { remembered } from '../contract/index.ts';
import type { Build } from '../vehicle/index.ts';
import { metBy, type Way } from './overlaps.ts';
import { roomBefore } from './placed-solid.ts';
import { sweptAlong, type Solid } from './solid.ts';
import { thingsOf, type Thing } from './things.ts';
import { times, WAYS } from './vector.ts';

/** How a part comes off: which way, and what has to come off before it, in order. */
export interface ComesOff {
  readonly way: Way;
  readonly after: readonly string[];
}

/** Ways are tried in this order: of two that ask as much, the first is taken. */
const PREFERRED: readonly Way[] = ['top', 'back', 'front', 'left', 'right', 'bottom'];

/** Parts and wheels: what can be in the way of a hand. A space to be kept free is not. */
const solidThings = (build: Build): Thing[] => thingsOf(build).filter(({ kind }) => kind !== 'keep-out');

/** A way longer than everything together. */
function farOut(things: readonly Thing[]): number {
  const solids = things.flatMap((thing) => thing.solids);
  const span = (axis: 0 | 1 | 2): number =>
    Math.max(...solids.map(({ most }) => most[axis])) - Math.min(...solids.map(({ least }) => least[axis]));
  return solids.length === 0 ? 1 : span(0) + span(1) + span(2) + 0.1;
}

/** What is in the way of a thing on each straight way out. */
function inTheWay(thing: Thing, others: readonly Thing[], farM: number): ReadonlyMap<Way, readonly string[]> {
  return new Map(
    PREFERRED.map((way) => {
      const swept = thing.solids.map((solid) => sweptAlong(solid, times(WAYS[way], farM)));
      const met = new Set(swept.flatMap((solid: Solid) => metBy(solid, others).map(({ id }) => id)));
      return [way, [...met]] as const;
    }),
  );
}

/**
 * How each part comes off by itself, with as little else as is found: what is free comes off first, then what that freed,
 * and so on. A wheel comes off sideways, always; a loop is let slack and taken off, a body opened. A part that never comes
 * off is not in it.
 *
 * @example comesOff(puffin).get('deck') // { way: 'top', after: [] }
 */
export const comesOff = remembered((build: Build): ReadonlyMap<string, ComesOff> => {
  const things = solidThings(build);
  const farM = farOut(things);
  const found = new Map<string, ComesOff>();
  const layer = new Map<string, number>();
  for (const { id, kind, opens } of things)
    if (kind === 'wheel' || kind === 'loop' || opens === true) {
      found.set(id, { way: 'left', after: [] });
      layer.set(id, 0);
    }
  const parts = things.filter(({ kind }) => kind === 'part');
  const ways = new Map(
    parts.map((thing) => [
      thing.id,
      inTheWay(
        thing,
        things.filter((other) => other !== thing),
        farM,
      ),
    ]),
  );
  for (let depth = 0, more = true; more; depth += 1) {
    more = false;
    const now = parts.flatMap(({ id }) => {
      if (found.has(id)) return [];
      const open = [...(ways.get(id) ?? [])].flatMap(([way, met]): ComesOff[] =>
        met.every((other) => found.has(other)) ? [{ way, after: withAllBefore(met, found, layer) }] : [],
      );
      const best = open.reduce<ComesOff | undefined>(
        (least, one) => (!least || one.after.length < least.after.length ? one : least),
        undefined,
      );
      return best ? [[id, best] as const] : [];
    });
    for (const [id, off] of now) {
      found.set(id, off);
      layer.set(id, depth + 1);
      more = true;
    }
  }
  return found;
});

/** Things and all that has to come off before each, in an order in which they do. */
function withAllBefore(
  ids: readonly string[],
  found: ReadonlyMap<string, ComesOff>,
  layer: ReadonlyMap<string, number>,
): string[] {
  const all = new Set(ids.flatMap((id) => [...(found.get(id)?.after ?? []), id]));
  return [...all].sort((a, b) => (layer.get(a) ?? 0) - (layer.get(b) ?? 0));
}

/** Whether the room before a face is free. */
export interface FaceReach {
  readonly id: string;
  readonly free: boolean;
  /** What has to come off first, in order; empty where it is free, null where no order of taking off frees it. */
  readonly after: readonly string[] | null;
}

/**
 * Whether a hand, a plug or a tool gets to each face of a part.
 *
 * @example reachOf(puffin, thingsOf(puffin)[0])[0] // { id: 'lid-top', free: false, after: ['deck'] }
 */
export function reachOf(build: Build, { id, part }: Thing): FaceReach[] {
  const others = solidThings(build).filter((other) => other.id !== id);
  const off = comesOff(build);
  return (part?.faces ?? []).map((face): FaceReach => {
    const room = part && roomBefore(face, part);
    // What cannot be reached from above the ground is reached by no hand.
    if (room && room.least[2] < 0) return { id: face.id, free: false, after: null };
    const met = room ? metBy(room, others).map((other) => other.id) : [];
    if (met.length === 0) return { id: face.id, free: true, after: [] };
    const before = [...new Set(met.flatMap((other) => [...(off.get(other)?.after ?? []), other]))];
    const comes = met.every((other) => off.has(other)) && !before.includes(id);
    return { id: face.id, free: false, after: comes ? before : null };
  });
}

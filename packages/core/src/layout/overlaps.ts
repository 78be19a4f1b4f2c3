import type { Build } from '../vehicle/index.ts';
import { areNearer, boxGap, gapBetween, TOUCHING, wayClear } from './gap.ts';
import type { Solid } from './solid.ts';
import { bodyBox, thingsOf, type Thing } from './things.ts';
import { WAYS, type Vector } from './vector.ts';

/** A way out, by its name. */
export type Way = keyof typeof WAYS;
/** The six ways, by their names. */
export const WAY_NAMES = Object.keys(WAYS) as readonly Way[];

/** What a part is too near to. */
export interface TooNear {
  readonly withId: string;
  /** 0 where they are in each other. */
  readonly gapM: number;
  /** The shortest straight way until it keeps its gap. */
  readonly moved: { readonly way: Way; readonly byM: number };
}

/** The gap that is to be kept to a thing: none to a space that is only to stay free. */
const gapTo = ({ kind }: Thing, clearanceM: number): number => (kind === 'keep-out' ? 0 : clearanceM);

const isTooNear = (solids: readonly Solid[], thing: Thing, clearanceM: number): boolean =>
  solids.some((a) => thing.solids.some((b) => areNearer(a, b, gapTo(thing, clearanceM))));

/**
 * Whether a body keeps its gaps to all these.
 *
 * @example keepsClear([boxAt([0, 0, 9], [1, 1, 1], 0)], thingsOf(puffin), 0.003) // true
 */
export const keepsClear = (solids: readonly Solid[], things: readonly Thing[], clearanceM: number): boolean =>
  !things.some((thing) => isTooNear(solids, thing, clearanceM));

/** The shortest of the six ways along which a part gets clear of a thing. */
function shortestWay(solids: readonly Solid[], thing: Thing, clearanceM: number): TooNear['moved'] {
  const ways = WAY_NAMES.map((way) => ({
    way,
    byM: Math.max(
      ...solids.flatMap((a) => thing.solids.map((b) => wayClear(a, b, WAYS[way], gapTo(thing, clearanceM)))),
    ),
  }));
  return ways.reduce((best, one) => (one.byM < best.byM ? one : best));
}

/**
 * What a part is too near to, each with the shortest way clear.
 *
 * @example tooNear(puffin, thingsOf(puffin)[0]) // []
 */
export function tooNear(build: Build, thing: Thing): TooNear[] {
  const clearanceM = build.arrangement?.clearance.value ?? 0;
  return thingsOf(build).flatMap((other): TooNear[] => {
    if (other === thing || !isTooNear(thing.solids, other, clearanceM)) return [];
    const gap = Math.min(...thing.solids.flatMap((a) => other.solids.map((b) => gapBetween(a, b))));
    return [{ withId: other.id, gapM: gap, moved: shortestWay(thing.solids, other, clearanceM) }];
  });
}

/** How far a part sticks out of the body beyond what it may. */
export interface SticksOut {
  readonly way: Way;
  readonly byM: number;
}

/**
 * Where a part sticks out of the body further than it may; nothing where nobody said how far it may.
 *
 * @example sticksOut(puffin, thingsOf(puffin)[0]) // []
 */
export function sticksOut(build: Build, { part, solids }: Thing): SticksOut[] {
  const may = part?.sticksOut?.value;
  if (may === undefined) return [];
  const { least, most } = bodyBox(build);
  const beyond = (way: Way): number => {
    const direction: Vector = WAYS[way];
    const axis = direction.findIndex((x) => x !== 0) as 0 | 1 | 2;
    return direction[axis] > 0
      ? Math.max(...solids.map((solid) => solid.most[axis])) - most[axis]
      : least[axis] - Math.min(...solids.map((solid) => solid.least[axis]));
  };
  return WAY_NAMES.map((way) => ({ way, byM: beyond(way) - may })).filter(({ byM }) => byM > TOUCHING);
}

/** How far above the ground the lowest part hangs; undefined where nothing is placed. */
export function lowestOf(build: Build): { readonly id: string; readonly aboveM: number } | undefined {
  return thingsOf(build)
    .filter(({ kind }) => kind === 'part')
    .map(({ id, solids }) => ({ id, aboveM: Math.min(...solids.map(({ least }) => least[2])) }))
    .sort((a, b) => a.aboveM - b.aboveM)[0];
}

const meets = (solid: Solid, thing: Thing): boolean =>
  thing.solids.some((other) => boxGap(solid, other) <= 0 && areNearer(solid, other, 0));

/** Things that a body would meet. */
export const metBy = (solid: Solid, things: readonly Thing[]): Thing[] =>
  things.filter((thing) => meets(solid, thing));

/** Whether a body meets none of these. */
export const isFree = (solid: Solid, things: readonly Thing[]): boolean =>
  !things.some((thing) => meets(solid, thing));

import type { Build, PlacedPart } from '../vehicle/index.ts';
import { areNearer, boxGap, gapBetween, TOUCHING, wayClear } from './gap.ts';
import type { Solid } from './solid.ts';
import { bodyBox } from './body-box.ts';
import { outlineOf, outsideBy, type Spot } from './shell.ts';
import { thingsOf, type Thing } from './things.ts';
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
  /** Only at full lock or full travel: as the wheel stands there is room. */
  readonly whenSwept?: true;
}

/** The gap that is to be kept to a thing: none to a space that is only to stay free, none to the body it is bolted to. */
const gapTo = ({ kind }: Thing, clearanceM: number): number =>
  kind === 'keep-out' || kind === 'shell' ? 0 : clearanceM;

/** Whether two things are meant to touch: a loop and its wheels, the body and what goes through it or drives it. */
export function mayTouch(a: Thing, b: Thing): boolean {
  if (a.touches?.includes(b.id) || b.touches?.includes(a.id)) return true;
  const [shell, other] = a.kind === 'shell' ? [a, b] : [b, a];
  return shell.kind === 'shell' && (other.kind !== 'part' || other.part?.sticksOut !== undefined);
}

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
    if (other === thing || mayTouch(thing, other) || !isTooNear(thing.solids, other, clearanceM)) return [];
    const gap = Math.min(...thing.solids.flatMap((a) => other.solids.map((b) => gapBetween(a, b))));
    const standsClear = !isTooNear(thing.solids, { ...other, solids: other.standing }, clearanceM);
    return [
      {
        withId: other.id,
        gapM: gap,
        moved: shortestWay(thing.solids, other, clearanceM),
        ...(standsClear ? { whenSwept: true } : {}),
      },
    ];
  });
}

/** How far a part sticks out of the body beyond what it may. */
export interface SticksOut {
  readonly way: Way;
  readonly byM: number;
}

/** Directions in which the rim of a part is looked at from above. */
const ROUND = 48;

/** The rim of bodies seen from above. */
const rimOf = (solids: readonly Solid[]): Spot[] =>
  solids.flatMap(({ furthest }) =>
    Array.from({ length: ROUND }, (_, n): Spot => {
      // A little aside, so that no direction is square to a side of a box.
      const angle = (2 * Math.PI * (n + 0.37)) / ROUND;
      const [ahead, left] = furthest([Math.cos(angle), Math.sin(angle), 0]);
      return [ahead, left];
    }),
  );

/** The way that leads most nearly in a direction seen from above. */
const wayTowards = ([ahead, left]: Spot): Way =>
  Math.abs(ahead) >= Math.abs(left) ? (ahead > 0 ? 'front' : 'back') : left > 0 ? 'left' : 'right';

/** Where a part sticks out of an outline that was drawn, furthest: and how far it goes back in. */
function outOfOutline(build: Build, solids: readonly Solid[], may: number): SticksOut[] {
  const spots = outlineOf(build);
  const furthest = rimOf(solids)
    .map((spot) => outsideBy(spots, spot))
    .reduce((most, one) => (one.byM > most.byM ? one : most));
  const by = furthest.byM - may;
  const way = wayTowards(furthest.way);
  const slant = Math.max(Math.abs(furthest.way[0]), Math.abs(furthest.way[1]));
  return by > TOUCHING ? [{ way, byM: by / slant }] : [];
}

/** Whether a part lies within the outline that was drawn, but for what it may stick out. */
export const isInside = (build: Build, { sticksOut: may }: PlacedPart, solids: readonly Solid[]): boolean =>
  build.arrangement?.shell?.outline === undefined ||
  outOfOutline(build, solids, may?.value ?? 0).length === 0;

/**
 * Where a part sticks out of the body further than it may; nothing where nobody said how far it may.
 *
 * @example sticksOut(puffin, thingsOf(puffin)[0]) // []
 */
export function sticksOut(build: Build, { part, solids }: Thing): SticksOut[] {
  const may = part?.sticksOut?.value;
  if (may === undefined) return [];
  const { least, most } = bodyBox(build);
  const isDrawn = build.arrangement?.shell?.outline !== undefined;
  const beyond = (way: Way): number => {
    const direction: Vector = WAYS[way];
    const axis = direction.findIndex((x) => x !== 0) as 0 | 1 | 2;
    return direction[axis] > 0
      ? Math.max(...solids.map((solid) => solid.most[axis])) - most[axis]
      : least[axis] - Math.min(...solids.map((solid) => solid.least[axis]));
  };
  return [
    ...(isDrawn ? outOfOutline(build, solids, may) : []),
    ...WAY_NAMES.filter((way) => !isDrawn || WAYS[way][2] !== 0)
      .map((way) => ({ way, byM: beyond(way) - may }))
      .filter(({ byM }) => byM > TOUCHING),
  ];
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

import type { Severity } from '../judge/index.ts';
import { placedKg, type Build } from '../vehicle/index.ts';
import { comesOff, reachOf } from './access.ts';
import { findPlaces } from './find-place.ts';
import { lowestOf, sticksOut, tooNear, type SticksOut, type TooNear } from './overlaps.ts';
import { stackOf } from './stack.ts';
import { thingsOf, type Thing } from './things.ts';
import { WAYS } from './vector.ts';
import { centreOfGravity, restingOn } from './weight.ts';

/** Where a part would go to mend what was found. */
export interface MoveTo {
  readonly partId: string;
  readonly aheadM: number;
  readonly leftM: number;
  readonly aboveM: number;
  readonly turnRad: number;
}

interface Common {
  readonly severity: Severity;
  /** Each ends it; the best first. */
  readonly moves: readonly MoveTo[];
}

/** Something that stands in the way of a layout. */
export type LayoutFinding = Common &
  (
    | { readonly code: 'overlap' | 'near'; readonly partId: string; readonly near: TooNear }
    | { readonly code: 'sticks-out'; readonly partId: string; readonly out: SticksOut }
    | { readonly code: 'in-the-ground' | 'hangs-low'; readonly partId: string; readonly aboveM: number }
    | { readonly code: 'no-reach'; readonly partId: string; readonly faceId: string }
    | {
        readonly code: 'reach-after';
        readonly partId: string;
        readonly faceId: string;
        readonly after: readonly string[];
      }
    | { readonly code: 'never-off'; readonly partId: string }
    | { readonly code: 'battery-buried'; readonly partId: string; readonly after: readonly string[] }
    | {
        readonly code: 'floats';
        readonly shaftId: string;
        readonly way: 'on' | 'back';
        readonly byM: number | null;
      }
    | {
        readonly code: 'does-not-fit';
        readonly shaftId: string;
        readonly afterId: string;
        readonly beforeId: string;
        readonly byM: number;
      }
    | { readonly code: 'overhangs'; readonly shaftId: string; readonly byM: number }
    | { readonly code: 'heavier-than-own'; readonly placedKg: number; readonly ownKg: number }
    | { readonly code: 'falls-over' }
    | { readonly code: 'off-the-driven'; readonly drivenShare: number }
    | { readonly code: 'off-the-middle'; readonly leftM: number }
    | {
        readonly code: 'beyond-limit';
        readonly side: 'length' | 'width' | 'height';
        readonly hasM: number;
        readonly mayM: number;
      }
  );

/** Under this share on the driven wheels its grip wants for weight (common practice, no source). */
const LEAST_DRIVEN = 0.4;
/** Further aside than this share of half its width it pulls to one side (common practice, no source). */
const MOST_ASIDE = 0.1;
/** A battery may ask for so many things to be taken off. */
const MOST_BEFORE_BATTERY = 1;

/** Where a part goes that is moved along a way. */
function movedBy({ part }: Thing, { way, byM }: TooNear['moved'], backwards = false): MoveTo[] {
  if (!part) return [];
  const by = backwards ? -byM : byM;
  const [ahead, left, up] = WAYS[way];
  return [
    {
      partId: part.id,
      aheadM: part.aheadOfRearAxle.value + ahead * by,
      leftM: part.left.value + left * by,
      aboveM: part.above.value + up * by,
      turnRad: part.turn.value,
    },
  ];
}

/** Of two parts in each other's way, told once: of the one that comes first. */
const isTold = (build: Build, partId: string, otherId: string): boolean => {
  const ids = (build.arrangement?.parts ?? []).map(({ id }) => id);
  return ids.includes(otherId) && ids.indexOf(otherId) < ids.indexOf(partId);
};

function crowded(build: Build, thing: Thing): LayoutFinding[] {
  return tooNear(build, thing).flatMap((near): LayoutFinding[] =>
    isTold(build, thing.id, near.withId)
      ? []
      : [
          {
            code: near.gapM > 0 ? 'near' : 'overlap',
            severity: near.gapM > 0 ? 'short' : 'stop',
            partId: thing.id,
            near,
            moves: movedBy(thing, near.moved),
          },
        ],
  );
}

const outside = (build: Build, thing: Thing): LayoutFinding[] =>
  sticksOut(build, thing).map((out) => ({
    code: 'sticks-out',
    severity: 'short',
    partId: thing.id,
    out,
    moves: movedBy(thing, out, true),
  }));

/** Whether a placed part is one of the batteries of the build. */
const isBattery = (build: Build, { part }: Thing): boolean =>
  build.parts.some(({ id, kind }) => id === part?.partId && kind === 'battery');

/** Places at which a part is free, as moves: for each of the first few parts that ask, looked for once. */
function placesOnce(build: Build): (partId: string) => MoveTo[] {
  const known = new Map<string, MoveTo[]>();
  return (partId) => {
    const before = known.get(partId);
    if (before || known.size >= MOST_PLACED) return before ?? [];
    const found = findPlaces(build, partId, { most: 3 }).map(({ aheadM, leftM, aboveM, turnRad }) => ({
      partId,
      aheadM,
      leftM,
      aboveM,
      turnRad,
    }));
    known.set(partId, found);
    return found;
  };
}

/** Places are looked for for so many parts at most: further ones are looked for where they are asked for. */
const MOST_PLACED = 3;

/** The faces of a part, and the part itself, where something is in their way; `places` gives it places to go. */
function reached(build: Build, thing: Thing, placesFor: (partId: string) => MoveTo[]): LayoutFinding[] {
  const partId = thing.id;
  const off = comesOff(build).get(partId);
  const faces = reachOf(build, thing).flatMap(({ id: faceId, free, after }): LayoutFinding[] => {
    if (free) return [];
    return after === null
      ? [{ code: 'no-reach', severity: 'stop', partId, faceId, moves: placesFor(partId) }]
      : [{ code: 'reach-after', severity: 'tight', partId, faceId, after, moves: placesFor(partId) }];
  });
  if (!off) return [...faces, { code: 'never-off', severity: 'short', partId, moves: [] }];
  if (!isBattery(build, thing) || off.after.length <= MOST_BEFORE_BATTERY) return faces;
  const moves = placesFor(partId);
  return [...faces, { code: 'battery-buried', severity: 'short', partId, after: off.after, moves }];
}

function lowHanging(build: Build): LayoutFinding[] {
  const lowest = lowestOf(build);
  if (!lowest || lowest.aboveM >= build.body.clearance.value - 1e-9) return [];
  const { id: partId, aboveM } = lowest;
  return aboveM < -1e-9
    ? [{ code: 'in-the-ground', severity: 'stop', partId, aboveM, moves: [] }]
    : [{ code: 'hangs-low', severity: 'note', partId, aboveM, moves: [] }];
}

function balanced(build: Build): LayoutFinding[] {
  const ownKg = build.masses.own.mass.value;
  const placed = placedKg(build);
  const { leftM } = centreOfGravity(build);
  const resting = restingOn(build, 0);
  return [
    ...(placed > ownKg * (1 + 1e-9)
      ? [{ code: 'heavier-than-own', severity: 'short', placedKg: placed, ownKg, moves: [] } as const]
      : []),
    ...(resting && !resting.stands ? [{ code: 'falls-over', severity: 'stop', moves: [] } as const] : []),
    ...(resting?.stands === true && resting.drivenShare > 0 && resting.drivenShare < LEAST_DRIVEN
      ? [{ code: 'off-the-driven', severity: 'tight', drivenShare: resting.drivenShare, moves: [] } as const]
      : []),
    ...(Math.abs(leftM) > (MOST_ASIDE * build.body.width.value) / 2
      ? [{ code: 'off-the-middle', severity: 'tight', leftM, moves: [] } as const]
      : []),
  ];
}

/** A shaft that goes to and fro, or on which things do not fit. */
function stacked(build: Build): LayoutFinding[] {
  return (build.arrangement?.shafts ?? []).flatMap((shaft): LayoutFinding[] => {
    const shaftId = shaft.id;
    const { floatM, gaps, overhangM } = stackOf(shaft);
    const moves: readonly MoveTo[] = [];
    if (shaft.stack.length === 0) return [];
    return [
      ...gaps
        .filter(({ slackM }) => slackM < -FITS)
        .map(({ afterId, beforeId, slackM }): LayoutFinding => ({
          code: 'does-not-fit',
          severity: 'stop',
          ...{ shaftId, afterId, beforeId, byM: -slackM, moves },
        })),
      ...(['on', 'back'] as const)
        .filter((way) => (floatM[way] ?? Infinity) > shaft.float.value + FITS)
        .map((way): LayoutFinding => ({
          code: 'floats',
          severity: floatM[way] === null ? 'short' : 'tight',
          ...{ shaftId, way, byM: floatM[way], moves },
        })),
      ...(overhangM > FITS
        ? [{ code: 'overhangs', severity: 'short', shaftId, byM: overhangM, moves } as const]
        : []),
    ];
  });
}

/** Nearer than this, m, things on a shaft fit. */
const FITS = 1e-7;

const SIDES = [
  ['length', 0],
  ['width', 1],
  ['height', 2],
] as const;

/** What the placed parts come to beyond what the event, or a door, allows. */
function beyondLimits(build: Build): LayoutFinding[] {
  const solids = thingsOf(build)
    .filter(({ kind }) => kind !== 'keep-out')
    .flatMap((thing) => thing.standing);
  return SIDES.flatMap(([side, axis]): LayoutFinding[] => {
    const mayM = build.aims[side]?.value;
    const least = axis === 2 ? 0 : Math.min(...solids.map((solid) => solid.least[axis]));
    const hasM = Math.max(...solids.map((solid) => solid.most[axis])) - least;
    return mayM !== undefined && hasM > mayM + 1e-6
      ? [{ code: 'beyond-limit', severity: 'stop', side, hasM, mayM, moves: [] }]
      : [];
  });
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, short: 1, tight: 2, note: 3 };

/**
 * What stands in the way of where things are, the worst first; nothing where nothing is placed.
 *
 * @example layoutFindings(puffin)[0].code // 'reach-after'
 */
export function layoutFindings(build: Build): LayoutFinding[] {
  if (!build.arrangement) return [];
  const ofShafts = stacked(build);
  if (build.arrangement.parts.length === 0) return ofShafts;
  const parts = thingsOf(build).filter(({ kind }) => kind === 'part');
  const placesFor = placesOnce(build);
  return [
    ...parts.flatMap((thing) => [
      ...crowded(build, thing),
      ...outside(build, thing),
      ...reached(build, thing, placesFor),
    ]),
    ...ofShafts,
    ...lowHanging(build),
    ...balanced(build),
    ...beyondLimits(build),
  ].sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
}

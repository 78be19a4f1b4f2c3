import { typed, type Quantity } from '../quantity/index.ts';
import type { Arrangement, Face, PlacedPart, Shaft, Stacked, Zone } from './arrangement.ts';
import type { Build } from './document.ts';
import { freeId } from './new-build.ts';
import type { Part } from './part.ts';
import { piecesOf } from './parts-of.ts';

/** The gap that parts usually keep (common practice, no source). */
const USUAL_CLEARANCE_M = 0.003;

/** Where nothing is placed yet: the rest is the whole, where it was typed. */
const emptyArrangement = ({ masses: { own } }: Build): Arrangement => ({
  clearance: typed(USUAL_CLEARANCE_M, 'mm', 'assumed'),
  rest: { aheadOfRearAxle: own.aheadOfRearAxle, left: own.left, height: own.height },
  parts: [],
  zones: [],
});

/**
 * The arrangement of a build, or the one it begins with.
 *
 * @example arrangementOf(gull).parts // []
 */
export const arrangementOf = (build: Build): Arrangement => build.arrangement ?? emptyArrangement(build);

/**
 * The build with something of its arrangement changed. Where the last part is taken away its own mass stands again where
 * it was typed.
 *
 * @example arrange(gull, { zones: [] }).arrangement?.parts // []
 */
export function arrange(build: Build, change: Partial<Arrangement>): Build {
  const arrangement = { ...arrangementOf(build), ...change };
  const next: Build = { ...build, arrangement };
  if (arrangement.parts.some(({ mass }) => mass.value > 0)) return next;
  const { own } = build.masses;
  return { ...next, masses: { ...build.masses, own: { ...own, ...arrangement.rest } } };
}

/**
 * The build with a placed part changed.
 *
 * @example changePlaced(gull, 'battery', {}).arrangement?.parts // []
 */
export const changePlaced = (build: Build, id: string, change: Partial<PlacedPart>): Build =>
  arrange(build, {
    parts: arrangementOf(build).parts.map((part) => (part.id === id ? { ...part, ...change } : part)),
  });

/** Moved by hand a length is no finer than a tenth of a millimetre. */
const FINEST = 1e-4;

/** A value on the grid of a pitch, from nothing on; without one as fine as a hand sets it. */
const onGrid = (value: number, pitchM: number): number => {
  const step = pitchM > 0 ? pitchM : FINEST;
  return Number((Math.round(value / step) * step).toFixed(9));
};

/**
 * The build with a part moved, m; each place that changes falls on the grid of a pitch.
 *
 * @example movePlaced(gull, 'battery', [0.1, 0, 0], 0.01) === gull // true
 */
export function movePlaced(
  build: Build,
  id: string,
  [ahead, left, above]: readonly [number, number, number],
  pitchM: number,
): Build {
  const part = arrangementOf(build).parts.find((one) => one.id === id);
  if (!part) return build;
  const by = (quantity: Quantity, d: number): Quantity =>
    d === 0 ? quantity : { ...quantity, value: onGrid(quantity.value + d, pitchM), origin: 'typed' };
  const height = by(part.above, above);
  return changePlaced(build, id, {
    aheadOfRearAxle: by(part.aheadOfRearAxle, ahead),
    left: by(part.left, left),
    above: { ...height, value: Math.max(0, height.value) },
  });
}

/** A part of the build that is not placed, or not as often as it is there. */
export interface ToPlace {
  readonly part: Part;
  readonly left: number;
}

/**
 * The parts of a build that have no place yet, with how many of each.
 *
 * @example toPlace(gull) // []
 */
export function toPlace(build: Build): ToPlace[] {
  const placed = arrangementOf(build).parts;
  return piecesOf(build).flatMap(({ part, count }) => {
    const left = count - placed.filter(({ partId }) => partId === part.id).length;
    return left > 0 ? [{ part, left }] : [];
  });
}

/** Sides of a part of which nobody says how large it is, from what it weighs: as dense as such parts are, kg/m³ (common practice, no source). */
function usualSides(part: Part): readonly [number, number, number] {
  if (part.kind === 'motor') {
    const across = (part.bodyDiameterMm ?? 0) / 1000 || Math.cbrt((part.massKg ?? 0.3) / 5000);
    return [across, (part.bodyLengthMm ?? 0) / 1000 || 1.5 * across, across];
  }
  const dense = part.kind === 'battery' || part.kind === 'source' ? 2000 : 1000;
  const side = Math.cbrt((part.massKg ?? 0.05) / dense);
  return [1.4 * side, side, 0.72 * side];
}

const round = (value: number): number => Number(value.toPrecision(3));

/** Faces that a part has by what it is. */
const usualFaces = ({ kind }: Part): Face[] =>
  kind === 'battery'
    ? [{ id: 'plug', kind: 'plug', side: 'front', room: typed(0.05, 'mm', 'assumed') }]
    : kind === 'driver'
      ? [{ id: 'plug', kind: 'plug', side: 'front', room: typed(0.04, 'mm', 'assumed') }]
      : kind === 'switch'
        ? [{ id: 'button', kind: 'button', side: 'top', room: typed(0.08, 'mm', 'assumed') }]
        : [];

/** What a placed part is called: like the part that it is, numbered from the second of its kind on. */
function nameFor(part: Part | undefined, placed: readonly PlacedPart[]): string {
  const name = part?.name ?? 'Part';
  const before = placed.filter(({ partId }) => partId === part?.id).length;
  return before === 0 ? name : `${name.slice(0, 56)}, ${before + 1}`;
}

/**
 * A part of the build, or one of no kind, put in the middle of the body; its sides are guessed from what it is and weighs.
 *
 * @example placePart(gull).arrangement?.parts[0]?.name // 'Part'
 */
export function placePart(build: Build, part?: Part): Build {
  const { parts } = arrangementOf(build);
  const [length, width, height] = (part ? usualSides(part) : [0.1, 0.1, 0.05]).map(round);
  const ahead = build.layout.axles.map((axle) => axle.ahead.value);
  const { body } = build;
  const mm = (value: number | undefined): Quantity => typed(value ?? 0.05, 'mm', 'assumed');
  const placed: PlacedPart = {
    id: freeId(part?.kind ?? 'part', parts),
    name: nameFor(part, parts),
    length: mm(length),
    width: mm(width),
    height: mm(height),
    aheadOfRearAxle: mm((Math.min(...ahead) + Math.max(...ahead)) / 2),
    left: mm(0),
    above: mm(round(body.clearance.value + (height ?? 0) / 2)),
    mass: typed(part?.massKg ?? 0, 'kg', part ? 'shelf' : 'assumed'),
    form: part?.kind === 'motor' ? 'cylinder' : 'box',
    ...(part?.kind === 'motor' ? { axis: 'left' as const } : {}),
    turn: typed(0, '°', 'assumed'),
    ...(part ? { partId: part.id } : {}),
    faces: part ? usualFaces(part) : [],
  };
  return arrange(build, { parts: [...parts, placed] });
}

/**
 * A bay or a space to keep free, in the middle of the body.
 *
 * @example addZone(gull, 'bay').arrangement?.zones[0]?.kind // 'bay'
 */
export function addZone(build: Build, kind: Zone['kind']): Build {
  const { zones } = arrangementOf(build);
  const { body } = build;
  const mm = (value: number): Quantity => typed(round(value), 'mm', 'assumed');
  const ahead = build.layout.axles.map((axle) => axle.ahead.value);
  const height = (body.height.value - body.clearance.value) / 3;
  const zone: Zone = {
    id: freeId(kind, zones),
    name: kind === 'bay' ? 'Bay' : 'Keep free',
    kind,
    length: mm(body.length.value / 3),
    width: mm(body.width.value / 2),
    height: mm(Math.max(0.01, height)),
    aheadOfRearAxle: mm((Math.min(...ahead) + Math.max(...ahead)) / 2),
    left: mm(0),
    above: mm(body.clearance.value + Math.max(0.01, height) / 2),
  };
  return arrange(build, { zones: [...zones, zone] });
}

/**
 * A shaft with nothing on it yet.
 *
 * @example addShaft(gull).arrangement?.shafts?.[0]?.name // 'Shaft 1'
 */
export function addShaft(build: Build): Build {
  const shafts = arrangementOf(build).shafts ?? [];
  const shaft: Shaft = {
    id: freeId('shaft', shafts),
    name: `Shaft ${shafts.length + 1}`,
    length: typed(0.2, 'mm', 'assumed'),
    float: typed(0.0005, 'mm', 'assumed'),
    stack: [],
  };
  return arrange(build, { shafts: [...shafts, shaft] });
}

/** How wide such a thing usually is, m, and what holds it (common practice, no source). */
const USUAL_STACKED: Readonly<Record<Stacked['kind'], readonly [widthM: number, hold: Stacked['hold']]>> = {
  bearing: [0.01, 'frame'],
  spacer: [0.01, 'loose'],
  hub: [0.025, 'shaft'],
  wheel: [0.04, 'shaft'],
  sprocket: [0.015, 'shaft'],
  gear: [0.015, 'shaft'],
  collar: [0.01, 'shaft'],
  coupler: [0.03, 'shaft'],
};

/**
 * A thing put on the end of what is on a shaft.
 *
 * @example addStacked(addShaft(gull), 'shaft-1', 'bearing').arrangement?.shafts?.[0]?.stack[0]?.hold // 'frame'
 */
export function addStacked(build: Build, shaftId: string, kind: Stacked['kind']): Build {
  const shafts = arrangementOf(build).shafts ?? [];
  const [widthM, hold] = USUAL_STACKED[kind];
  return arrange(build, {
    shafts: shafts.map((shaft) =>
      shaft.id === shaftId
        ? {
            ...shaft,
            stack: [
              ...shaft.stack,
              {
                id: freeId(kind, shaft.stack),
                name: kind.charAt(0).toUpperCase() + kind.slice(1),
                kind,
                width: typed(widthM, 'mm', 'assumed'),
                hold,
              },
            ],
          }
        : shaft,
    ),
  });
}

import type { Face, PlacedPart, Zone } from '../vehicle/index.ts';
import { boxAt, cylinderAt, sweptAlong, type Solid } from './solid.ts';
import { plus, times, turned, WAYS, type Vector } from './vector.ts';

type Block = Pick<PlacedPart, 'length' | 'width' | 'height' | 'aheadOfRearAxle' | 'left' | 'above'>;

/**
 * The middle of a part or zone.
 *
 * @example middleOf(box) // [0.1, 0, 0.45]
 */
export const middleOf = ({
  aheadOfRearAxle,
  left,
  above,
}: Pick<Block, 'aheadOfRearAxle' | 'left' | 'above'>): Vector => [
  aheadOfRearAxle.value,
  left.value,
  above.value,
];

const sidesOf = ({ length, width, height }: Block): Vector => [length.value, width.value, height.value];

/**
 * The direction of a cylinder's middle line, its length and its diameter: the lesser of the two sides across.
 *
 * @example cylinderOf(box).along // [1, 0, 0]
 */
export function cylinderOf(part: PlacedPart): {
  readonly along: Vector;
  readonly length: number;
  readonly diameter: number;
} {
  const [length, width, height] = sidesOf(part);
  switch (part.axis ?? 'ahead') {
    case 'ahead':
      return { along: [1, 0, 0], length, diameter: Math.min(width, height) };
    case 'left':
      return { along: [0, 1, 0], length: width, diameter: Math.min(length, height) };
    case 'up':
      return { along: [0, 0, 1], length: height, diameter: Math.min(length, width) };
  }
}

/**
 * A placed part as a body.
 *
 * @example solidOfPart(box).most[2] // 0.5
 */
export function solidOfPart(part: PlacedPart): Solid {
  const turn = part.turn.value;
  if (part.form === 'box') return boxAt(middleOf(part), sidesOf(part), turn);
  const { along, length, diameter } = cylinderOf(part);
  return cylinderAt(middleOf(part), turned(along, turn), diameter / 2, length);
}

/** A bay or keep-out as a body. */
export const solidOfZone = (zone: Zone): Solid => boxAt(middleOf(zone), sidesOf(zone), 0);

/** Which way a face looks once its part is turned. */
export const outOf = (face: Face, part: PlacedPart): Vector => turned(WAYS[face.side], part.turn.value);

/** How thin the sheet is, m, of which a face is swept out. */
const SHEET = 1e-5;

/**
 * The space that a face needs before it, from the side, or the middle of it, outwards; undefined where it needs none.
 *
 * @example roomBefore({ id: 'lid', kind: 'lid', side: 'top', room: typed(0.1, 'mm') }, box)?.most[2] // 0.6
 */
export function roomBefore(face: Face, part: PlacedPart): Solid | undefined {
  const room = face.room.value;
  if (room <= 2 * SHEET) return undefined;
  const way = WAYS[face.side];
  const sides = sidesOf(part);
  const half = Math.abs(way[0] * sides[0] + way[1] * sides[1] + way[2] * sides[2]) / 2;
  const sheet = sides.map((side, at) =>
    way[at] === 0 ? Math.min(side, face.across?.value ?? side) : SHEET,
  ) as unknown as Vector;
  const from = plus(middleOf(part), turned(times(way, half + SHEET), part.turn.value));
  return sweptAlong(boxAt(from, sheet, part.turn.value), times(outOf(face, part), room - SHEET));
}

import type { At } from '../drawings/shapes.ts';

export interface Dot {
  readonly at: At;
  readonly radius: number;
  readonly name: string;
}

export interface PlacedName {
  readonly at: At;
  readonly anchor: 'start' | 'middle' | 'end';
}

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** About as wide as a letter is, and half as high as a line. */
export const LETTER = 7;
const HALF_LINE = 8;
const GAP = 5;

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top));

function boxOf({ at, anchor }: PlacedName, name: string): Box {
  const wide = name.length * LETTER;
  const left = anchor === 'start' ? at.x : anchor === 'end' ? at.x - wide : at.x - wide / 2;
  return { left, right: left + wide, top: at.y - HALF_LINE, bottom: at.y + HALF_LINE };
}

const beside = ({ at: { x, y }, radius }: Dot): readonly PlacedName[] => [
  { at: { x: x + radius + GAP, y }, anchor: 'start' },
  { at: { x: x - radius - GAP, y }, anchor: 'end' },
  { at: { x, y: y + radius + GAP + HALF_LINE }, anchor: 'middle' },
  { at: { x, y: y - radius - GAP - HALF_LINE }, anchor: 'middle' },
  { at: { x: x + radius + GAP, y: y + radius + HALF_LINE }, anchor: 'start' },
  { at: { x: x - radius - GAP, y: y - radius - HALF_LINE }, anchor: 'end' },
];

/** What is cut off at an edge of the page counts for more than what is covered. */
const CUT = 4;

const cutOff = (box: Box, width: number): number =>
  CUT * 2 * HALF_LINE * (Math.max(0, -box.left) + Math.max(0, box.right - width));

/** A place beside each dot for its name: of those around it, the one that covers the least of what is there already. */
export function placeNames(dots: readonly Dot[], width: number): PlacedName[] {
  const taken: Box[] = dots.map(({ at: { x, y }, radius: r }) => ({
    left: x - r,
    right: x + r,
    top: y - r,
    bottom: y + r,
  }));
  return dots.map((dot) => {
    const ranked = beside(dot).map((placed) => {
      const box = boxOf(placed, dot.name);
      const covers = taken.reduce((sum, other) => sum + overlap(box, other), cutOff(box, width));
      return { placed, box, covers };
    });
    const best = ranked.reduce((least, next) => (next.covers < least.covers ? next : least));
    taken.push(best.box);
    return best.placed;
  });
}

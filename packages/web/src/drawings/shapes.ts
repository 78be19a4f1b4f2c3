/** A place of a drawing: x to the right, y up, in the drawing's own unit of length. */
export interface At {
  readonly x: number;
  readonly y: number;
}

/** Ink for things, ochre for what is mechanical, soft for what helps to read. */
export type Tone = 'ink' | 'mech' | 'elec' | 'soft' | 'short';

/** What a drawing is made of. Shapes that carry a text are labelled in letters of one size, whatever the scale. */
export type Shape =
  | {
      readonly kind: 'circle';
      readonly at: At;
      readonly radius: number;
      readonly tone: Tone;
      readonly filled?: boolean;
      readonly dashed?: boolean;
    }
  | {
      readonly kind: 'line';
      readonly points: readonly At[];
      readonly tone: Tone;
      readonly closed?: boolean;
      readonly filled?: boolean;
      readonly dashed?: boolean;
      readonly heavy?: boolean;
    }
  | {
      readonly kind: 'measure';
      readonly from: At;
      readonly to: At;
      readonly text: string;
      readonly aside: number;
    }
  | {
      readonly kind: 'arrow';
      readonly from: At;
      readonly to: At;
      readonly tone: Tone;
      readonly text: string;
      /** Which end the text stands at. */
      readonly textAt?: 'from' | 'to';
    }
  | {
      readonly kind: 'note';
      readonly at: At;
      readonly text: string;
      readonly tone: Tone;
      /** Letters' heights that it stands above its place; less than 0 is below. */
      readonly above: number;
    };

export const at = (x: number, y: number): At => ({ x, y });

export const circle = (
  place: At,
  radius: number,
  tone: Tone,
  how: { filled?: boolean; dashed?: boolean } = {},
): Shape => ({
  kind: 'circle',
  at: place,
  radius,
  tone,
  ...how,
});

export const line = (
  points: readonly At[],
  tone: Tone,
  how: { closed?: boolean; filled?: boolean; dashed?: boolean; heavy?: boolean } = {},
): Shape => ({ kind: 'line', points, tone, ...how });

/** A length between two places, drawn `aside` letters' heights from them (to the left of the way). */
export const measure = (from: At, to: At, text: string, aside = 0): Shape => ({
  kind: 'measure',
  from,
  to,
  text,
  aside,
});

export const arrow = (from: At, to: At, tone: Tone, text: string, textAt: 'from' | 'to' = 'from'): Shape => ({
  kind: 'arrow',
  from,
  to,
  tone,
  text,
  textAt,
});

/** A text at a place, `above` letters' heights over it. */
export const note = (place: At, text: string, tone: Tone = 'soft', above = 0): Shape => ({
  kind: 'note',
  at: place,
  text,
  tone,
  above,
});

/** The four corners of a rectangle about its middle, turned by an angle (radians). */
export function box(middle: At, length: number, width: number, angle = 0): At[] {
  const corners: readonly (readonly [number, number])[] = [
    [-0.5, -0.5],
    [0.5, -0.5],
    [0.5, 0.5],
    [-0.5, 0.5],
  ];
  return corners.map(([u, v]) => turned(at(middle.x + u * length, middle.y + v * width), angle, middle));
}

/** A place turned about another by an angle, radians, counter-clockwise. */
export function turned(place: At, angle: number, about: At = at(0, 0)): At {
  const [dx, dy] = [place.x - about.x, place.y - about.y];
  return at(
    about.x + dx * Math.cos(angle) - dy * Math.sin(angle),
    about.y + dx * Math.sin(angle) + dy * Math.cos(angle),
  );
}

/** Points of an arc, from one angle to another, radians. */
export const arc = (middle: At, radius: number, from: number, to: number, points = 40): At[] =>
  Array.from({ length: points + 1 }, (_, n) => {
    const angle = from + ((to - from) * n) / points;
    return at(middle.x + radius * Math.cos(angle), middle.y + radius * Math.sin(angle));
  });

interface Round {
  readonly at: At;
  readonly radius: number;
}

/** The way of an open belt round two circles, closed: its straights are tangents of both. */
export function openLoop(first: Round, second: Round): At[] {
  const [dx, dy] = [second.at.x - first.at.x, second.at.y - first.at.y];
  const lean = Math.asin(Math.max(-1, Math.min(1, (second.radius - first.radius) / Math.hypot(dx, dy))));
  const along = Math.atan2(dy, dx);
  const top = Math.PI / 2 + lean;
  return [
    ...arc(first.at, first.radius, along + top, along + 2 * Math.PI - top),
    ...arc(second.at, second.radius, along - top, along + top),
  ];
}

export interface Extent {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

const reach = (shape: Shape): readonly At[] => {
  switch (shape.kind) {
    case 'circle': {
      const { at: c, radius: r } = shape;
      return [at(c.x - r, c.y - r), at(c.x + r, c.y + r)];
    }
    case 'line':
      return shape.points;
    case 'measure':
    case 'arrow':
      return [shape.from, shape.to];
    case 'note':
      return [shape.at];
    default:
      return assertNever(shape);
  }
};

/** The room that shapes take; of no size where there are none. */
export function extentOf(shapes: readonly Shape[]): Extent {
  const points = shapes.flatMap(reach);
  if (points.length === 0) return { left: 0, right: 0, bottom: 0, top: 0 };
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  return { left: Math.min(...xs), right: Math.max(...xs), bottom: Math.min(...ys), top: Math.max(...ys) };
}

/** How lengths of the drawing become those of the page: one scale both ways, the drawing in the middle. */
export interface Fit {
  readonly scale: number;
  readonly x: (x: number) => number;
  readonly y: (y: number) => number;
}

interface Page {
  readonly width: number;
  readonly height: number;
  readonly margin: { readonly x: number; readonly y: number };
}

export function fitTo({ left, right, bottom, top }: Extent, { width, height, margin }: Page): Fit {
  const wide = Math.max(right - left, 1e-12);
  const high = Math.max(top - bottom, 1e-12);
  const scale = Math.min((width - 2 * margin.x) / wide, (height - 2 * margin.y) / high);
  return {
    scale,
    x: (x) => width / 2 + (x - (left + right) / 2) * scale,
    y: (y) => height / 2 - (y - (bottom + top) / 2) * scale,
  };
}

/** A round length (1, 2 or 5 times a power of ten) that takes no more of the page than `most`. */
export function roundLength(most: number): number {
  const power = 10 ** Math.floor(Math.log10(most));
  return ([5, 2].find((n) => n * power <= most) ?? 1) * power;
}
import { assertNever } from '@zubric/core/contract';

interface Size {
  readonly width: number;
  readonly height: number;
}

/**
 * Where something of a size lies over the fewest shapes: the place of its upper left end, in one of the corners of a page,
 * the upper ones first.
 *
 * @param corners all of them, or the upper ones alone, where the ground is drawn below
 */
export function freeCorner(
  shapes: readonly Shape[],
  fit: Fit,
  {
    page,
    size,
    edge,
    corners,
  }: {
    readonly page: Size;
    readonly size: Size;
    /** How far from the edge of the page. */
    readonly edge: number;
    readonly corners: 'all' | 'upper';
  },
): At {
  const boxes = shapes.map((shape) => extentOf([shape]));
  const lefts = [edge, page.width - edge - size.width];
  const tops = [edge, ...(corners === 'all' ? [page.height - edge - size.height] : [])];
  const covered = ({ x, y }: At): number =>
    boxes.filter(
      ({ left, right, bottom, top }) =>
        fit.x(left) < x + size.width && fit.x(right) > x && fit.y(top) < y + size.height && fit.y(bottom) > y,
    ).length;
  const places = tops.flatMap((y) => lefts.map((x): At => ({ x, y })));
  return places.reduce((best, other) => (covered(other) < covered(best) ? other : best));
}

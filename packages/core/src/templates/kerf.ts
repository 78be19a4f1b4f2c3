import { EndType, inflatePathsD, JoinType, PointInPolygonResult, pointInPolygonD } from 'clipper2-ts';
import type { SheetPoint, Mark, Template } from './template.ts';

/** Digits after the point to which outlines are moved, mm. */
const DIGITS = 5;
/** A sharp corner is kept, unless it would stand out further than so many times the kerf. */
const MITER = 4;
const ROUND = 90;

type Cut = Exclude<Mark, { readonly kind: 'text' }>;

const isCut = (mark: Mark): mark is Cut =>
  mark.kind !== 'text' && mark.cut && (mark.kind === 'circle' || mark.closed);

const pathOf = (mark: Cut): { x: number; y: number }[] =>
  mark.kind === 'line'
    ? mark.points.map(([x, y]) => ({ x, y }))
    : Array.from({ length: ROUND }, (_, n) => ({
        x: mark.at[0] + (mark.diameter / 2) * Math.cos((2 * Math.PI * n) / ROUND),
        y: mark.at[1] + (mark.diameter / 2) * Math.sin((2 * Math.PI * n) / ROUND),
      }));

/** Whether what it encloses falls out: it lies within another cut, or within three. */
function fallsOut(mark: Cut, all: readonly Cut[]): boolean {
  const [point] = pathOf(mark);
  if (!point) return false;
  const around = all.filter(
    (other) =>
      other !== mark && pointInPolygonD(point, pathOf(other), DIGITS) === PointInPolygonResult.IsInside,
  );
  return around.length % 2 === 1;
}

/** A closed line moved outwards, or inwards where that is negative; in the pieces that are left of it. */
function moved(mark: Cut, by: number): Mark[] {
  if (mark.kind === 'circle')
    return mark.diameter + 2 * by > 0 ? [{ ...mark, diameter: mark.diameter + 2 * by }] : [];
  const path = pathOf(mark);
  const area = path.reduce((sum, { x, y }, n) => {
    const to = path[(n + 1) % path.length] ?? { x, y };
    return sum + x * to.y - to.x * y;
  }, 0);
  const leftRound = area < 0 ? [...path].reverse() : path;
  return inflatePathsD([leftRound], by, JoinType.Miter, EndType.Polygon, MITER, DIGITS).map((one): Mark => ({
    ...mark,
    points: one.map(({ x, y }): SheetPoint => [x, y]),
  }));
}

/**
 * A template for a beam or a bit that takes a width of its own away: what is cut out grows by half of that, what falls out
 * of it shrinks, so that both come out as drawn; what is only marked stays.
 *
 * @example withKerf({ name: 'a', title: 'A', marks: [{ kind: 'circle', at: [0, 0], diameter: 10, cut: true }] }, 0.2).marks
 *   // [{ kind: 'circle', at: [0, 0], diameter: 10.2, cut: true }]
 */
export function withKerf(template: Template, kerfMm: number): Template {
  if (kerfMm === 0) return template;
  const cuts = template.marks.filter(isCut);
  return {
    ...template,
    marks: template.marks.flatMap((mark): readonly Mark[] =>
      isCut(mark) ? moved(mark, (fallsOut(mark, cuts) ? -kerfMm : kerfMm) / 2) : [mark],
    ),
  };
}

import { areaD, simplifyPathD } from 'clipper2-ts';
import DxfParser, {
  type IArcEntity,
  type ICircleEntity,
  type IEntity,
  type ILineEntity,
  type ILwpolylineEntity,
  type IPolylineEntity,
} from 'dxf-parser';

type At = readonly [x: number, y: number];

/** A drawing without an outline to take, and why. */
export class UnreadableDrawing extends Error {}

/** A closed outline of a drawing, its middle at the origin: ahead along the drawing's x, left along its y. */
export interface ReadOutline {
  /** Metres. */
  readonly corners: readonly { readonly aheadM: number; readonly leftM: number }[];
  /** The unit that the drawing is taken to be in. */
  readonly unit: string;
  /** Whether the drawing itself says so. */
  readonly saysUnit: boolean;
}

/** A body has at most so many corners. */
const MOST_CORNERS = 60;
/** A turn of an arc that is drawn as one straight piece, at most, rad. */
const CHORD_RAD = Math.PI / 18;
/** Ends nearer than this share of the whole drawing are one. */
const JOINED = 1e-4;

/** Metres of a unit of a drawing, by the number that its head has for it (DXF reference, $INSUNITS). */
const UNITS: Readonly<Record<number, readonly [symbol: string, metres: number]>> = {
  1: ['in', 0.0254],
  2: ['ft', 0.3048],
  4: ['mm', 0.001],
  5: ['cm', 0.01],
  6: ['m', 1],
};
const USUAL_UNIT = 4;

/** Points of an arc, from its start on. */
function arcOf([x, y]: At, radius: number, from: number, sweep: number): At[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(sweep) / CHORD_RAD));
  return Array.from({ length: pieces + 1 }, (_, n): At => {
    const angle = from + (sweep * n) / pieces;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

/** A piece of a polyline that bulges: the tangent of a quarter of its arc's angle, to the right positive (DXF reference). */
function bulged([ax, ay]: At, [bx, by]: At, bulge: number): At[] {
  if (bulge === 0) return [[bx, by]];
  const sweep = 4 * Math.atan(bulge);
  const chord = Math.hypot(bx - ax, by - ay);
  const radius = chord / 2 / Math.sin(Math.abs(sweep) / 2);
  // From the middle of the chord, to its left by what the arc's middle stands off it.
  const off = chord / 2 / Math.tan(sweep / 2) / (chord || 1);
  const [cx, cy] = [(ax + bx) / 2 - off * (by - ay), (ay + by) / 2 + off * (bx - ax)];
  return arcOf([cx, cy], radius, Math.atan2(ay - cy, ax - cx), sweep).slice(1);
}

interface Piece {
  readonly points: readonly At[];
  readonly closed: boolean;
}

function polyline({ vertices, shape }: ILwpolylineEntity | IPolylineEntity): Piece {
  const corners = vertices.map(({ x, y, bulge = 0 }) => ({ at: [x, y] as At, bulge }));
  const [first] = corners;
  if (!first) return { points: [], closed: false };
  const points: At[] = [first.at];
  corners.forEach(({ at, bulge }, n) => {
    const next = corners[n + 1] ?? (shape ? first : undefined);
    if (next) points.push(...bulged(at, next.at, bulge));
  });
  return { points: shape ? points.slice(0, -1) : points, closed: shape };
}

/** What of a drawing may be part of an outline. */
function pieceOf(entity: IEntity): Piece | undefined {
  switch (entity.type) {
    case 'LINE': {
      const { vertices } = entity as ILineEntity;
      return { points: vertices.map(({ x, y }): At => [x, y]), closed: false };
    }
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return polyline(entity as ILwpolylineEntity);
    case 'CIRCLE': {
      const { center, radius } = entity as ICircleEntity;
      return { points: arcOf([center.x, center.y], radius, 0, 2 * Math.PI).slice(1), closed: true };
    }
    case 'ARC': {
      const { center, radius, startAngle, endAngle } = entity as IArcEntity;
      const sweep = endAngle > startAngle ? endAngle - startAngle : endAngle - startAngle + 2 * Math.PI;
      return { points: arcOf([center.x, center.y], radius, startAngle, sweep), closed: false };
    }
    default:
      return undefined;
  }
}

/** Open pieces laid end to end until each closes or nothing goes on from it. */
function joined(open: readonly (readonly At[])[], near: number): Piece[] {
  const left = [...open];
  const meets = ([ax, ay]: At, [bx, by]: At): boolean => Math.hypot(ax - bx, ay - by) <= near;
  const found: Piece[] = [];
  for (let points = left.shift(); points; points = left.shift()) {
    let chain = [...points];
    for (;;) {
      const [start, end] = [chain[0] as At, chain.at(-1) as At];
      if (chain.length > 2 && meets(start, end)) {
        found.push({ points: chain.slice(0, -1), closed: true });
        break;
      }
      const at = left.findIndex((other) => meets(other[0] as At, end) || meets(other.at(-1) as At, end));
      const next = at < 0 ? undefined : left.splice(at, 1)[0];
      if (!next) break;
      chain = [...chain, ...(meets(next[0] as At, end) ? next : next.toReversed()).slice(1)];
    }
  }
  return found;
}

const asPath = (points: readonly At[]) => points.map(([x, y]) => ({ x, y }));

/** No more corners than a body has: those left out whose leaving moves the outline least. */
function simplified(points: readonly At[], size: number): At[] {
  for (let off = 1e-6 * size; ; off *= 1.5) {
    const path = simplifyPathD(asPath(points), off, true);
    if (path.length <= MOST_CORNERS) return path.map(({ x, y }): At => [x, y]);
  }
}

/**
 * The outline of a body from a drawing: of all that is closed in it, lines and arcs laid end to end too, what encloses most.
 *
 * Source of the form: DXF reference, entities LINE, ARC, CIRCLE, LWPOLYLINE, POLYLINE and $INSUNITS.
 *
 * @throws UnreadableDrawing where it is no DXF, or nothing in it is closed
 * @example outlineFromDxf('') // throws Error: This is no drawing in DXF as text: save it as DXF (ASCII).
 */
export function outlineFromDxf(text: string): ReadOutline {
  let drawing: ReturnType<DxfParser['parseSync']>;
  try {
    drawing = new DxfParser().parseSync(text);
  } catch {
    drawing = null;
  }
  if (!drawing) throw new UnreadableDrawing('This is no drawing in DXF as text: save it as DXF (ASCII).');
  const entities = (drawing.entities as IEntity[] | undefined) ?? [];
  const pieces = entities
    .flatMap((entity) => pieceOf(entity) ?? [])
    .filter(({ points }) => points.length > 1);
  const all = pieces.flatMap(({ points }) => points);
  const spread = (n: 0 | 1): [number, number] => {
    const values = all.map((at) => at[n]);
    return [Math.min(...values), Math.max(...values)];
  };
  const [[left, right], [low, high]] = [spread(0), spread(1)];
  const size = Math.hypot(right - left, high - low);
  const open = pieces.filter(({ closed }) => !closed).map(({ points }) => points);
  const loops = [...pieces.filter(({ closed }) => closed), ...joined(open, JOINED * size)];
  const areaOf = ({ points }: Piece): number => Math.abs(areaD(asPath(points)));
  const [largest] = loops.toSorted((a, b) => areaOf(b) - areaOf(a));
  if (!largest || !(areaOf(largest) > 0))
    throw new UnreadableDrawing(
      'Nothing in this drawing is closed: join the lines of the outline end to end.',
    );
  const corners = simplified(largest.points, size);
  if (corners.length < 3) throw new UnreadableDrawing('What is closed in this drawing encloses nothing.');
  // A drawing of entities alone has no head, whatever the library's types say.
  const head = drawing.header as Partial<typeof drawing.header> | undefined;
  const given = UNITS[Number(head?.['$INSUNITS'] ?? 0)];
  const [unit, metres] = given ?? (UNITS[USUAL_UNIT] as readonly [string, number]);
  const middle = (n: 0 | 1): number => {
    const values = corners.map((at) => at[n]);
    return (Math.min(...values) + Math.max(...values)) / 2;
  };
  const [x0, y0] = [middle(0), middle(1)];
  return {
    corners: corners.map(([x, y]) => ({ aheadM: metres * (x - x0), leftM: metres * (y - y0) })),
    unit,
    saysUnit: given !== undefined,
  };
}

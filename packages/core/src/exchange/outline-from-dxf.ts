import { areaD, simplifyPathD } from 'clipper2-ts';
import { parseString, toPolylines } from 'dxf';

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

/** A block that is laid out more often than this in rows and columns is no outline's. */
const MOST_COPIES = 1000;
/** The points of a piece of a circle, ellipse or spline are as close as that reader has them: 5° of a turn, 25 a span. */
type Drawing = ReturnType<typeof parseString>;

/** Whether an entity is drawn where the vehicle is, not on the sheet around it, and can be laid out. */
const isDrawn = (entity: Drawing['entities'][number]): boolean => {
  const { paperSpace, rowCount, columnCount } = entity as Readonly<Record<string, unknown>>;
  return !paperSpace && Number(rowCount ?? 1) * Number(columnCount ?? 1) <= MOST_COPIES;
};

/** Every line of a drawing as points, blocks laid where they are put, or nothing where it cannot be followed. */
function linesOf(drawing: Drawing): (readonly At[])[] {
  const blocks = drawing.blocks.map((block) => ({
    ...block,
    entities: ((block.entities as Drawing['entities'] | undefined) ?? []).filter(isDrawn),
  }));
  const { polylines } = toPolylines({ ...drawing, blocks, entities: drawing.entities.filter(isDrawn) });
  return polylines
    .map(({ vertices }) => vertices.map(([x, y]): At => [x, y]))
    .filter((points) => points.length > 1 && points.flat().every(Number.isFinite));
}

/** Loops of a drawing: lines that close by themselves, and those that do so laid end to end. */
function loopsOf(lines: readonly (readonly At[])[], near: number): (readonly At[])[] {
  const left = [...lines];
  const meets = ([ax, ay]: At, [bx, by]: At): boolean => Math.hypot(ax - bx, ay - by) <= near;
  const found: (readonly At[])[] = [];
  for (let points = left.shift(); points; points = left.shift()) {
    let chain = [...points];
    for (;;) {
      const [start, end] = [chain[0] as At, chain.at(-1) as At];
      if (chain.length > 2 && meets(start, end)) {
        found.push(chain.slice(0, -1));
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

/** However many points there are. */
const rangeOf = (points: readonly At[], n: 0 | 1): readonly [least: number, most: number] =>
  points.reduce(([least, most], at) => [Math.min(least, at[n]), Math.max(most, at[n])] as const, [
    Infinity,
    -Infinity,
  ] as const);

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
 * Source of the form: DXF reference, entities LINE, ARC, CIRCLE, ELLIPSE, SPLINE, LWPOLYLINE, POLYLINE, INSERT with its block, and $INSUNITS.
 *
 * @throws UnreadableDrawing where it is no DXF, or nothing in it is closed
 * @example outlineFromDxf('') // throws Error: This is no drawing in DXF as text: save it as DXF (ASCII).
 */
export function outlineFromDxf(text: string): ReadOutline {
  let lines: readonly (readonly At[])[];
  let unitNumber: number;
  try {
    if (!/^\s*0\s+SECTION\s/m.test(text)) throw new UnreadableDrawing();
    const drawing = parseString(text);
    lines = linesOf(drawing);
    unitNumber = Number((drawing.header as { readonly insUnits?: unknown }).insUnits ?? 0);
  } catch {
    throw new UnreadableDrawing('This is no drawing in DXF as text: save it as DXF (ASCII).');
  }
  const over = (n: 0 | 1): number => {
    const [least, most] = rangeOf(lines.flat(), n);
    return most - least;
  };
  const size = Math.hypot(over(0), over(1));
  const areaOf = (loop: readonly At[]): number => Math.abs(areaD(asPath(loop)));
  const [largest] = loopsOf(lines, JOINED * size).toSorted((a, b) => areaOf(b) - areaOf(a));
  if (!largest || !(areaOf(largest) > 0))
    throw new UnreadableDrawing(
      'Nothing in this drawing is closed: join the lines of the outline end to end.',
    );
  const corners = simplified(largest, size);
  if (corners.length < 3) throw new UnreadableDrawing('What is closed in this drawing encloses nothing.');
  const given = UNITS[unitNumber];
  const [unit, metres] = given ?? (UNITS[USUAL_UNIT] as readonly [string, number]);
  const middle = (n: 0 | 1): number => {
    const [least, most] = rangeOf(corners, n);
    return (least + most) / 2;
  };
  const [x0, y0] = [middle(0), middle(1)];
  return {
    corners: corners.map(([x, y]) => ({ aheadM: metres * (x - x0), leftM: metres * (y - y0) })),
    unit,
    saysUnit: given !== undefined,
  };
}

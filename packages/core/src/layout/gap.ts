import { shifted, type Solid } from './solid.ts';
import { dot, minus, plus, times, type Vector } from './vector.ts';

/** Nearer than this, m, bodies touch. */
export const TOUCHING = 1e-7;
const MOST_STEPS = 80;
/** A step that comes no nearer by this share ends the walk. */
const NO_NEARER = 1e-11;

/** The point nearest to the origin of what a few points span, and those of them that carry it. */
interface Nearest {
  readonly point: Vector;
  readonly by: readonly Vector[];
}

/** A determinant under this share of what it is made of is that of points in line. */
const IN_LINE = 1e-14;

/** Shares of one, two or three edges at the foot of a perpendicular (Cramer); undefined where they lie in line. */
function sharesOn(first: Vector, edges: readonly Vector[]): readonly number[] | undefined {
  const [u, v, w] = edges;
  if (!u) return [];
  const [uu, fu] = [dot(u, u), -dot(first, u)];
  if (!v) return uu > 0 ? [fu / uu] : undefined;
  const [uv, vv, fv] = [dot(u, v), dot(v, v), -dot(first, v)];
  const flat = uu * vv - uv * uv;
  if (!w)
    return flat > IN_LINE * uu * vv ? [(fu * vv - fv * uv) / flat, (fv * uu - fu * uv) / flat] : undefined;
  const [uw, vw, ww, fw] = [dot(u, w), dot(v, w), dot(w, w), -dot(first, w)];
  const full = uu * (vv * ww - vw * vw) - uv * (uv * ww - vw * uw) + uw * (uv * vw - vv * uw);
  if (!(full > IN_LINE * uu * vv * ww)) return undefined;
  return [
    (fu * (vv * ww - vw * vw) - uv * (fv * ww - vw * fw) + uw * (fv * vw - vv * fw)) / full,
    (uu * (fv * ww - fw * vw) - fu * (uv * ww - vw * uw) + uw * (uv * fw - fv * uw)) / full,
    (uu * (vv * fw - vw * fv) - uv * (uv * fw - fv * uw) + fu * (uv * vw - vv * uw)) / full,
  ];
}

/** The foot of the origin on the point, line, plane or space through these, where it lies between them. */
function footOn(points: readonly Vector[]): Nearest | undefined {
  const [first, ...others] = points;
  if (!first) return undefined;
  const edges = others.map((point) => minus(point, first));
  const shares = sharesOn(first, edges);
  if (!shares) return undefined;
  let [point, all] = [first, 0];
  for (const [at, edge] of edges.entries()) {
    const share = shares[at] ?? 0;
    if (share < 0) return undefined;
    all += share;
    point = plus(point, times(edge, share));
  }
  return all > 1 ? undefined : { point, by: points };
}

/** Of one to four points, each choice that has the last of them: what lay nearest without it is known already. */
const CHOICES: readonly (readonly (readonly number[])[])[] = [1, 2, 3, 4].map((count) =>
  Array.from({ length: 2 ** (count - 1) }, (_, n) => [
    ...Array.from({ length: count - 1 }, (_point, bit) => bit).filter((bit) => n & (1 << bit)),
    count - 1,
  ]),
);

/** The point nearest to the origin of what up to four points span, where the last of them has a share in it. */
function nearestOf(points: readonly Vector[]): Nearest {
  let best: Nearest | undefined;
  for (const choice of CHOICES[points.length - 1] ?? []) {
    const foot = footOn(choice.map((at) => points[at] ?? ([0, 0, 0] as const)));
    if (foot && (!best || dot(foot.point, foot.point) < dot(best.point, best.point))) best = foot;
  }
  return best ?? { point: points[0] ?? [0, 0, 0], by: points.slice(0, 1) };
}

/**
 * The least distance between two bodies, m; 0 where they touch or overlap. By walking over the differences of their
 * points towards the one nearest to nothing.
 *
 * Source: E. G. Gilbert, D. W. Johnson, S. S. Keerthi, A fast procedure for computing the distance between complex objects
 * in three-dimensional space, IEEE J. Robotics and Automation 4 (1988).
 *
 * @param enoughM once it is known to be more than this, some distance that is more but no more than theirs is told
 * @example gapBetween(boxAt([0, 0, 0], [1, 1, 1], 0), boxAt([3, 0, 0], [1, 1, 1], 0)) // 2
 */
export function gapBetween(a: Solid, b: Solid, enoughM = Infinity): number {
  if (a.isBlock && b.isBlock) return boxGap(a, b);
  let point = minus(a.middle, b.middle);
  let by: readonly Vector[] = [];
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const far = dot(point, point);
    if (far <= TOUCHING ** 2) return 0;
    const towards = times(point, -1);
    const next = minus(a.furthest(towards), b.furthest(point));
    const bound = dot(point, next) / Math.sqrt(far);
    if (bound > enoughM + TOUCHING) return bound;
    // No point of the difference lies nearer than this plane.
    if (by.length > 0 && far - dot(point, next) <= NO_NEARER * far) break;
    const nearest = nearestOf([...by, next]);
    if (nearest.by.length === 4) return 0;
    if (by.length > 0 && dot(nearest.point, nearest.point) >= far) break;
    ({ point, by } = nearest);
  }
  const gap = Math.sqrt(dot(point, point));
  return gap <= TOUCHING ? 0 : gap;
}

/**
 * The distance between the boxes about two bodies, m: their gap is never less.
 *
 * @example boxGap(boxAt([0, 0, 0], [1, 1, 1], 0), boxAt([3, 0, 0], [1, 1, 1], 0)) // 2
 */
export function boxGap(a: Solid, b: Solid): number {
  let sum = 0;
  for (const at of [0, 1, 2] as const) {
    const apart = Math.max(0, a.least[at] - b.most[at], b.least[at] - a.most[at]);
    sum += apart * apart;
  }
  return Math.sqrt(sum);
}

/**
 * Whether two bodies are nearer to each other than a gap; touching is not.
 *
 * @example areNearer(boxAt([0, 0, 0], [1, 1, 1], 0), boxAt([1, 0, 0], [1, 1, 1], 0), 0) // false
 */
export function areNearer(a: Solid, b: Solid, gapM: number): boolean {
  if (boxGap(a, b) > gapM) return false;
  if (gapM > 0) return gapBetween(a, b, gapM) < gapM - TOUCHING;
  // Bodies that share a face touch everywhere on it: they overlap where they do so even a little apart.
  return overlaps(a, b);
}

/** How deep bodies must be in each other to overlap, m. */
const DEEP = 1e-6;

function overlaps(a: Solid, b: Solid): boolean {
  for (const at of [0, 1, 2] as const)
    if (a.most[at] - b.least[at] <= DEEP || b.most[at] - a.least[at] <= DEEP) return false;
  if (a.isBlock && b.isBlock) return true;
  if (gapBetween(a, b, 0) > 0) return false;
  // Turned bodies may touch at an edge: drawn a little towards its own middle, the one is then clear of the other.
  return gapBetween(shrunk(a), b, 0) <= 0;
}

/** A body drawn in towards its middle by a little. */
function shrunk(solid: Solid): Solid {
  const span = Math.max(...[0, 1, 2].map((at) => (solid.most[at] ?? 0) - (solid.least[at] ?? 0)), DEEP);
  const by = 1 - (4 * DEEP) / span;
  return {
    ...solid,
    furthest: (direction) =>
      plus(solid.middle, times(minus(solid.furthest(direction), solid.middle), Math.max(0, by))),
  };
}

const HALVINGS = 40;

/**
 * How far a body must go in a direction, m, until it keeps a gap to another; 0 where it does.
 *
 * @example wayClear(boxAt([0, 0, 0], [1, 1, 1], 0), boxAt([0.4, 0, 0], [1, 1, 1], 0), [-1, 0, 0], 0) // 0.6
 */
export function wayClear(a: Solid, b: Solid, way: Vector, gapM: number): number {
  if (!areNearer(a, b, gapM)) return 0;
  const along = (solid: Solid, sign: 1 | -1): number => dot(solid.furthest(times(way, sign)), way);
  let [near, far] = [0, along(b, 1) - along(a, -1) + gapM + 10 * DEEP];
  for (let n = 0; n < HALVINGS && far - near > DEEP; n += 1) {
    const middle = (near + far) / 2;
    if (areNearer(shifted(a, times(way, middle)), b, gapM)) near = middle;
    else far = middle;
  }
  return far;
}

/** A place on the ground: metres ahead of the origin, and left of the middle line. */
export interface GroundPoint {
  readonly aheadM: number;
  readonly leftM: number;
}

/** What the ground must carry: the force square to it, and where that force acts. */
export interface Bearing extends GroundPoint {
  readonly forceN: number;
}

/** Contacts nearer together than this share of the vehicle's size count as one place. */
const SAME_PLACE = 1e-9;
/** Steps of the search for the contacts that carry; a handful is usual. */
const MOST_STEPS = 200;

/** Twice the area of the triangle a, b, c; positive where c lies left of the way from a to b (x ahead, y left). */
const turn = (a: GroundPoint, b: GroundPoint, c: GroundPoint): number =>
  (b.aheadM - a.aheadM) * (c.leftM - a.leftM) - (b.leftM - a.leftM) * (c.aheadM - a.aheadM);

/**
 * The corners of the area that contacts enclose, counter-clockwise seen from above (Andrew's monotone chain).
 *
 * @example supportArea([{ aheadM: 0, leftM: 0 }, { aheadM: 1, leftM: 0 }, { aheadM: 0, leftM: 1 }, { aheadM: 0.2, leftM: 0.2 }]).length
 *   // 3
 */
export function supportArea(contacts: readonly GroundPoint[]): GroundPoint[] {
  const sorted = [...contacts].sort((a, b) => a.aheadM - b.aheadM || a.leftM - b.leftM);
  const half = (places: readonly GroundPoint[]): GroundPoint[] => {
    const chain: GroundPoint[] = [];
    for (const place of places) {
      while (chain.length > 1) {
        const [a, b] = [chain.at(-2), chain.at(-1)];
        if (!a || !b || turn(a, b, place) > 0) break;
        chain.pop();
      }
      chain.push(place);
    }
    return chain.slice(0, -1);
  };
  const corners = [...half(sorted), ...half([...sorted].reverse())];
  return corners.length > 0 ? corners : sorted.slice(0, 1);
}

/** Distance from a place inside the area to its edge along a direction; negative where the place lies outside. */
export function reachTo(area: readonly GroundPoint[], from: GroundPoint, direction: GroundPoint): number {
  const size = Math.hypot(direction.aheadM, direction.leftM);
  const [dx, dy] = [direction.aheadM / size, direction.leftM / size];
  // The area is an intersection of half-planes: the nearest of those that this direction leaves.
  let reach = Infinity;
  area.forEach((a, at) => {
    const b = area[(at + 1) % area.length] ?? a;
    const length = Math.hypot(b.aheadM - a.aheadM, b.leftM - a.leftM);
    if (length === 0) return;
    const [nx, ny] = [(b.leftM - a.leftM) / length, -(b.aheadM - a.aheadM) / length];
    const leaving = nx * dx + ny * dy;
    const inside = nx * (a.aheadM - from.aheadM) + ny * (a.leftM - from.leftM);
    if (leaving > SAME_PLACE) reach = Math.min(reach, inside / leaving);
  });
  return Number.isFinite(reach) ? reach : 0;
}

/** The least distance from a place to an edge of the area; negative outside. */
export function reachToEdge(area: readonly GroundPoint[], from: GroundPoint): number {
  if (area.length < 3) return 0;
  return area.reduce((least, a, at) => {
    const b = area[(at + 1) % area.length] ?? a;
    const length = Math.hypot(b.aheadM - a.aheadM, b.leftM - a.leftM);
    return length === 0 ? least : Math.min(least, turn(a, b, from) / length);
  }, Infinity);
}

/** Loads N = a + b·ahead + c·left on the contacts that carry, in balance with the bearing; least squares where they are in one line or place. */
function plane(contacts: readonly GroundPoint[], bearing: Bearing): (place: GroundPoint) => number {
  const n = contacts.length;
  const mean = {
    aheadM: contacts.reduce((sum, p) => sum + p.aheadM, 0) / n,
    leftM: contacts.reduce((sum, p) => sum + p.leftM, 0) / n,
  };
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of contacts) {
    const [x, y] = [p.aheadM - mean.aheadM, p.leftM - mean.leftM];
    xx += x * x;
    xy += x * y;
    yy += y * y;
  }
  const mx = bearing.forceN * (bearing.aheadM - mean.aheadM);
  const my = bearing.forceN * (bearing.leftM - mean.leftM);
  const [b, c] = solvePair(xx, xy, yy, mx, my);
  return (p) => bearing.forceN / n + b * (p.aheadM - mean.aheadM) + c * (p.leftM - mean.leftM);
}

/** Of each contact under a rigid frame: its share of a force at the origin, and what a metre of it ahead or left adds. */
export interface FrameLoads {
  readonly share: Float64Array;
  readonly perAhead: Float64Array;
  readonly perLeft: Float64Array;
}

/**
 * How a rigid frame on equally stiff contacts shares a force, as the plane law that it is while every contact carries: the load
 * of one is the force × (share + perAhead · ahead + perLeft · left).
 *
 * @example frameLoads([{ aheadM: 0, leftM: 0 }, { aheadM: 2, leftM: 0 }]).perAhead[1] // 0.5
 */
export function frameLoads(contacts: readonly GroundPoint[]): FrameLoads {
  const under = (aheadM: number, leftM: number): Float64Array =>
    Float64Array.from(contacts, plane(contacts, { forceN: 1, aheadM, leftM }));
  const share = under(0, 0);
  const more = (loads: Float64Array): Float64Array => loads.map((load, at) => load - (share[at] ?? 0));
  return { share, perAhead: more(under(1, 0)), perLeft: more(under(0, 1)) };
}

/** The shortest solution of a symmetric pair of equations, whatever its rank. */
function solvePair(xx: number, xy: number, yy: number, mx: number, my: number): readonly [number, number] {
  const trace = xx + yy;
  if (trace === 0) return [0, 0];
  const apart = Math.hypot((xx - yy) / 2, xy);
  const [great, small] = [trace / 2 + apart, trace / 2 - apart];
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  const along = (mx * ux + my * uy) / great;
  const across = small > trace * SAME_PLACE ? (my * ux - mx * uy) / small : 0;
  return [along * ux - across * uy, along * uy + across * ux];
}

/** Loads of the contacts, and whether they can carry the bearing without one of them pulling. */
export interface Support {
  readonly loadsN: readonly number[];
  readonly stands: boolean;
}

/**
 * How a rigid frame on equally stiff contacts shares a force. A contact that would pull is let go and the others solved
 * again. Where the force lies outside the contacts it does not stand: the loads are then those without letting go, so
 * that the one which lifts is negative.
 *
 * Source: statics; equally stiff springs under a rigid frame.
 *
 * @example supportLoads([{ aheadM: 0, leftM: 0 }, { aheadM: 1, leftM: 0 }], { forceN: 8, aheadM: 0.25, leftM: 0 }).loadsN // [6, 2]
 */
export function supportLoads(contacts: readonly GroundPoint[], bearing: Bearing): Support {
  const all = plane(contacts, bearing);
  const free = { loadsN: contacts.map(all), stands: false };
  if (!balances(contacts, bearing, free.loadsN)) return free;
  if (free.loadsN.every((load) => load >= 0)) return { ...free, stands: true };
  const size = Math.max(...contacts.map((p) => Math.hypot(p.aheadM, p.leftM)), 1e-300);
  if (reachToEdge(supportArea(contacts), bearing) < -SAME_PLACE * size) return free;
  const loadsN = sharedByThoseThatCarry(contacts, bearing);
  return loadsN ? { loadsN, stands: true } : free;
}

type Three = readonly [number, number, number];

const lengthOf = (v: Three): number => Math.hypot(...v);
const dot = (a: Three, b: Three): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Balance is found to this share of the force. */
const NEAR_ENOUGH = 1e-10;
/** A step shorter than this share of Newton's leads nowhere. */
const LEAST_STEP = 1e-9;
/** Keeps a step finite where the contacts that carry stand in one line. */
const DAMPING = 1e-9;

/**
 * The loads max(0, a + b·ahead + c·left) in balance with the bearing: least of the convex ½ Σ load² − bearing · (a, b, c),
 * by Newton's method with a line search. Undefined where it does not come near enough.
 */
function sharedByThoseThatCarry(contacts: readonly GroundPoint[], bearing: Bearing): number[] | undefined {
  const size = Math.max(
    ...contacts.map((p) => Math.hypot(p.aheadM - bearing.aheadM, p.leftM - bearing.leftM)),
  );
  // About the bearing, in shares of the size: its moments are then none.
  const at = contacts.map((p): Three => [
    1,
    (p.aheadM - bearing.aheadM) / size,
    (p.leftM - bearing.leftM) / size,
  ]);
  const sought = (u: Three): number => at.reduce((sum, v) => sum + Math.max(0, dot(u, v)) ** 2 / 2, 0) - u[0];
  let u: Three = [1 / contacts.length, 0, 0];
  for (let step = 0; step < MOST_STEPS; step++) {
    const left = outOfBalance(at, u);
    if (Math.max(...left.map(Math.abs)) < NEAR_ENOUGH)
      return at.map((v) => bearing.forceN * Math.max(0, dot(u, v)));
    const way = solveThree(
      at.filter((v) => dot(u, v) > 0),
      left,
    );
    const along = (share: number): Three => [
      u[0] + share * way[0],
      u[1] + share * way[1],
      u[2] + share * way[2],
    ];
    // Close to the end the sum no longer tells steps apart: what is out of balance then does.
    const better = (share: number): boolean =>
      sought(along(share)) <= sought(u) - 1e-4 * share * dot(left, way) ||
      lengthOf(outOfBalance(at, along(share))) < 0.5 * lengthOf(left);
    let share = 1;
    while (share > LEAST_STEP && !better(share)) share /= 2;
    u = along(share);
  }
  return undefined;
}

/** What is missing of the force and of its two moments. */
const outOfBalance = (at: readonly Three[], u: Three): Three =>
  at.reduce<Three>(
    ([f, x, y], v) => {
      const load = Math.max(0, dot(u, v));
      return [f - load, x - load * v[1], y - load * v[2]];
    },
    [1, 0, 0],
  );

/** Solves (Σ v vᵀ + damping) d = r. */
function solveThree(vs: readonly Three[], r: Three): Three {
  const m = (row: 0 | 1 | 2, column: 0 | 1 | 2): number =>
    vs.reduce((sum, v) => sum + v[row] * v[column], row === column ? DAMPING : 0);
  const [a, b, c, d, e, f] = [m(0, 0), m(0, 1), m(0, 2), m(1, 1), m(1, 2), m(2, 2)];
  const [A, B, C] = [d * f - e * e, c * e - b * f, b * e - c * d];
  const whole = a * A + b * B + c * C;
  const [D, E, F] = [a * f - c * c, b * c - a * e, a * d - b * b];
  return [
    (A * r[0] + B * r[1] + C * r[2]) / whole,
    (B * r[0] + D * r[1] + E * r[2]) / whole,
    (C * r[0] + E * r[1] + F * r[2]) / whole,
  ];
}

/** Share of the force by its lever that may be left over by rounding. */
const BALANCE = 1e-6;

/** Whether loads have the moment of the bearing: contacts in one line carry nothing beside that line. */
function balances(contacts: readonly GroundPoint[], bearing: Bearing, loadsN: readonly number[]): boolean {
  const size = Math.max(
    ...contacts.map((p) => Math.hypot(p.aheadM - bearing.aheadM, p.leftM - bearing.leftM)),
  );
  const off = (of: keyof GroundPoint): number =>
    contacts.reduce((sum, p, at) => sum + (loadsN[at] ?? 0) * (p[of] - bearing[of]), 0);
  const allowed = BALANCE * Math.abs(bearing.forceN) * Math.max(size, 1e-300);
  return Math.abs(off('aheadM')) <= allowed && Math.abs(off('leftM')) <= allowed;
}

import earcut from 'earcut';
import { remembered } from '../contract/index.ts';
import type { Build, Opens } from '../vehicle/index.ts';
import { bodyBox } from './body-box.ts';
import { boxAt, around, type Solid } from './solid.ts';
import type { Vector } from './vector.ts';

/** A place seen from above, m. */
export type Spot = readonly [ahead: number, left: number];

/** A piece of a body that is closed all round. */
export interface ShellPiece {
  readonly id: string;
  readonly name: string;
  /** Whether it is taken off to open the body. */
  readonly comesOff: boolean;
  readonly solids: readonly Solid[];
}

/**
 * The outline of the body from above, to the left round: as it was drawn, else its box.
 *
 * @example outlineOf(puffin).length // 4
 */
export const outlineOf = remembered((build: Build): readonly Spot[] => {
  const drawn = build.arrangement?.shell?.outline;
  const { least, most } = bodyBox(build);
  const spots: Spot[] = drawn
    ? drawn.map(({ ahead, left }): Spot => [ahead.value, left.value])
    : [
        [least[0], least[1]],
        [most[0], least[1]],
        [most[0], most[1]],
        [least[0], most[1]],
      ];
  return twiceArea(spots) < 0 ? spots.reverse() : spots;
});

const next = (spots: readonly Spot[], n: number): Spot => spots[(n + 1) % spots.length] ?? [0, 0];

/** Twice the area of an outline; negative where it goes round to the right. */
const twiceArea = (spots: readonly Spot[]): number =>
  spots.reduce((sum, [x, y], n) => sum + x * next(spots, n)[1] - next(spots, n)[0] * y, 0);

/** The part of an outline on one side of a line square to an axis. */
function clipped(spots: readonly Spot[], axis: 0 | 1, at: number, side: 1 | -1): Spot[] {
  const isIn = (spot: Spot): boolean => side * (spot[axis] - at) >= 0;
  return spots.flatMap((spot, n): Spot[] => {
    const to = next(spots, n);
    const kept = isIn(spot) ? [spot] : [];
    if (isIn(spot) === isIn(to)) return kept;
    const share = (at - spot[axis]) / (to[axis] - spot[axis]);
    return [...kept, [spot[0] + share * (to[0] - spot[0]), spot[1] + share * (to[1] - spot[1])]];
  });
}

/** A plate of an outline, as triangles that are thick. */
function plates(spots: readonly Spot[], from: number, to: number): Solid[] {
  const corners = earcut(spots.flat());
  return Array.from({ length: corners.length / 3 }, (_, n) =>
    around(
      corners
        .slice(3 * n, 3 * n + 3)
        .flatMap((at) => [from, to].map((up): Vector => [spots[at]?.[0] ?? 0, spots[at]?.[1] ?? 0, up])),
    ),
  );
}

/** Walls along an outline but for its sides on a cut, from one height to another. */
function walls(
  spots: readonly Spot[],
  [from, to]: Spot,
  wall: number,
  cut?: readonly [0 | 1, number],
): Solid[] {
  return spots.flatMap((spot, n) => {
    const end = next(spots, n);
    const length = Math.hypot(end[0] - spot[0], end[1] - spot[1]);
    const isCut = cut && [spot, end].every((one) => Math.abs(one[cut[0]] - cut[1]) < 1e-9);
    if (length <= 0 || isCut || to <= from) return [];
    const turn = Math.atan2(end[1] - spot[1], end[0] - spot[0]);
    // The outline goes round to the left: inside is to the left of each side.
    const middle: Vector = [
      (spot[0] + end[0]) / 2 - (Math.sin(turn) * wall) / 2,
      (spot[1] + end[1]) / 2 + (Math.cos(turn) * wall) / 2,
      (from + to) / 2,
    ];
    return [boxAt(middle, [length, wall, to - from], turn)];
  });
}

/** Where it parts where nobody says: a lid right at the top, halves in the middle. */
function partedAt(build: Build, opens: Opens): number {
  const { least, most } = bodyBox(build);
  const said = build.arrangement?.shell?.at?.value;
  if (opens === 'lid') return Math.min(Math.max(said ?? most[2], least[2]), most[2]);
  const axis = opens === 'halves-across' ? 0 : 1;
  return said ?? (least[axis] + most[axis]) / 2;
}

/**
 * The pieces of a body that is closed all round: a lid and what it lies on, or two halves; none of one that is open.
 *
 * @example shellOf(puffin) // []
 */
export const shellOf = remembered((build: Build): readonly ShellPiece[] => {
  const shell = build.arrangement?.shell;
  if (!shell || shell.opens === 'open') return [];
  const spots = outlineOf(build);
  const { least, most } = bodyBox(build);
  const [bottom, top] = [least[2], most[2]];
  const wall = shell.wall.value;
  const at = partedAt(build, shell.opens);
  if (shell.opens === 'lid')
    return [
      {
        id: 'shell-lid',
        name: 'Lid of the body',
        comesOff: true,
        solids: [...plates(spots, top - wall, top), ...walls(spots, [at, top - wall], wall)],
      },
      {
        id: 'shell-tub',
        name: 'Body',
        comesOff: false,
        solids: [
          ...plates(spots, bottom, bottom + wall),
          ...walls(spots, [bottom + wall, Math.min(at, top - wall)], wall),
        ],
      },
    ];
  const axis = shell.opens === 'halves-across' ? 0 : 1;
  const names =
    axis === 0
      ? ['Front half of the body', 'Rear half of the body']
      : ['Left half of the body', 'Right half of the body'];
  return ([1, -1] as const).map((side, n): ShellPiece => {
    const half = clipped(spots, axis, at, side);
    return {
      id: `shell-${n + 1}`,
      name: names[n] ?? '',
      comesOff: true,
      solids: [
        ...plates(half, top - wall, top),
        ...plates(half, bottom, bottom + wall),
        ...walls(half, [bottom + wall, top - wall], wall, [axis, at]),
      ],
    };
  });
});

/** How far a spot lies outside an outline, m; negative inside. And which way, from the outline to it. */
export function outsideBy(
  spots: readonly Spot[],
  [x, y]: Spot,
): { readonly byM: number; readonly way: Spot } {
  let isIn = false;
  let best = { far: Infinity, way: [1, 0] as Spot };
  spots.forEach((from, n) => {
    const to = next(spots, n);
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const long = dx * dx + dy * dy;
    const share = long > 0 ? Math.min(1, Math.max(0, ((x - from[0]) * dx + (y - from[1]) * dy) / long)) : 0;
    const off: Spot = [x - from[0] - share * dx, y - from[1] - share * dy];
    const far = Math.hypot(...off);
    if (far < best.far) best = { far, way: far > 0 ? [off[0] / far, off[1] / far] : [dy, -dx] };
    if (from[1] > y !== to[1] > y && x < from[0] + ((y - from[1]) * dx) / dy) isIn = !isIn;
  });
  return { byM: isIn ? -best.far : best.far, way: best.way };
}

import type { FloorKind } from '../vehicle/index.ts';

/** A corner of the ground as it is seen from the side: metres along the way, and over where it begins. */
export type FloorPoint = readonly [alongM: number, heightM: number];

/** Something on the way: from where on, how high over the ground or deep under it, and how long. */
export interface FloorThing {
  readonly kind: FloorKind;
  readonly startM: number;
  readonly heightM: number;
  readonly lengthM: number;
}

/**
 * The ground with one thing on it, as corners from left to right. Before the first and after the last corner it goes on level.
 *
 * @example floorOf({ kind: 'kerb', startM: 1, heightM: 0.02, lengthM: 0 }) // [[1, 0], [1, 0.02]]
 */
export function floorOf({ kind, startM, heightM, lengthM }: FloorThing): readonly FloorPoint[] {
  const endM = startM + lengthM;
  const high = kind === 'hole' ? -heightM : heightM;
  switch (kind) {
    case 'flat':
      return [[startM, 0]];
    case 'ramp':
      return [
        [startM, 0],
        [endM, high],
      ];
    case 'kerb':
      return [
        [startM, 0],
        [startM, high],
      ];
    case 'board':
    case 'hole':
      return [
        [startM, 0],
        [startM, high],
        [endM, high],
        [endM, 0],
      ];
  }
}

/** Where a wheel touches the ground: how deep it is pressed in, and which way the ground pushes it. */
export interface Touch {
  /** Negative in the air. */
  readonly depthM: number;
  readonly alongN: number;
  readonly upN: number;
}

const LEVEL: Touch = { depthM: 0, alongN: 0, upN: 1 };

/**
 * Where a wheel touches a ground of corners, by the corner or face nearest to its middle. `x` and `y` are the middle of the
 * wheel; the middle must be over the ground.
 *
 * @example touchOf([[0, 0]], 3, 0.049, 0.05) // { depthM: 0.001, alongN: 0, upN: 1 }
 */
export function touchOf(points: readonly FloorPoint[], x: number, y: number, radiusM: number): Touch {
  let [away, alongN, upN] = [Infinity, LEVEL.alongN, LEVEL.upN];
  const look = (px: number, py: number): void => {
    const distance = Math.hypot(x - px, y - py);
    if (distance >= away || distance === 0) return;
    away = distance;
    alongN = (x - px) / distance;
    upN = (y - py) / distance;
  };
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return LEVEL;
  look(Math.min(x, first[0]), first[1]);
  look(Math.max(x, last[0]), last[1]);
  for (let n = 1; n < points.length; n += 1) {
    const [[fromX, fromY], [toX, toY]] = [points[n - 1] ?? first, points[n] ?? last];
    const [dx, dy] = [toX - fromX, toY - fromY];
    const square = dx ** 2 + dy ** 2;
    const share = square > 0 ? ((x - fromX) * dx + (y - fromY) * dy) / square : 0;
    const within = Math.min(1, Math.max(0, share));
    look(fromX + within * dx, fromY + within * dy);
  }
  return { depthM: radiusM - away, alongN, upN };
}

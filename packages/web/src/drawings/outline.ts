import type { Solid, Vector } from '@zubric/core/layout';
import { VIEWS, type LayoutView } from './views.ts';

const STEPS = 32;

/** The outline of a body as it is seen in a view: its furthest points all round, none twice. */
export function outlineOf({ furthest }: Solid, view: LayoutView): readonly Vector[] {
  const { across, up } = VIEWS[view];
  const points = Array.from({ length: STEPS }, (_, n): Vector => {
    // A little aside, so that no direction is square to a side of a box.
    const angle = (2 * Math.PI * (n + 0.37)) / STEPS;
    const direction = [0, 0, 0];
    direction[across[0]] = Math.cos(angle) * across[1];
    direction[up[0]] = Math.sin(angle) * up[1];
    return furthest(direction as unknown as Vector);
  });
  return points.filter((point, n) => {
    const before = points[(n + STEPS - 1) % STEPS];
    return !before || point.some((x, axis) => Math.abs(x - (before[axis] ?? 0)) > 1e-9);
  });
}

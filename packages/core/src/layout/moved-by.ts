import type { MoveTo } from './finding.ts';
import type { TooNear } from './overlaps.ts';
import type { Thing } from './things.ts';
import { WAYS } from './vector.ts';

/** Where a part goes that is moved along a way; nowhere where its middle would be in the ground. */
export function movedBy({ part }: Thing, { way, byM }: TooNear['moved'], backwards = false): MoveTo[] {
  if (!part) return [];
  const by = backwards ? -byM : byM;
  const [ahead, left, up] = WAYS[way];
  if (part.above.value + up * by < 0) return [];
  return [
    {
      partId: part.id,
      aheadM: part.aheadOfRearAxle.value + ahead * by,
      leftM: part.left.value + left * by,
      aboveM: part.above.value + up * by,
      turnRad: part.turn.value,
    },
  ];
}

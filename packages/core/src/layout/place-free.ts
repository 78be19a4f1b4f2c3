import { arrangementOf, changePlaced, placePart, type Build, type Part } from '../vehicle/index.ts';
import type { MoveTo } from './finding.ts';
import { findPlaces } from './find-place.ts';

/**
 * The build with a part moved to a place that was found for it.
 *
 * @example movedTo(puffin, { partId: 'no-such-part', aheadM: 0, leftM: 0, aboveM: 0, turnRad: 0 }) === puffin // true
 */
export function movedTo(build: Build, { partId, aheadM, leftM, aboveM, turnRad }: MoveTo): Build {
  const part = arrangementOf(build).parts.find(({ id }) => id === partId);
  if (!part) return build;
  const at = <K extends 'aheadOfRearAxle' | 'left' | 'above' | 'turn'>(key: K, value: number) => ({
    ...part[key],
    value,
    origin: 'typed' as const,
  });
  return changePlaced(build, partId, {
    aheadOfRearAxle: at('aheadOfRearAxle', aheadM),
    left: at('left', leftM),
    above: at('above', aboveM),
    turn: at('turn', turnRad),
  });
}

/**
 * A part of the build, or one of no kind, put where it is free and reached, best balanced; in the middle of the body where
 * there is no such place.
 *
 * @example placeFree(gull).arrangement?.parts.length // 1
 */
export function placeFree(build: Build, part?: Part): Build {
  const placed = placePart(build, part);
  const partId = arrangementOf(placed).parts.at(-1)?.id ?? '';
  const [best] = findPlaces(placed, partId, { most: 1 });
  return best ? movedTo(placed, { ...best, partId }) : placed;
}

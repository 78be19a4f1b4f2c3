import type { MoveTo } from '@zubric/core/layout';
import { arrangementOf, changePlaced, type Build } from '@zubric/core/vehicle';

/** The build with a part moved to where it would be free. */
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

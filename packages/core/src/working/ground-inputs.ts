import type { Duty, Ground, GroundFigures } from '../vehicle/index.ts';
import { fixed, from, type WorkingInput } from './working.ts';

/** Where wheel loads come from, as it is said. */
export const LOADS = 'the wheel loads of the job';
/** A duty's place at the Brief, as it is said. */
export const atBrief = (duty: Duty): string => `Brief, ${duty.name}`;

/** A figure of the ground over some contacts: as it stands there, or the mean of unlike tyres. */
export function figureInput(
  key: string,
  figure: keyof GroundFigures,
  value: number,
  ground: Ground,
): WorkingInput {
  const where = `Brief, ${ground.name}${figure === 'across' ? ', sideways' : ''}`;
  return value === ground[figure].value
    ? from(key, ground[figure], where)
    : fixed(key, `${where}, for the tyres that these wheels have`);
}

import { MOTOR_TYPE_NAMES, type MotorTypeName } from '../motor/index.ts';
import { CHEMISTRY_NAMES, type Chemistry } from '../supply/index.ts';
import type { ChosenPart } from '../vehicle/index.ts';

/** What a search may leave out altogether: a type of motors, or a chemistry of batteries. */
export type PartSort = MotorTypeName | Chemistry;

/** All sorts that may be left out. */
export const PART_SORTS: readonly PartSort[] = [...MOTOR_TYPE_NAMES, ...CHEMISTRY_NAMES];

/**
 * Of which sort a part is; undefined where there are none of its kind.
 *
 * @example sortOf(motorOf(puffin)) // 'brushed'
 */
export function sortOf(part: ChosenPart): PartSort | undefined {
  if (part.kind === 'motor') return part.type;
  return part.kind === 'battery' ? part.chemistry : undefined;
}

import { namesIn, type Field } from '@zubric/core/protocols';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';

/** Which list of a set's conditions a name of a run is of. */
const LISTS: Partial<Record<string, string>> = { motor: 'motors', left: 'wheels', right: 'wheels' };

/** Names that a field of a run can have, where the set lists them; else those that it had before are no list. */
export function namesOfField(
  field: Field,
  { conditions }: Pick<ShownTrialSet, 'conditions'>,
): readonly string[] {
  const list = field.kind === 'name' ? LISTS[field.key] : undefined;
  return list === undefined ? [] : namesIn(conditions, list);
}

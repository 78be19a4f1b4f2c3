import { differencesBetween, inWords } from '@zubric/core/vehicle';
import { useUnits } from '../common/units.tsx';
import type { Session } from '../session/session.ts';

/** What the last step back or forth did: it may have been at another station. */
export function Moved({ way, from, to }: NonNullable<Session['moved']>) {
  const { system } = useUnits();
  const text = differencesBetween(from, to)
    .map((difference) => inWords(difference, from, to, system).text)
    .join('; ');
  return <span title={text}>{`${way === 'undo' ? 'undone' : 'redone'}: ${text}`}</span>;
}

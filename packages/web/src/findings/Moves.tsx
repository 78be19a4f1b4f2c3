import type { MoveInWords } from '@zubric/core/say';
import { applyChanges } from '@zubric/core/vehicle';
import { useBuild } from '../session/BuildSession.tsx';

/** The few changes that would mend a finding, each tried with one press and undone like any other edit. */
export function Moves({ moves }: { readonly moves: readonly MoveInWords[] }) {
  const { edit } = useBuild();
  if (moves.length === 0) return null;
  return (
    <ul className="mt-1.5 grid gap-1.5" aria-label="What would mend it">
      {moves.map((move) => (
        <li
          key={move.text}
          className="flex items-start justify-between gap-3 border-t border-dashed border-line pt-1.5"
        >
          <span className="text-[14px] leading-snug">
            <b className="block text-[15px] font-semibold">{move.text}</b>
            {move.gains}
            <span className={`block ${move.makesShort ? 'font-semibold text-short' : 'text-soft'}`}>
              costs: {move.costs}
            </span>
          </span>
          <button
            type="button"
            className="push push-small shrink-0"
            aria-label={`Try: ${move.text}`}
            onClick={() => edit((b) => applyChanges(b, move.changes))}
          >
            Try
          </button>
        </li>
      ))}
    </ul>
  );
}

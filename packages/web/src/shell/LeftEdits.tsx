import { sayMoment } from '../common/days.ts';
import { useSession } from '../session/BuildSession.tsx';

/** Edits of this build that were left unsaved in other windows, offered again one by one. */
export function LeftEdits() {
  const { left, look, drop, session } = useSession();
  const [draft] = left;
  if (!draft || session.theirs) return null;
  return (
    <section role="status" className="mb-3 border border-edge bg-field px-4 py-3">
      <h2>An edit of this build was left unsaved in another window.</h2>
      <p className="mt-1">
        It is of {sayMoment(new Date(draft.at).toISOString())}. Look at what it changed and choose, or drop
        it.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <button type="button" className="push push-main" onClick={() => look(draft)}>
          Look at it
        </button>
        <button type="button" className="push" onClick={() => drop(draft)}>
          Drop it
        </button>
      </div>
    </section>
  );
}

import type { Build } from '@zubric/core/vehicle';
import { useEffect, useState } from 'react';
import { fetched } from '../common/lazy-part.ts';
import { useBuild, useSession } from '../session/BuildSession.tsx';

interface Edited {
  readonly before: Build;
  readonly after: Build;
}

interface Found {
  readonly by: Edited;
  readonly removed: string | undefined;
}

/** What the last edit removed is offered back until the next edit. */
export function Removed() {
  const { whole, undo } = useBuild();
  const { session } = useSession();
  const [seen, setSeen] = useState(whole);
  const [edited, setEdited] = useState<Edited>();
  const [found, setFound] = useState<Found>();
  if (seen !== whole) {
    setSeen(whole);
    setEdited(session.moved || session.theirs ? undefined : { before: seen, after: whole });
  }
  useEffect(() => {
    if (!edited) return;
    // Nothing is removed before the first edit: how that is found may come after the page.
    void fetched(() => import('./removed-between.ts')).then(({ removedBetween }) =>
      setFound({ by: edited, removed: removedBetween(edited.before, edited.after) }),
    );
  }, [edited]);
  const removed = found?.by === edited ? found?.removed : undefined;
  if (removed === undefined) return null;
  return (
    <p
      role="status"
      className="fixed bottom-4 left-1/2 z-40 flex max-w-[90vw] -translate-x-1/2 items-center gap-3 border border-ink bg-sheet px-4 py-2 max-md:bottom-24"
    >
      <span className="truncate">“{removed}” is removed.</span>
      <button
        type="button"
        className="push push-small shrink-0"
        onClick={() => {
          undo();
          setFound(undefined);
        }}
      >
        Put it back
      </button>
    </p>
  );
}

import { Redo2, Undo2 } from 'lucide-react';
import { Suspense, useEffect } from 'react';
import { useBuild, useSession } from '../session/BuildSession.tsx';
import { fetchAhead } from '../common/fetch-ahead.ts';
import { withCommand } from '../common/keys.ts';
import { lazyPart } from '../common/lazy-part.ts';

/** Not fetched with the build, but ahead of the first step back: nothing else that a build opens with tells changes in words. */
const loadMoved = async () => (await import('./Moved.tsx')).Moved;
const Moved = lazyPart(loadMoved);

/** Z and Y as everywhere: back with Ctrl Z, forth with Ctrl Shift Z or Ctrl Y. */
function wayOf(event: KeyboardEvent): 'undo' | 'redo' | undefined {
  if (!withCommand(event)) return undefined;
  const key = event.key.toLowerCase();
  if (key === 'y') return 'redo';
  return key === 'z' ? (event.shiftKey ? 'redo' : 'undo') : undefined;
}

/**
 * Text that is none of the build's (a search, a note) or that cannot be read yet is the browser's own to undo; so is a
 * field under an open dialog.
 */
const isBrowsers = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.closest('[data-own-undo], [role="dialog"]') !== null ||
    target.getAttribute('aria-invalid') === 'true');

/** Undo and redo over the whole build, from any station. */
export function UndoRedo() {
  const { undo, redo } = useBuild();
  const { session } = useSession();
  useEffect(() => fetchAhead([loadMoved]), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const way = wayOf(event);
      if (!way || isBrowsers(event.target)) return;
      event.preventDefault();
      const focused = document.activeElement;
      // A field shows what was typed until it is left: it is left and taken up again, so that it shows what now holds.
      const isField = focused instanceof HTMLInputElement || focused instanceof HTMLTextAreaElement;
      if (isField) focused.blur();
      if (way === 'undo') undo();
      else redo();
      if (isField) requestAnimationFrame(() => focused.focus());
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
  const { history, moved } = session;
  const button = 'p-1 enabled:hover:bg-soft disabled:opacity-40';
  return (
    <span className="flex items-center">
      <button
        type="button"
        className={button}
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        aria-keyshortcuts="Control+Z"
        disabled={history.undo.length === 0}
        onClick={undo}
      >
        <Undo2 size={18} aria-hidden />
      </button>
      <button
        type="button"
        className={button}
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        aria-keyshortcuts="Control+Shift+Z Control+Y"
        disabled={history.redo.length === 0}
        onClick={redo}
      >
        <Redo2 size={18} aria-hidden />
      </button>
      <span
        role="log"
        aria-label="Undone and redone"
        className="max-w-80 truncate pl-1 text-[14px] text-bar-soft max-md:hidden"
      >
        <Suspense>{moved && <Moved {...moved} />}</Suspense>
      </span>
    </span>
  );
}

import { Keyboard, Search } from 'lucide-react';
import { Suspense, useEffect, useState } from 'react';
import { fetchAhead } from '../common/fetch-ahead.ts';
import { isTyping, withCommand } from '../common/keys.ts';
import { lazyPart } from '../common/lazy-part.ts';

const loadFind = async () => (await import('./Find.tsx')).Find;
const loadKeysList = async () => (await import('./KeysList.tsx')).KeysList;
const Find = lazyPart(loadFind);
const KeysList = lazyPart(loadKeysList);

type Open = 'find' | 'keys' | null;

/** What the find box and the list of keys are opened by, everywhere. */
export function Tools() {
  const [open, setOpen] = useState<Open>(null);
  useEffect(() => fetchAhead([loadFind, loadKeysList]), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const find =
        (withCommand(event) && event.key.toLowerCase() === 'k') ||
        (event.key === '/' && !isTyping(event.target) && !event.ctrlKey && !event.altKey && !event.metaKey);
      const keys = event.key === '?' && !isTyping(event.target);
      if (!find && !keys) return;
      event.preventDefault();
      setOpen(find ? 'find' : 'keys');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const close = (): void => setOpen(null);
  return (
    <>
      <button
        type="button"
        className="flex items-center gap-1.5 border border-bar-soft px-2 py-0.5 text-[15px] hover:bg-soft"
        aria-keyshortcuts="/ Control+K"
        onClick={() => setOpen('find')}
      >
        <Search size={15} aria-hidden /> Find
      </button>
      <button
        type="button"
        className="p-1 hover:bg-soft"
        aria-label="Keys"
        title="Keys (?)"
        aria-keyshortcuts="?"
        onClick={() => setOpen('keys')}
      >
        <Keyboard size={18} aria-hidden />
      </button>
      <Suspense>
        {open === 'find' && <Find onClose={close} />}
        {open === 'keys' && <KeysList onClose={close} />}
      </Suspense>
    </>
  );
}

import { Suspense, useState } from 'react';
import { lazyPart } from '../common/lazy-part.ts';
import { useUnsent } from './use-outbox.ts';

const UnsentList = lazyPart(async () => (await import('./UnsentList.tsx')).UnsentList);

/**
 * How much of what was recorded on this device the server does not have yet, where there is any; opened it says what. That
 * there is some is said by the page itself: with the network away nothing more may come.
 */
export function Unsent() {
  const unsent = useUnsent();
  const [open, setOpen] = useState(false);
  if (unsent.length === 0) return null;
  const refused = unsent.filter((item) => item.refused !== undefined).length;
  return (
    <>
      <button
        type="button"
        className="bg-short px-2 py-0.5 text-[14px] font-semibold text-sheet"
        onClick={() => setOpen(true)}
      >
        {refused > 0 ? `${refused} cannot be sent` : `${unsent.length} not sent yet`}
      </button>
      {open && (
        <Suspense>
          <UnsentList unsent={unsent} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

import type { TermId } from '@zubric/core/say';
import { Suspense, useState, type ReactNode } from 'react';
import { lazyPart } from './lazy-part.ts';

/** What it means is fetched once somebody asks. */
const TermPanel = lazyPart(async () => (await import('./TermPanel.tsx')).TermPanel);

interface Props {
  readonly id: TermId;
  /** The word as it stands there. */
  readonly children: ReactNode;
}

/** A word of the application that tells at a press what it means; another press, Escape or leaving it closes that. */
export function Term({ id, children }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <span className="relative inline-block">
      <button
        type="button"
        className="text-left underline decoration-edge decoration-dotted underline-offset-4 hover:decoration-ink"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        onBlur={() => setOpen(false)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setOpen(false);
        }}
      >
        {children}
      </button>
      {open && (
        <Suspense>
          <TermPanel id={id} />
        </Suspense>
      )}
    </span>
  );
}

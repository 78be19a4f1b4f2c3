import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  /** For what needs more room than a sentence. */
  readonly wide?: boolean;
}

/** A sheet laid over the bench; Escape, its cross or a click beside it takes it away. */
export function Panel({ title, onClose, children, wide = false }: Props) {
  return (
    <Dialog open onClose={onClose} className="relative z-40 outline-none">
      <DialogBackdrop className="fixed inset-0 bg-black/40" />
      <div className="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-[10vh]">
        <DialogPanel
          className={`relative w-full border border-ink bg-sheet p-4 text-ink ${wide ? 'max-w-4xl' : 'max-w-xl'}`}
        >
          <DialogTitle as="h2" className="mb-2 pr-8">
            {title}
          </DialogTitle>
          {children}
          {/* Last, so that what is asked has the focus first. */}
          <button
            type="button"
            className="absolute top-1 right-1 flex size-10 items-center justify-center hover:bg-field"
            aria-label={`Close “${title}”`}
            onClick={onClose}
          >
            <X size={20} aria-hidden="true" />
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

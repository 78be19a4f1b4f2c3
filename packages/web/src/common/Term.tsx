import { termOf, type TermId } from '@zubric/core/say';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import type { ReactNode } from 'react';

/** A word of the application that tells at a press what it means. */
export function Term({ id, children }: { readonly id: TermId; readonly children?: ReactNode }) {
  const { term, sentence } = termOf(id);
  return (
    <Popover className="inline">
      <PopoverButton className="text-left underline decoration-dotted decoration-edge underline-offset-4 hover:decoration-ink">
        {children ?? term}
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: 'bottom start', gap: 4, padding: 8 }}
        className="z-40 max-w-80 border border-ink bg-sheet px-3 py-2 font-sans text-[15px] font-normal text-ink"
      >
        <b className="font-semibold">{term}.</b> {sentence}
      </PopoverPanel>
    </Popover>
  );
}

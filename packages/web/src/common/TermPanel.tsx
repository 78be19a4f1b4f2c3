import { termOf, type TermId } from '@zubric/core/say';

/** What a word means, under it. */
export function TermPanel({ id }: { readonly id: TermId }) {
  const { term, sentence } = termOf(id);
  return (
    <span
      role="note"
      className="opens-over absolute top-full left-0 z-40 mt-1 block w-72 border border-ink bg-sheet px-3 py-2 font-sans text-[15px] font-normal text-ink"
    >
      <b className="font-semibold">{term}.</b> {sentence}
    </span>
  );
}

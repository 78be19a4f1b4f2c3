import type { BuildPlace } from '@zubric/core/answers';
import { useRef } from 'react';
import { SHELVES } from './shelves.ts';

interface Props {
  readonly place: BuildPlace;
  readonly onPlace: (place: BuildPlace) => void;
  readonly wanted: string;
  readonly onWanted: (words: string) => void;
  /** Absent where nothing can be brought in. */
  readonly onFiles: ((files: FileList | null) => void) | undefined;
  readonly picked: number;
  /** Absent where nothing can be taken out. */
  readonly onTakeOut: (() => void) | undefined;
}

/** Which builds are listed, and what goes in and out as files. */
export function BuildsBar({ place, onPlace, wanted, onWanted, onFiles, picked, onTakeOut }: Props) {
  return (
    <div className="mt-5 flex flex-wrap items-center gap-3">
      <div role="group" aria-label="Which builds" className="flex">
        {Object.values(SHELVES).map((shelf) => (
          <button
            key={shelf.place}
            type="button"
            aria-pressed={shelf.place === place}
            className={`push -ml-px first:ml-0 ${shelf.place === place ? 'push-main' : ''}`}
            onClick={() => onPlace(shelf.place)}
          >
            {shelf.title}
          </button>
        ))}
      </div>
      <label className="flex min-w-48 flex-1 items-center gap-2">
        <span className="text-[14px] text-soft">Search</span>
        <input
          className="entry"
          type="search"
          placeholder="name or purpose"
          value={wanted}
          onChange={(event) => onWanted(event.target.value)}
        />
      </label>
      {onFiles && <FilePicker onFiles={onFiles} />}
      <button type="button" className="push" disabled={!onTakeOut} onClick={onTakeOut}>
        Take out {picked === 0 ? 'files' : picked === 1 ? '1 file' : `${picked} files`}
      </button>
    </div>
  );
}

/** A button that opens the browser's own choice of files; the same file may be chosen twice. */
function FilePicker({ onFiles }: { readonly onFiles: (files: FileList | null) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        className="hidden"
        accept=".json,.zip,application/json,application/zip"
        multiple
        aria-label="Build files"
        onChange={(event) => {
          onFiles(event.target.files);
          event.target.value = '';
        }}
      />
      <button type="button" className="push" onClick={() => input.current?.click()}>
        Bring in files …
      </button>
    </>
  );
}

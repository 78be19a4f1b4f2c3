import { Suspense, useState, type DragEvent } from 'react';
import type { FileRead } from './read-files.ts';
import { lazyPart } from '../common/lazy-part.ts';

/** Reading files is fetched when it is wanted. */
const BringIn = lazyPart(async () => (await import('./BringIn.tsx')).BringIn);
const reading = () => import('./read-files.ts');

/** Files that are chosen or dropped: read, shown, and brought in where the builder says so. */
export function useFilesIn(names: readonly string[], onDone: (said: string) => void) {
  const [files, setFiles] = useState<readonly FileRead[]>();
  const offer = (offered: FileList | null): void => {
    if (!offered || offered.length === 0) return;
    const all = [...offered];
    void reading()
      .then(({ readBuildFiles }) => readBuildFiles(all))
      .then(setFiles);
  };
  return {
    offer,
    /** For the place on which files may be dropped. */
    dropping: {
      onDragOver: (event: DragEvent) => event.preventDefault(),
      onDrop: (event: DragEvent) => {
        event.preventDefault();
        offer(event.dataTransfer.files);
      },
    },
    dialog: files && (
      <Suspense>
        <BringIn
          files={files}
          names={new Set(names)}
          onClose={() => setFiles(undefined)}
          onDone={(count) => {
            setFiles(undefined);
            onDone(count === 1 ? 'One build was brought in.' : `${count} builds were brought in.`);
          }}
        />
      </Suspense>
    ),
  };
}

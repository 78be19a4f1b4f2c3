import { useState } from 'react';
import { newId } from '../common/new-id.ts';
import { shrunk } from '../common/shrink.ts';
import { record } from './outbox.ts';

type Standing =
  | { readonly at: 'idle' | 'busy' | 'sent' | 'kept' }
  | { readonly at: 'failed'; readonly why: string };

/** A photograph for the logbook under a line of its own; it waits here where there is no network. */
export function useLogPhoto(buildId: string, note: string) {
  const [standing, setStanding] = useState<Standing>({ at: 'idle' });
  const add = async (file: File): Promise<void> => {
    setStanding({ at: 'busy' });
    try {
      // The picture is read before the note is made: one that cannot be read leaves no note without it.
      const picture = await shrunk(file);
      const noteId = newId();
      await record(buildId, { kind: 'note', noteId, note });
      const at = await record(buildId, { kind: 'photo', entryId: noteId, photoId: newId(), picture });
      setStanding({ at });
    } catch (error) {
      setStanding({ at: 'failed', why: error instanceof Error ? error.message : String(error) });
    }
  };
  return { standing, add };
}

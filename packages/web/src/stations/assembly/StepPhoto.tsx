import type { PlannedStep } from '@zubric/core/assembly';
import { Camera } from 'lucide-react';
import { useState } from 'react';
import { newId } from '../../common/new-id.ts';
import { shrunk } from '../../common/shrink.ts';
import { record } from '../../offline/outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

type Standing =
  { readonly at: 'idle' | 'busy' | 'sent' | 'kept' } | { readonly at: 'failed'; readonly why: string };

/** A photograph to a step: it goes into the logbook under the step's name, and waits here where there is no network. */
export function StepPhoto({ step }: { readonly step: PlannedStep }) {
  const { id: buildId } = useBuild();
  const [standing, setStanding] = useState<Standing>({ at: 'idle' });
  const add = async (file: File): Promise<void> => {
    setStanding({ at: 'busy' });
    try {
      // The picture is read before the note is made: one that cannot be read leaves no note without it.
      const picture = await shrunk(file);
      const noteId = newId();
      await record(buildId, { kind: 'note', noteId, note: `Step “${step.title}”` });
      const at = await record(buildId, { kind: 'photo', entryId: noteId, photoId: newId(), picture });
      setStanding({ at });
    } catch (error) {
      setStanding({ at: 'failed', why: error instanceof Error ? error.message : String(error) });
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <label className="push flex min-h-10 cursor-pointer items-center gap-1.5 focus-within:outline-2">
        <Camera size={17} aria-hidden />
        {standing.at === 'busy' ? 'One moment' : 'Photograph'}
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          aria-label={`Photograph of ${step.title}`}
          disabled={standing.at === 'busy'}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void add(file);
          }}
        />
      </label>
      <span role="status">
        {standing.at === 'sent' && 'It is in the logbook.'}
        {standing.at === 'kept' && 'Kept on this device; it is sent when the server answers again.'}
      </span>
      {standing.at === 'failed' && (
        <span role="alert" className="text-short">
          {standing.why}
        </span>
      )}
    </div>
  );
}

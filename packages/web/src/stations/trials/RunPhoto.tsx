import { Camera } from 'lucide-react';
import { useLogPhoto } from '../../offline/use-log-photo.ts';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** A photograph of a run: it goes into the logbook under the run's name. */
export function RunPhoto({ set, number }: { readonly set: ShownTrialSet; readonly number: number }) {
  const { id } = useBuild();
  const { standing, add } = useLogPhoto(id, `${set.name}, run ${number}`);
  return (
    <span className="inline-block text-right">
      <label className="inline-flex size-10 cursor-pointer items-center justify-center focus-within:outline-2 hover:text-short">
        <Camera size={18} aria-hidden />
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          aria-label={`Photograph of run ${number}`}
          disabled={standing.at === 'busy'}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void add(file);
          }}
        />
      </label>
      <span role="status" className="block text-[14px]">
        {standing.at === 'sent' && 'in the logbook'}
        {standing.at === 'kept' && 'kept here, sent later'}
        {standing.at === 'failed' && standing.why}
      </span>
    </span>
  );
}

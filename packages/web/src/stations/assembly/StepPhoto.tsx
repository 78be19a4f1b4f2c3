import type { PlannedStep } from '@zubric/core/assembly';
import { Camera } from 'lucide-react';
import { useLogPhoto } from '../../offline/use-log-photo.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** A photograph to a step: it goes into the logbook under the step's name, and waits here where there is no network. */
export function StepPhoto({ step }: { readonly step: PlannedStep }) {
  const { id: buildId } = useBuild();
  const { standing, add } = useLogPhoto(buildId, `Step “${step.title}”`);
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

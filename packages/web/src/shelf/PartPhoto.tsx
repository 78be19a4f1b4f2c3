import type { Part } from '@zubric/core/vehicle';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../common/api.ts';
import { shrunk } from '../common/shrink.ts';

/** The photograph of a part, where it has one, and another in its place. */
export function PartPhoto({ part }: { readonly part: Part }) {
  const [round, setRound] = useState(0);
  const [shown, setShown] = useState(true);
  const renew = (there: boolean) => (): void => {
    setShown(there);
    setRound((n) => n + 1);
  };
  const put = useMutation({
    mutationFn: async (file: File) => api.putPartPhoto(part.id, await shrunk(file)),
    onSuccess: renew(true),
  });
  const remove = useMutation({
    mutationFn: () => api.removePartPhoto(part.id),
    onSuccess: renew(false),
  });
  const problem = put.error ?? remove.error;
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      {shown && (
        <img
          key={round}
          src={`/api/parts/${part.id}/photo?${round}`}
          alt={`Photograph of ${part.name}`}
          className="max-h-40 border border-line"
          onError={() => setShown(false)}
        />
      )}
      <label className="push push-small cursor-pointer focus-within:outline-2">
        {put.isPending ? 'Keeping it …' : shown ? 'Another photograph' : 'Add a photograph'}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          className="sr-only"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) put.mutate(file);
            event.target.value = '';
          }}
        />
      </label>
      {shown && (
        <button type="button" className="push push-small" onClick={() => remove.mutate()}>
          Take the photograph away
        </button>
      )}
      {problem && <p role="alert">{problem.message}</p>}
    </div>
  );
}

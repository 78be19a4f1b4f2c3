import { Camera } from 'lucide-react';
import { useState } from 'react';
import type { LogEntry, LogPhoto } from '@zubric/core/answers';
import { api } from '../../common/api.ts';
import { newId } from '../../common/new-id.ts';
import { PickFile } from '../../common/PickFile.tsx';
import { record } from '../../offline/outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { useLogChange } from './queries.ts';
import { shrunk } from '../../common/shrink.ts';

/** The photographs of an entry, and one more. */
export function Photos({ entry }: { readonly entry: LogEntry }) {
  const { id: buildId } = useBuild();
  const add = useLogChange(async (file: File) =>
    record(buildId, {
      ...{ kind: 'photo', entryId: entry.id, photoId: newId() },
      picture: await shrunk(file),
    }),
  );
  return (
    <div className="mt-1 flex flex-wrap items-start gap-3">
      {entry.photos.map((photo) => (
        <Photo key={photo.id} photo={photo} />
      ))}
      <PickFile
        label="Photograph for this entry"
        accept="image/*"
        className="push-plain inline-flex items-center gap-1.5 text-[14px] text-soft"
        disabled={add.isPending}
        onPick={(file) => add.mutate(file)}
      >
        <Camera size={15} aria-hidden /> {add.isPending ? 'Keeping it …' : 'add a photograph'}
      </PickFile>
      {add.isError && (
        <p role="alert" className="text-short">
          {add.error.message}
        </p>
      )}
    </div>
  );
}

function Photo({ photo }: { readonly photo: LogPhoto }) {
  const [caption, setCaption] = useState(photo.caption);
  const keep = useLogChange((text: string) => api.captionPhoto(photo.id, text));
  const remove = useLogChange(() => api.removePhoto(photo.id));
  const address = `/api/photos/${photo.id}`;
  return (
    <figure className="w-44">
      <a href={address} target="_blank" rel="noreferrer" className="block">
        <img
          src={address}
          alt={photo.caption === '' ? 'Photograph without a caption, open it whole' : photo.caption}
          className="h-32 w-44 border border-line object-cover"
        />
      </a>
      <figcaption className="mt-1">
        <input
          className="entry"
          aria-label="Caption"
          placeholder="what it shows"
          maxLength={300}
          data-own-undo
          value={caption}
          onChange={(event) => setCaption(event.target.value)}
          onBlur={() => {
            if (caption.trim() !== photo.caption) keep.mutate(caption);
          }}
        />
        <button type="button" className="push push-small mt-1" onClick={() => remove.mutate(undefined)}>
          Remove
        </button>
      </figcaption>
    </figure>
  );
}

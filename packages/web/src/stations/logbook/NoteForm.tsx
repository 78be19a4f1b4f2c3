import { useId, useState } from 'react';
import { useForm } from 'react-hook-form';
import { newId } from '../../common/new-id.ts';
import { record } from '../../offline/outbox.ts';
import { useUnsent } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { useLogChange } from './queries.ts';
import { shrunk } from '../../common/shrink.ts';

const KEPT = (buildId: string): string => `zubric-note-${buildId}`;

/** A note of the builder's own, with a photograph if there is one. What is half written is kept through a reload. */
export function NoteForm() {
  const { id: buildId } = useBuild();
  const id = useId();
  const [picture, setPicture] = useState<File | null>(null);
  const waits = useUnsent().some((item) => item.kind === 'note' && item.buildId === buildId);
  const { register, handleSubmit, reset, formState } = useForm({
    defaultValues: { note: localStorage.getItem(KEPT(buildId)) ?? '' },
  });
  const add = useLogChange(async (note: string) => {
    // The picture is read before the note is made: one that cannot be read leaves no note without it.
    const small = picture && (await shrunk(picture));
    const noteId = newId();
    await record(buildId, { kind: 'note', noteId, note });
    localStorage.removeItem(KEPT(buildId));
    reset({ note: '' });
    if (small) await record(buildId, { kind: 'photo', entryId: noteId, photoId: newId(), picture: small });
    setPicture(null);
  });
  const keep = (text: string): void =>
    text === '' ? localStorage.removeItem(KEPT(buildId)) : localStorage.setItem(KEPT(buildId), text);
  const submit = handleSubmit(({ note }) => add.mutate(note));
  const missing = formState.errors.note?.message;
  return (
    <form className="sheet p-3" onSubmit={(event) => void submit(event)} aria-label="New note">
      <label htmlFor={id} className="block text-[14px] text-soft">
        What did you see, try or decide?
      </label>
      <textarea
        id={id}
        className="entry"
        rows={2}
        data-own-undo
        maxLength={5000}
        aria-invalid={missing !== undefined}
        aria-describedby={missing !== undefined || add.isError ? `${id}-problem` : undefined}
        {...register('note', {
          validate: (note) => note.trim() !== '' || 'Write something first.',
          onChange: (event: { readonly target: { readonly value: string } }) => keep(event.target.value),
        })}
      />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="submit" className="push push-main" disabled={add.isPending}>
          Add the note
        </button>
        <label className="flex min-w-0 items-center gap-2 text-[14px]">
          <span className="text-soft">Photograph</span>
          <input
            key={picture ? 'chosen' : 'none'}
            type="file"
            accept="image/*"
            className="min-w-0 max-w-64"
            onChange={(event) => setPicture(event.target.files?.[0] ?? null)}
          />
        </label>
        {waits && (
          <p role="status" className="text-soft">
            Kept here; it is sent when the server answers again.
          </p>
        )}
        {(missing !== undefined || add.isError) && (
          <p id={`${id}-problem`} role="alert" className="text-short">
            {missing ?? add.error?.message}
          </p>
        )}
      </div>
    </form>
  );
}

import { useId, useState, type FormEvent } from 'react';
import { api } from '../../common/api.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { useLogChange } from './queries.ts';
import { shrunk } from './shrink.ts';

const KEPT = (buildId: string): string => `zubric-note-${buildId}`;

/** A note of the builder's own, with a photograph if there is one. What is half written is kept through a reload. */
export function NoteForm() {
  const { id: buildId } = useBuild();
  const id = useId();
  const [text, setText] = useState(() => localStorage.getItem(KEPT(buildId)) ?? '');
  const [picture, setPicture] = useState<File | null>(null);
  const [missing, setMissing] = useState(false);
  const write = (next: string): void => {
    setText(next);
    setMissing(false);
    if (next === '') localStorage.removeItem(KEPT(buildId));
    else localStorage.setItem(KEPT(buildId), next);
  };
  const add = useLogChange(async () => {
    // The picture is read before the note is made: one that cannot be read leaves no note without it.
    const small = picture && (await shrunk(picture));
    const entry = await api.addNote(buildId, text);
    write('');
    if (small) await api.addPhoto(entry.id, small);
    setPicture(null);
  });
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    setMissing(text.trim() === '');
    if (text.trim() !== '') add.mutate(undefined);
  };
  return (
    <form className="sheet p-3" onSubmit={submit} aria-label="New note">
      <label htmlFor={id} className="block text-[14px] text-soft">
        What did you see, try or decide?
      </label>
      <textarea
        id={id}
        className="entry"
        rows={2}
        maxLength={5000}
        value={text}
        aria-invalid={missing}
        aria-describedby={missing || add.isError ? `${id}-problem` : undefined}
        onChange={(event) => write(event.target.value)}
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
        {(missing || add.isError) && (
          <p id={`${id}-problem`} role="alert" className="text-short">
            {missing ? 'Write something first.' : add.error?.message}
          </p>
        )}
      </div>
    </form>
  );
}

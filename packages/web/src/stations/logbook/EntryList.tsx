import { saysVerdict } from '@zubric/core/judge';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { LogEntry } from '@zubric/core/answers';
import { api } from '../../common/api.ts';
import { Photos } from './Photos.tsx';
import { useLogChange } from './queries.ts';

/** Days the entries fall on, the latest first. */
function byDay(entries: readonly LogEntry[]): [string, LogEntry[]][] {
  const days = new Map<string, LogEntry[]>();
  for (const entry of entries) {
    const day = new Date(entry.begunAt).toLocaleDateString('en-GB', {
      weekday: 'short',
      day: 'numeric',
      month: 'short',
      year: 'numeric',
    });
    days.set(day, [...(days.get(day) ?? []), entry]);
  }
  return [...days];
}

export function EntryList({ entries }: { readonly entries: readonly LogEntry[] }) {
  if (entries.length === 0)
    return <p>Nothing is noted yet. Change something at any station, or write a note above.</p>;
  return (
    <ol className="grid gap-4">
      {byDay(entries).map(([day, ofDay]) => (
        <li key={day}>
          <h2>{day}</h2>
          <ol className="sheet mt-1 divide-y divide-line">
            {ofDay.map((entry) => (
              <li key={entry.id} className="px-3 py-2">
                <Entry entry={entry} />
              </li>
            ))}
          </ol>
        </li>
      ))}
    </ol>
  );
}

const timeOf = (iso: string): string =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

function Entry({ entry }: { readonly entry: LogEntry }) {
  return (
    <div className="grid grid-cols-[3.2rem_minmax(0,1fr)] gap-3">
      <time className="text-[14px] text-soft" dateTime={entry.begunAt}>
        {timeOf(entry.begunAt)}
      </time>
      <div className="min-w-0">
        {entry.by !== undefined && entry.by !== '' && <p className="text-[14px] text-soft">by {entry.by}</p>}
        {entry.kind === 'snapshot' && (
          <p>
            <b className="font-semibold">Snapshot {entry.snapshotNumber}</b>: {entry.title}
          </p>
        )}
        {(entry.kind === 'begun' || entry.kind === 'lock') && <p>{entry.title}</p>}
        {entry.kind === 'trial' && <p className="font-semibold break-words">{entry.title}</p>}
        {entry.changes.map((line) => (
          <p key={line} className="break-words">
            {line}
          </p>
        ))}
        {entry.margins.length > 0 && <Margins lines={entry.margins} />}
        <Note entry={entry} />
        <Photos entry={entry} />
      </div>
    </div>
  );
}

/** The margins that came to another verdict; what else moved at a press. */
function Margins({ lines }: { readonly lines: readonly string[] }) {
  const [all, setAll] = useState(false);
  const verdicts = lines.filter(saysVerdict);
  const others = lines.filter((line) => !saysVerdict(line));
  return (
    <div className="mt-0.5 break-words text-soft">
      {verdicts.length > 0 && <p className="text-[14px]">came to another verdict:</p>}
      {verdicts.map((line) => (
        <p key={line}>
          <b className="font-medium text-ink">{line}</b>
        </p>
      ))}
      {all && <p>{others.join('; ')}</p>}
      {others.length > 0 && (
        <button
          type="button"
          className="push-plain text-[14px]"
          aria-expanded={all}
          onClick={() => setAll(!all)}
        >
          {all ? 'less' : `${others.length} more moved, with the same verdict`}
        </button>
      )}
    </div>
  );
}

/** The builder's own words with an entry; a note stands by itself and can be thrown away. */
function Note({ entry }: { readonly entry: LogEntry }) {
  const [open, setOpen] = useState(false);
  const remove = useLogChange(() => api.removeNote(entry.id));
  const own = entry.kind === 'note';
  if (open) return <ChangeNote entry={entry} onDone={() => setOpen(false)} />;
  return (
    <>
      {entry.note !== '' && (
        <p className={`break-words whitespace-pre-line ${own ? '' : 'mt-1 font-semibold'}`}>{entry.note}</p>
      )}
      <span className="mt-1 flex flex-wrap gap-2">
        <button type="button" className="push-plain text-[14px] text-soft" onClick={() => setOpen(true)}>
          {entry.note === '' ? 'note why' : 'change the note'}
        </button>
        {own && (
          <button
            type="button"
            className="push-plain text-[14px] text-soft"
            onClick={() => remove.mutate(undefined)}
          >
            throw the note away
          </button>
        )}
      </span>
    </>
  );
}

/** The words of an entry changed; a note of its own is never left empty. */
function ChangeNote({ entry, onDone }: { readonly entry: LogEntry; readonly onDone: () => void }) {
  const { register, handleSubmit, formState } = useForm({ defaultValues: { note: entry.note } });
  const keep = useLogChange((note: string) => api.annotate(entry.id, note).then(onDone));
  const submit = handleSubmit(({ note }) => keep.mutate(note));
  const problem = formState.errors.note?.message ?? keep.error?.message;
  return (
    <form className="mt-1" onSubmit={(event) => void submit(event)}>
      <label className="block">
        <span className="sr-only">Note with this entry</span>
        <textarea
          className="entry"
          rows={2}
          data-own-undo
          maxLength={5000}
          autoFocus
          {...register('note', {
            validate: (note) =>
              entry.kind !== 'note' || note.trim() !== '' || 'Write something, or throw the note away.',
          })}
        />
      </label>
      <span className="mt-1 flex gap-2">
        <button type="submit" className="push push-small" disabled={keep.isPending}>
          Keep
        </button>
        <button type="button" className="push push-small" onClick={onDone}>
          Leave as it was
        </button>
      </span>
      {problem !== undefined && (
        <p role="alert" className="text-short">
          {problem}
        </p>
      )}
    </form>
  );
}

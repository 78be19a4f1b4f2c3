import { useId, useState, type FormEvent } from 'react';
import { useSearchParams } from 'react-router';
import type { SnapshotLine } from '@zubric/core/answers';
import { api } from '../../common/api.ts';
import { sayMoment } from '../../common/days.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { useLogChange } from './queries.ts';

/** Named states of the build: to compare with, and to go back to. */
export function Snapshots({ snapshots }: { readonly snapshots: readonly SnapshotLine[] }) {
  const { id: buildId, session, edit } = useBuild();
  const id = useId();
  const [name, setName] = useState('');
  const [missing, setMissing] = useState(false);
  const [done, setDone] = useState('');
  const [, setSearch] = useSearchParams();
  const saved = session.save === 'saved';

  const take = useLogChange(async (wanted: string) => {
    const made = await api.takeSnapshot(buildId, wanted);
    setName('');
    setDone(`Snapshot ${made.number} is taken.`);
  });
  const goBack = useLogChange(async (snapshot: SnapshotLine) => {
    const { document } = await api.snapshot(buildId, snapshot.number);
    const kept = await api.takeSnapshot(
      buildId,
      `Before going back to ${snapshot.number}: ${snapshot.name}`.slice(0, 120),
    );
    edit(() => document);
    setDone(
      `The build is as in snapshot ${snapshot.number}. What it was before is kept as ${kept.number}; undo leads there too.`,
    );
  });
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    setMissing(name.trim() === '');
    if (name.trim() !== '') take.mutate(name);
  };
  const problem = take.error ?? goBack.error;
  return (
    <section className="sheet p-3" aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`}>Snapshots</h2>
      <form className="mt-1 flex items-end gap-2" onSubmit={submit} aria-label="New snapshot">
        <label className="block min-w-0 flex-1">
          <span className="block text-[14px] text-soft">Name of a snapshot</span>
          <input
            className="entry"
            value={name}
            maxLength={120}
            autoComplete="off"
            data-own-undo
            aria-invalid={missing}
            aria-describedby={missing ? `${id}-missing` : undefined}
            onChange={(event) => {
              setName(event.target.value);
              setMissing(false);
            }}
          />
        </label>
        <button type="submit" className="push" disabled={!saved || take.isPending}>
          Take it
        </button>
      </form>
      {missing && (
        <p id={`${id}-missing`} role="alert" className="text-[14px] text-short">
          Give the snapshot a name first.
        </p>
      )}
      {!saved && <p className="mt-1 text-[14px] text-soft">As soon as the last edit is saved.</p>}
      {problem && (
        <p role="alert" className="mt-1 text-short">
          {problem.message}
        </p>
      )}
      <p role="status" className={done === '' ? '' : 'mt-1'}>
        {done}
      </p>
      {snapshots.length === 0 ? (
        <p className="mt-2 text-soft">None yet. Take one before you try something.</p>
      ) : (
        <ul className="mt-2 divide-y divide-line">
          {snapshots.map((snapshot) => (
            <li key={snapshot.number} className="py-2">
              <p className="break-words">
                <b className="font-semibold">{snapshot.number}</b>: {snapshot.name}
              </p>
              <p className="text-[14px] text-soft">{sayMoment(snapshot.createdAt)}</p>
              <span className="mt-1 flex flex-wrap gap-2">
                <button
                  type="button"
                  className="push push-small"
                  aria-label={`Compare snapshot ${snapshot.number} with now`}
                  onClick={() => setSearch({ compare: `${snapshot.number}-now` })}
                >
                  Compare with now
                </button>
                <button
                  type="button"
                  className="push push-small"
                  aria-label={`Go back to snapshot ${snapshot.number}`}
                  disabled={!saved || goBack.isPending}
                  onClick={() => goBack.mutate(snapshot)}
                >
                  Go back to it
                </button>
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

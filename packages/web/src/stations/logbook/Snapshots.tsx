import { useId, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { SnapshotLine } from '@zubric/core/answers';
import { api } from '../../common/api.ts';
import { sayMoment } from '../../common/days.ts';
import { NameForm } from '../../fields/NameForm.tsx';
import { useBuild, useSession } from '../../session/BuildSession.tsx';
import { useLogChange } from './queries.ts';

/** Named states of the build: to compare with, and to go back to. */
export function Snapshots({ snapshots }: { readonly snapshots: readonly SnapshotLine[] }) {
  const { id: buildId, edit } = useBuild();
  const { session } = useSession();
  const id = useId();
  const [done, setDone] = useState('');
  const saved = session.save === 'saved';
  const take = useLogChange(async (wanted: string) => {
    const made = await api.takeSnapshot(buildId, wanted);
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
  return (
    <section className="sheet p-3" aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`}>Snapshots</h2>
      <NameForm
        className="mt-1"
        title="New snapshot"
        label="Name of a snapshot"
        button="Take it"
        missing="Give the snapshot a name first."
        disabled={!saved}
        problem={take.error?.message}
        onSubmit={take.mutateAsync}
      />
      {!saved && <p className="mt-1 text-[14px] text-soft">As soon as the last edit is saved.</p>}
      {goBack.error && (
        <p role="alert" className="mt-1 text-short">
          {goBack.error.message}
        </p>
      )}
      <p role="status" className={done === '' ? '' : 'mt-1'}>
        {done}
      </p>
      {snapshots.length === 0 && (
        <p className="mt-2 text-soft">None yet. Take one before you try something.</p>
      )}
      <ul className="mt-2 divide-y divide-line">
        {snapshots.map((snapshot) => (
          <Snapshot
            key={snapshot.number}
            snapshot={snapshot}
            onGoBack={saved && !goBack.isPending ? () => goBack.mutate(snapshot) : undefined}
          />
        ))}
      </ul>
    </section>
  );
}

interface SnapshotProps {
  readonly snapshot: SnapshotLine;
  /** Absent while it cannot be. */
  readonly onGoBack: (() => void) | undefined;
}

function Snapshot({ snapshot: { number, name, createdAt }, onGoBack }: SnapshotProps) {
  const [, setSearch] = useSearchParams();
  const { id } = useBuild();
  const [renaming, setRenaming] = useState(false);
  const rename = useLogChange((wanted: string) => api.renameSnapshot(id, number, wanted));
  if (renaming)
    return (
      <li className="py-2">
        <NameForm
          title={`Another name for snapshot ${number}`}
          label={`Name of snapshot ${number}`}
          button="Keep the name"
          missing="Give the snapshot a name first."
          start={name}
          problem={rename.error?.message}
          onSubmit={async (wanted) => {
            await rename.mutateAsync(wanted);
            setRenaming(false);
          }}
        >
          <button type="button" className="push" onClick={() => setRenaming(false)}>
            Leave as it was
          </button>
        </NameForm>
      </li>
    );
  return (
    <li className="py-2">
      <p className="break-words">
        <b className="font-semibold">{number}</b>: {name}
      </p>
      <p className="text-[14px] text-soft">{sayMoment(createdAt)}</p>
      <span className="mt-1 flex flex-wrap gap-2">
        <button
          type="button"
          className="push push-small"
          aria-label={`Compare snapshot ${number} with now`}
          onClick={() => setSearch({ compare: `${number}-now` })}
        >
          Compare with now
        </button>
        <button
          type="button"
          className="push push-small"
          aria-label={`Go back to snapshot ${number}`}
          disabled={!onGoBack}
          onClick={onGoBack}
        >
          Go back to it
        </button>
        <button
          type="button"
          className="push push-small"
          aria-label={`Rename snapshot ${number}`}
          onClick={() => setRenaming(true)}
        >
          Rename
        </button>
      </span>
    </li>
  );
}

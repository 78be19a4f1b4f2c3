import { useQueryClient } from '@tanstack/react-query';
import { useId } from 'react';
import { api } from '../../common/api.ts';
import { sayMoment } from '../../common/days.ts';
import { useMe } from '../../common/me.ts';
import { NameForm } from '../../fields/NameForm.tsx';
import { useBuild, useSession } from '../../session/BuildSession.tsx';
import { useLogChange } from './queries.ts';

/** A build that stands as it is for an event: steps, trials and notes are recorded, and nothing else changes. */
export function EventLock() {
  const { id: buildId, lock } = useBuild();
  const { session } = useSession();
  const id = useId();
  const queries = useQueryClient();
  const me = useMe();
  const turn = useLogChange(async (event: string | null) => {
    await api.lock(buildId, event);
    await queries.invalidateQueries({ queryKey: ['company', buildId] });
  });
  const may = me === undefined || me.role === 'everything';
  return (
    <section className="sheet p-3" aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`}>{lock ? 'Locked for an event' : 'Lock it for an event'}</h2>
      {!lock && (
        <p className="text-soft">
          Then steps, trials, notes and photographs are recorded, and nothing else of it changes.
        </p>
      )}
      {lock ? (
        <>
          <p>
            Locked for <b className="font-semibold">“{lock.event}”</b> since {sayMoment(lock.at)}
            {lock.by === '' ? '' : ` by ${lock.by}`}. Steps, trials, notes and photographs are recorded;
            nothing else is kept.
          </p>
          {may && (
            <button
              type="button"
              className="push mt-2"
              disabled={turn.isPending}
              onClick={() => turn.mutate(null)}
            >
              Unlock it
            </button>
          )}
        </>
      ) : may ? (
        <NameForm
          className="mt-1"
          title="Lock it"
          label="Name of the event"
          button="Lock it"
          missing="Say what it is locked for."
          disabled={session.save !== 'saved'}
          problem={turn.error?.message}
          onSubmit={turn.mutateAsync}
        />
      ) : null}
      {lock && turn.error && (
        <p role="alert" className="mt-1 text-short">
          {turn.error.message}
        </p>
      )}
    </section>
  );
}

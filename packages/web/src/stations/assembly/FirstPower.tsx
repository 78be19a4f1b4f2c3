import { firstTrial, handOver, sawCheck, type SeenAt } from '@zubric/core/assembly';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { sayDay, today } from '../../common/days.ts';
import { newId } from '../../common/new-id.ts';
import { stationAddress } from '../../common/stations.ts';
import { useSentence } from '../../common/units.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { record } from '../../offline/outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** From the first volt to the hand-over: what is seen before it goes on, one after the other. */
export function FirstPower() {
  const { build, id } = useBuild();
  const { checks, next } = useMemo(() => handOver(build), [build]);
  const passed = checks.filter(({ seen }) => seen?.passed).length;
  return (
    <div className="grid gap-3">
      <div>
        <h1>Is it safe to switch on, and to hand over?</h1>
        <p className="mt-0.5 text-[16px] text-soft">
          {next ? (
            <>
              {passed} of {checks.length} seen as they should be. Next:{' '}
              <b className="font-semibold text-ink">{next.title.toLowerCase()}</b>. Nothing goes on before it.
            </>
          ) : (
            <>
              <b className="font-semibold text-ink">All {checks.length} seen as they should be.</b> Next:{' '}
              {firstTrial(build)}, at{' '}
              <Link className="underline" to={stationAddress(id, 'trials')}>
                Trials
              </Link>
              .
            </>
          )}
        </p>
      </div>
      <ol className="sheet divide-y divide-line">
        {checks.map((check) => (
          <CheckRow key={check.id} check={check} isNext={check.id === next?.id} />
        ))}
      </ol>
    </div>
  );
}

function CheckRow({ check, isNext }: { readonly check: SeenAt; readonly isNext: boolean }) {
  const { edit, id: buildId } = useBuild();
  const sentence = useSentence();
  const { seen, title, how, caution } = check;
  const see = (passed: boolean): void => {
    const note = seen?.note === undefined ? {} : { note: seen.note };
    edit((b) => sawCheck(b, check.id, { on: today(), passed, ...note }));
    // The logbook has it for good, whatever becomes of the mark.
    void record(
      buildId,
      {
        kind: 'note',
        noteId: newId(),
        note: `First power, ${title.toLowerCase()}: ${passed ? 'as it should be' : 'not as it should be'}`,
      },
      { keepRefused: true },
    );
  };
  return (
    <li className={`grid gap-1 px-3 py-2 ${isNext ? 'bg-mech-lo' : ''}`}>
      <p className="text-[16px] font-semibold">{title}</p>
      <p>{sentence(how)}</p>
      {caution !== undefined && (
        <p>
          <b className="font-semibold">Caution:</b> {caution}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label={title}>
        <button
          type="button"
          className={`push min-h-10 ${seen?.passed === true ? 'push-main' : ''}`}
          aria-pressed={seen?.passed === true}
          onClick={() => see(true)}
        >
          As it should be
        </button>
        <button
          type="button"
          className={`push min-h-10 ${seen?.passed === false ? 'push-main' : ''}`}
          aria-pressed={seen?.passed === false}
          onClick={() => see(false)}
        >
          Not so
        </button>
        {seen && (
          <>
            <span className="text-soft">seen {sayDay(seen.on)}</span>
            <button
              type="button"
              className="push-plain min-h-10"
              onClick={() => edit((b) => sawCheck(b, check.id, undefined))}
            >
              take it back
            </button>
          </>
        )}
      </div>
      {seen && (
        <TextField
          className="max-w-xl"
          label={`What was seen: ${title}`}
          value={seen.note ?? ''}
          maxLength={300}
          onChange={(text) => {
            const { note: _before, id: _id, ...rest } = seen;
            edit((b) => sawCheck(b, check.id, text.trim() === '' ? rest : { ...rest, note: text.trim() }));
          }}
        />
      )}
    </li>
  );
}

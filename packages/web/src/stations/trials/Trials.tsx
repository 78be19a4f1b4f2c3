import { PROTOCOL_NAMES, protocolOf, resultOfSet, type TrialReading } from '@zubric/core/protocols';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useSentence } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { Choice } from '../../fields/Choice.tsx';
import { Caution } from '../../findings/Findings.tsx';
import { useTrialSets, type ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { Begin } from './Begin.tsx';
import { Diagnosis } from './Diagnosis.tsx';
import { Matching } from './Matching.tsx';
import { MotorTable } from './MotorTable.tsx';
import { Recorder } from './Recorder.tsx';
import { Result } from './Result.tsx';
import { SetConditions } from './SetConditions.tsx';

/** What stands for no set: a new one is chosen, or a cause looked for. */
const NEW = 'new';
const CAUSE = 'cause';

/** Station 8: real runs, counted and recorded. */
export function Trials() {
  const { id, build } = useBuild();
  useTitle('Trials', build.name);
  const { stored, sets } = useTrialSets(id);
  const [search, setSearch] = useSearchParams();
  const chosen = search.get('set') ?? undefined;
  const choose = (next: string): void => setSearch({ set: next }, { replace: true });
  const begun = PROTOCOL_NAMES.find((name) => name === search.get('begin'));
  const beginning = chosen === NEW || chosen === CAUSE || sets?.length === 0;
  const set = beginning ? undefined : (sets?.find((s) => s.id === chosen) ?? sets?.[0]);
  return (
    <div className="grid gap-3">
      <div>
        <h1>{set ? protocolOf(set.protocol).asks : 'Does it do in the yard what it does on paper?'}</h1>
        <Answer set={set} />
      </div>
      {stored.isError && (
        <p role="alert" className="border border-short bg-short-lo px-4 py-3">
          {stored.error.message}{' '}
          <button type="button" className="push" onClick={() => void stored.refetch()}>
            Try again
          </button>
        </p>
      )}
      {sets && (
        <div className="grid grid-cols-1 gap-4 lg:grid-cols-[210px_minmax(0,1fr)]">
          <SetList sets={sets} chosen={set?.id ?? chosen} onChoose={choose} />
          {set ? (
            <OpenSet key={set.id} set={set} />
          ) : (
            <Begin
              sets={sets}
              key={`${chosen ?? NEW} ${begun ?? ''}`}
              first={chosen === CAUSE ? 'diagnosis' : begun}
              onMade={choose}
            />
          )}
        </div>
      )}
    </div>
  );
}

function Answer({ set }: { readonly set: ShownTrialSet | undefined }) {
  const say = useSentence();
  return (
    <p className="mt-0.5 text-[17px]">
      {set ? (
        say(resultOfSet(set).says)
      ) : (
        <span className="text-soft">
          Ten runs tell what one cannot. Choose what you want to know; each kind says how it is set up.
        </span>
      )}
    </p>
  );
}

interface SetListProps {
  readonly sets: readonly ShownTrialSet[];
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}

function SetList({ sets, chosen, onChoose }: SetListProps) {
  return (
    <nav aria-label="Sets of trials" className="grid content-start gap-2">
      <div className="grid grid-cols-2 gap-2 lg:grid-cols-1">
        <button
          type="button"
          className="push min-h-10"
          onClick={() => onChoose(NEW)}
          aria-current={chosen === NEW}
        >
          New trial
        </button>
        <button
          type="button"
          className="push min-h-10"
          onClick={() => onChoose(CAUSE)}
          aria-current={chosen === CAUSE}
        >
          Something is wrong
        </button>
      </div>
      <div className="hidden content-start gap-2 lg:grid">
        {sets.map((set) => (
          <SetButton key={set.id} set={set} chosen={set.id === chosen} onChoose={onChoose} />
        ))}
      </div>
      {sets.length > 0 && (
        <Choice
          label="Set of trials"
          className="lg:hidden"
          value={chosen ?? ''}
          options={[
            ...(sets.some(({ id }) => id === chosen) ? [] : [{ value: chosen ?? '', title: 'One to begin' }]),
            ...sets.map(({ id, name }) => ({ value: id, title: name })),
          ]}
          onChange={onChoose}
        />
      )}
      {sets.some(({ id }) => id === chosen) && (
        <Caution>
          Keep feet and hands clear of wheels and chains while it runs; somebody stands at the switch.
        </Caution>
      )}
    </nav>
  );
}

interface SetButtonProps {
  readonly set: ShownTrialSet;
  readonly chosen: boolean;
  readonly onChoose: (id: string) => void;
}

const SetButton = ({ set, chosen, onChoose }: SetButtonProps) => (
  <button
    type="button"
    aria-current={chosen}
    className={`sheet px-3 py-2 text-left ${chosen ? 'border-ink bg-mech-lo' : 'hover:bg-mech-lo'}`}
    onClick={() => onChoose(set.id)}
  >
    <span className="block text-[15px] font-semibold break-words">{set.name}</span>
    <span className="block text-[14px] text-soft">
      {protocolOf(set.protocol).title === set.name ? '' : `${protocolOf(set.protocol).title}, `}
      {set.trials.length} runs{set.invented ? ', invented for the demo' : ''}
      {set.unsent ? ', not sent yet' : ''}
    </span>
  </button>
);

function OpenSet({ set }: { readonly set: ShownTrialSet }) {
  const [first, setFirst] = useState<TrialReading>();
  if (set.protocol === 'diagnosis')
    return (
      <div className="grid content-start gap-3">
        <SetConditions set={set} />
        <Diagnosis set={set} />
      </div>
    );
  return (
    <div className="grid content-start gap-4 xl:grid-cols-[minmax(0,1fr)_minmax(0,420px)]">
      <div className="grid content-start gap-3">
        <SetConditions set={set} />
        <Recorder set={set} first={first} onRecorded={() => setFirst(undefined)} />
      </div>
      <div className="grid content-start gap-4">
        <Matching set={set} />
        <Result set={set} />
      </div>
      {set.protocol === 'motor-matching' && <MotorTable set={set} onCell={setFirst} />}
    </div>
  );
}

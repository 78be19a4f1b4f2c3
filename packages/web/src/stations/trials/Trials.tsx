import { straightRunResult, type StraightRunVerdict } from '@zubric/core/trials';
import { useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { Caution } from '../../findings/Findings.tsx';
import { useTrialSets, type ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { NewSet } from './NewSet.tsx';
import { Result } from './Result.tsx';
import { RunTable } from './RunTable.tsx';
import { SetConditions } from './SetConditions.tsx';

/** Station 8: real runs, counted and recorded. */
export function Trials() {
  const { id, build } = useBuild();
  useTitle('Trials', build.name);
  const { stored, sets } = useTrialSets(id);
  const [chosen, setChosen] = useState<string | null>(null);
  const set = sets?.find((s) => s.id === chosen) ?? (chosen === 'new' ? undefined : sets?.[0]);
  return (
    <div className="grid gap-3">
      <div>
        <h1>Does it run straight, ten times out of ten?</h1>
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
          <SetList sets={sets} chosen={set?.id} onChoose={setChosen} />
          {set ? <OpenSet key={set.id} set={set} /> : <NewSet onMade={setChosen} />}
        </div>
      )}
    </div>
  );
}

const VERDICTS: Readonly<Record<StraightRunVerdict, string>> = {
  'too-few': 'Too few runs for a verdict',
  'veers-right': 'It veers to the right',
  'veers-left': 'It veers to the left',
  'no-bias-shown': 'No bias shown',
};

function Answer({ set }: { readonly set: ShownTrialSet | undefined }) {
  const say = useSay();
  const result =
    set &&
    straightRunResult(
      set.conditions,
      set.trials.map((t) => t.reading),
    );
  return (
    <p className="mt-0.5 text-[16px] text-soft">
      {!result
        ? 'Chalk a line, set it off from the same mark, and write down how far to the side each run ends.'
        : result.side && (
            <>
              <b className="font-semibold text-ink">{VERDICTS[result.verdict]}</b>:{' '}
              {say(Math.abs(result.side.mean), 'length')} to the {result.side.mean < 0 ? 'left' : 'right'} on
              average over {result.runs} runs, {result.side.positive} right and {result.side.negative} left.
            </>
          )}
      {result && !result.side && 'Record the first runs below: ten make a verdict.'}
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
      {sets.map((set) => (
        <button
          key={set.id}
          type="button"
          aria-current={set.id === chosen}
          className={`sheet px-3 py-2 text-left ${set.id === chosen ? 'border-ink bg-mech-lo' : 'hover:bg-mech-lo'}`}
          onClick={() => onChoose(set.id)}
        >
          <span className="block text-[15px] font-semibold break-words">{set.name}</span>
          <span className="block text-[14px] text-soft">
            {set.trials.length} runs{set.invented ? ', invented for the demo' : ''}
            {set.unsent ? ', not sent yet' : ''}
          </span>
        </button>
      ))}
      <button
        type="button"
        className="push"
        onClick={() => onChoose('new')}
        aria-current={chosen === undefined}
      >
        New set
      </button>
      <Caution>
        Keep feet and hands clear of wheels and chains while it runs; somebody stands at the switch.
      </Caution>
    </nav>
  );
}

const OpenSet = ({ set }: { readonly set: ShownTrialSet }) => (
  <div className="grid content-start gap-4 xl:grid-cols-[minmax(0,1fr)_minmax(0,420px)]">
    <div className="grid content-start gap-3">
      <SetConditions set={set} />
      <RunTable set={set} />
    </div>
    <Result set={set} />
  </div>
);

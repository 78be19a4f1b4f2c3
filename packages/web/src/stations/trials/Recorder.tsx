import { numberIn, resultOfSet, type TrialReading } from '@zubric/core/protocols';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { record } from '../../offline/outbox.ts';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { Live } from './Live.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { PasteRuns } from './PasteRuns.tsx';
import { RunForm } from './RunForm.tsx';
import { RunTable } from './RunTable.tsx';
import { SetUp } from './SetUp.tsx';

interface Props {
  readonly set: ShownTrialSet;
  /** What is known of the next run, where it was chosen. */
  readonly first: TrialReading | undefined;
  readonly onRecorded: () => void;
}

/** More runs than this are a press away. */
const MANY = 20;

/** The run to come, and those that were made. */
export function Recorder({ set, first, onRecorded }: Props) {
  // A form of its own for each run, once the one before is recorded: until then it keeps its readings.
  const [recorded, setRecorded] = useState(0);
  const [number, setNumber] = useState(set.trials.length + 1);
  const [unfolded, setUnfolded] = useState(false);
  const { outliers } = resultOfSet(set);
  const counted = (): void => {
    setRecorded((before) => before + 1);
    setNumber((before) => before + 1);
    onRecorded();
  };
  return (
    <section className="sheet" aria-label="Runs">
      <RunForm
        key={`${recorded} ${JSON.stringify(first)}`}
        set={set}
        // It is called the next only once it is: a form still under way would take what is typed with it.
        number={number}
        {...(first ? { first } : {})}
        button="Record run"
        onRecorded={counted}
      />
      <Rest key={`rest ${recorded}`} set={set} wanted={recorded > 0} />
      {recorded > 0 && (
        <TakeBack key={`back ${recorded}`} set={set} onTaken={() => setNumber((before) => before - 1)} />
      )}
      <Live set={set} onRecorded={counted} />
      <div className="flex flex-wrap gap-x-4 px-3 pb-2">
        <details>
          <summary className="min-h-10 cursor-pointer py-2 text-soft">How it is set up</summary>
          <SetUp protocol={set.protocol} />
        </details>
        <PasteRuns set={set} onTaken={(count) => setNumber((before) => before + count)} />
      </div>
      {set.trials.length > MANY ? (
        <details open={unfolded} onToggle={(event) => setUnfolded(event.currentTarget.open)}>
          <summary className="min-h-10 cursor-pointer px-3 py-2">All {set.trials.length} runs</summary>
          {unfolded && <RunTable set={set} outliers={outliers} />}
        </details>
      ) : (
        <RunTable set={set} outliers={outliers} />
      )}
    </section>
  );
}

interface BackProps {
  readonly set: ShownTrialSet;
  readonly onTaken: () => void;
}

/** Takes the run back that was recorded last, at a press. */
function TakeBack({ set, onTaken }: BackProps) {
  const { id } = useBuild();
  const last = set.trials.at(-1);
  const back = useMutation({
    mutationFn: (runId: string) => record(id, { kind: 'run-removed', setId: set.id, runId }),
    retry: false,
    onSuccess: onTaken,
  });
  if (!last || back.isSuccess) return null;
  return (
    <p className="px-3 pb-2">
      <button
        type="button"
        className="push push-small min-h-10"
        disabled={back.isPending}
        onClick={() => back.mutate(last.id)}
      >
        Undo run {set.trials.length}
      </button>
    </p>
  );
}

const SECOND_MS = 1000;

/** The rest between two runs, counted down, where the set asks for one. */
function Rest({ set, wanted }: { readonly set: ShownTrialSet; readonly wanted: boolean }) {
  const say = useSay();
  const pauseS = numberIn(set.conditions, 'pause') ?? 0;
  const [left, setLeft] = useState(wanted ? pauseS : 0);
  useEffect(() => {
    if (left <= 0) return;
    const timer = setTimeout(() => setLeft(left - 1), SECOND_MS);
    return () => clearTimeout(timer);
  }, [left]);
  if (left <= 0) return null;
  return (
    <p role="timer" className="px-3 pb-2">
      Let it rest: {say(Math.ceil(left), 'time')} more before the next run.
    </p>
  );
}

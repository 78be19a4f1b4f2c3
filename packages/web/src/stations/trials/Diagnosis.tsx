import { factsOf, type Diagnosis as Found, type StepNext } from '@zubric/core/diagnosis';
import {
  DECIDED,
  diagnosisOf,
  PROTOCOL_NAMES,
  protocolOf,
  wordIn,
  type TrialReading,
} from '@zubric/core/protocols';
import { type Quantity } from '@zubric/core/quantity';
import { useMutation } from '@tanstack/react-query';
import { useMemo, useState, type FormEvent } from 'react';
import { Link } from 'react-router';
import { newId } from '../../common/new-id.ts';
import { useUnits } from '../../common/units.tsx';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { record } from '../../offline/outbox.ts';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { ByTheNumbers } from './ByTheNumbers.tsx';

const VERDICTS: Partial<Record<string, string>> = {
  flips: 'the veer went with it',
  stays: 'the veer stayed',
  partly: 'part of the veer went with it',
  grew: 'the veer grew',
  unclear: 'too close to call',
};

/** What is behind a symptom: the causes in their order, and the one step that parts them best. */
export function Diagnosis({ set }: { readonly set: ShownTrialSet }) {
  const { id, build } = useBuild();
  const facts = useMemo(() => factsOf(build), [build]);
  const readings = set.trials.map(({ reading }) => reading);
  const found = diagnosisOf(set.conditions, readings, facts);
  const decided = readings.findLast((reading) => wordIn(reading, 'step') === DECIDED);
  const keep = useMutation({
    mutationFn: (reading: TrialReading) =>
      record(id, { kind: 'run', setId: set.id, runId: newId(), reading: { note: '', ...reading } }),
    retry: false,
  });
  return (
    <div className="grid content-start gap-4 xl:grid-cols-2">
      <div className="grid content-start gap-3">
        {decided ? (
          <p className="sheet p-4 text-[17px]">
            Decided: <b>{titleOf(found, wordIn(decided, 'answer'))}</b>. It is in the logbook with its
            evidence.
          </p>
        ) : (
          <Next
            key={`${found.next?.step ?? ''}${readings.length}`}
            found={found}
            done={readings.length}
            onKeep={keep.mutate}
          />
        )}
        {keep.isError && (
          <p role="alert" className="text-short">
            Not recorded: {keep.error.message}
          </p>
        )}
        <Made found={found} set={set} />
      </div>
      <Causes
        found={found}
        decided={decided !== undefined}
        onDecide={(cause) => keep.mutate({ step: DECIDED, answer: cause })}
      />
    </div>
  );
}

const titleOf = ({ ranked }: Found, cause: string): string =>
  ranked.find((each) => each.cause === cause)?.title ?? cause;

interface NextProps {
  readonly found: Found;
  /** Runs and answers so far. */
  readonly done: number;
  readonly onKeep: (reading: TrialReading) => void;
}

/** The step to make now. */
function Next({ found, done, onKeep }: NextProps) {
  const { next, verdict } = found;
  if (!next)
    return (
      <p className="sheet p-4">
        No further step parts what is left.{' '}
        {verdict === 'unclear' ? 'Try the mends of the first two, one by one.' : ''}
      </p>
    );
  return (
    <section className="sheet grid gap-3 p-4" aria-labelledby="next-step">
      {verdict === 'found' && <p className="text-soft">One cause stands out. To be surer still:</p>}
      <div>
        <h2 id="next-step">{next.title}</h2>
        <p>{next.how}</p>
      </div>
      {next.kind === 'answer' ? (
        <Answers next={next} onKeep={onKeep} />
      ) : next.kind === 'turns' ? (
        <TurnsForm next={next} onKeep={onKeep} />
      ) : (
        <SideForm next={next} number={done + 1} onKeep={onKeep} />
      )}
    </section>
  );
}

interface StepProps {
  readonly next: StepNext;
  readonly onKeep: (reading: TrialReading) => void;
}

const Answers = ({ next, onKeep }: StepProps) => (
  <div className="flex flex-wrap gap-2">
    {Object.entries(next.answers ?? {}).map(([answer, title]) => (
      <button
        key={answer}
        type="button"
        className="push min-h-10 min-w-24"
        onClick={() => onKeep({ step: next.step, answer })}
      >
        {title}
      </button>
    ))}
  </div>
);

const measured = (q: Quantity): Quantity => ({ ...q, origin: 'measured' });

/** Where one run ended. */
function SideForm({ next, number, onKeep }: StepProps & { readonly number: number }) {
  const { system } = useUnits();
  const [side, setSide] = useState<Quantity>();
  const [missing, setMissing] = useState(false);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    setMissing(!side);
    if (side) onKeep({ step: next.step, side });
  };
  const bare = system === 'imperial' ? 'in' : 'mm';
  return (
    <form className="flex flex-wrap items-end gap-3" onSubmit={submit} noValidate>
      <QuantityField
        label={`Run ${number}: ended to the side, left −`}
        dimension="length"
        value={side}
        bareUnit={bare}
        placeholder={`in ${bare}`}
        className="w-56"
        onChange={(q) => setSide(measured(q))}
      />
      <button type="submit" className="push push-main min-h-10">
        Record the run
      </button>
      <p className="basis-full text-[14px] text-soft">
        {next.runs === 1 ? 'One more run' : `${next.runs ?? 0} more runs`} of this step.
      </p>
      {missing && (
        <p role="alert" className="basis-full text-short">
          Say where it ended: 12 for 12 {bare} right, -12 for left, 0 on the line.
        </p>
      )}
    </form>
  );
}

/** Turns of both wheels. */
function TurnsForm({ next, onKeep }: StepProps) {
  const [left, setLeft] = useState<Quantity>();
  const [right, setRight] = useState<Quantity>();
  const [missing, setMissing] = useState(false);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    setMissing(!left || !right);
    if (left && right) onKeep({ step: next.step, left, right });
  };
  const side = (title: string, value: Quantity | undefined, set: (q: Quantity) => void) => (
    <QuantityField
      label={title}
      dimension="number"
      value={value}
      className="w-40"
      check={(turns) => (turns > 0 ? undefined : 'This must be more than 0.')}
      onChange={(q) => set(measured(q))}
    />
  );
  return (
    <form className="flex flex-wrap items-end gap-3" onSubmit={submit} noValidate>
      {side('Turns of the left wheel', left, setLeft)}
      {side('Turns of the right wheel', right, setRight)}
      <button type="submit" className="push push-main min-h-10">
        Record the turns
      </button>
      {missing && (
        <p role="alert" className="basis-full text-short">
          Both are needed.
        </p>
      )}
    </form>
  );
}

interface CausesProps {
  readonly found: Found;
  readonly decided: boolean;
  readonly onDecide: (cause: string) => void;
}

/** The causes in their order, each with what mends it. */
function Causes({ found, decided, onDecide }: CausesProps) {
  const [first] = found.ranked;
  return (
    <section className="sheet p-3" aria-labelledby="causes-title">
      <h2 id="causes-title">Likely causes</h2>
      <ol className="divide-y divide-line">
        {found.ranked.map((each) => (
          <li key={each.cause} className="grid gap-1 py-2">
            <p className="flex justify-between gap-3">
              <span className={each === first ? 'font-semibold' : ''}>{each.title}</span>
              <span className="font-semibold whitespace-nowrap tabular-nums">
                {Math.round(100 * each.share)} %
              </span>
            </p>
            <span className="block h-2 border border-line" aria-hidden="true">
              <span className="block h-full bg-mech" style={{ width: `${100 * each.share}%` }} />
            </span>
            {each === first && found.made.length > 0 && (
              <>
                <ul className="list-disc pl-5 text-[15px]">
                  {each.mends.map((mend) => (
                    <li key={mend}>{mend}</li>
                  ))}
                </ul>
                <ByTheNumbers links={each.links} />
                <ItsTrial name={each.trial} />
                {!decided && (
                  <p>
                    <button type="button" className="push min-h-10" onClick={() => onDecide(each.cause)}>
                      Mended: that was it
                    </button>
                  </p>
                )}
              </>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** The kind of trial that mends or measures a cause, a press away. */
function ItsTrial({ name }: { readonly name: string | undefined }) {
  const { id } = useBuild();
  const protocol = PROTOCOL_NAMES.find((each) => each === name);
  if (!protocol) return null;
  return (
    <p>
      <Link className="underline" to={`/builds/${id}/trials?set=new&begin=${protocol}`}>
        Begin: {protocolOf(protocol).asks}
      </Link>
    </p>
  );
}

interface MadeProps {
  readonly found: Found;
  readonly set: ShownTrialSet;
}

/** The steps made so far, and the last run taken back where it was typed wrong. */
function Made({ found, set }: MadeProps) {
  const { id } = useBuild();
  const last = set.trials.at(-1);
  const back = useMutation({
    mutationFn: (runId: string) => record(id, { kind: 'run-removed', setId: set.id, runId }),
  });
  if (!last) return null;
  return (
    <section className="sheet p-3" aria-labelledby="made-title">
      <h2 id="made-title">What was tried</h2>
      <ol className="list-decimal pl-6">
        {found.made.map(({ step, title, verdict, first, share }) => (
          <li key={step}>
            {title}
            {verdict === undefined ? '' : `: ${VERDICTS[verdict] ?? verdict}`}. Then first:{' '}
            {titleOf(found, first).toLowerCase()}, {Math.round(100 * share)} %.
          </li>
        ))}
      </ol>
      <p className="mt-2">
        <button
          type="button"
          className="push push-small"
          disabled={back.isPending}
          onClick={() => back.mutate(last.id)}
        >
          Take the last entry back
        </button>
      </p>
    </section>
  );
}

import type { Quantity } from '@zubric/core/quantity';
import { STRAIGHT_RUNS, type StraightRunReading } from '@zubric/core/trials';
import { useMutation } from '@tanstack/react-query';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { newId } from '../../common/new-id.ts';
import { useSay } from '../../common/units.tsx';
import { zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { record as recordHere } from '../../offline/outbox.ts';
import type { ShownTrial, ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** The runs of a set and the next one to record. */
export function RunTable({ set }: { readonly set: ShownTrialSet }) {
  const left = STRAIGHT_RUNS - set.trials.length;
  // A form of its own for each run, once the one before is recorded: until then it keeps its readings.
  const [recorded, setRecorded] = useState(0);
  return (
    <section className="sheet" aria-labelledby="runs-title">
      <NextRun
        key={recorded}
        setId={set.id}
        number={set.trials.length + 1}
        onRecorded={() => setRecorded((before) => before + 1)}
      />
      <p className="px-3 pb-2 text-[14px] text-soft" role="status">
        {left > 0
          ? `${left} more ${left === 1 ? 'run makes' : 'runs make'} a verdict.`
          : 'Enough runs for a verdict.'}
      </p>
      <table className="grid-table">
        <caption id="runs-title" className="sr-only">
          Runs
        </caption>
        <thead>
          <tr>
            <th scope="col">Run</th>
            <th scope="col" className="n">
              Ended to the side
            </th>
            <th scope="col" className="n">
              Distance covered
            </th>
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {set.trials.map((trial, at) => (
            <RunRow key={trial.id} setId={set.id} trial={trial} number={at + 1} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface RowProps {
  readonly setId: string;
  readonly trial: ShownTrial;
  readonly number: number;
}

function RunRow({ setId, trial, number }: RowProps) {
  const say = useSay();
  const { id } = useBuild();
  const [doing, setDoing] = useState<'removing' | 'changing'>();
  const remove = useMutation({
    mutationFn: () => recordHere(id, { kind: 'run-removed', setId, runId: trial.id }),
  });
  const { side, distance } = trial.reading;
  if (doing === 'changing')
    return (
      <tr>
        <td colSpan={4}>
          <RunForm
            number={number}
            setId={setId}
            trialId={trial.id}
            start={trial.reading}
            button={`Keep run ${number}`}
            onDone={() => setDoing(undefined)}
          />
        </td>
      </tr>
    );
  return (
    <tr>
      <td>
        {number}
        {trial.by !== undefined && trial.by !== '' && (
          <span className="block text-[14px] text-soft">{trial.by}</span>
        )}
        {trial.unsent && <span className="block text-[14px] text-short">not sent yet</span>}
      </td>
      <td className="n">
        {side.value === 0
          ? 'on the line'
          : `${say(Math.abs(side.value), 'length')} ${side.value > 0 ? 'right' : 'left'}`}
      </td>
      <td className="n">{say(distance.value, 'length', 4)}</td>
      <td className="n">
        {doing === 'removing' ? (
          <span className="inline-flex items-center gap-2">
            <button type="button" className="push" onClick={() => remove.mutate()}>
              Remove run {number}
            </button>
            <button type="button" className="push" onClick={() => setDoing(undefined)}>
              Keep it
            </button>
          </span>
        ) : (
          <span className="inline-flex">
            <RowButton label={`Change run ${number}`} onPress={() => setDoing('changing')}>
              <Pencil size={18} aria-hidden="true" />
            </RowButton>
            <RowButton label={`Remove run ${number}`} onPress={() => setDoing('removing')}>
              <Trash2 size={18} aria-hidden="true" />
            </RowButton>
          </span>
        )}
      </td>
    </tr>
  );
}

interface RowButtonProps {
  readonly label: string;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

const RowButton = ({ label, onPress, children }: RowButtonProps) => (
  <button
    type="button"
    className="flex size-10 items-center justify-center hover:text-short"
    aria-label={label}
    onClick={onPress}
  >
    {children}
  </button>
);

interface Readings {
  readonly side?: Quantity;
  readonly distance?: Quantity;
}
interface RunMeasures {
  readonly side: number;
  readonly distance: number;
}

interface NextProps {
  readonly setId: string;
  readonly number: number;
  readonly onRecorded: () => void;
}

/** The run to come. */
function NextRun({ setId, number, onRecorded }: NextProps) {
  const [trialId] = useState(newId);
  // It is called the next only once it is: a form still under way would take what is typed with it.
  const [own] = useState(number);
  return <RunForm {...{ setId, trialId }} number={own} button="Record run" onRecorded={onRecorded} />;
}

interface FormProps {
  readonly setId: string;
  readonly trialId: string;
  readonly number: number;
  readonly button: string;
  /** A run that was recorded before. */
  readonly start?: StraightRunReading;
  /** Leads back to the run as it was. */
  readonly onDone?: () => void;
  readonly onRecorded?: () => void;
}

/** Two readings and a button; Enter records. They stay in their fields where the server will not have them. */
function RunForm({ setId, trialId, number, button, start, onDone, onRecorded = onDone }: FormProps) {
  const { id } = useBuild();
  const { control, handleSubmit, formState } = useForm<Readings>(
    start ? { defaultValues: { side: start.side, distance: start.distance } } : {},
  );
  /** Readings that were asked about once: recorded as they are at the next press. */
  const [asked, setAsked] = useState<RunMeasures>();
  const record = useMutation({
    mutationFn: (reading: StraightRunReading) =>
      recordHere(id, { kind: 'run', setId, runId: trialId, reading }),
    // It is recorded here and listed at once, whether or not the server has it yet.
    retry: false,
    onSuccess: onRecorded,
  });
  const submit = handleSubmit(({ side, distance }) => {
    // Both are there: they are required.
    if (!side || !distance) return;
    const before = asked?.side === side.value && asked.distance === distance.value;
    const odd = Math.abs(side.value) > distance.value && !before;
    setAsked(odd ? { side: side.value, distance: distance.value } : undefined);
    if (!odd) record.mutate({ side, distance, note: start?.note ?? '' });
  });
  const missing = Object.keys(formState.errors).length > 0;
  return (
    <form
      className="flex flex-wrap items-end gap-3 px-3 py-3"
      onSubmit={(event) => void submit(event)}
      noValidate
    >
      <Controller
        control={control}
        name="side"
        rules={{ required: true }}
        render={({ field: { value, onChange } }) => (
          <QuantityField
            label={`Run ${number}: to the side, left −`}
            className="w-44"
            dimension="length"
            value={value}
            onChange={(q) => onChange({ ...q, origin: 'measured' })}
          />
        )}
      />
      <Controller
        control={control}
        name="distance"
        rules={{ required: true }}
        render={({ field: { value, onChange } }) => (
          <QuantityField
            label={start ? `Run ${number}: distance covered` : 'distance covered'}
            className="w-24"
            dimension="length"
            value={value}
            check={zeroOrMore}
            onChange={(q) => onChange({ ...q, origin: 'measured' })}
          />
        )}
      />
      <button type="submit" className="push push-main" disabled={record.isPending}>
        {button}
      </button>
      {onDone && (
        <button type="button" className="push" onClick={onDone}>
          As it was
        </button>
      )}
      <Told asked={asked} missing={missing} problem={record.error?.message} />
    </form>
  );
}

interface ToldProps {
  readonly asked: RunMeasures | undefined;
  readonly missing: boolean;
  readonly problem: string | undefined;
}

/** What is asked about a reading, or why a run is not recorded. */
function Told({ asked, missing, problem }: ToldProps) {
  const say = useSay();
  return (
    <>
      {asked && (
        <span role="alert" className="text-[14px]">
          {say(Math.abs(asked.side), 'length')} to the side over {say(asked.distance, 'length')}: is that
          meant? Press again to record it so.
        </span>
      )}
      {(missing || problem !== undefined) && (
        <span role="alert" className="text-[14px] text-short">
          {missing
            ? 'Both readings are needed.'
            : `Not recorded: ${problem ?? ''} The readings are kept here.`}
        </span>
      )}
    </>
  );
}

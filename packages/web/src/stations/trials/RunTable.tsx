import type { Quantity } from '@zubric/core/quantity';
import { STRAIGHT_RUNS, type StraightRunReading } from '@zubric/core/trials';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Controller, useForm } from 'react-hook-form';
import type { StoredTrial, StoredTrialSet } from '@zubric/core/answers';
import { api } from '../../common/api.ts';
import { useSay } from '../../common/units.tsx';
import { zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** An id for a run made here, so that a run sent twice is one run. */
const newTrialId = (): string => crypto.randomUUID();

/** The runs of a set and the next one to record. */
export function RunTable({ set }: { readonly set: StoredTrialSet }) {
  const left = STRAIGHT_RUNS - set.trials.length;
  return (
    <section className="sheet" aria-labelledby="runs-title">
      <NextRun key={set.trials.length} setId={set.id} number={set.trials.length + 1} />
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
  readonly trial: StoredTrial;
  readonly number: number;
}

function RunRow({ setId, trial, number }: RowProps) {
  const say = useSay();
  const { id } = useBuild();
  const queries = useQueryClient();
  const [doing, setDoing] = useState<'removing' | 'changing'>();
  const refresh = () => queries.invalidateQueries({ queryKey: ['trial-sets', id] });
  const remove = useMutation({ mutationFn: () => api.removeTrial(setId, trial.id), onSuccess: refresh });
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
      <td>{number}</td>
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

/** The run to come. */
function NextRun({ setId, number }: { readonly setId: string; readonly number: number }) {
  const [trialId] = useState(newTrialId);
  return <RunForm setId={setId} trialId={trialId} number={number} button="Record run" />;
}

interface FormProps {
  readonly setId: string;
  readonly trialId: string;
  readonly number: number;
  readonly button: string;
  /** A run that was recorded before. */
  readonly start?: StraightRunReading;
  readonly onDone?: () => void;
}

/** Two readings and a button; Enter records. They stay until the server has them. */
function RunForm({ setId, trialId, number, button, start, onDone }: FormProps) {
  const { id } = useBuild();
  const queries = useQueryClient();
  const { control, handleSubmit, formState } = useForm<Readings>(
    start ? { defaultValues: { side: start.side, distance: start.distance } } : {},
  );
  /** Readings that were asked about once: recorded as they are at the next press. */
  const [asked, setAsked] = useState<RunMeasures>();
  const record = useMutation({
    mutationFn: (reading: StraightRunReading) => api.recordTrial(setId, trialId, reading),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['trial-sets', id] });
      onDone?.();
    },
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

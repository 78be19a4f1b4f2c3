import { readingFields } from '@zubric/core/protocols';
import { useMutation } from '@tanstack/react-query';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useUnits } from '../../common/units.tsx';
import { record } from '../../offline/outbox.ts';
import type { ShownTrial, ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { RunForm } from './RunForm.tsx';
import { RunPhoto } from './RunPhoto.tsx';
import { fieldText } from './said.ts';

/** What stands in the table: what need not be read only where some run has it. */
const columnsOf = ({ protocol, conditions, trials }: ShownTrialSet) =>
  readingFields(protocol, conditions).filter(
    ({ key, optional }) => !optional || trials.some(({ reading }) => reading[key] !== undefined),
  );

/** The runs of a set, the last one first, each to be changed or taken out. */
export function RunTable({
  set,
  outliers,
}: {
  readonly set: ShownTrialSet;
  readonly outliers: readonly number[];
}) {
  const fields = columnsOf(set);
  if (set.trials.length === 0) return null;
  return (
    <div className="overflow-x-auto">
      <table className="grid-table">
        <caption className="sr-only">Runs</caption>
        <thead>
          <tr>
            <th scope="col">Run</th>
            {fields.map(({ key, title, kind }) => (
              <th key={key} scope="col" className={kind === 'quantity' ? 'n' : ''}>
                {title}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">Change or remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {set.trials
            .map((trial, at) => (
              <RunRow key={trial.id} set={set} trial={trial} number={at + 1} odd={outliers.includes(at)} />
            ))
            .reverse()}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  readonly set: ShownTrialSet;
  readonly trial: ShownTrial;
  readonly number: number;
  readonly odd: boolean;
}

function RunRow({ set, trial, number, odd }: RowProps) {
  const { system } = useUnits();
  const { id } = useBuild();
  const [doing, setDoing] = useState<'removing' | 'changing'>();
  const remove = useMutation({
    mutationFn: () => record(id, { kind: 'run-removed', setId: set.id, runId: trial.id }),
  });
  const fields = columnsOf(set);
  if (doing === 'changing')
    return (
      <tr>
        <td colSpan={fields.length + 2}>
          <RunForm
            set={set}
            number={number}
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
        {odd && <span className="block text-[14px] text-short">out of line</span>}
        {trial.by !== undefined && trial.by !== '' && (
          <span className="block text-[14px] text-soft">{trial.by}</span>
        )}
        {trial.unsent && <span className="block text-[14px] text-short">not sent yet</span>}
      </td>
      {fields.map((field) => (
        <td key={field.key} className={field.kind === 'quantity' ? 'n' : ''}>
          {fieldText(field, trial.reading, system)}
        </td>
      ))}
      <td className="n">
        {doing === 'removing' ? (
          <span className="inline-flex flex-wrap items-center gap-2">
            <button type="button" className="push" onClick={() => remove.mutate()}>
              Remove run {number}
            </button>
            <button type="button" className="push" onClick={() => setDoing(undefined)}>
              Keep it
            </button>
          </span>
        ) : (
          <span className="inline-flex">
            <RunPhoto set={set} number={number} />
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

import {
  chargeFirst,
  COMMON_CONDITIONS,
  conditionFields,
  type TrialConditions,
} from '@zubric/core/protocols';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { ApiProblem, api, type TrialSetForm } from '../../common/api.ts';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { JobChoice } from './JobChoice.tsx';
import { TrialField } from './TrialField.tsx';

const PAUSE_MS = 500;

/** Name and conditions of a set as they are typed, saved a moment after each change. */
function useConditions(set: ShownTrialSet) {
  const { id } = useBuild();
  const queries = useQueryClient();
  const [form, setForm] = useState<TrialSetForm>({ name: set.name, conditions: set.conditions });
  const [kept, setKept] = useState(form);
  const save = useMutation({
    mutationFn: (next: TrialSetForm) => api.changeTrialSet(set.id, set.version, next),
    onSuccess: async (_, next) => {
      setKept(next);
      await queries.invalidateQueries({ queryKey: ['trial-sets', id] });
    },
  });
  const { mutate, isPending } = save;
  const waitFor = save.error instanceof ApiProblem && save.error.passing ? 4 * PAUSE_MS : PAUSE_MS;
  const blocked = save.error instanceof ApiProblem && !save.error.passing && save.variables === form;
  useEffect(() => {
    if (form === kept || isPending || blocked) return;
    const timer = setTimeout(() => mutate(form), waitFor);
    return () => clearTimeout(timer);
  }, [form, kept, isPending, blocked, waitFor, mutate, set.version]);
  const { conditions } = form;
  const change = (key: string, value: TrialConditions[string]): void =>
    setForm((f) => {
      const { [key]: _before, ...rest } = f.conditions;
      return { ...f, conditions: value === undefined ? rest : { ...rest, [key]: value } };
    });
  const rename = (name: string): void => setForm((f) => ({ ...f, name }));
  return { name: form.name, conditions, change, rename, problem: save.error?.message };
}

/** Name and conditions of a set. */
export function SetConditions({ set }: { readonly set: ShownTrialSet }) {
  const { name, conditions, change, rename, problem } = useConditions(set);
  const asked = [...conditionFields(set.protocol, conditions), ...COMMON_CONDITIONS];
  const text = (key: string): string => {
    const value = conditions[key];
    return typeof value === 'string' ? value : '';
  };
  return (
    <details className="sheet" aria-label="Conditions of the set" open={set.trials.length === 0}>
      <summary className="min-h-10 cursor-pointer px-3 py-2 font-semibold">
        {name}
        <span className="font-normal text-soft">
          {text('floor') === '' ? '' : `, ${text('floor')}`}
          {text('group') === '' ? '' : `, of “${text('group')}”`}: conditions of the set
        </span>
      </summary>
      <div className="grid gap-3 p-3 sm:grid-cols-2">
        <TextField label="Set" value={name} required="A set needs a name." onChange={rename} />
        <TextField label="Floor" value={text('floor')} onChange={(floor) => change('floor', floor)} />
        {asked.map((field) => (
          <TrialField
            key={field.key}
            field={field}
            value={conditions[field.key]}
            measured={field.key.startsWith('battery')}
            onChange={(value) => change(field.key, value)}
          />
        ))}
        <JobChoice value={text('job') || undefined} onChange={(job) => change('job', job)} />
        <TextField
          label="Class or club, where several builds make this trial"
          value={text('group')}
          onChange={(group) => change('group', group.trim() === '' ? undefined : group)}
        />
        <TextField
          label="Note"
          value={text('note')}
          maxLength={1000}
          onChange={(note) => change('note', note)}
        />
      </div>
      {chargeFirst(conditions) && (
        <p role="status" className="px-3 pb-3 text-short">
          Charge first: the battery fell too far for more runs to compare with these.
        </p>
      )}
      {problem !== undefined && (
        <p role="alert" className="px-3 pb-3 text-[14px] text-short">
          Not saved yet: {problem}
        </p>
      )}
    </details>
  );
}

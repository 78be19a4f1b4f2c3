import type { StraightRunConditions } from '@zubric/core/trials';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { ApiProblem, api, type TrialSetForm } from '../../common/api.ts';
import { aboveZero } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const PAUSE_MS = 500;

/** Name and conditions of a set, saved a moment after each change. */
export function SetConditions({ set }: { readonly set: ShownTrialSet }) {
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
  const change = (part: Partial<StraightRunConditions>): void =>
    setForm((f) => ({ ...f, conditions: { ...f.conditions, ...part } }));
  const { conditions } = form;
  return (
    <section className="sheet grid grid-cols-6 gap-3 p-3" aria-label="Conditions of the set">
      <TextField
        className="col-span-3"
        label="Set"
        value={form.name}
        required="A set needs a name."
        onChange={(name) => setForm((f) => ({ ...f, name }))}
      />
      <TextField
        className="col-span-3"
        label="Floor"
        value={conditions.floor}
        onChange={(floor) => change({ floor })}
      />
      <QuantityField
        className="col-span-2"
        label="Ordered"
        dimension="length"
        value={conditions.commanded}
        check={aboveZero}
        onChange={(commanded) => change({ commanded })}
      />
      <QuantityField
        className="col-span-2"
        label="Battery before"
        dimension="voltage"
        value={conditions.batteryBefore}
        check={aboveZero}
        onChange={(v) => change({ batteryBefore: { ...v, origin: 'measured' } })}
      />
      <QuantityField
        className="col-span-2"
        label="Battery after"
        dimension="voltage"
        value={conditions.batteryAfter}
        check={aboveZero}
        onChange={(v) => change({ batteryAfter: { ...v, origin: 'measured' } })}
      />
      {save.isError && (
        <p role="alert" className="col-span-6 text-[14px] text-short">
          Not saved yet: {save.error.message}
        </p>
      )}
    </section>
  );
}

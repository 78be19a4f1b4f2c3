import { typed, type Quantity } from '@zubric/core/quantity';
import { scaleOf, usual } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Controller, useForm, type Control } from 'react-hook-form';
import { newId } from '../../common/new-id.ts';
import { aboveZero } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { record } from '../../offline/outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

interface Wanted {
  readonly name: string;
  readonly floor: string;
  readonly commanded: Quantity;
  readonly batteryBefore?: Quantity;
}

/** What a set of straight runs holds fast before the first run. */
export function NewSet({ onMade }: { readonly onMade: (id: string) => void }) {
  const { id, build } = useBuild();
  const queries = useQueryClient();
  const { control, handleSubmit } = useForm<Wanted>({
    defaultValues: { name: 'Straight runs', floor: '', commanded: typed(usual.trialM(scaleOf(build)), 'm') },
  });
  const make = useMutation({
    mutationFn: async ({ name, floor, commanded, batteryBefore }: Wanted) => {
      const setId = newId();
      const conditions = { floor, commanded, ...(batteryBefore ? { batteryBefore } : {}), note: '' };
      await record(id, { kind: 'set', setId, body: { protocol: 'straight-run', name, conditions } });
      return setId;
    },
    retry: false,
    onSuccess: async (setId) => {
      await queries.invalidateQueries({ queryKey: ['trial-sets', id] });
      onMade(setId);
    },
  });
  const submit = handleSubmit((wanted) => make.mutate(wanted));
  return (
    <form
      className="sheet grid max-w-2xl content-start gap-3 p-4"
      onSubmit={(event) => void submit(event)}
      noValidate
    >
      <h2>A new set of straight runs</h2>
      <p className="text-soft">
        The floor it will be used on, a battery near full, the same start mark and command for all ten runs.
      </p>
      <SetFields control={control} />
      <p className="flex items-center gap-3">
        <button type="submit" className="push push-main" disabled={make.isPending}>
          Begin the set
        </button>
        {make.isError && (
          <span role="alert" className="text-short">
            {make.error.message}
          </span>
        )}
      </p>
    </form>
  );
}

function SetFields({ control }: { readonly control: Control<Wanted> }) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <Controller
        control={control}
        name="name"
        render={({ field: { value, onChange } }) => (
          <TextField
            label="Name of the set"
            value={value}
            required="A set needs a name."
            onChange={onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="floor"
        render={({ field: { value, onChange } }) => (
          <TextField label="Floor" value={value} onChange={onChange} />
        )}
      />
      <Controller
        control={control}
        name="commanded"
        render={({ field: { value, onChange } }) => (
          <QuantityField
            label="Distance ordered"
            dimension="length"
            value={value}
            check={aboveZero}
            onChange={onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="batteryBefore"
        render={({ field: { value, onChange } }) => (
          <QuantityField
            label="Battery voltage before"
            dimension="voltage"
            value={value}
            check={aboveZero}
            onChange={(v) => onChange({ ...v, origin: 'measured' })}
          />
        )}
      />
    </div>
  );
}

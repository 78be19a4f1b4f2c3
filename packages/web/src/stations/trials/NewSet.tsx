import { typed, type Quantity } from '@zubric/core/quantity';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { api } from '../../common/api.ts';
import { aboveZero } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** What a set of straight runs holds fast before the first run. */
export function NewSet({ onMade }: { readonly onMade: (id: string) => void }) {
  const { id } = useBuild();
  const queries = useQueryClient();
  const [name, setName] = useState('Straight runs');
  const [floor, setFloor] = useState('');
  const [commanded, setCommanded] = useState<Quantity>(typed(3, 'm'));
  const [batteryBefore, setBatteryBefore] = useState<Quantity>();
  const make = useMutation({
    mutationFn: () =>
      api.createTrialSet(id, {
        name,
        conditions: { floor, commanded, ...(batteryBefore ? { batteryBefore } : {}), note: '' },
      }),
    onSuccess: async (set) => {
      await queries.invalidateQueries({ queryKey: ['trial-sets', id] });
      onMade(set.id);
    },
  });
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    make.mutate();
  };
  return (
    <form className="sheet grid max-w-2xl content-start gap-3 p-4" onSubmit={submit} noValidate>
      <h2>A new set of straight runs</h2>
      <p className="text-soft">
        The floor it will be used on, a battery near full, the same start mark and command for all ten runs.
      </p>
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Name of the set" value={name} required="A set needs a name." onChange={setName} />
        <TextField label="Floor" value={floor} onChange={setFloor} />
        <QuantityField
          label="Distance ordered"
          dimension="length"
          value={commanded}
          check={aboveZero}
          onChange={setCommanded}
        />
        <QuantityField
          label="Battery voltage before"
          dimension="voltage"
          value={batteryBefore}
          check={aboveZero}
          onChange={(v) => setBatteryBefore({ ...v, origin: 'measured' })}
        />
      </div>
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

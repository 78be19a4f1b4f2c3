import {
  conditionFields,
  conditionsSchema,
  PROTOCOL_NAMES,
  protocolOf,
  usualConditions,
  type ProtocolName,
} from '@zubric/core/protocols';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { api } from '../common/api.ts';
import { newId } from '../common/new-id.ts';
import { Choice } from '../fields/Choice.tsx';
import { TextField } from '../fields/TextField.tsx';
import { record } from '../offline/outbox.ts';

/** Kinds that begin alike for every build: nothing of theirs is left to say. */
const KINDS = PROTOCOL_NAMES.filter(
  (name) => !['diagnosis', 'own', 'run-down', 'motor-matching', 'wheel-matching'].includes(name),
);

/** Begins the same trial in several builds at once. */
export function BeginGroup({ onBegun }: { readonly onBegun: () => void }) {
  const [group, setGroup] = useState('');
  const [protocol, setProtocol] = useState<ProtocolName>('straight-run');
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [said, setSaid] = useState('');
  const begin = useMutation({
    mutationFn: async () => {
      const first = [...picked][0];
      if (first === undefined) return;
      // Alike for all: what the first one begins with is what every one does.
      const { document } = await api.build(first);
      const usual = usualConditions(protocol, document);
      const asked = new Set(conditionFields(protocol, usual).map(({ key }) => key));
      const taken = Object.fromEntries(Object.entries(usual).filter(([key]) => asked.has(key)));
      const conditions = conditionsSchema(protocol).parse({ ...taken, group: group.trim() });
      for (const id of picked)
        await record(id, {
          kind: 'set',
          setId: newId(),
          body: {
            protocol,
            name: `${group.trim()}: ${protocolOf(protocol).title.toLowerCase()}`.slice(0, 120),
            conditions,
          },
        });
    },
    onSuccess: onBegun,
  });
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (group.trim() === '') return setSaid('Give the class or club a name.');
    if (picked.size < 2) return setSaid('Choose two builds or more.');
    setSaid('');
    begin.mutate();
  };
  const toggle = (id: string): void =>
    setPicked((before) => {
      const after = new Set(before);
      if (!after.delete(id)) after.add(id);
      return after;
    });
  return (
    <form
      className="sheet grid gap-3 p-4"
      onSubmit={submit}
      noValidate
      aria-label="A trial for several builds"
    >
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField label="Class or club" value={group} onChange={setGroup} />
        <Choice
          label="Trial"
          value={protocol}
          options={KINDS.map((name) => ({ value: name, title: protocolOf(name).asks }))}
          onChange={setProtocol}
        />
      </div>
      <Builds picked={picked} onToggle={toggle} />
      <p className="flex flex-wrap items-center gap-3">
        <button type="submit" className="push push-main min-h-10" disabled={begin.isPending}>
          Begin it for {picked.size} builds
        </button>
        {(said !== '' || begin.isError) && (
          <span role="alert" className="text-short">
            {said || begin.error?.message}
          </span>
        )}
      </p>
    </form>
  );
}

interface BuildsProps {
  readonly picked: ReadonlySet<string>;
  readonly onToggle: (id: string) => void;
}

/** The builds on the bench, to be ticked. */
function Builds({ picked, onToggle }: BuildsProps) {
  const builds = useQuery({ queryKey: ['builds', 'bench'], queryFn: () => api.builds('bench') });
  return (
    <fieldset>
      <legend className="text-soft">Builds</legend>
      <div className="grid sm:grid-cols-2 lg:grid-cols-3">
        {(builds.data ?? []).map(({ id, name }) => (
          <label key={id} className="flex min-h-10 items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-ink"
              checked={picked.has(id)}
              onChange={() => onToggle(id)}
            />
            {name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

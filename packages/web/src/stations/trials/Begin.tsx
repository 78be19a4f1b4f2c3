import {
  COMMON_CONDITIONS,
  conditionFields,
  PROTOCOL_NAMES,
  protocolOf,
  usualConditions,
  type ProtocolName,
  type TrialConditions,
} from '@zubric/core/protocols';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { newId } from '../../common/new-id.ts';
import { TextField } from '../../fields/TextField.tsx';
import { record } from '../../offline/outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { Plan } from './Plan.tsx';
import { JobChoice } from './JobChoice.tsx';
import { isFilled } from './said.ts';
import { SetUp } from './SetUp.tsx';
import { TrialField } from './TrialField.tsx';

interface Props {
  readonly sets: readonly ShownTrialSet[];
  readonly onMade: (id: string) => void;
  /** Which kind, where that is settled. */
  readonly first?: ProtocolName | undefined;
}

/** Every kind of trial by the question that it answers, and the set that is begun. */
export function Begin({ sets, onMade, first }: Props) {
  const [protocol, setProtocol] = useState<ProtocolName | undefined>(first);
  return protocol === undefined ? (
    <div className="grid content-start gap-4">
      <Plan sets={sets} onBegin={setProtocol} />
      <section className="sheet p-4" aria-labelledby="which-trial">
        <h2 id="which-trial">Or: what do you want to know?</h2>
        <ul className="mt-2 grid gap-x-6 sm:grid-cols-2">
          {PROTOCOL_NAMES.map((name) => (
            <li key={name} className="border-b border-line py-1">
              <button
                type="button"
                className="min-h-10 w-full text-left hover:bg-mech-lo"
                onClick={() => setProtocol(name)}
              >
                <span className="block font-semibold">{protocolOf(name).asks}</span>
                <span className="block text-[14px] text-soft">{protocolOf(name).title}</span>
              </button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  ) : (
    <BeginSet
      protocol={protocol}
      onMade={onMade}
      onBack={first === undefined ? () => setProtocol(undefined) : undefined}
    />
  );
}

interface Begun {
  readonly protocol: ProtocolName;
  readonly name: string;
  readonly floor: string;
  readonly job: string | undefined;
  readonly filled: TrialConditions;
}

/** Begins a set with what its protocol asks; what was typed for another word of it is left out. */
function useBegin(onMade: (id: string) => void) {
  const { id } = useBuild();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async ({ protocol, name, floor, job, filled }: Begun) => {
      const setId = newId();
      const asked = [...conditionFields(protocol, filled), ...COMMON_CONDITIONS];
      const taken = Object.fromEntries(
        Object.entries(filled).filter(([key]) => asked.some((field) => field.key === key)),
      );
      const conditions = { ...taken, floor, ...(job === undefined ? {} : { job }), note: '' };
      await record(id, { kind: 'set', setId, body: { protocol, name, conditions } });
      return setId;
    },
    retry: false,
    onSuccess: async (setId) => {
      await queries.invalidateQueries({ queryKey: ['trial-sets', id] });
      onMade(setId);
    },
  });
}

interface SetProps {
  readonly protocol: ProtocolName;
  readonly onMade: (id: string) => void;
  readonly onBack: (() => void) | undefined;
}

/** What a set holds fast before the first run. */
function BeginSet({ protocol, onMade, onBack }: SetProps) {
  const { build } = useBuild();
  const { title, asks, why } = protocolOf(protocol);
  const [name, setName] = useState(title);
  const [floor, setFloor] = useState('');
  const [job, setJob] = useState<string>();
  const [filled, setFilled] = useState<TrialConditions>(() => usualConditions(protocol, build));
  const [missing, setMissing] = useState<readonly string[]>([]);
  const asked = conditionFields(protocol, filled);
  const [before] = COMMON_CONDITIONS;
  const make = useBegin(onMade);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const left = asked.filter(({ key, optional }) => !optional && filled[key] === undefined);
    setMissing(left.map((field) => field.title));
    if (name.trim() === '' || !isFilled(asked, filled)) return;
    make.mutate({ protocol, name, floor, job, filled });
  };
  const change = (key: string, value: TrialConditions[string]): void =>
    setFilled((all) => ({ ...all, [key]: value }));
  return (
    <form className="sheet grid content-start gap-3 p-4" onSubmit={submit} noValidate>
      <div>
        <h2>{asks}</h2>
        <p className="text-soft">{why}</p>
      </div>
      <SetUp protocol={protocol} />
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField label="Name of the set" value={name} required="A set needs a name." onChange={setName} />
        <TextField label="Floor" value={floor} onChange={setFloor} />
        {asked.map((field) => (
          <TrialField
            key={field.key}
            field={field}
            value={filled[field.key]}
            onChange={(value) => change(field.key, value)}
          />
        ))}
        {before && (
          <TrialField
            field={before}
            value={filled[before.key]}
            measured
            onChange={(value) => change(before.key, value)}
          />
        )}
        <JobChoice value={job} onChange={setJob} />
      </div>
      <p className="flex flex-wrap items-center gap-3">
        <button type="submit" className="push push-main min-h-10" disabled={make.isPending}>
          Begin the set
        </button>
        {onBack && (
          <button type="button" className="push min-h-10" onClick={onBack}>
            Another trial
          </button>
        )}
        {missing.length > 0 && (
          <span role="alert" className="text-short">
            Still needed: {missing.join(', ')}.
          </span>
        )}
        {make.isError && (
          <span role="alert" className="text-short">
            {make.error.message}
          </span>
        )}
      </p>
    </form>
  );
}

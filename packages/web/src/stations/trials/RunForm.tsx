import { nextRun, oddIn, readingFields, type Field, type TrialReading } from '@zubric/core/protocols';
import { useMutation } from '@tanstack/react-query';
import { useState, type FormEvent, type ReactNode } from 'react';
import { newId } from '../../common/new-id.ts';
import { useUnits } from '../../common/units.tsx';
import { record } from '../../offline/outbox.ts';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { fieldText, isFilled } from './said.ts';
import { Stopwatch } from './Stopwatch.tsx';
import { namesOfField } from './known-names.ts';
import { TrialField } from './TrialField.tsx';
import { useNarrow } from '../../common/use-narrow.ts';

interface Props {
  readonly set: ShownTrialSet;
  readonly number: number;
  readonly button: string;
  readonly trialId?: string;
  /** A run that was recorded before. */
  readonly start?: TrialReading;
  /** What is known of a new run, where somebody has chosen it. */
  readonly first?: TrialReading;
  /** Leads back to the run as it was. */
  readonly onDone?: () => void;
  readonly onRecorded?: () => void;
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** What a run reads, and a button; on a phone one reading a screen. It stays in its fields where the server will not have it. */
export function RunForm({ set, number, button, trialId, start, first, onDone, onRecorded = onDone }: Props) {
  const { id } = useBuild();
  const [runId] = useState(() => trialId ?? newId());
  const { protocol, conditions, trials } = set;
  const readings = trials.map(({ reading }) => reading);
  const [filled, setFilled] = useState<TrialReading>(
    () => start ?? first ?? nextRun(protocol, conditions, readings),
  );
  /** What was asked about once: recorded as it is at the next press. */
  const [asked, setAsked] = useState<string>();
  const [missing, setMissing] = useState(false);
  const fields = readingFields(protocol, conditions, filled);
  const mutation = useMutation({
    mutationFn: (reading: TrialReading) =>
      // It is recorded here and listed at once, whether or not the server has it yet.
      record(id, { kind: 'run', setId: set.id, runId, reading }),
    retry: false,
    onSuccess: onRecorded,
  });
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const taken = Object.fromEntries(fields.map(({ key }) => [key, filled[key]]));
    const reading = { ...taken, note: filled.note ?? '' };
    setMissing(!isFilled(fields, filled));
    if (!isFilled(fields, filled)) return;
    const odd = oddIn(protocol, conditions, start ? [] : readings, reading);
    const was = JSON.stringify(reading);
    if (odd.length > 0 && asked !== was) return setAsked(was);
    setAsked(undefined);
    mutation.mutate(reading);
  };
  const odd = asked === undefined ? [] : oddIn(protocol, conditions, start ? [] : readings, filled);
  const change = (key: string, value: TrialReading[string]): void => {
    setMissing(false);
    setFilled((before) => ({ ...before, [key]: value }));
  };
  return (
    <form className="grid gap-3 px-3 py-3" onSubmit={submit} noValidate aria-label={`Run ${number}`}>
      <Entries
        {...{ fields, filled, number, set }}
        onChange={change}
        last={
          <>
            <button type="submit" className="push push-main min-h-10" disabled={mutation.isPending}>
              {button}
            </button>
            {onDone && (
              <button type="button" className="push min-h-10" onClick={onDone}>
                As it was
              </button>
            )}
          </>
        }
      />
      <Told
        odd={fields.filter(({ key }) => odd.includes(key))}
        reading={filled}
        missing={missing ? fields.filter((f) => !f.optional && filled[f.key] === undefined) : []}
        problem={mutation.error?.message}
      />
    </form>
  );
}

interface EntriesProps {
  readonly set: ShownTrialSet;
  readonly number: number;
  readonly fields: readonly Field[];
  readonly filled: TrialReading;
  readonly onChange: (key: string, value: TrialReading[string]) => void;
  /** What ends the run. */
  readonly last: ReactNode;
}

/** All readings in a row, or one after the other. */
function Entries({ set, number, fields, filled, onChange, last }: EntriesProps) {
  const narrow = useNarrow();
  const { system } = useUnits();
  const first = fields.findIndex(({ key }) => filled[key] === undefined);
  const [at, setAt] = useState(Math.max(0, first));
  const one = (field: Field) => (
    <div key={field.key} className="grid content-end gap-1">
      <TrialField
        field={field}
        label={field === fields[0] || narrow ? `Run ${number}: ${lowerFirst(field.title)}` : field.title}
        value={filled[field.key]}
        names={namesOfField(field, set)}
        measured
        onChange={(value) => onChange(field.key, value)}
      />
      {field.kind === 'quantity' && field.dimension === 'time' && (
        <Stopwatch onTime={(time) => onChange(field.key, time)} />
      )}
    </div>
  );
  if (!narrow || fields.length < 2)
    return (
      <div className="flex flex-wrap items-end gap-3 [&_input]:w-40">
        {fields.map(one)}
        {last}
      </div>
    );
  const place = Math.min(at, fields.length - 1);
  const field = fields[place];
  if (!field) return null;
  const done = fields.slice(0, place);
  return (
    <div className="grid gap-3">
      {done.length > 0 && (
        <p className="text-soft">{done.map((each) => fieldText(each, filled, system)).join(' · ')}</p>
      )}
      {one(field)}
      <div className="flex flex-wrap gap-2">
        {place > 0 && (
          <button type="button" className="push min-h-10" onClick={() => setAt(place - 1)}>
            Back
          </button>
        )}
        {place < fields.length - 1 ? (
          <button
            type="button"
            className="push push-main min-h-10 flex-1"
            disabled={!field.optional && filled[field.key] === undefined}
            onClick={() => setAt(place + 1)}
          >
            Next
          </button>
        ) : (
          last
        )}
      </div>
      <p className="text-[14px] text-soft">
        {place + 1} of {fields.length} of this run
      </p>
    </div>
  );
}

interface ToldProps {
  readonly odd: readonly Field[];
  readonly reading: TrialReading;
  readonly missing: readonly Field[];
  readonly problem: string | undefined;
}

/** What is asked about a reading, or why a run is not recorded. */
function Told({ odd, reading, missing, problem }: ToldProps) {
  const { system } = useUnits();
  return (
    <>
      {odd.length > 0 && (
        <p role="alert" className="text-[15px]">
          {odd.map((field) => `${field.title}: ${fieldText(field, reading, system)}`).join(', ')}: is that
          meant? Press again to record it so.
        </p>
      )}
      {missing.length > 0 && (
        <p role="alert" className="text-[15px] text-short">
          Still needed: {missing.map(({ title }) => lowerFirst(title)).join(', ')}.
        </p>
      )}
      {problem !== undefined && (
        <p role="alert" className="text-[15px] text-short">
          Not recorded: {problem} The readings are kept here.
        </p>
      )}
    </>
  );
}

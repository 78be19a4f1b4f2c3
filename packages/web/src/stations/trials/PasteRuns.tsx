import {
  nextRun,
  readingFields,
  readingSchema,
  runsFromCsv,
  runsFromLines,
  type Field,
  type RunsMapping,
  type RunsRead,
  type TrialReading,
} from '@zubric/core/protocols';
import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { newId } from '../../common/new-id.ts';
import { Panel } from '../../common/Panel.tsx';
import { record } from '../../offline/outbox.ts';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly set: ShownTrialSet;
  readonly onTaken: (count: number) => void;
}

/** Runs that were written down elsewhere: pasted, or from a file. */
export function PasteRuns({ set, onTaken }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="push-plain min-h-10" onClick={() => setOpen(true)}>
        Paste runs, or a file
      </button>
      {open && (
        <Panel title="Runs from a table" onClose={() => setOpen(false)} wide>
          <PasteForm
            set={set}
            onTaken={(count) => {
              onTaken(count);
              setOpen(false);
            }}
          />
        </Panel>
      )}
    </>
  );
}

/** Runs of a text: the lines that a controller wrote, else a table. */
function readText(
  { protocol, conditions, trials }: ShownTrialSet,
  text: string,
  mapping: RunsMapping,
): RunsRead {
  const before = trials.map(({ reading }) => reading);
  const live = runsFromLines(protocol, (runs) => nextRun(protocol, conditions, [...before, ...runs]), text);
  if (live.length > 0) return { columns: [], readings: live, problems: [] };
  const fields = readingFields(protocol, conditions);
  return runsFromCsv(fields, readingSchema(protocol, conditions), text, mapping);
}

function PasteForm({ set, onTaken }: Props) {
  const { id } = useBuild();
  const field = useId();
  const [text, setText] = useState('');
  const fields = readingFields(set.protocol, set.conditions);
  const [mapping, setMapping] = useState<RunsMapping>({});
  const read = readText(set, text, mapping);
  const take = useMutation({
    mutationFn: async (readings: readonly TrialReading[]) => {
      for (const reading of readings)
        await record(id, { kind: 'run', setId: set.id, runId: newId(), reading });
      return readings.length;
    },
    retry: false,
    onSuccess: onTaken,
  });
  return (
    <div className="grid gap-3">
      <label htmlFor={field}>
        A line a run, the first line says what stands where; or what a controller wrote. A table has:{' '}
        {fields.map(({ title }) => title.toLowerCase()).join(', ')}.
      </label>
      <textarea
        id={field}
        rows={8}
        className="entry font-mono"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <input
        type="file"
        aria-label="A file with runs"
        accept=".csv,.txt,text/csv,text/plain"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void file.text().then(setText);
        }}
      />
      <Columns {...{ read, fields, mapping }} onTold={setMapping} />
      {read.problems.length > 0 && (
        <ul role="alert" className="text-short">
          {read.problems.slice(0, 6).map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      {take.isError && (
        <p role="alert" className="text-short">
          {take.error.message}
        </p>
      )}
      <p>
        <button
          type="button"
          className="push push-main min-h-10"
          disabled={read.readings.length === 0 || read.problems.length > 0 || take.isPending}
          onClick={() => take.mutate(read.readings)}
        >
          {read.readings.length === 1 ? 'Take one run' : `Take ${read.readings.length} runs`}
        </button>
      </p>
    </div>
  );
}

interface ColumnsProps {
  readonly read: RunsRead;
  readonly fields: readonly Field[];
  readonly mapping: RunsMapping;
  readonly onTold: (mapping: RunsMapping) => void;
}

/** What each column of a table is, told where its heading does not say so. */
function Columns({ read: { columns }, fields, mapping, onTold }: ColumnsProps) {
  if (columns.length === 0) return null;
  return (
    <fieldset className="flex flex-wrap gap-3">
      <legend>What each column is</legend>
      {columns.map(({ heading, key }, n) => (
        <label key={`${heading} ${n}`} className="grid text-[14px] text-soft">
          {heading === '' ? `Column ${n + 1}` : heading}
          <select
            className="entry"
            value={key ?? ''}
            onChange={(event) => onTold({ ...mapping, [heading]: event.target.value })}
          >
            <option value="">left out</option>
            {fields.map((one) => (
              <option key={one.key} value={one.key}>
                {one.title.toLowerCase()}
              </option>
            ))}
          </select>
        </label>
      ))}
    </fieldset>
  );
}

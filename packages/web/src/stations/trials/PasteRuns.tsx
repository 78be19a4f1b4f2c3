import {
  nextRun,
  readingFields,
  readingSchema,
  runsFromCsv,
  runsFromLines,
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
function readText({ protocol, conditions, trials }: ShownTrialSet, text: string): RunsRead {
  const before = trials.map(({ reading }) => reading);
  const live = runsFromLines(protocol, (runs) => nextRun(protocol, conditions, [...before, ...runs]), text);
  if (live.length > 0) return { readings: live, problems: [] };
  return runsFromCsv(readingFields(protocol, conditions), readingSchema(protocol, conditions), text);
}

function PasteForm({ set, onTaken }: Props) {
  const { id } = useBuild();
  const field = useId();
  const [text, setText] = useState('');
  const fields = readingFields(set.protocol, set.conditions);
  const read = readText(set, text);
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

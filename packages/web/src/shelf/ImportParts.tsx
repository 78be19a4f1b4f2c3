import type { PartsImport } from '@zubric/core/answers';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api } from '../common/api.ts';
import { Panel } from '../common/Panel.tsx';

/** A file as its kind: what a system calls a table differs. */
const bodyOf = (file: File): Blob =>
  new Blob([file], { type: /\.json$/i.test(file.name) ? 'application/json' : 'text/csv' });

const counted = (n: number, one: string, several: string): string => `${n} ${n === 1 ? one : several}`;

/** More lines than this are not told one by one. */
const TOLD = 50;

interface Props {
  readonly onDone: (said: string) => void;
}

/** A table of parts: chosen, shown as it would come in, and taken where the builder says so. */
export function ImportParts({ onDone }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<{ readonly file: File; readonly read: PartsImport }>();
  const look = useMutation({
    mutationFn: async (file: File) => ({
      file,
      read: await api.importParts(bodyOf(file), { preview: true }),
    }),
    onSuccess: setChosen,
  });
  const take = useMutation({
    mutationFn: (file: File) => api.importParts(bodyOf(file), { preview: false }),
    onSuccess: async ({ good, bad }) => {
      setChosen(undefined);
      await queries.invalidateQueries({ queryKey: ['parts'] });
      onDone(
        `${counted(good, 'part was', 'parts were')} brought in${bad.length > 0 ? `, ${counted(bad.length, 'row was', 'rows were')} not` : ''}.`,
      );
    },
  });
  return (
    <>
      <input
        ref={input}
        type="file"
        className="hidden"
        accept=".csv,.json,text/csv,application/json"
        aria-label="Table of parts"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) look.mutate(file);
          event.target.value = '';
        }}
      />
      <button type="button" className="push" disabled={look.isPending} onClick={() => input.current?.click()}>
        Bring in a table …
      </button>
      <a className="push inline-flex items-center" href="/api/parts.csv" download>
        Save as CSV
      </a>
      {look.error && (
        <p role="alert" className="w-full border border-short bg-short-lo px-3 py-2">
          {look.error.message}
        </p>
      )}
      {chosen && (
        <Panel title={`What “${chosen.file.name}” holds`} onClose={() => setChosen(undefined)} wide>
          <Preview read={chosen.read} />
          {take.error && (
            <p role="alert" className="mt-2 text-short">
              {take.error.message}
            </p>
          )}
          <p className="mt-3 flex gap-3">
            <button
              type="button"
              className="push push-main"
              disabled={chosen.read.good === 0 || take.isPending}
              onClick={() => take.mutate(chosen.file)}
            >
              Bring in {chosen.read.good} {chosen.read.good === 1 ? 'part' : 'parts'}
            </button>
            <button type="button" className="push" onClick={() => setChosen(undefined)}>
              Leave it
            </button>
          </p>
        </Panel>
      )}
    </>
  );
}

/** What each column is taken for, what would come in, and what is wrong with each other row. */
function Preview({ read: { columns, good, bad, parts } }: { readonly read: PartsImport }) {
  const left = columns.filter(({ key, heading }) => key === null && heading !== '');
  const units = columns.filter(({ unit }) => unit !== null);
  return (
    <>
      <p>
        {good} {good === 1 ? 'part' : 'parts'} can be brought in
        {bad.length > 0 && `; ${bad.length} ${bad.length === 1 ? 'row is' : 'rows are'} wrong`}.
      </p>
      {units.length > 0 && (
        <p className="text-[14px] text-soft">
          Units: {units.map(({ heading, unit }) => `“${heading}” in ${unit}`).join(', ')}.
        </p>
      )}
      {left.length > 0 && (
        <p className="text-[14px] text-soft">
          Left out, as no part has such a figure: {left.map(({ heading }) => `“${heading}”`).join(', ')}.
        </p>
      )}
      {parts.length > 0 && (
        <p className="mt-1">
          First of them:{' '}
          {parts
            .slice(0, 3)
            .map(({ name }) => `“${name}”`)
            .join(', ')}
          {good > 3 && ' …'}
        </p>
      )}
      {bad.length > 0 && (
        <ul className="mt-2 max-h-64 overflow-y-auto border border-line p-2 text-[14px]">
          {bad.slice(0, TOLD).map(({ line, problems }) => (
            <li key={line}>
              <b className="font-semibold">Line {line}</b>: {problems.join('; ')}
            </li>
          ))}
          {bad.length > TOLD && <li className="text-soft">and {bad.length - TOLD} more</li>}
        </ul>
      )}
    </>
  );
}

import type { PartsImport } from '@zubric/core/answers';
import { PART_COLUMNS, type PartsMapping } from '@zubric/core/exchange';
import { PART_KINDS } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../common/api.ts';
import { Panel } from '../common/Panel.tsx';
import { PickFile } from '../common/PickFile.tsx';

/** A file as its kind: what a system calls a table differs. */
const bodyOf = (file: File): Blob =>
  new Blob([file], { type: /\.json$/i.test(file.name) ? 'application/json' : 'text/csv' });

const counted = (n: number, one: string, several: string): string => `${n} ${n === 1 ? one : several}`;

/** More lines than this are not told one by one. */
const TOLD = 50;

/** A file, what it is told to be, and how it reads so. */
interface Chosen {
  readonly file: File;
  readonly mapping: PartsMapping;
  readonly read: PartsImport;
}

interface Props {
  readonly onDone: (said: string) => void;
}

/** A table of parts: chosen, shown as it would come in, and taken where the builder says so. */
export function ImportParts({ onDone }: Props) {
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<Chosen>();
  const look = useMutation({
    mutationFn: async ({ file, mapping }: Omit<Chosen, 'read'>): Promise<Chosen> => ({
      ...{ file, mapping },
      read: await api.importParts(bodyOf(file), { preview: true, mapping }),
    }),
    onSuccess: setChosen,
  });
  const take = useMutation({
    mutationFn: ({ file, mapping }: Chosen) => api.importParts(bodyOf(file), { preview: false, mapping }),
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
      <PickFile
        label="Table of parts"
        accept=".csv,.json,text/csv,application/json"
        className="push"
        disabled={look.isPending}
        onPick={(file) => look.mutate({ file, mapping: {} })}
      >
        Bring in a table …
      </PickFile>
      <a className="push inline-flex items-center" href="/api/parts.csv" download>
        Save as CSV
      </a>
      {look.error && !chosen && (
        <p role="alert" className="w-full border border-short bg-short-lo px-3 py-2">
          {look.error.message}
        </p>
      )}
      {chosen && (
        <Panel title={`What “${chosen.file.name}” holds`} onClose={() => setChosen(undefined)} wide>
          <Preview read={chosen.read} />
          <Columns chosen={chosen} onTold={(mapping) => look.mutate({ file: chosen.file, mapping })} />
          {look.error && (
            <p role="alert" className="mt-2 text-short">
              {look.error.message}
            </p>
          )}
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
              onClick={() => take.mutate(chosen)}
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

interface ColumnsProps {
  readonly chosen: Chosen;
  readonly onTold: (mapping: PartsMapping) => void;
}

/** What each column of the table is, told where its heading does not say so. */
function Columns({ chosen: { mapping, read }, onTold }: ColumnsProps) {
  const { columns } = read;
  if (columns.length === 0) return null;
  const kindIsTold = columns.some(({ key }) => key === 'kind');
  return (
    <details className="mt-2" open={columns.some(({ key }) => key === null)}>
      <summary className="cursor-pointer">What each column is</summary>
      <div className="mt-1 flex flex-wrap gap-3">
        {!kindIsTold && (
          <label className="grid text-[14px] text-soft">
            Kind of all of them
            <select
              className="entry"
              value={mapping.kind ?? ''}
              onChange={({ target: { value } }) =>
                onTold({ ...mapping, kind: PART_KINDS.find((kind) => kind === value) })
              }
            >
              <option value="">not said</option>
              {PART_KINDS.map((kind) => (
                <option key={kind}>{kind}</option>
              ))}
            </select>
          </label>
        )}
        {columns.map(({ heading, key }, n) => (
          <label key={`${heading} ${n}`} className="grid text-[14px] text-soft">
            {heading === '' ? `Column ${n + 1}` : heading}
            <select
              className="entry"
              value={key ?? ''}
              onChange={({ target: { value } }) =>
                onTold({ ...mapping, columns: { ...mapping.columns, [heading]: value } })
              }
            >
              <option value="">left out</option>
              {PART_COLUMNS.map((column) => (
                <option key={column.key} value={column.key}>
                  {column.title}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
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
          Left out, until it is said below what they are:{' '}
          {left.map(({ heading }) => `“${heading}”`).join(', ')}.
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

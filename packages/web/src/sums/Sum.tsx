import type { AnyCalculator } from '@zubric/core/calculators';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useUnits } from '../app/units.tsx';
import { SumEntry } from './SumEntry.tsx';
import { sayKey } from './key-units.ts';
import { WithNumbers } from './WithNumbers.tsx';
import { exampleEntries, inputFields, outputFields, work, type SumField } from './sum-form.ts';

/** One sum, worked as it is typed. The address carries what was typed. */
export function Sum({ calculator }: { readonly calculator: AnyCalculator }) {
  const fields = useMemo(() => inputFields(calculator), [calculator]);
  const example = useMemo(() => exampleEntries(calculator, fields), [calculator, fields]);
  const [typed, setTyped] = useSearchParams();
  const entries = Object.fromEntries(fields.map((f) => [f.key, typed.get(f.key) ?? example[f.key] ?? '']));
  const { given, output, problems } = work(calculator, fields, entries);
  const change = (key: string, text: string): void =>
    setTyped(
      (before) => {
        const next = new URLSearchParams(before);
        next.set(key, text);
        return next;
      },
      { replace: true },
    );
  return (
    <div className="grid content-start gap-4 px-6 py-4">
      <div>
        <h1>{calculator.title}</h1>
        <p className="mt-0.5 text-[16px] text-soft">{calculator.purpose}</p>
      </div>
      <div className="grid grid-cols-1 items-start gap-6 lg:grid-cols-2">
        <div className="grid content-start gap-4">
          <section aria-labelledby="given-title" className="sheet p-4">
            <h2 id="given-title">Given</h2>
            <div className="mt-2 grid gap-2">
              {fields.map((field) => (
                <SumEntry
                  key={field.key}
                  field={field}
                  text={entries[field.key] ?? ''}
                  problem={problems[field.key]}
                  onChange={(text) => change(field.key, text)}
                />
              ))}
            </div>
            {typed.size > 0 && (
              <button type="button" className="push mt-3" onClick={() => setTyped({}, { replace: true })}>
                Back to the example
              </button>
            )}
          </section>
          <dl className="text-[15px]">
            <dt className="text-[14px] text-soft">Formula{given && ', with the numbers put in'}</dt>
            <dd className="mb-2">
              {given && output ? (
                <WithNumbers calculator={calculator} given={given} found={output} />
              ) : (
                calculator.formula
              )}
            </dd>
            <dt className="text-[14px] text-soft">Source</dt>
            <dd className="mb-2">{calculator.source}</dd>
            <dt className="text-[14px] text-soft">Checked against</dt>
            <dd>{calculator.examples.map((e) => e.origin).join('; ')}</dd>
          </dl>
        </div>
        <section aria-labelledby="found-title" className="grid content-start gap-3">
          <div className="sheet p-4">
            <h2 id="found-title">Found</h2>
            {problems[''] !== undefined && (
              <p role="alert" className="mt-2 text-short">
                {problems['']}
              </p>
            )}
            {output ? (
              <Found fields={outputFields(calculator)} output={output} />
            ) : (
              problems[''] === undefined && <p className="mt-2 text-soft">Mend what is marked on the left.</p>
            )}
          </div>
        </section>
      </div>
    </div>
  );
}

const ELECTRICAL = new Set(['V', 'A', 'Ω', 'mΩ', 'Wh', 'Ah']);

function Found({
  fields,
  output,
}: {
  readonly fields: readonly SumField[];
  readonly output: Readonly<Record<string, unknown>>;
}) {
  const { system } = useUnits();
  const warnings = Array.isArray(output.warnings) ? output.warnings.map(String) : [];
  const say = (value: unknown, unit: string): string => {
    if (typeof value === 'number') return sayKey(value, unit, system);
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    return value === null ? 'never' : String(value);
  };
  const plain = fields.filter((f) => f.key in output && typeof output[f.key] !== 'object');
  const pairs = Array.isArray(output.pairing)
    ? (output.pairing as { a: string; b: string; mismatch: number }[])
    : [];
  const nulls = fields.filter((f) => output[f.key] === null);
  return (
    <>
      <dl className="mt-1 divide-y divide-line">
        {[...plain, ...nulls].map((field) => (
          <div key={field.key} className="flex items-baseline justify-between gap-4 py-1.5">
            <dt className="text-soft">{field.description}</dt>
            <dd
              className={`font-narrow text-[18px] font-semibold whitespace-nowrap ${ELECTRICAL.has(field.unit) ? 'text-elec' : 'text-mech'}`}
            >
              {say(output[field.key], field.unit)}
            </dd>
          </div>
        ))}
        {pairs.map((pair) => (
          <div key={pair.a} className="flex justify-between gap-4 py-1.5">
            <dt>
              {pair.a} with {pair.b}
            </dt>
            <dd className="font-semibold">{sayKey(pair.mismatch * 100, '%', system)} apart</dd>
          </div>
        ))}
      </dl>
      {fields
        .filter((field) => field.kind === 'rows' && field.key !== 'warnings' && field.key !== 'pairing')
        .map((field) => (
          <FoundRows key={field.key} field={field} rows={output[field.key]} />
        ))}
      {warnings.map((warning) => (
        <p
          key={warning}
          role="status"
          className="mt-2 border border-dashed border-edge px-3 py-2 text-[15px]"
        >
          {warning}
        </p>
      ))}
    </>
  );
}

/** A list that was found: words one after the other, or a table of its columns. */
function FoundRows({ field, rows }: { readonly field: SumField; readonly rows: unknown }) {
  const { system } = useUnits();
  if (!Array.isArray(rows) || rows.length === 0) return null;
  const list = rows as readonly unknown[];
  const [first] = list;
  if (typeof first !== 'object' || first === null)
    return (
      <p className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
        <span className="text-soft">{field.description}</span>
        <span className="text-right font-semibold">{list.map(String).join(', ')}</span>
      </p>
    );
  const say = (value: unknown, unit: string): string =>
    typeof value === 'number' ? sayKey(value, unit, system) : String(value);
  return (
    <table className="grid-table mt-2">
      <caption className="text-left text-soft">{field.description}</caption>
      <thead>
        <tr>
          {field.columns.map((column) => (
            <th key={column.key} scope="col" className="n">
              {column.description}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {list.map((row, n) => (
          <tr key={n}>
            {field.columns.map((column) => (
              <td key={column.key} className="n">
                {say((row as Readonly<Record<string, unknown>>)[column.key], column.unit)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

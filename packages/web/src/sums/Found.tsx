import { useUnits } from '../common/units.tsx';
import { sayKey } from './key-units.ts';
import type { SumField } from './sum-form.ts';

const ELECTRICAL = new Set(['V', 'A', 'Ω', 'mΩ', 'Wh', 'Ah']);

/** What a sum came to, with what it warns of. */
export function Found({
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
          <div key={field.key} className="flex items-baseline justify-between gap-4 py-0.5">
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
  const say = (value: unknown, unit: string): string =>
    typeof value === 'number' ? sayKey(value, unit, system) : String(value);
  const [first] = list;
  if (typeof first !== 'object' || first === null)
    return (
      <p className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
        <span className="text-soft">{field.description}</span>
        <span className="text-right font-semibold">
          {list.map((value) => say(value, field.unit)).join(', ')}
        </span>
      </p>
    );
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

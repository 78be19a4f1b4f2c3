import { useId } from 'react';
import { bareUnit } from './key-units.ts';
import type { SumField } from './sum-form.ts';

interface Props {
  readonly field: SumField;
  readonly text: string;
  readonly problem: string | undefined;
  readonly onChange: (text: string) => void;
}

const columnsSaid = (field: SumField): string =>
  field.columns.length === 1 && field.columns[0]?.key === ''
    ? 'numbers, with commas or one a line'
    : `one a line: ${field.columns.map((c) => c.description.toLowerCase() + (c.unit === '' ? '' : ` (${c.unit})`)).join(', ')}`;

/** One input of a sum, with what is wrong with it beside it. */
export function SumEntry({ field, text, problem, onChange }: Props) {
  const id = useId();
  const describedBy = problem === undefined ? undefined : `${id}-problem`;
  const common = {
    id,
    className: 'entry',
    value: text,
    'aria-invalid': problem !== undefined,
    'aria-describedby': describedBy,
  };
  const note = field.required
    ? ''
    : field.fallback === ''
      ? ' (if known)'
      : ` (${field.fallback} unless given)`;
  return (
    <div>
      <label htmlFor={id} className="block text-[14px] text-soft">
        {field.description}
        {bareUnit(field.unit) !== '' && `, ${bareUnit(field.unit)}`}
        {note}
      </label>
      {field.kind === 'rows' ? (
        <>
          <textarea
            {...common}
            rows={field.required ? 6 : 2}
            onChange={(event) => onChange(event.target.value)}
          />
          <p className="text-[14px] text-soft">{columnsSaid(field)}</p>
        </>
      ) : field.kind === 'choice' || field.kind === 'switch' ? (
        <select {...common} onChange={(event) => onChange(event.target.value)}>
          {!field.required && <option value="">–</option>}
          {(field.kind === 'switch' ? ['true', 'false'] : field.choices).map((choice) => (
            <option key={choice} value={choice}>
              {choice}
            </option>
          ))}
        </select>
      ) : (
        <input
          {...common}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
      {problem !== undefined && (
        <p id={`${id}-problem`} role="alert" className="text-[14px] text-short">
          {problem}
        </p>
      )}
    </div>
  );
}

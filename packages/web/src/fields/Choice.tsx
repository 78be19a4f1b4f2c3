import { useId } from 'react';
import { FieldLabel } from './FieldLabel.tsx';

interface Option<T extends string> {
  readonly value: T;
  readonly title: string;
}

const Options = <T extends string>({ of }: { readonly of: readonly Option<T>[] }) =>
  of.map(({ value, title }) => (
    <option key={value} value={value}>
      {title}
    </option>
  ));

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  /** More of them under a heading of their own. */
  readonly more?: { readonly title: string; readonly options: readonly Option<T>[] };
  readonly onChange: (value: T) => void;
  readonly hideLabel?: boolean;
  readonly className?: string;
}

/** One of a few. */
export function Choice<T extends string>({
  label,
  value,
  options,
  more,
  onChange,
  hideLabel,
  className,
}: Props<T>) {
  const id = useId();
  return (
    <div className={className}>
      <FieldLabel htmlFor={id} label={label} hidden={hideLabel} />
      <select
        id={id}
        className="entry"
        value={value}
        title={options.find((option) => option.value === value)?.title}
        onChange={(event) => {
          const chosen = [...options, ...(more?.options ?? [])].find(
            (option) => option.value === event.target.value,
          );
          if (chosen) onChange(chosen.value);
        }}
      >
        <Options of={options} />
        {more && (
          <optgroup label={more.title}>
            <Options of={more.options} />
          </optgroup>
        )}
      </select>
    </div>
  );
}

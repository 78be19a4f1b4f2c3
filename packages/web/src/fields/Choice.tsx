import { useId } from 'react';
import { FieldLabel } from './FieldLabel.tsx';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly title: string }[];
  readonly onChange: (value: T) => void;
  readonly hideLabel?: boolean;
  readonly className?: string;
}

/** One of a few. */
export function Choice<T extends string>({
  label,
  value,
  options,
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
        onChange={(event) => {
          const chosen = options.find((option) => option.value === event.target.value);
          if (chosen) onChange(chosen.value);
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.title}
          </option>
        ))}
      </select>
    </div>
  );
}

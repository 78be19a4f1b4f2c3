import { useId } from 'react';
import { FieldLabel } from './FieldLabel.tsx';

interface Props {
  readonly label: string;
  /** As it is written: 2027-04-24. */
  readonly value: string | undefined;
  readonly onChange: (day: string | undefined) => void;
  readonly hideLabel?: boolean;
  readonly className?: string;
}

/** A day, by the browser's own calendar. A date half typed is no date yet and changes nothing. */
export function DateField({ label, value, onChange, hideLabel, className }: Props) {
  const id = useId();
  return (
    <div className={className}>
      <FieldLabel htmlFor={id} label={label} hidden={hideLabel} />
      <input
        id={id}
        type="date"
        className="entry"
        min="2000-01-01"
        max="2199-12-31"
        value={value ?? ''}
        onChange={(event) => {
          const { value: day, validity } = event.target;
          if (day === '' && !validity.badInput) onChange(undefined);
          else if (validity.valid) onChange(day);
        }}
      />
    </div>
  );
}

import { memo, useId, useState } from 'react';
import { FieldLabel } from './FieldLabel.tsx';
import { useSteady } from './use-steady.ts';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** An empty text is kept on screen and told, not handed on. */
  readonly required?: string;
  readonly hideLabel?: boolean;
  readonly maxLength?: number;
  readonly className?: string;
}

/**
 * A line of text, that goes on below where the field is narrower than it. It shows what is typed until it is left: the
 * build on screen may follow a moment later. Drawn anew only where it shows another.
 */
export const TextField = ({ onChange, ...rest }: Props) => <Line {...rest} onChange={useSteady(onChange)} />;

const Line = memo(function Line({
  label,
  value,
  onChange,
  required,
  hideLabel,
  maxLength = 120,
  className,
}: Props) {
  const id = useId();
  const [typed, setTyped] = useState<string>();
  const emptied = required !== undefined && typed?.trim() === '';
  return (
    <div className={className}>
      <FieldLabel htmlFor={id} label={label} hidden={hideLabel} />
      <textarea
        id={id}
        rows={1}
        className="entry entry-line"
        value={typed ?? value}
        maxLength={maxLength}
        aria-invalid={emptied}
        aria-describedby={emptied ? `${id}-problem` : undefined}
        onChange={(event) => {
          const text = event.target.value.replace(/\s*\n\s*/g, ' ');
          setTyped(text);
          if (required === undefined || text.trim() !== '') onChange(text);
        }}
        onKeyDown={(event) => {
          // Enter that ends a composed character is the keyboard's own.
          if (event.key !== 'Enter' || event.nativeEvent.isComposing) return;
          // As in any line: no second one, but what it stands in is sent.
          event.preventDefault();
          event.currentTarget.form?.requestSubmit();
        }}
        onBlur={() => setTyped(undefined)}
      />
      {emptied && (
        <p id={`${id}-problem`} role="alert" className="text-[14px] text-short">
          {required}
        </p>
      )}
    </div>
  );
});

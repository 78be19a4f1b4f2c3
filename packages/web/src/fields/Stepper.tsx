import { useId, useState } from 'react';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
}

/** A whole number with one step down and up; teeth, mostly. */
export function Stepper({ label, value, least, most, onChange }: Props) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? String(value);
  const read = /^\d+$/.test(text.trim()) ? Number(text) : NaN;
  const wrong = !(read >= least && read <= most);
  const step = (by: number): void => {
    setDraft(null);
    onChange(Math.min(most, Math.max(least, value + by)));
  };
  return (
    <div className="relative inline-flex border border-edge bg-field">
      <button
        type="button"
        className="w-8 text-[17px]"
        aria-label={`${label}: one less`}
        disabled={value <= least}
        onClick={() => step(-1)}
      >
        −
      </button>
      <label htmlFor={id} className="sr-only">
        {label}
      </label>
      <input
        id={id}
        inputMode="numeric"
        className="w-11 border-x border-line bg-transparent py-1 text-center text-[16px] font-semibold aria-invalid:bg-short-lo"
        value={text}
        aria-invalid={wrong}
        aria-describedby={wrong ? `${id}-problem` : undefined}
        onChange={(event) => {
          setDraft(event.target.value);
          const n = Number(event.target.value);
          if (/^\d+$/.test(event.target.value.trim()) && n >= least && n <= most) onChange(n);
        }}
        onBlur={() => {
          if (!wrong) setDraft(null);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
          event.preventDefault();
          step(event.key === 'ArrowUp' ? 1 : -1);
        }}
      />
      <button
        type="button"
        className="w-8 text-[17px]"
        aria-label={`${label}: one more`}
        disabled={value >= most}
        onClick={() => step(1)}
      >
        +
      </button>
      {wrong && (
        <p
          id={`${id}-problem`}
          role="alert"
          className="opens-over absolute top-full left-0 z-20 w-48 border border-short bg-short-lo px-2 py-1 text-[14px]"
        >
          A whole number from {least} to {most}.
        </p>
      )}
    </div>
  );
}

import { useState } from 'react';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly onChange: (count: number) => void;
}

/** A whole number from 1 up; what is none stands there while it is typed, and changes nothing. */
export function CountInput({ label, value, most, onChange }: Props) {
  const [typed, setTyped] = useState<string>();
  return (
    <input
      type="number"
      className="entry w-20 text-right"
      aria-label={label}
      min={1}
      max={most}
      value={typed ?? value}
      onChange={(event) => {
        setTyped(event.target.value);
        const count = event.target.valueAsNumber;
        if (Number.isInteger(count) && count >= 1 && count <= most) onChange(count);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}

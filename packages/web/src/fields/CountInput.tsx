interface Props {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly onChange: (count: number) => void;
}

/** A whole number from 1 up; what is none is left as it was. */
export const CountInput = ({ label, value, most, onChange }: Props) => (
  <input
    type="number"
    className="entry w-20 text-right"
    aria-label={label}
    min={1}
    max={most}
    value={value}
    onChange={(event) => {
      const count = event.target.valueAsNumber;
      if (Number.isInteger(count) && count >= 1 && count <= most) onChange(count);
    }}
  />
);

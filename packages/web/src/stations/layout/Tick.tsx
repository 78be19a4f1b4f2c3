interface Props {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** Something that is so, or is not. */
export const Tick = ({ label, checked, onChange }: Props) => (
  <label className="flex min-h-9 items-center gap-2 text-[14px]">
    <input type="checkbox" checked={checked} onChange={(event) => onChange(event.target.checked)} />
    {label}
  </label>
);

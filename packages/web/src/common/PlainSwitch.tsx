interface Props<T extends string> {
  /** What it is that is chosen among. */
  readonly label: string;
  readonly options: readonly { readonly value: T; readonly title: string }[];
  readonly value: T;
  readonly onChoose: (value: T) => void;
  readonly className?: string;
}

/** One of a few views of the same thing, as plain words in a row. */
export const PlainSwitch = <T extends string>({
  label,
  options,
  value,
  onChoose,
  className = '',
}: Props<T>) => (
  <div className={`flex flex-wrap gap-x-5 gap-y-1 ${className}`} role="group" aria-label={label}>
    {options.map((option) => (
      <button
        key={option.value}
        type="button"
        aria-pressed={option.value === value}
        className={`push-plain ${option.value === value ? 'font-semibold text-ink' : 'text-soft'}`}
        onClick={() => onChoose(option.value)}
      >
        {option.title}
      </button>
    ))}
  </div>
);

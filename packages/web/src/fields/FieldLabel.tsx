interface Props {
  readonly htmlFor: string;
  readonly label: string;
  /** In a table the column heads the field; the label is then for ears only. */
  readonly hidden?: boolean | undefined;
}

/** What a field is called, over it. */
export const FieldLabel = ({ htmlFor, label, hidden }: Props) => (
  <label htmlFor={htmlFor} className={hidden ? 'sr-only' : 'block text-[14px] text-soft'}>
    {label}
  </label>
);

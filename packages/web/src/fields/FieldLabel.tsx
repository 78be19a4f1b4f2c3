import { useFieldsOf } from './FieldsOf.tsx';

interface Props {
  readonly htmlFor: string;
  readonly label: string;
  /** In a table the column heads the field; the label is then for ears only. */
  readonly hidden?: boolean | undefined;
}

/** What a field is called, over it; among several alike, for ears also whose it is. */
export function FieldLabel({ htmlFor, label, hidden }: Props) {
  const whose = useFieldsOf();
  return (
    <label htmlFor={htmlFor} className={hidden ? 'sr-only' : 'block text-[14px] text-soft'}>
      {label}
      {whose !== undefined && <span className="sr-only">, {whose}</span>}
    </label>
  );
}

import { Trash2 } from 'lucide-react';

interface Props {
  /** What is taken away, in words. */
  readonly label: string;
  readonly onRemove: () => void;
}

/** Takes something of the layout away; undone like any other edit. */
export const Remove = ({ label, onRemove }: Props) => (
  <button type="button" className="p-1.5 hover:text-short" aria-label={label} onClick={onRemove}>
    <Trash2 size={18} aria-hidden="true" />
  </button>
);

import { ArrowDown, ArrowUp } from 'lucide-react';

interface Props {
  readonly title: string;
  readonly sorted: false | 'asc' | 'desc';
  /** The other way round, or the order in which the lines came. */
  readonly onSort: () => void;
  readonly isNumber?: boolean;
}

const ARIA = { asc: 'ascending', desc: 'descending' } as const;

/** The head of a column by which a table can be put in order. */
export const SortHeader = ({ title, sorted, onSort, isNumber = false }: Props) => (
  <th scope="col" className={isNumber ? 'n' : ''} aria-sort={sorted === false ? 'none' : ARIA[sorted]}>
    <button
      type="button"
      className="inline-flex items-center gap-1 text-left underline-offset-4 hover:underline"
      onClick={onSort}
    >
      {title}
      {sorted === 'asc' && <ArrowUp size={14} aria-hidden="true" />}
      {sorted === 'desc' && <ArrowDown size={14} aria-hidden="true" />}
    </button>
  </th>
);

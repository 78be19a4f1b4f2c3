import { PART_KINDS, PART_SORTS, PART_STATES, PART_STATE_WORDS, type Part } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { createColumnHelper, useTable } from '@tanstack/react-table';
import { useState } from 'react';
import { listFeatures } from '../common/list-features.ts';
import { SortHeader } from '../common/SortHeader.tsx';
import { useSay } from '../common/units.tsx';
import { Choice } from '../fields/Choice.tsx';
import { figuresOf, voltsOf } from './figures.ts';

const column = createColumnHelper<typeof listFeatures, Part>();
const COLUMNS = column.columns([
  column.accessor((part) => `${part.name} ${part.note}`, {
    id: 'part',
    header: 'Part',
    filterFn: 'includes',
    sortFn: 'alphanumeric',
  }),
  column.accessor(({ kind }) => kind, { id: 'kind', header: 'Kind', filterFn: 'equals' }),
  column.accessor(voltsOf, { id: 'volts', header: 'Volts', sortUndefined: 'last' }),
  column.accessor(({ massKg }) => massKg, { id: 'mass', header: 'Mass' }),
  column.accessor(({ cost }) => cost, { id: 'cost', header: 'Cost', sortUndefined: 'last' }),
  column.accessor(({ state }) => state, { id: 'state', header: 'State', filterFn: 'equals' }),
]);
const NUMBERS: ReadonlySet<string> = new Set(['volts', 'mass', 'cost']);

/** More rows than this are not drawn at once; filters and order look through all of them. */
const MOST_ROWS = 200;

interface Props {
  readonly parts: readonly Part[];
  readonly aside: boolean;
  readonly onAside: (aside: boolean) => void;
  readonly onEdit: (part: Part) => void;
  readonly onCopy: (part: Part) => void;
  /** Sets it aside, or back on the shelf. */
  readonly onPut: (part: Part) => void;
}

/** The parts, filtered and in the order that is wanted. */
export function ShelfTable({ parts, aside, onAside, ...does }: Props) {
  const [words, setWords] = useState('');
  const [kind, setKind] = useState<string>('all');
  const [state, setState] = useState<string>('all');
  const table = useTable({
    features: listFeatures,
    columns: COLUMNS,
    data: parts,
    getRowId: ({ id }) => id,
    state: {
      columnFilters: [
        ...(words.trim() === '' ? [] : [{ id: 'part', value: words.trim() }]),
        ...(kind === 'all' ? [] : [{ id: 'kind', value: kind }]),
        ...(state === 'all' ? [] : [{ id: 'state', value: state }]),
      ],
    },
  });
  const { rows } = table.getRowModel();
  return (
    <section aria-label="Parts">
      <div className="mt-4 flex flex-wrap items-end gap-3">
        <label className="min-w-48 flex-1">
          <span className="block text-[14px] text-soft">Search in names and notes</span>
          <input
            className="entry"
            type="search"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        <Choice label="Kind" className="w-36" value={kind} options={KINDS} onChange={setKind} />
        <Choice label="State" className="w-36" value={state} options={STATES} onChange={setState} />
        <Choice
          label="Where"
          className="w-36"
          value={aside ? 'aside' : 'shelf'}
          options={WHERE}
          onChange={(where) => onAside(where === 'aside')}
        />
      </div>
      <p role="status" className="mt-2 text-[14px] text-soft">
        {rows.length} of {parts.length} {parts.length === 1 ? 'part' : 'parts'}
        {rows.length > MOST_ROWS && `; the first ${MOST_ROWS} are shown: search, or choose a kind`}
      </p>
      <div className="sheet relative mt-1 overflow-x-auto">
        <table className="grid-table">
          <thead>
            <tr>
              {table.getFlatHeaders().map(({ id, column: of }) => (
                <SortHeader
                  key={id}
                  title={String(of.columnDef.header)}
                  sorted={of.getIsSorted()}
                  onSort={() => of.toggleSorting()}
                  isNumber={NUMBERS.has(id)}
                />
              ))}
              <th scope="col">
                <span className="sr-only">Change, copy, set aside</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, MOST_ROWS).map(({ original }) => (
              <PartRow key={original.id} part={original} aside={aside} {...does} />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const KINDS = [
  { value: 'all', title: 'every kind' },
  ...PART_KINDS.map((kind) => ({ value: kind, title: PART_SORTS[kind].many })),
];
const STATES = [
  { value: 'all', title: 'every state' },
  ...PART_STATES.map((state) => ({ value: state, title: PART_STATE_WORDS[state] })),
];
const WHERE = [
  { value: 'shelf', title: 'on the shelf' },
  { value: 'aside', title: 'set aside' },
] as const;

interface RowProps extends Omit<Props, 'parts' | 'onAside'> {
  readonly part: Part;
}

function PartRow({ part, aside, onEdit, onCopy, onPut }: RowProps) {
  const say = useSay();
  const volts = voltsOf(part);
  const does = [
    ['Change', onEdit],
    ['Copy', onCopy],
    [aside ? 'Put back' : 'Set aside', onPut],
  ] as const;
  return (
    <tr>
      <td>
        <span className="font-semibold">{part.name}</span>
        <span className="block text-[14px] text-soft">
          {figuresOf(part, say)}
          {part.guessed && ' · partly guessed'}
          {part.whence && ` · ${part.whence}`}
        </span>
      </td>
      <td>{part.kind}</td>
      <td className="n whitespace-nowrap">{volts === undefined ? '–' : say(volts, 'voltage')}</td>
      <td className="n whitespace-nowrap">{say(part.massKg, 'mass')}</td>
      <td className="n">{part.cost === undefined ? '–' : showNumber(part.cost, 5)}</td>
      <td className="whitespace-nowrap">{PART_STATE_WORDS[part.state]}</td>
      <td>
        <span className="flex gap-2 whitespace-nowrap">
          {does.map(([title, run]) => (
            <button
              key={title}
              type="button"
              className="push push-small"
              aria-label={`${title} ${part.name}`}
              onClick={() => run(part)}
            >
              {title}
            </button>
          ))}
        </span>
      </td>
    </tr>
  );
}

import { PART_STATE_WORDS, type Part } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { createColumnHelper, useTable } from '@tanstack/react-table';
import { memo, useCallback, useState } from 'react';
import { listFeatures } from '../common/list-features.ts';
import { SortHeader } from '../common/SortHeader.tsx';
import { useSay } from '../common/units.tsx';
import { figuresOf, voltsOf } from './figures.ts';
import { ALL, AT_FIRST, Columns, Filters, filtersOf } from './ShelfControls.tsx';
import { MOST_BESIDE, SideBySide } from './SideBySide.tsx';

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
  column.accessor(({ whence }) => whence ?? '', { id: 'whence', header: 'Where from' }),
]);
const NUMBERS: ReadonlySet<string> = new Set(['volts', 'mass', 'cost']);

/** More rows than this are not drawn at once; filters and order look through all of them. */
const MOST_ROWS = 50;

interface Props {
  readonly parts: readonly Part[];
  readonly aside: boolean;
  readonly onAside: (aside: boolean) => void;
  readonly onEdit: (part: Part) => void;
  readonly onCopy: (part: Part) => void;
  /** Sets it aside, or back on the shelf. */
  readonly onPut: (part: Part) => void;
  readonly onUses: (part: Part) => void;
}

const countSaid = (wanted: number, all: number): string =>
  `${wanted} of ${all} ${all === 1 ? 'part' : 'parts'}${wanted > MOST_ROWS ? `; the first ${MOST_ROWS} are shown: search, or choose a kind` : ''}`;

/** Parts that are ticked to stand side by side. */
function usePicked() {
  const [picked, setPicked] = useState<readonly string[]>([]);
  const pick = useCallback(({ id }: Part): void => {
    setPicked((now) => (now.includes(id) ? now.filter((other) => other !== id) : [...now, id]));
  }, []);
  return { picked, pick };
}

/** The parts, filtered and in the order that is wanted. */
export function ShelfTable({ parts, aside, onAside, ...does }: Props) {
  const [looked, setLooked] = useState(ALL);
  const [columns, setColumns] = useState(AT_FIRST);
  const { picked, pick } = usePicked();
  const [beside, setBeside] = useState(false);
  const table = useTable({
    features: listFeatures,
    columns: COLUMNS,
    data: parts,
    getRowId: ({ id }) => id,
    state: { columnFilters: filtersOf(looked) },
  });
  const { rows } = table.getRowModel();
  return (
    <section aria-label="Parts">
      <Filters looked={looked} onLook={setLooked} aside={aside} onAside={onAside} />
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <Columns shown={columns} onChange={setColumns} />
        <button
          type="button"
          className="push push-small"
          disabled={picked.length < 2}
          onClick={() => setBeside(true)}
        >
          {picked.length < 2 ? `Side by side: tick two to ${MOST_BESIDE}` : `${picked.length} side by side`}
        </button>
      </div>
      <p role="status" className="mt-2 text-[14px] text-soft">
        {countSaid(rows.length, parts.length)}
      </p>
      <div className="sheet relative mt-1 overflow-x-auto">
        <table className="grid-table">
          <thead>
            <tr>
              <th scope="col">
                <span className="sr-only">Side by side</span>
              </th>
              {table
                .getFlatHeaders()
                .filter(({ id }) => columns.has(id))
                .map(({ id, column: of }) => (
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
              <PartRow
                key={original.id}
                part={original}
                aside={aside}
                columns={columns}
                picked={picked.includes(original.id)}
                onPick={picked.length < MOST_BESIDE || picked.includes(original.id) ? pick : undefined}
                {...does}
              />
            ))}
          </tbody>
        </table>
      </div>
      {beside && (
        <SideBySide
          parts={picked.flatMap((id) => parts.find((part) => part.id === id) ?? [])}
          onClose={() => setBeside(false)}
        />
      )}
    </section>
  );
}

interface RowProps extends Omit<Props, 'parts' | 'onAside'> {
  readonly part: Part;
  readonly columns: ReadonlySet<string>;
  readonly picked: boolean;
  /** Absent where no more may be picked. */
  readonly onPick: ((part: Part) => void) | undefined;
}

/** Drawn anew only where something of it changes: thousands of parts are searched letter by letter. */
const PartRow = memo(function PartRow({
  part,
  aside,
  columns,
  picked,
  onPick,
  onEdit,
  onCopy,
  onPut,
  onUses,
}: RowProps) {
  const say = useSay();
  const volts = voltsOf(part);
  const does = [
    ['Change', onEdit],
    ['Copy', onCopy],
    ['Used in', onUses],
    [aside ? 'Put back' : 'Set aside', onPut],
  ] as const;
  return (
    <tr>
      <td>
        <input
          type="checkbox"
          className="size-4"
          aria-label={`Side by side: ${part.name}`}
          checked={picked}
          disabled={!onPick}
          onChange={() => onPick?.(part)}
        />
      </td>
      <td>
        <span className="font-semibold">{part.name}</span>
        <span className="block text-[14px] text-soft">
          {figuresOf(part, say)}
          {part.guessed && ' · partly guessed'}
          {'measured' in part && part.measured && ' · measured'}
        </span>
      </td>
      {columns.has('kind') && <td>{part.kind}</td>}
      {columns.has('volts') && (
        <td className="n whitespace-nowrap">{volts === undefined ? '–' : say(volts, 'voltage')}</td>
      )}
      {columns.has('mass') && <td className="n whitespace-nowrap">{say(part.massKg, 'mass')}</td>}
      {columns.has('cost') && (
        <td className="n">{part.cost === undefined ? '–' : showNumber(part.cost, 5)}</td>
      )}
      {columns.has('state') && <td className="whitespace-nowrap">{PART_STATE_WORDS[part.state]}</td>}
      {columns.has('whence') && <td>{part.whence ?? '–'}</td>}
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
});

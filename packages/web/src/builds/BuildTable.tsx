import type { BuildLine, JudgedLine, BuildPlace } from '@zubric/core/answers';
import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';

import { Link } from 'react-router';
import { sayMoment } from '../common/days.ts';
import { Below } from '../common/Below.tsx';
import { SortHeader } from '../common/SortHeader.tsx';
import { stationAddress, type StationPath } from '../common/stations.ts';
import { useSay } from '../common/units.tsx';
import { BuildMenu, type BuildActions } from './BuildMenu.tsx';
import { lazyPart } from '../common/lazy-part.ts';

/** What is drawn needs half the core; the list does not wait for it. */
const Tape = lazyPart(async () => (await import('../strip/Tape.tsx')).Tape);
const LineDrawing = lazyPart(async () => (await import('./LineDrawing.tsx')).LineDrawing);

interface Props {
  readonly builds: readonly BuildLine[];
  readonly place: BuildPlace;
  readonly picked: ReadonlySet<string>;
  readonly onPick: (id: string, picked: boolean) => void;
  /** Absent where nothing may be done with them here. */
  readonly actions: BuildActions | undefined;
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric },
});
const column = createColumnHelper<typeof features, BuildLine>();

/** What is judged of a line; one that cannot be judged comes last, whichever way. */
const judged =
  <T,>(read: (line: JudgedLine) => T) =>
  (line: BuildLine): T | undefined =>
    'problem' in line ? undefined : read(line);

/** What stops it, then what is short of its rule, then what is tight. */
const standing = ({ stops, short, tight }: JudgedLine): number => stops * 1e6 + short * 1e3 + tight;

const COLUMNS = column.columns([
  column.accessor('name', { id: 'build', header: 'Build', sortFn: 'alphanumeric' }),
  column.accessor(
    judged(({ massKg }) => massKg),
    { id: 'mass', header: 'Total mass', sortUndefined: 'last' },
  ),
  column.accessor(
    judged(({ worst }) => worst && worst.ratio / worst.rule),
    { id: 'governs', header: 'Its worst margin', sortUndefined: 'last', sortDescFirst: false },
  ),
  column.accessor(judged(standing), {
    id: 'stands',
    header: 'How it stands, and what is next',
    sortUndefined: 'last',
  }),
  column.accessor(({ updatedAt }) => Date.parse(updatedAt), { id: 'saved', header: 'Last saved' }),
]);

/** A line a vehicle: what it is, what governs it, how it stands; in the order that is wanted. */
export function BuildTable({ builds, place, picked, onPick, actions }: Props) {
  const table = useTable({ features, columns: COLUMNS, data: builds, getRowId: ({ id }) => id });
  if (builds.length === 0) return null;
  return (
    <div className="sheet relative mt-3 overflow-x-auto">
      <table className="grid-table">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr-only">Pick</span>
            </th>
            <th scope="col" className="max-sm:hidden">
              <span className="sr-only">Drawing</span>
            </th>
            {table.getFlatHeaders().map((header) => (
              <SortHeader
                key={header.id}
                title={String(header.column.columnDef.header)}
                sorted={header.column.getIsSorted()}
                onSort={() => header.column.toggleSorting()}
                isNumber={header.id === 'mass'}
              />
            ))}
            <th scope="col">
              <span className="sr-only">More</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {table.getRowModel().rows.map(({ original: build }) => (
            <Row
              key={build.id}
              build={build}
              place={place}
              picked={picked.has(build.id)}
              onPick={(on) => onPick(build.id, on)}
              actions={actions}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  readonly build: BuildLine;
  readonly place: BuildPlace;
  readonly picked: boolean;
  readonly onPick: (picked: boolean) => void;
  readonly actions: BuildActions | undefined;
}

function Row({ build, place, picked, onPick, actions }: RowProps) {
  return (
    <tr>
      <td>
        <input
          type="checkbox"
          className="size-4 accent-ink"
          aria-label={`Pick ${build.name}`}
          checked={picked}
          disabled={'problem' in build}
          onChange={(event) => onPick(event.target.checked)}
        />
      </td>
      <td className="w-24 max-sm:hidden">
        <span className="block h-[60px] w-24">
          {!('problem' in build) && (
            <Below waiting={null}>
              <LineDrawing shape={build.shape} />
            </Below>
          )}
        </span>
      </td>
      <td className="max-w-80">
        {place === 'bin' ? (
          <span className="block py-1 text-[18px] break-words font-semibold">{build.name}</span>
        ) : (
          <Link
            to={stationAddress(build.id, 'brief')}
            className="block py-1 text-[18px] break-words font-semibold underline decoration-line decoration-2 underline-offset-4 hover:decoration-mech"
          >
            {build.name}
          </Link>
        )}
        {!('problem' in build) && (
          <span className="line-clamp-2 text-[14px] break-words text-soft" title={build.purpose}>
            {build.purpose || 'no purpose noted yet'}
          </span>
        )}
      </td>
      {'problem' in build ? (
        <td colSpan={3} className="max-w-[520px] break-words text-short">
          {build.problem}
        </td>
      ) : (
        <Judged build={build} />
      )}
      <td className="whitespace-nowrap text-soft">{sayMoment(build.updatedAt)}</td>
      <td>{actions && <BuildMenu build={build} place={place} actions={actions} />}</td>
    </tr>
  );
}

function Judged({ build }: { readonly build: JudgedLine }) {
  const say = useSay();
  const { worst, next } = build;
  return (
    <>
      <td className="n">{say(build.massKg, 'mass')}</td>
      <td className="min-w-44">
        {worst ? (
          <>
            <span className="block leading-tight">
              {worst.title}
              {worst.duty === null ? '' : ` on “${worst.duty}”`}
            </span>
            <Below waiting={<span className="block h-[34px]" />}>
              <Tape {...worst} kind={worst.electrical ? 'electrical' : 'mechanical'} />
            </Below>
            <span className="block text-[14px] leading-tight text-soft">{worst.says}</span>
          </>
        ) : (
          'nothing yet'
        )}
      </td>
      <td>
        <Standing build={build} />
        <Link
          to={stationAddress(build.id, next.station as StationPath)}
          className="block max-w-56 text-[14px] leading-tight underline decoration-line underline-offset-2 hover:decoration-mech"
        >
          {next.text}
        </Link>
      </td>
    </>
  );
}

function Standing({ build }: { readonly build: JudgedLine }) {
  if (build.stops > 0)
    return (
      <span className="font-semibold text-short">
        {build.stops === 1 ? '1 thing stops it' : `${build.stops} things stop it`}
      </span>
    );
  if (build.short > 0) return <span className="font-semibold">{build.short} short of the rule</span>;
  return build.tight > 0 ? <span>{build.tight} tight</span> : <span>all ample</span>;
}

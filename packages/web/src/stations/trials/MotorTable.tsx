import { motorTable, repeatsOf, type Cell, type TrialReading } from '@zubric/core/protocols';
import { meanOf } from '@zubric/core/trials';
import { typed } from '@zubric/core/quantity';
import { useSay } from '../../common/units.tsx';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';

interface Props {
  readonly set: ShownTrialSet;
  /** What is known of the run when a cell was pressed. */
  readonly onCell: (first: TrialReading) => void;
}

/** The table of a drawer of motors: a row each, filled in any order; a cell that is pressed is read next. */
export function MotorTable({ set, onCell }: Props) {
  const say = useSay();
  const rows = motorTable(
    set.conditions,
    set.trials.map(({ reading }) => reading),
  );
  const repeats = repeatsOf(set.conditions);
  const [first] = rows;
  if (!first) return null;
  const cellText = ({ speeds }: Cell): string =>
    speeds.length === 0 ? `0 of ${repeats}` : `${say(meanOf(speeds), 'rotation')}`;
  return (
    <div className="sheet overflow-x-auto xl:col-span-2">
      <table className="grid-table">
        <caption className="px-3 py-2 text-left font-semibold">Speeds, the mean of each cell</caption>
        <thead>
          <tr>
            <th scope="col">Motor</th>
            {first.map(({ column }) => (
              <th key={`${column.power}${column.way}`} scope="col" className="n">
                {say(column.power, 'share')} {column.way}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row[0]?.motor}>
              <th scope="row">{row[0]?.motor}</th>
              {row.map((cell) => (
                <td key={`${cell.column.power}${cell.column.way}`} className="n">
                  <button
                    type="button"
                    className={`min-h-10 w-full text-right hover:bg-mech-lo ${cell.speeds.length >= repeats ? '' : 'text-soft'}`}
                    aria-label={`Read motor ${cell.motor} at ${say(cell.column.power, 'share')} ${cell.column.way}: ${cell.speeds.length} of ${repeats} read`}
                    onClick={() =>
                      onCell({
                        motor: cell.motor,
                        power: typed(cell.column.power, '%'),
                        way: cell.column.way,
                      })
                    }
                  >
                    {cellText(cell)}
                    {cell.speeds.length > 0 && cell.speeds.length < repeats && (
                      <span className="block text-[14px]">
                        {cell.speeds.length} of {repeats}
                      </span>
                    )}
                  </button>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

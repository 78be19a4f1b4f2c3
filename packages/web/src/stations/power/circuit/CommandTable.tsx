import type { Command, CommandRow } from '@zubric/core/wiring';
import { Sideways } from '../../../common/Sideways.tsx';
import { useSay } from '../../../common/units.tsx';

const SAID: Readonly<Record<string, string>> = { '1': 'ahead', '0': 'stop', '-1': 'back' };
const said = (command: Command): string => SAID[String(command)] ?? '';
const POLES: Readonly<Record<string, string>> = { '1': '+ −', '0': 'open', '-1': '− +' };

/** Which pair of buttons goes where, and how each motor's leads then stand. */
export function CommandTable({ rows }: { readonly rows: readonly CommandRow[] }) {
  const say = useSay();
  return (
    <section aria-labelledby="commands-title" className="sheet p-3">
      <h2 id="commands-title">What its two sides do</h2>
      <Sideways label="Commands of two sides and where they lead">
        <table className="mt-1 w-full text-[14px]">
          <thead>
            <tr className="text-left text-soft">
              {['Left', 'Right', 'It goes', 'Radius of its middle', 'Left motor', 'Right motor'].map(
                (title) => (
                  <th key={title} scope="col" className="px-2 font-normal">
                    {title}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={`${row.left}/${row.right}`} className="border-t border-line">
                <td className="px-2">{said(row.left)}</td>
                <td className="px-2">{said(row.right)}</td>
                <th scope="row" className="px-2 text-left font-medium">
                  {row.way}
                </th>
                <td className="px-2">{row.radiusM === null ? '' : say(row.radiusM, 'length')}</td>
                <td className="px-2 text-elec">{POLES[String(row.leftMotor)]}</td>
                <td className="px-2 text-elec">{POLES[String(row.rightMotor)]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Sideways>
      <p className="mt-1 text-[14px] text-soft">
        The right motor sits mirrored: for the same way ahead its leads are the other way round. Both sides at
        the same speed, wheels that do not slip.
      </p>
    </section>
  );
}

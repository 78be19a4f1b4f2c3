import { cutList, drillingList, toBuy } from '@zubric/core/assembly';
import type { Build } from '@zubric/core/vehicle';
import { wiringMap } from '@zubric/core/wiring';
import type { ReactNode } from 'react';
import { useSay, useSentence } from '../common/units.tsx';
import { SECTION } from './section.ts';

/** Sheets for the bench: what to buy, to cut and to drill, which wire goes where, and labels for both its ends. */
export function BenchSheets({ build }: { readonly build: Build }) {
  return (
    <>
      <ToBuy build={build} />
      <Cuts build={build} />
      <Holes build={build} />
      <Wires build={build} />
    </>
  );
}

interface TableProps {
  readonly title: string;
  readonly heads: readonly string[];
  readonly rows: readonly { readonly id: string; readonly cells: readonly ReactNode[] }[];
}

/** A table with a heading; no row is cut where a page ends, and its head stands on each. None without rows. */
function Table({ title, heads, rows }: TableProps) {
  if (rows.length === 0) return null;
  return (
    <section className="mt-5">
      <h2>{title}</h2>
      <table className="grid-table relative max-md:block max-md:overflow-x-auto">
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, cells }) => (
            <tr key={id} className="break-inside-avoid">
              {cells.map((cell, n) => (
                <td key={heads[n]}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function ToBuy({ build }: { readonly build: Build }) {
  const rows = toBuy([build]).map(({ name, count, kind, state, supplier = '' }) => ({
    id: `${kind} ${name} ${state} ${supplier}`,
    cells: ['☐', `${count} ×`, name, supplier, state === 'ordered' ? 'ordered' : 'to order'],
  }));
  return <Table title="Left to buy" heads={['Done', 'Count', 'What', 'Where', 'State']} rows={rows} />;
}

function Cuts({ build }: { readonly build: Build }) {
  const say = useSay();
  const words = useSentence();
  const rows = cutList(build).map(({ name, of, lengthM, count }) => ({
    id: `${name} ${lengthM}`,
    cells: ['☐', `${count} ×`, name, words(of), say(lengthM, 'length')],
  }));
  return <Table title="To cut" heads={['Done', 'Count', 'What', 'Of', 'Length, at least']} rows={rows} />;
}

function Holes({ build }: { readonly build: Build }) {
  const say = useSay();
  const words = useSentence();
  const rows = drillingList(build).map(({ part, side, hole, rightM, upM }) => ({
    id: `${part} ${side} ${rightM} ${upM}`,
    cells: ['☐', part, side, words(hole), say(rightM, 'length'), say(upM, 'length')],
  }));
  const heads = ['Done', 'Part', 'Side', 'Hole', 'Right of the middle', 'Above it'];
  return <Table title="To drill" heads={heads} rows={rows} />;
}

function Wires({ build }: { readonly build: Build }) {
  const say = useSay();
  const { wires } = wiringMap(build);
  const rows = wires.map(({ id, from, to, pole, colour, run, inverted }) => ({
    id,
    cells: [
      '☐',
      `${from.at}, ${from.port}`,
      `${to.at}, ${to.port}`,
      `${pole}; ${colour}${inverted ? ' (mirrored: inverted)' : ''}`,
      run ? say(run.area.value, 'area') : '',
    ],
  }));
  return (
    <>
      <Table title="Wiring" heads={['Done', 'From', 'To', 'How', 'Copper']} rows={rows} />
      {wires.length > 0 && (
        <section className={SECTION}>
          <h2>Labels, one for either end</h2>
          <ul className="grid grid-cols-3 gap-0 sm:grid-cols-4" aria-label="Labels">
            {wires.flatMap(({ id, label }) =>
              ['from', 'to'].map((end) => (
                <li
                  key={`${id} ${end}`}
                  className="break-inside-avoid border border-dashed border-edge px-2 py-1.5 text-center break-words"
                >
                  {label}
                </li>
              )),
            )}
          </ul>
        </section>
      )}
    </>
  );
}

import { addOwnLine, partsCsv, partsTotal, type AssemblyOutlook, type PartLine } from '@zubric/core/assembly';
import { PART_STATES, PART_STATE_WORDS, type PartState } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { createColumnHelper, useTable } from '@tanstack/react-table';
import { useId, useState } from 'react';
import { downloadText } from '../../common/download.ts';
import { listFeatures } from '../../common/list-features.ts';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { NameForm } from '../../fields/NameForm.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { PartRow } from './PartRow.tsx';

const column = createColumnHelper<typeof listFeatures, PartLine>();
const COLUMNS = column.columns([
  column.accessor('name', { id: 'name', sortFn: 'alphanumeric' }),
  column.accessor(({ state }) => state, { id: 'state', filterFn: 'equals' }),
  column.accessor(({ arrivesOn }) => arrivesOn, {
    id: 'arrives',
    sortFn: 'alphanumeric',
    sortUndefined: 'last',
  }),
  column.accessor(({ costEach, count }) => (costEach === undefined ? undefined : costEach * count), {
    id: 'cost',
    sortUndefined: 'last',
  }),
  column.accessor(({ massEachKg, count }) => (massEachKg === undefined ? undefined : massEachKg * count), {
    id: 'mass',
    sortUndefined: 'last',
  }),
]);

/** Orders of the list; the first is that of the build, from motor to ground. */
const ORDERS = [
  { value: 'build', title: 'motor to ground' },
  { value: 'name', title: 'by name' },
  { value: 'arrives', title: 'first to arrive' },
  { value: 'cost', title: 'dearest first' },
  { value: 'mass', title: 'heaviest first' },
] as const;
type Order = (typeof ORDERS)[number]['value'];
const FALLING: ReadonlySet<Order> = new Set(['cost', 'mass']);

const SHOWN: readonly { readonly value: PartState | 'all'; readonly title: string }[] = [
  { value: 'all', title: 'every part' },
  ...PART_STATES.map((value) => ({ value, title: PART_STATE_WORDS[value] })),
];

/** The parts list: what it needs, where each stands, what it costs and weighs. */
export function PartsTable({ outlook }: { readonly outlook: AssemblyOutlook }) {
  const { build } = useBuild();
  const id = useId();
  const [order, setOrder] = useState<Order>('build');
  const [shown, setShown] = useState<PartState | 'all'>('all');
  const total = partsTotal(outlook.lines);
  const overdue = new Set(outlook.overdue.map((line) => line.id));
  const table = useTable({
    features: listFeatures,
    columns: COLUMNS,
    data: outlook.lines,
    getRowId: (line) => line.id,
    state: {
      sorting: order === 'build' ? [] : [{ id: order, desc: FALLING.has(order) }],
      columnFilters: shown === 'all' ? [] : [{ id: 'state', value: shown }],
    },
  });
  const { rows } = table.getRowModel();
  return (
    <section aria-labelledby={id}>
      <h2 id={id}>
        Parts: {total.onHand} on hand, {total.ordered} ordered, {total.wishedFor} not bought yet
      </h2>
      <div className="mb-2 flex flex-wrap items-end gap-2">
        <Choice className="w-36" label="Show" value={shown} options={SHOWN} onChange={setShown} />
        <Choice className="w-40" label="In order" value={order} options={ORDERS} onChange={setOrder} />
        <button
          type="button"
          className="push min-h-10"
          onClick={() => downloadText(`parts of ${build.name}.csv`, partsCsv(outlook.lines), 'text/csv')}
        >
          Save as CSV
        </button>
      </div>
      <ul className="sheet divide-y divide-line">
        {rows.map(({ original: line }) => (
          <PartRow key={line.id} line={line} overdue={overdue.has(line.id)} />
        ))}
        {rows.length === 0 && <li className="px-3 py-2 text-soft">No part stands so.</li>}
        <Total outlook={outlook} />
        <li className="px-3 py-2">
          <AddLine />
        </li>
      </ul>
    </section>
  );
}

function Total({ outlook }: { readonly outlook: AssemblyOutlook }) {
  const { build } = useBuild();
  const say = useSay();
  const total = partsTotal(outlook.lines);
  return (
    <li className="px-3 py-2">
      <b className="font-semibold">
        {showNumber(total.cost, 5)} for what has a price, {say(total.massKg, 'mass')} for what has a mass
      </b>
      <span className="block text-soft">
        {total.withoutCost} {total.withoutCost === 1 ? 'line has' : 'lines have'} no price,{' '}
        {total.withoutMass} no mass; the brief says {say(build.masses.own.mass.value, 'mass')} own mass.
      </span>
    </li>
  );
}

function AddLine() {
  const { edit } = useBuild();
  return (
    <NameForm
      title="Another line"
      label="Another part or a tool"
      button="Add it"
      missing="Give it a name first."
      onSubmit={(name) => Promise.resolve(edit((b) => addOwnLine(b, name)))}
    />
  );
}

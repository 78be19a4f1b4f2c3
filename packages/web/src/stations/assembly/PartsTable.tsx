import {
  addOwnLine,
  changeOwnLine,
  markLine,
  partsCsv,
  partsTotal,
  removeOwnLine,
  type AssemblyOutlook,
  type PartLine,
} from '@zubric/core/assembly';
import { PART_STATES, PART_STATE_WORDS } from '@zubric/core/vehicle';
import { showNumber, typed } from '@zubric/core/quantity';
import { Trash2 } from 'lucide-react';
import { useId, useState, type FormEvent } from 'react';
import { Link } from 'react-router';
import { download } from '../../common/download.ts';
import { stationAddress } from '../../common/stations.ts';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { DateField } from '../../fields/DateField.tsx';
import { zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const STATES = PART_STATES.map((value) => ({ value, title: PART_STATE_WORDS[value] }));

/** The parts list: what it needs, where each stands, what it costs and weighs. */
export function PartsTable({ outlook }: { readonly outlook: AssemblyOutlook }) {
  const { build } = useBuild();
  const say = useSay();
  const id = useId();
  const total = partsTotal(outlook.lines);
  const overdue = new Set(outlook.overdue.map((line) => line.id));
  return (
    <section aria-labelledby={id}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 id={id}>
          Parts: {total.onHand} on hand, {total.ordered} ordered, {total.wishedFor} wished for
        </h2>
        <button
          type="button"
          className="push min-h-10"
          onClick={() =>
            download(
              `parts of ${build.name}.csv`,
              new Blob([partsCsv(outlook.lines)], { type: 'text/csv;charset=utf-8' }),
            )
          }
        >
          Save as CSV
        </button>
      </div>
      <ul className="sheet divide-y divide-line">
        {outlook.lines.map((line) => (
          <PartRow key={line.id} line={line} overdue={overdue.has(line.id)} />
        ))}
        <li className="px-3 py-2">
          <b className="font-semibold">
            {showNumber(total.cost, 5)} for what has a price, {say(total.massKg, 'mass')} for what has a mass
          </b>
          <span className="block text-soft">
            {total.withoutCost} {total.withoutCost === 1 ? 'line has' : 'lines have'} no price,{' '}
            {total.withoutMass} no mass; the brief says {say(build.masses.own.mass.value, 'mass')} own mass.
          </span>
        </li>
        <li className="px-3 py-2">
          <AddLine />
        </li>
      </ul>
    </section>
  );
}

function PartRow({ line, overdue }: { readonly line: PartLine; readonly overdue: boolean }) {
  const { id, build, edit } = useBuild();
  const say = useSay();
  const [open, setOpen] = useState(false);
  if (line.missing !== undefined)
    return (
      <li className="px-3 py-2">
        {line.count} × {line.name}:{' '}
        <Link className="underline" to={`${stationAddress(id, 'power')}?kind=${line.id}`}>
          choose one at {line.missing}
        </Link>
      </li>
    );
  const own = line.source === 'own';
  return (
    <li className="px-3 py-1.5">
      <div className="grid grid-cols-[minmax(0,1fr)_9.5rem] items-start gap-x-3">
        <div className="min-w-0">
          <span className="break-words">
            {line.count} × {line.name}
          </span>
          <span className="flex flex-wrap items-center gap-x-3 text-[14px] text-soft">
            {line.costEach !== undefined && <span>{showNumber(line.costEach, 5)} each</span>}
            {line.massEachKg !== undefined && <span>{say(line.massEachKg, 'mass')} each</span>}
            {overdue && <b className="font-semibold text-short">overdue</b>}
            <button type="button" className="push-plain" aria-expanded={open} onClick={() => setOpen(!open)}>
              {open ? 'close' : own ? 'name, cost and mass' : 'cost and mass'}
              <span className="sr-only"> of {line.name}</span>
            </button>
          </span>
        </div>
        <div className="grid gap-1">
          <Choice
            label={`State of ${line.name}`}
            hideLabel
            className="[&_select]:min-h-10"
            value={line.state}
            options={STATES}
            onChange={(state) => edit((b) => markLine(b, line, { state }))}
          />
          {line.state === 'ordered' && (
            <DateField
              className="[&_input]:min-h-10"
              label={`${line.name} arrives on`}
              hideLabel
              value={line.arrivesOn}
              onChange={(arrivesOn) => edit((b) => markLine(b, line, { arrivesOn }))}
            />
          )}
        </div>
      </div>
      {open && (
        <div className="mt-1 flex flex-wrap items-end gap-2">
          {own && (
            <>
              <TextField
                className="w-48"
                label="Name"
                required="Give it a name."
                value={line.name}
                onChange={(name) => edit((b) => changeOwnLine(b, line.id, { name }))}
              />
              <Stepper
                label={`Count of ${line.name}`}
                value={line.count}
                least={1}
                most={9999}
                onChange={(count) => edit((b) => changeOwnLine(b, line.id, { count }))}
              />
            </>
          )}
          <QuantityField
            className="w-28"
            label="Cost each"
            dimension="number"
            value={line.costEach === undefined ? undefined : typed(line.costEach, '')}
            check={zeroOrMore}
            onChange={({ value }) => edit((b) => markLine(b, line, { costEach: value }))}
            onClear={() => edit((b) => markLine(b, line, { costEach: undefined }))}
          />
          <QuantityField
            className="w-28"
            label="Mass each"
            dimension="mass"
            value={massOf(build, line)}
            check={zeroOrMore}
            onChange={(massEach) => edit((b) => markLine(b, line, { massEach }))}
          />
          {own && (
            <button
              type="button"
              className="push inline-flex items-center gap-1.5"
              onClick={() => edit((b) => removeOwnLine(b, line.id))}
            >
              <Trash2 size={15} aria-hidden /> Remove
            </button>
          )}
        </div>
      )}
    </li>
  );
}

/** The mass as it was typed, so that the field shows its unit again. */
function massOf(build: ReturnType<typeof useBuild>['build'], line: PartLine) {
  const { own, lines } = build.assembly;
  const noted = [...own, ...lines].find((mark) => mark.id === line.id)?.massEach;
  return noted ?? (line.massEachKg === undefined ? undefined : typed(line.massEachKg, 'kg', 'shelf'));
}

function AddLine() {
  const { edit } = useBuild();
  const [name, setName] = useState('');
  const [missing, setMissing] = useState(false);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    setMissing(name.trim() === '');
    if (name.trim() === '') return;
    edit((b) => addOwnLine(b, name.trim()));
    setName('');
  };
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={submit}>
      <label className="block min-w-40 flex-1">
        <span className="block text-[14px] text-soft">Another part or a tool</span>
        <input
          className="entry min-h-10"
          value={name}
          maxLength={120}
          data-own-undo
          aria-invalid={missing}
          onChange={(event) => {
            setName(event.target.value);
            setMissing(false);
          }}
        />
      </label>
      <button type="submit" className="push min-h-10">
        Add it
      </button>
      {missing && (
        <p role="alert" className="w-full text-[14px] text-short">
          Give it a name first.
        </p>
      )}
    </form>
  );
}

import { changeOwnLine, markLine, removeOwnLine, type PartLine } from '@zubric/core/assembly';
import { PART_STATES, PART_STATE_WORDS } from '@zubric/core/vehicle';
import { showNumber, typed } from '@zubric/core/quantity';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
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

interface Props {
  readonly line: PartLine;
  readonly overdue: boolean;
}

/** A line of the parts list: what it is, and where it stands. */
export function PartRow({ line, overdue }: Props) {
  const { id } = useBuild();
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
  return (
    <li className="px-3 py-1.5">
      <div className="grid grid-cols-[minmax(0,1fr)_9.5rem] items-start gap-x-3">
        <div className="min-w-0">
          <span className="break-words">
            {line.count} × {line.name}
          </span>
          <Said line={line} overdue={overdue} open={open} onOpen={() => setOpen(!open)} />
        </div>
        <State line={line} />
      </div>
      {open && <Figures line={line} />}
    </li>
  );
}

interface SaidProps extends Props {
  readonly open: boolean;
  readonly onOpen: () => void;
}

function Said({ line, overdue, open, onOpen }: SaidProps) {
  const say = useSay();
  return (
    <span className="flex flex-wrap items-center gap-x-3 text-[14px] text-soft">
      {line.costEach !== undefined && <span>{showNumber(line.costEach, 5)} each</span>}
      {line.massEachKg !== undefined && <span>{say(line.massEachKg, 'mass')} each</span>}
      {overdue && <b className="font-semibold text-short">overdue</b>}
      <button type="button" className="push-plain min-h-10" aria-expanded={open} onClick={onOpen}>
        {open ? 'close' : line.source === 'own' ? 'name, cost and mass' : 'cost and mass'}
        <span className="sr-only"> of {line.name}</span>
      </button>
    </span>
  );
}

function State({ line }: { readonly line: PartLine }) {
  const { edit } = useBuild();
  return (
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
  );
}

/** What one piece costs and weighs; of a line of the builder's own its name and count too. */
function Figures({ line }: { readonly line: PartLine }) {
  const { build, edit } = useBuild();
  const own = line.source === 'own';
  return (
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
      <TextField
        className="w-44"
        label="Where to buy it"
        value={line.supplier ?? ''}
        maxLength={80}
        onChange={(text) =>
          edit((b) => markLine(b, line, { supplier: text.trim() === '' ? undefined : text.trim() }))
        }
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
  );
}

/** The mass as it was typed, so that the field shows its unit again. */
function massOf(build: ReturnType<typeof useBuild>['build'], line: PartLine) {
  const { own, lines } = build.assembly;
  const noted = [...own, ...lines].find((mark) => mark.id === line.id)?.massEach;
  return noted ?? (line.massEachKg === undefined ? undefined : typed(line.massEachKg, 'kg', 'shelf'));
}

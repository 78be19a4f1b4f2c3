import { READING_KINDS, type BenchReading, type ReadingKind } from '@zubric/core/motor';
import { radSToRpm, type Quantity } from '@zubric/core/quantity';
import { useState, type FormEvent } from 'react';
import { Choice } from '../fields/Choice.tsx';
import { FormQuantity } from '../fields/FormQuantity.tsx';

const FIELDS = [
  ['voltageV', 'Voltage', 'voltage', { above: 0 }],
  ['currentA', 'Current', 'current', { least: 0 }],
  ['speed', 'Speed', 'rotation', { least: 0 }],
  ['torqueNm', 'Torque by the arm', 'torque', { least: 0 }],
] as const;
type Key = (typeof FIELDS)[number][0];

interface Props {
  readonly kind: ReadingKind | undefined;
  readonly onReading: (reading: BenchReading) => void;
}

/** One reading, typed in any units. */
export function TypeReading({ kind: asked, onReading }: Props) {
  const [chosen, setChosen] = useState<ReadingKind>();
  const kind = chosen ?? asked ?? 'free';
  const [typed, setTyped] = useState<Partial<Record<Key, Quantity>>>({});
  const [round, setRound] = useState(0);
  const [said, setSaid] = useState('');
  const wanted = FIELDS.filter(
    ([key]) => !(key === 'speed' && kind === 'held fast') && !(key === 'torqueNm' && kind === 'free'),
  );
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const missing = wanted.find(([key]) => key !== 'torqueNm' && typed[key] === undefined);
    if (missing) return setSaid(`${missing[1]} is missing.`);
    const torque = typed.torqueNm;
    onReading({
      kind,
      voltageV: typed.voltageV?.value ?? 0,
      currentA: typed.currentA?.value ?? 0,
      speedRpm: kind === 'held fast' ? 0 : radSToRpm(typed.speed?.value ?? 0),
      ...(torque && kind !== 'free' ? { torqueNm: torque.value } : {}),
    });
    setTyped({});
    setChosen(undefined);
    setSaid('');
    setRound((n) => n + 1);
  };
  return (
    <form className="sheet grid gap-2 p-3" onSubmit={submit} noValidate aria-label="A reading">
      <div key={round} className="grid grid-cols-2 items-end gap-3">
        <Choice
          label="Shaft"
          value={kind}
          options={READING_KINDS.map((value) => ({ value, title: value }))}
          onChange={setChosen}
        />
        {wanted.map(([key, title, dimension, range]) => (
          <FormQuantity
            key={key}
            name={key}
            title={title}
            dimension={dimension}
            range={range}
            value={typed[key]}
            onChange={(quantity) => setTyped((now) => ({ ...now, [key]: quantity }))}
            onUnread={() => undefined}
          />
        ))}
      </div>
      {said !== '' && <p role="alert">{said}</p>}
      <p>
        <button type="submit" className="push push-main">
          Add the reading
        </button>
      </p>
    </form>
  );
}

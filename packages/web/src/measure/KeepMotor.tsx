import type { MeasuredFigures } from '@zubric/core/bench';
import { usualFigures, type Part } from '@zubric/core/vehicle';
import type { Quantity } from '@zubric/core/quantity';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { Link, useSearchParams } from 'react-router';
import { api, type NewPart } from '../common/api.ts';
import { stationAddress } from '../common/stations.ts';
import { TextField } from '../fields/TextField.tsx';
import { FormQuantity } from '../fields/FormQuantity.tsx';
import type { Readings } from './use-readings.ts';

/** Current that may flow all day over stall current, and how far off that may be (common practice, no source). */
const ALL_DAY = { share: 0.2, spread: 0.5 };

/** Significant digits that a measured figure is worth. */
const DIGITS = 5;
const rounded = (n: number): number => Number(n.toPrecision(DIGITS));

interface Props {
  readonly bench: Readings;
  readonly measured: MeasuredFigures;
  readonly onKept: (part: Part) => void;
}

/** The measured motor on the shelf, with its readings. */
export function KeepMotor({ bench, measured, onKept }: Props) {
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const [mass, setMass] = useState<Quantity>();
  const [said, setSaid] = useState('');
  const save = useMutation({
    mutationFn: () => api.createPart(partOf(name, mass, bench, measured)),
    onSuccess: async (part) => {
      await queries.invalidateQueries({ queryKey: ['parts'] });
      onKept(part);
    },
  });
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (name.trim() === '') return setSaid('Give it a name, so that you find it again.');
    setSaid('');
    save.mutate();
  };
  return (
    <form className="sheet grid gap-2 p-3" onSubmit={submit} noValidate aria-label="Put it on the shelf">
      <div className="grid grid-cols-[2fr_1fr] items-end gap-3">
        <TextField label="Name" value={name} onChange={setName} />
        <FormQuantity
          name="mass"
          title="Mass"
          dimension="mass"
          range={{ above: 0 }}
          value={mass}
          onChange={setMass}
          onUnread={() => undefined}
        />
      </div>
      {(said !== '' || save.error) && <p role="alert">{said || save.error?.message}</p>}
      <p>
        <button type="submit" className="push push-main" disabled={save.isPending}>
          Put it on the shelf with its readings
        </button>
      </p>
    </form>
  );
}

/** Where the motor lies now, and the way back to the build that it was measured for. */
export function Kept({ part }: { readonly part: Part }) {
  const [search] = useSearchParams();
  const build = search.get('build');
  return (
    <p role="status" className="border border-edge bg-field px-4 py-2">
      “{part.name}” lies on the shelf, its readings with it.{' '}
      {build === null ? (
        <Link className="underline" to="/shelf">
          To the shelf
        </Link>
      ) : (
        <Link className="underline" to={`${stationAddress(build, 'power')}?kind=motor&part=${part.id}`}>
          Back to the build, where it can be taken
        </Link>
      )}
    </p>
  );
}

function partOf(
  name: string,
  mass: Quantity | undefined,
  { ratedV, readings, by }: Readings,
  { figures, within }: MeasuredFigures,
): NewPart {
  const sheet = {
    noLoadRpm: rounded(figures.noLoadRpm),
    noLoadA: rounded(figures.noLoadA),
    stallTorqueNm: rounded(figures.stallTorqueNm),
    stallA: rounded(figures.stallA),
  };
  const usual = usualFigures('motor', sheet, { type: 'brushed' }).massKg;
  const massKg = mass?.value ?? usual?.value ?? 0;
  return {
    kind: 'motor',
    type: 'brushed',
    name: name.trim(),
    massKg,
    state: 'on-hand',
    whence: 'salvaged',
    voltageV: ratedV,
    ...sheet,
    continuousA: rounded(ALL_DAY.share * figures.stallA),
    guessed: { continuousA: ALL_DAY.spread, ...(mass ? {} : { massKg: usual?.spread ?? 1 }) },
    measured: {
      on: new Date().toISOString().slice(0, 10),
      by,
      readings: [...readings],
      within: { ...within },
    },
  };
}

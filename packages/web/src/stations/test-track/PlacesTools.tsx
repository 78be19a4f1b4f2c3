import type { ReadPlaces } from '@zubric/core/exchange';
import type { Leg } from '@zubric/core/vehicle';
import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { PickFile } from '../../common/PickFile.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { CountInput } from '../../fields/CountInput.tsx';
import { between, PlainNumber } from './PlainNumber.tsx';

type Points = Extract<Leg, { kind: 'points' }>['points'];

interface Props {
  readonly points: Points;
  readonly onChange: (points: Points) => void;
}

const TAKEN_FOR: Readonly<Record<ReadPlaces['by'], string>> = {
  earth: 'longitude and latitude; it starts at the first, heading for the second',
  'ahead-right': 'metres ahead and to the right',
  'ahead-left': 'metres ahead and to the left (x and y)',
};

/** Places brought in from a file, and rows laid beside them. */
export const PlacesTools = ({ points, onChange }: Props) => (
  <div className="grid gap-2">
    <FromFile onChange={onChange} />
    <RowsBeside points={points} onChange={onChange} />
  </div>
);

function FromFile({ onChange }: Pick<Props, 'onChange'>) {
  const read = useMutation({
    mutationFn: async (file: File): Promise<ReadPlaces> => {
      const { placesFromFile } = await import('@zubric/core/exchange');
      return placesFromFile(await file.text());
    },
    onSuccess: ({ points }) => onChange([...points]),
    retry: false,
  });
  return (
    <div>
      <PickFile
        label="File of places"
        accept=".geojson,.json,.csv,.txt"
        disabled={read.isPending}
        onPick={(file) => read.mutate(file)}
      >
        Bring in places (GeoJSON, CSV) …
      </PickFile>
      {read.data && (
        <p role="status" className="w-64 text-[14px] text-soft">
          {read.data.points.length} places, taken for {TAKEN_FOR[read.data.by]}.
        </p>
      )}
      {read.isError && (
        <p role="alert" className="w-64 text-[14px] text-short">
          {read.error.message}
        </p>
      )}
    </div>
  );
}

const MOST_ROWS = 50;
const APART = between(1e-3, 100, 'More than 0, up to 100 m.');

/** More rows beside a way, driven back and forth. */
function RowsBeside({ points, onChange }: Props) {
  const id = useId();
  const [more, setMore] = useState(3);
  const [apartM, setApartM] = useState(0.5);
  const [side, setSide] = useState<'left' | 'right'>('right');
  const lay = useMutation({
    mutationFn: async (): Promise<Points> => {
      const { rowsBeside } = await import('@zubric/core/exchange');
      return [...rowsBeside(points, { more, apartM, side })];
    },
    onSuccess: (laid) => onChange(laid),
    retry: false,
  });
  return (
    <fieldset className="flex flex-wrap items-end gap-2" aria-labelledby={id}>
      <legend id={id} className="text-[14px] text-soft">
        Rows beside this way, back and forth
      </legend>
      <span className="grid">
        <span aria-hidden="true" className="text-[14px] text-soft">
          More rows
        </span>
        <CountInput label="More rows" value={more} most={MOST_ROWS} onChange={setMore} />
      </span>
      <PlainNumber
        label="Apart"
        dimension="length"
        unit="m"
        value={apartM}
        check={APART}
        onChange={setApartM}
        className="w-24"
      />
      <Choice
        label="On its"
        className="w-24"
        value={side}
        options={[
          { value: 'right', title: 'right' },
          { value: 'left', title: 'left' },
        ]}
        onChange={setSide}
      />
      <button type="button" className="push push-small" onClick={() => lay.mutate()}>
        Lay them
      </button>
      {lay.isError && (
        <p role="alert" className="text-[14px] text-short">
          {lay.error.message}
        </p>
      )}
    </fieldset>
  );
}

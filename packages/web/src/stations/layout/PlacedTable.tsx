import { changePlaced, arrange, arrangementOf, fieldOf, type PlacedPart } from '@zubric/core/vehicle';
import { useState } from 'react';
import { Sideways } from '../../common/Sideways.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Remove } from './Remove.tsx';

const KEYS = ['mass', 'length', 'width', 'height', 'aheadOfRearAxle', 'left', 'above', 'turn'] as const;
const HEADS: Readonly<Record<(typeof KEYS)[number], string>> = {
  mass: 'Mass',
  length: 'Length',
  width: 'Width',
  height: 'Height',
  aheadOfRearAxle: 'Ahead of the rear axle',
  left: 'Left',
  above: 'Above the ground',
  turn: 'Turned',
};

/** So many rows are shown until more are asked for: a page of thousands of fields is slow to draw. */
const AT_FIRST = 24;

interface Props {
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}

/** Every placed part: what it weighs, how large it is, and where its middle sits. */
export function PlacedTable({ chosen, onChoose }: Props) {
  const { build } = useBuild();
  const { parts } = arrangementOf(build);
  const [showsAll, setShowsAll] = useState(false);
  const shown = showsAll ? parts : parts.filter(({ id }, n) => n < AT_FIRST || id === chosen);
  return (
    <>
      <Sideways label="Placed parts">
        <table className="grid-table stacked md:min-w-[62rem]">
          <caption className="sr-only">Placed parts, and where the middle of each sits</caption>
          <thead>
            <tr>
              <th scope="col">Part</th>
              {KEYS.map((key) => (
                <th key={key} scope="col">
                  {HEADS[key]}
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((part) => (
              <Row key={part.id} part={part} chosen={part.id === chosen} onChoose={onChoose} />
            ))}
          </tbody>
        </table>
      </Sideways>
      {shown.length < parts.length && (
        <p className="mt-2">
          <button type="button" className="push push-small" onClick={() => setShowsAll(true)}>
            Show all {parts.length} parts
          </button>{' '}
          <span className="text-soft">One that is chosen on the drawing is shown here too.</span>
        </p>
      )}
    </>
  );
}

interface RowProps {
  readonly part: PlacedPart;
  readonly chosen: boolean;
  readonly onChoose: (id: string) => void;
}

function Row({ part, chosen, onChoose }: RowProps) {
  const { edit } = useBuild();
  return (
    <tr className={chosen ? 'bg-mech-lo' : ''} onFocus={() => onChoose(part.id)}>
      <th scope="row" className="md:w-[160px]">
        <TextField
          label={`Name of ${part.name}`}
          hideLabel
          value={part.name}
          required="Give it a name."
          onChange={(name) => edit((b) => changePlaced(b, part.id, { name }))}
        />
      </th>
      {KEYS.map((key) => (
        <td key={key} data-title={HEADS[key]}>
          <SchemaField
            part="placed"
            field={key}
            label={`${fieldOf('placed', key).title}, ${part.name}`}
            hideLabel
            value={part[key]}
            onChange={(quantity) => edit((b) => changePlaced(b, part.id, { [key]: quantity }))}
          />
        </td>
      ))}
      <td>
        <Remove
          label={`Remove ${part.name}`}
          onRemove={() =>
            edit((b) => arrange(b, { parts: arrangementOf(b).parts.filter(({ id }) => id !== part.id) }))
          }
        />
      </td>
    </tr>
  );
}

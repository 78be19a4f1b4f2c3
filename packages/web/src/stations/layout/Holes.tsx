import { addHole, SIDES, type Hole, type PlacedPart } from '@zubric/core/vehicle';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Drilled } from './Drilled.tsx';
import { Remove } from './Remove.tsx';

interface Props {
  readonly part: PlacedPart;
  readonly onChange: (values: Partial<PlacedPart>) => void;
}

/** The holes of a part, each on one of its sides: they make a template. */
export function Holes({ part, onChange }: Props) {
  const { edit } = useBuild();
  const holes = part.holes ?? [];
  const set = (id: string, values: Partial<Hole>): void =>
    onChange({ holes: holes.map((hole) => (hole.id === id ? { ...hole, ...values } : hole)) });
  return (
    <div>
      <h3 className="text-[15px] font-semibold">Holes in it</h3>
      <ul className="divide-y divide-line">
        {holes.map((hole, n) => (
          <li key={hole.id} className="grid grid-cols-3 items-end gap-2 py-1.5">
            <Choice
              label={`Side, hole ${n + 1}`}
              value={hole.side}
              options={SIDES.map((side) => ({ value: side, title: side }))}
              onChange={(side) => set(hole.id, { side })}
            />
            <SchemaField
              part="hole"
              field="right"
              label={`Right of its middle, hole ${n + 1}`}
              value={hole.right}
              onChange={(right) => set(hole.id, { right })}
            />
            <SchemaField
              part="hole"
              field="up"
              label={`Up from its middle, hole ${n + 1}`}
              value={hole.up}
              onChange={(up) => set(hole.id, { up })}
            />
            <Drilled whose={`hole ${n + 1}`} hole={hole} onChange={(values) => set(hole.id, values)} />
            <Remove
              label={`Remove hole ${n + 1}`}
              onRemove={() => onChange({ holes: holes.filter(({ id }) => id !== hole.id) })}
            />
          </li>
        ))}
      </ul>
      <button type="button" className="push push-small mt-1" onClick={() => edit((b) => addHole(b, part.id))}>
        Add a hole
      </button>
    </div>
  );
}

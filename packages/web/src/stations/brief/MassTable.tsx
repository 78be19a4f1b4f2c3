import {
  MASS_KINDS,
  freeId,
  newMass,
  wheelbaseOf,
  type OtherMass,
  type PlacedMass,
  changeMass,
  type MassKey,
} from '@zubric/core/vehicle';
import type { Quantity } from '@zubric/core/quantity';
import { Trash2 } from 'lucide-react';
import { aboveZero, zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const ADDED: Readonly<Record<OtherMass['kind'], string>> = {
  rider: 'Rider',
  ballast: 'Ballast',
  part: 'Part',
};

/** What it weighs and carries, and where the middle of each is. */
export function MassTable() {
  const { build, edit } = useBuild();
  const add = (kind: OtherMass['kind']): void =>
    edit((b) => {
      const { others } = b.masses;
      const mass = newMass(freeId(kind, others), ADDED[kind], kind, wheelbaseOf(b.layout) / 2);
      const masses = { ...b.masses, others: [...others, mass] };
      // Whoever is carried is near: what is judged for people is judged for them.
      return kind === 'rider' ? { ...b, masses, people: 'riding' } : { ...b, masses };
    });
  return (
    <div>
      <table className="grid-table">
        <caption className="sr-only">Masses and where they sit</caption>
        <thead>
          <tr>
            <th scope="col">Mass of</th>
            <th scope="col">Mass</th>
            <th scope="col">Its middle ahead of the rear axle</th>
            <th scope="col">Left of the middle line</th>
            <th scope="col">Above the ground</th>
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <MassRow which="own" title="Itself" mass={build.masses.own} least={aboveZero} />
          <MassRow which="payload" title="Payload" mass={build.masses.payload} />
          {build.masses.others.map((mass) => (
            <MassRow key={mass.id} which={{ other: mass.id }} title={mass.name} mass={mass} other={mass} />
          ))}
        </tbody>
      </table>
      <p className="mt-2 flex flex-wrap gap-2">
        {MASS_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            className="push push-small"
            disabled={build.masses.others.length >= 40}
            onClick={() => add(kind)}
          >
            Add {kind === 'rider' ? 'a rider' : kind === 'ballast' ? 'ballast' : 'a part'}
          </button>
        ))}
      </p>
    </div>
  );
}

interface RowProps {
  readonly which: MassKey;
  readonly title: string;
  readonly mass: PlacedMass;
  readonly other?: OtherMass;
  readonly least?: typeof zeroOrMore;
}

function MassRow({ which, title, mass, other, least = zeroOrMore }: RowProps) {
  const { edit } = useBuild();
  const field = (
    label: string,
    part: 'mass' | 'aheadOfRearAxle' | 'left' | 'height',
    check: typeof zeroOrMore | undefined,
  ) => (
    <td>
      <QuantityField
        label={`${label}, ${title.toLowerCase()}`}
        hideLabel
        dimension={part === 'mass' ? 'mass' : 'length'}
        value={mass[part]}
        check={check}
        onChange={(quantity: Quantity) =>
          edit((b) => changeMass(b, which, (m) => ({ ...m, [part]: quantity })))
        }
      />
    </td>
  );
  const change = (alter: (others: readonly OtherMass[]) => readonly OtherMass[]): void =>
    edit((b) => ({ ...b, masses: { ...b.masses, others: alter(b.masses.others) } }));
  return (
    <tr>
      <th scope="row" className="w-[130px]">
        {other ? (
          <TextField
            label={`Name of the mass ${title}`}
            hideLabel
            value={title}
            required="Give it a name."
            onChange={(name) => change((list) => list.map((m) => (m.id === other.id ? { ...m, name } : m)))}
          />
        ) : (
          title
        )}
      </th>
      {field('Mass', 'mass', least)}
      {field('Ahead of the rear axle', 'aheadOfRearAxle', undefined)}
      {field('Left of the middle', 'left', undefined)}
      {field('Above the ground', 'height', zeroOrMore)}
      <td>
        {other && (
          <button
            type="button"
            className="p-1.5 hover:text-short"
            aria-label={`Remove ${title}`}
            onClick={() => change((list) => list.filter((m) => m.id !== other.id))}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        )}
      </td>
    </tr>
  );
}

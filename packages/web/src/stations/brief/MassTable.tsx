import {
  MASS_KINDS,
  fieldOf,
  freeId,
  newMass,
  type OtherMass,
  type PlacedMass,
  changeMass,
  placedKg,
  type MassKey,
} from '@zubric/core/vehicle';
import { Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { stationAddress } from '../../common/stations.ts';
import { useSay } from '../../common/units.tsx';
import { Reorder, moved, useReorderedRow } from '../../fields/Reorder.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
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
      const mass = newMass(b, freeId(kind, others), ADDED[kind], kind);
      const masses = { ...b.masses, others: [...others, mass] };
      // Whoever is carried is near: what is judged for people is judged for them.
      return kind === 'rider' ? { ...b, masses, people: 'riding' } : { ...b, masses };
    });
  const { others } = build.masses;
  return (
    <div>
      <Reorder
        rows={others}
        onMove={(id, to) =>
          edit((b) => ({ ...b, masses: { ...b.masses, others: moved(b.masses.others, id, to) } }))
        }
      >
        <table className="grid-table stacked">
          <caption className="sr-only">Masses and where they sit</caption>
          <thead>
            <tr>
              <th scope="col">Mass of</th>
              <th scope="col">Mass</th>
              <th scope="col">Its middle ahead of the rear axle</th>
              <th scope="col">Left of the middle line</th>
              <th scope="col">Above the ground</th>
              <th scope="col">
                <span className="sr-only">Move or remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <MassRow which="own" title="Itself" mass={build.masses.own} />
            <MassRow which="payload" title="Payload" mass={build.masses.payload} />
            {others.map((mass) => (
              <OtherMassRow key={mass.id} mass={mass} />
            ))}
          </tbody>
        </table>
      </Reorder>
      <p className="mt-2 flex flex-wrap gap-2">
        {MASS_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            className="push push-small"
            disabled={others.length >= 40}
            onClick={() => add(kind)}
          >
            Add {kind === 'rider' ? 'a rider' : kind === 'ballast' ? 'ballast' : 'a part'}
          </button>
        ))}
      </p>
    </div>
  );
}

const MASS_KEYS = ['mass', 'aheadOfRearAxle', 'left', 'height'] as const;

interface FieldsProps {
  readonly which: MassKey;
  readonly title: string;
  readonly mass: PlacedMass;
}

/** What a mass is, and where its middle sits: a cell each. */
function MassFields({ which, title, mass }: FieldsProps) {
  const { build, id, edit } = useBuild();
  const say = useSay();
  const followsParts = which === 'own' && placedKg(build) > 0;
  return MASS_KEYS.map((key) =>
    followsParts && key !== 'mass' ? (
      <td key={key} data-title={fieldOf('mass', key).title}>
        {say(mass[key].value, 'length')}{' '}
        <Link className="push-plain text-[14px]" to={stationAddress(id, 'layout')}>
          from Layout
        </Link>
      </td>
    ) : (
      <td key={key} data-title={fieldOf('mass', key).title}>
        <SchemaField
          part="mass"
          field={key}
          label={`${fieldOf('mass', key).title}, ${title.toLowerCase()}`}
          hideLabel
          value={mass[key]}
          onChange={(quantity) => edit((b) => changeMass(b, which, (m) => ({ ...m, [key]: quantity })))}
        />
      </td>
    ),
  );
}

/** The vehicle itself, or what it carries: always there. */
const MassRow = (props: FieldsProps) => (
  <tr>
    <th scope="row" className="md:w-[130px]">
      {props.title}
    </th>
    <MassFields {...props} />
    <td />
  </tr>
);

/** A rider, ballast or part: named, moved and removed by its builder. */
function OtherMassRow({ mass }: { readonly mass: OtherMass }) {
  const { edit } = useBuild();
  const { row, handle } = useReorderedRow(mass.id, mass.name);
  const change = (alter: (others: readonly OtherMass[]) => readonly OtherMass[]): void =>
    edit((b) => ({ ...b, masses: { ...b.masses, others: alter(b.masses.others) } }));
  return (
    <tr {...row}>
      <th scope="row" className="md:w-[130px]">
        <TextField
          label={`Name of the mass ${mass.name}`}
          hideLabel
          value={mass.name}
          required="Give it a name."
          onChange={(name) => change((list) => list.map((m) => (m.id === mass.id ? { ...m, name } : m)))}
        />
      </th>
      <MassFields which={{ other: mass.id }} title={mass.name} mass={mass} />
      <td className="whitespace-nowrap">
        {handle}
        <button
          type="button"
          className="p-1.5 hover:text-short"
          aria-label={`Remove ${mass.name}`}
          onClick={() => change((list) => list.filter((m) => m.id !== mass.id))}
        >
          <Trash2 size={18} aria-hidden="true" />
        </button>
      </td>
    </tr>
  );
}

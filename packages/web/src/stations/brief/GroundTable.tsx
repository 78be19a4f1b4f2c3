import {
  changeFigure,
  figuresOf,
  freeId,
  groundOfSurface,
  newGround,
  type Axle,
  type Build,
  type Ground,
  type GroundFigures,
  type GroundSoil,
} from '@zubric/core/vehicle';
import {
  SOIL_IDS,
  SURFACES,
  TYRE_TITLES,
  soilOf,
  surfacePair,
  surfaceTitle,
  type SoilId,
  type SurfaceId,
} from '@zubric/core/ground';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** Keys with the value undefined are taken out of the ground. */
type GroundPart = { readonly [K in keyof Ground]?: Ground[K] | undefined };
type GroundChange = (part: GroundPart) => void;

function changed(ground: Ground, part: GroundPart): Ground {
  const { soil, uneven, ...rest } = { ...ground, ...part } as Ground;
  return { ...rest, ...(soil ? { soil } : {}), ...(uneven ? { uneven } : {}) };
}

/** The grounds it meets: rolling, grip along and across, and how soft. */
export function GroundTable() {
  const { build, edit } = useBuild();
  const change = (id: string, part: GroundPart): void =>
    edit((b) => ({ ...b, grounds: b.grounds.map((g) => (g.id === id ? changed(g, part) : g)) }));
  return (
    <section aria-labelledby="grounds-title">
      <h2 id="grounds-title">Grounds it meets</h2>
      <ul className="sheet mt-1 divide-y divide-line">
        {build.grounds.map((ground) => (
          <GroundEntry key={ground.id} ground={ground} onChange={(part) => change(ground.id, part)} />
        ))}
      </ul>
      <AddGround />
    </section>
  );
}

interface EntryProps {
  readonly ground: Ground;
  readonly onChange: GroundChange;
}

/** Axles for which a ground has the same figures, and which of the figures are theirs. */
interface AxleGroup {
  readonly axle: Axle;
  readonly names: readonly string[];
  /** Free wheels without figures of their own share the grip of the driven ones. */
  readonly rollsOnly: boolean;
}

function groupsOf({ layout }: Build, { tyres = [] }: Ground): AxleGroup[] {
  const groups = new Map<string, AxleGroup>();
  for (const axle of layout.axles) {
    const own = tyres.some(({ tyre }) => tyre === axle.tyre);
    const key = own ? `${axle.tyre} ${axle.form === 'slider'}` : String(axle.driven);
    const before = groups.get(key);
    const name = `${axle.name}, ${TYRE_TITLES[axle.tyre]}`;
    groups.set(key, {
      axle: before?.axle ?? axle,
      names: [...(before?.names ?? []), name],
      rollsOnly: !own && !axle.driven,
    });
  }
  return [...groups.values()].sort((a, b) => Number(b.axle.driven) - Number(a.axle.driven));
}

function GroundEntry({ ground, onChange }: EntryProps) {
  const { build, edit } = useBuild();
  const used = build.duties.some((d) => d.groundId === ground.id);
  return (
    <li className="grid gap-1 px-2 py-2" aria-label={ground.name}>
      <div className="flex flex-wrap items-center gap-2">
        <TextField
          label={`Name of the ground ${ground.name}`}
          hideLabel
          className="min-w-40 flex-1"
          value={ground.name}
          required="A ground needs a name."
          onChange={(name) => onChange({ name })}
        />
        <Softness ground={ground} onChange={onChange} />
        <label className="flex items-center gap-1 text-[14px]">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={ground.uneven ?? false}
            onChange={(event) => onChange({ uneven: event.target.checked || undefined })}
          />
          uneven: a wheel may hang
        </label>
        <button
          type="button"
          className="p-1.5 hover:text-short disabled:text-line"
          aria-label={`Remove ${ground.name}`}
          title={used ? 'A job stands on it' : undefined}
          disabled={used || build.grounds.length === 1}
          onClick={() => edit((b) => ({ ...b, grounds: b.grounds.filter((g) => g.id !== ground.id) }))}
        >
          <Trash2 size={18} aria-hidden="true" />
        </button>
      </div>
      {groupsOf(build, ground).map((group) => (
        <GroupFigures key={group.axle.id} ground={ground} group={group} />
      ))}
      <Measured ground={ground} onChange={onChange} />
      <Source ground={ground} />
      {ground.soil && <SoilFields soil={ground.soil} onChange={(soil) => onChange({ soil })} />}
    </li>
  );
}

/** What a ground does to some axles: their rolling, and how they grip. */
function GroupFigures({ ground, group: { axle, names, rollsOnly } }: { ground: Ground; group: AxleGroup }) {
  const { edit } = useBuild();
  const figures = figuresOf(ground, axle);
  const number = (key: keyof GroundFigures, label?: string) => (
    <SchemaField
      part="ground"
      field={key}
      {...(label === undefined ? {} : { label })}
      value={figures[key]}
      onChange={(quantity) => edit((b) => changeFigure(b, ground.id, axle, key, quantity))}
    />
  );
  return (
    <fieldset className="grid grid-cols-3 items-end gap-2 sm:grid-cols-[minmax(0,1.1fr)_repeat(3,minmax(0,1fr))]">
      <legend className="sr-only">{names.join('; ')}</legend>
      <span className="text-[14px] leading-tight text-soft max-sm:col-span-3 sm:pb-1.5" aria-hidden="true">
        {names.join('; ')}
      </span>
      {number('rolling', axle.form === 'slider' ? 'Sliding' : 'Rolling')}
      {rollsOnly ? (
        <span className="col-span-2 pb-1.5 text-[14px] text-soft">grips as the driven ones</span>
      ) : (
        <>
          {number('friction')}
          {number('across')}
        </>
      )}
    </fieldset>
  );
}

const MEASURED_KEYS = ['rolling', 'freeRolling', 'friction', 'across'] as const;
const TYRE_KEYS = ['rolling', 'friction', 'across'] as const;

/** Marks the numbers of a ground as measured on it; what was measured carries no guess any more. */
function Measured({ ground, onChange }: { readonly ground: Ground; readonly onChange: GroundChange }) {
  const all =
    MEASURED_KEYS.every((key) => ground[key].origin === 'measured') &&
    (ground.tyres ?? []).every((t) => TYRE_KEYS.every((key) => t[key].origin === 'measured'));
  const mark = (origin: 'measured' | 'typed'): void =>
    onChange({
      ...Object.fromEntries(MEASURED_KEYS.map((key) => [key, { ...ground[key], origin }])),
      ...(ground.tyres
        ? {
            tyres: ground.tyres.map((t) => ({
              ...t,
              ...Object.fromEntries(TYRE_KEYS.map((key) => [key, { ...t[key], origin }])),
            })),
          }
        : {}),
    });
  return (
    <label className="flex items-center gap-1 text-[14px]">
      <input
        type="checkbox"
        className="size-5 accent-ink"
        aria-label={`${ground.name} was measured`}
        checked={all}
        onChange={() => mark(all ? 'typed' : 'measured')}
      />
      measured on this ground
    </label>
  );
}

/** Where the numbers of the table come from, for the tyres that this vehicle has. */
function Source({ ground }: { readonly ground: Ground }) {
  const { build } = useBuild();
  const tyre = build.layout.axles.find((axle) => axle.driven)?.tyre ?? 'pneumatic';
  if (ground.surface === null) return null;
  const { rolling, friction, source } = surfacePair(ground.surface, tyre);
  return (
    <p className="text-[14px] text-soft">
      The table has rolling {rolling[0]} to {rolling[1]}, grip {friction[0]} to {friction[1]}: {source}.
      {ground.soil && ' On soft ground only the wheel’s own loss stands above; sinking in is worked out.'}
    </p>
  );
}

const SOFTNESS = [
  { value: 'firm', title: 'firm' },
  ...SOIL_IDS.map((id) => ({ value: id, title: `soft: ${soilOf(id).title}` })),
  { value: 'own', title: 'soft: own values' },
];

function Softness({ ground, onChange }: { readonly ground: Ground; readonly onChange: GroundChange }) {
  const now = ground.soil ? (SOIL_IDS.find((id) => soilOf(id).title === ground.soil?.name) ?? 'own') : 'firm';
  const set = (value: string): void => {
    if (value === 'firm') return onChange({ soil: undefined });
    const id: SoilId = SOIL_IDS.find((known) => known === value) ?? 'dry-sand';
    const { title, ...soil } = soilOf(id);
    onChange({
      soil: value === 'own' ? { ...(ground.soil ?? soil), name: 'own values' } : { name: title, ...soil },
    });
  };
  return (
    <Choice
      label={`How soft ${ground.name} is`}
      hideLabel
      className="w-[150px]"
      value={now}
      options={SOFTNESS}
      onChange={set}
    />
  );
}

const SOIL_KEYS = ['kcKnPerM', 'kphiKnPerM', 'exponent', 'cohesionKPa', 'shearAngleDeg'] as const;

const SoilFields = ({ soil, onChange }: { soil: GroundSoil; onChange: (soil: GroundSoil) => void }) => (
  <div className="grid grid-cols-2 gap-2 sm:grid-cols-5">
    {SOIL_KEYS.map((key) => (
      <SchemaField
        key={key}
        part="soil"
        field={key}
        value={{ value: soil[key], unit: '', origin: soil.name === 'own values' ? 'typed' : 'assumed' }}
        onChange={({ value }) => onChange({ ...soil, name: 'own values', [key]: value })}
      />
    ))}
  </div>
);

/** From the table of surfaces, for the tyres of this vehicle, or with numbers of one's own. */
function AddGround() {
  const { edit } = useBuild();
  const [surface, setSurface] = useState<SurfaceId | 'own'>('dry-concrete');
  return (
    <div className="mt-2 flex items-end gap-3">
      <Choice
        label="Surface to add"
        hideLabel
        className="w-44"
        value={surface}
        options={[
          ...SURFACES.map((id) => ({ value: id, title: surfaceTitle(id) })),
          { value: 'own', title: 'one of my own' },
        ]}
        onChange={setSurface}
      />
      <button
        type="button"
        className="push"
        onClick={() =>
          edit((b) => {
            const id = freeId('ground', b.grounds);
            const added =
              surface === 'own'
                ? newGround(id, `Ground ${b.grounds.length + 1}`)
                : groundOfSurface(id, surface, b.layout);
            return { ...b, grounds: [...b.grounds, added] };
          })
        }
      >
        Add a ground
      </button>
    </div>
  );
}

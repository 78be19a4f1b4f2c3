import {
  changeDrive,
  driveOf,
  freshWork,
  type Axle,
  type BuildPart,
  type Drive,
  type KeyOfPart,
  type Work,
} from '@zubric/core/vehicle';
import type { Quantity } from '@zubric/core/quantity';
import { Choice } from '../fields/Choice.tsx';
import { CountInput } from '../fields/CountInput.tsx';
import { SchemaField } from '../fields/SchemaField.tsx';
import { TextField } from '../fields/TextField.tsx';
import { useBuild } from '../session/BuildSession.tsx';

/** Name and purpose of the drive that is looked at, in the terms of what it does. */
export function DrivePurpose({ onRemove }: { readonly onRemove?: () => void }) {
  const { build, edit } = useBuild();
  const drive = driveOf(build);
  const change = (part: Partial<Drive>): void => edit((b) => changeDrive(b, part));
  return (
    <div className="sheet grid items-end gap-3 p-3 sm:grid-cols-2 lg:grid-cols-6">
      <TextField
        label="Name of the drive"
        value={drive.name}
        required="A drive needs a name."
        onChange={(name) => change({ name })}
      />
      {drive.does === 'propels' && <Axles of="driven" drive={drive} onChange={change} />}
      {drive.does === 'steers' && (
        <>
          <Axles of="steered" drive={drive} onChange={change} />
          <Choice
            label="Turns"
            value={drive.together === 'wheel' ? 'wheel' : 'axle'}
            options={[
              { value: 'wheel', title: 'each wheel by itself' },
              { value: 'axle', title: 'both wheels of an axle' },
            ]}
            onChange={(together) => change({ together })}
          />
          <SchemaField
            part="drive"
            field="steersWithin"
            value={drive.steersWithin}
            onChange={(steersWithin) => change({ steersWithin })}
          />
          {!build.steering && (
            <p className="text-[14px] text-soft sm:col-span-2">
              Say in the Brief how far it turns, and where its kingpin stands.
            </p>
          )}
        </>
      )}
      {drive.work && <WorkFields work={drive.work} onChange={(work) => change({ work })} />}
      <div>
        <span className="block text-[14px] text-soft" aria-hidden="true">
          Motors side by side
        </span>
        <CountInput
          label="Motors side by side"
          value={drive.motorsPerWheel}
          most={4}
          onChange={(motorsPerWheel) => change({ motorsPerWheel })}
        />
      </div>
      {onRemove && (
        <button type="button" className="push push-small justify-self-start" onClick={onRemove}>
          Remove this drive
        </button>
      )}
    </div>
  );
}

interface AxlesProps {
  readonly of: 'driven' | 'steered';
  readonly drive: Drive;
  readonly onChange: (part: Partial<Drive>) => void;
}

/** Which of the axles that are driven, or steered, this drive serves. */
function Axles({ of, drive, onChange }: AxlesProps) {
  const { build } = useBuild();
  const axles = build.layout.axles.filter((axle) => axle[of]);
  const serves = ({ id }: Axle): boolean => drive.axleIds?.includes(id) ?? true;
  const set = (axle: Axle, on: boolean): void => {
    const ids = axles.filter((a) => (a.id === axle.id ? on : serves(a))).map(({ id }) => id);
    if (ids.length > 0) onChange({ axleIds: ids.length === axles.length ? undefined : ids });
  };
  if (axles.length === 0)
    return (
      <p className="text-[14px] text-soft">
        {of === 'driven' ? 'No axle is driven' : 'No axle is steered'}: say so in the Brief, Layout.
      </p>
    );
  return (
    <fieldset className="grid gap-1 sm:col-span-2">
      <legend className="text-[14px] text-soft">{of === 'driven' ? 'It turns' : 'It steers'}</legend>
      <div className="flex flex-wrap gap-x-4">
        {axles.map((axle) => (
          <label key={axle.id} className="flex items-center gap-1.5">
            <input type="checkbox" checked={serves(axle)} onChange={(e) => set(axle, e.target.checked)} />
            {axle.name}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

const WORKS: readonly { readonly value: Work['kind']; readonly title: string }[] = [
  { value: 'lift', title: 'lifts a load on a spool' },
  { value: 'turns', title: 'turns a brush, tiller or blade' },
  { value: 'draws', title: 'draws power, nothing more is known' },
];

function WorkFields({ work, onChange }: { readonly work: Work; readonly onChange: (work: Work) => void }) {
  const { whole: build } = useBuild();
  const field = <P extends BuildPart & Work['kind']>(part: P, key: KeyOfPart<P>) => (
    <SchemaField
      part={part}
      field={key}
      value={(work as unknown as Readonly<Record<string, Quantity>>)[key]}
      onChange={(quantity) => onChange({ ...work, [key]: quantity })}
    />
  );
  return (
    <>
      <Choice
        label="It"
        value={work.kind}
        options={WORKS}
        onChange={(kind) => onChange(freshWork(build, kind))}
        className="sm:col-span-2"
      />
      {work.kind === 'lift' && (
        <>
          {field('lift', 'load')}
          {field('lift', 'height')}
          {field('lift', 'within')}
          {field('lift', 'timesAnHour')}
        </>
      )}
      {work.kind === 'turns' && (
        <>
          {field('turns', 'torque')}
          {field('turns', 'speed')}
          {field('turns', 'share')}
        </>
      )}
      {work.kind === 'draws' && (
        <>
          {field('draws', 'power')}
          {field('draws', 'share')}
        </>
      )}
      {work.kind !== 'lift' && (
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={work.whileDriving}
            onChange={(e) => onChange({ ...work, whileDriving: e.target.checked })}
          />
          Runs while it drives
        </label>
      )}
    </>
  );
}

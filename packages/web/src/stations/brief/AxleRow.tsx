import { fieldOf, layoutKind, FORMS, FORM_TITLES, removeAxle, type Axle } from '@zubric/core/vehicle';
import { TYRES, TYRE_TITLES } from '@zubric/core/ground';
import { Trash2 } from 'lucide-react';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** Keys with the value undefined are taken out of the axle. */
export type AxleChange = { readonly [K in keyof Axle]?: Axle[K] | undefined };

interface Props {
  readonly axle: Axle;
  readonly onChange: (part: AxleChange) => void;
}

/** One axle: what it is, where it stands, and what is done with it. */
export function AxleRow({ axle, onChange }: Props) {
  const { build, edit } = useBuild();
  const length = (key: LengthKey) => <AxleLength axle={axle} which={key} onChange={onChange} />;
  const last = build.layout.axles.length === 1;
  const onlyDriven = axle.driven && build.layout.axles.filter((a) => a.driven).length === 1;
  return (
    <tr>
      <th scope="row">
        <TextField
          label={`Name of the axle ${axle.name}`}
          hideLabel
          className="md:w-[116px]"
          value={axle.name}
          required="Give it a name."
          onChange={(name) => onChange({ name })}
        />
      </th>
      <td data-title="Kind of wheel">
        <Choice
          label={`Kind of wheel, ${axle.name.toLowerCase()}`}
          hideLabel
          className="md:w-[104px]"
          value={axle.form}
          // A track needs its length on the ground, which a wheel has not.
          options={FORMS.filter((form) => (form === 'track') === (axle.form === 'track')).map((value) => ({
            value,
            title: FORM_TITLES[value],
          }))}
          onChange={(form) => onChange({ form })}
        />
      </td>
      <td data-title="Tyre">
        <Choice
          label={`Tyre of ${axle.name.toLowerCase()}`}
          hideLabel
          className="md:w-[124px]"
          value={axle.tyre}
          options={TYRES.map((value) => ({ value, title: TYRE_TITLES[value] }))}
          onChange={(tyre) => onChange({ tyre })}
        />
      </td>
      <td data-title={axle.contactLength ? 'On the ground' : 'Ahead'}>
        {axle.contactLength ? (
          <span className="flex items-center gap-1 text-[14px] text-soft">
            {length('contactLength')} long
          </span>
        ) : (
          length('ahead')
        )}
      </td>
      <td data-title="Track">{length('track')}</td>
      <td data-title="Diameter">{length('diameter')}</td>
      <td data-title="Width">{length('width')}</td>
      <td className="min-w-[84px]" data-wide>
        <Does axle={axle} onlyDriven={onlyDriven} onChange={onChange} />
      </td>
      <td>
        <button
          type="button"
          className="p-1.5 hover:text-short disabled:text-line"
          aria-label={`Remove ${axle.name}`}
          title={
            last || onlyDriven ? 'A vehicle stands on something, and one axle at least is driven' : undefined
          }
          disabled={last || onlyDriven}
          onClick={() => edit((b) => removeAxle(b, axle.id))}
        >
          <Trash2 size={18} aria-hidden="true" />
        </button>
      </td>
    </tr>
  );
}

type LengthKey = 'ahead' | 'track' | 'diameter' | 'width' | 'contactLength';

interface LengthProps extends Props {
  readonly which: LengthKey;
}

const AxleLength = ({ axle, which, onChange }: LengthProps) => (
  <SchemaField
    part="axle"
    field={which}
    label={`${fieldOf('axle', which).title}, ${axle.name.toLowerCase()}`}
    hideLabel
    className="md:w-[78px]"
    value={axle[which]}
    onChange={(quantity) => onChange({ [which]: quantity })}
  />
);

/** What is done with an axle, and where only one of a pair is driven, which. */
function Does({ axle, onlyDriven, onChange }: Props & { readonly onlyDriven: boolean }) {
  const { build } = useBuild();
  const flag = (label: string, key: 'driven' | 'steered' | 'braked', locked = false) => (
    <label
      className="mr-2 inline-flex items-center gap-1"
      title={locked ? 'One axle at least is driven' : undefined}
    >
      <input
        type="checkbox"
        className="size-4 accent-ink"
        aria-label={`${axle.name} ${label}`}
        checked={axle[key]}
        disabled={locked}
        onChange={(event) => onChange({ [key]: event.target.checked })}
      />
      {label}
    </label>
  );
  return (
    <>
      {flag('driven', 'driven', onlyDriven)}
      {flag('steered', 'steered')}
      {flag('braked', 'braked')}
      {axle.driven && axle.track.value > 0 && layoutKind(build.layout.kind).mayDriveOneOfPair && (
        <Choice
          label={`Which of ${axle.name.toLowerCase()} drive`}
          hideLabel
          className="w-[104px]"
          value={axle.drivenSide ?? 'both'}
          options={[
            { value: 'both', title: 'both drive' },
            { value: 'left', title: 'left alone' },
            { value: 'right', title: 'right alone' },
          ]}
          onChange={(side) => onChange({ drivenSide: side === 'both' ? undefined : side })}
        />
      )}
    </>
  );
}

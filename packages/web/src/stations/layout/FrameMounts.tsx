import type { FrameReport, MountReport } from '@zubric/core/layout';
import { MOUNT_WORDS } from '@zubric/core/say';
import { addFrameMount, fieldOf, MOUNTS, type FrameMember, type FrameMount } from '@zubric/core/vehicle';
import { Sideways } from '../../common/Sideways.tsx';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Remove } from './Remove.tsx';
import { slopeInWords } from './slope.ts';

const FIELDS = ['at', 'shaft', 'free', 'arm', 'torque'] as const;

interface MountsProps {
  readonly member: FrameMember;
  readonly onChange: (values: Partial<FrameMember>) => void;
  readonly report: FrameReport;
}

/** Shafts on the member: bolted square and floating, side by side. */
export function FrameMounts({ member, report, onChange }: MountsProps) {
  const { edit } = useBuild();
  const set = (id: string, values: Partial<FrameMount>): void =>
    onChange({ mounts: member.mounts.map((one) => (one.id === id ? { ...one, ...values } : one)) });
  return (
    <>
      {member.mounts.length > 0 && (
        <Sideways label={`Shafts on ${member.name}`}>
          <table className="grid-table stacked md:min-w-[78rem]">
            <caption className="sr-only">Shafts on {member.name}</caption>
            <thead>
              <tr>
                <th scope="col">Shaft</th>
                <th scope="col">Mounted</th>
                {FIELDS.map((field) => (
                  <th key={field} scope="col">
                    {fieldOf('frameMount', field).title}
                  </th>
                ))}
                <th scope="col">Frame slopes</th>
                <th scope="col">If bolted square</th>
                <th scope="col">If floating</th>
                <th scope="col">
                  <span className="sr-only">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {member.mounts.map((mount) => (
                <MountRow
                  key={mount.id}
                  mount={mount}
                  found={report.mounts.find(({ id }) => id === mount.id)}
                  onChange={(values) => set(mount.id, values)}
                  onRemove={() => onChange({ mounts: member.mounts.filter(({ id }) => id !== mount.id) })}
                />
              ))}
            </tbody>
          </table>
        </Sideways>
      )}
      <p>
        <button
          type="button"
          className="push push-small"
          onClick={() => edit((b) => addFrameMount(b, member.id))}
        >
          Add a shaft on {member.name}
        </button>
      </p>
    </>
  );
}

interface MountProps {
  readonly mount: FrameMount;
  readonly found: MountReport | undefined;
  readonly onChange: (values: Partial<FrameMount>) => void;
  readonly onRemove: () => void;
}

function MountRow({ mount, found, onChange, onRemove }: MountProps) {
  const say = useSay();
  return (
    <tr>
      <th scope="row">
        <TextField
          label={`Name of ${mount.name}`}
          hideLabel
          value={mount.name}
          required="Give it a name."
          onChange={(name) => onChange({ name })}
        />
      </th>
      <td data-title="Mounted">
        <Choice
          label={`${mount.name} is mounted`}
          hideLabel
          value={mount.kind}
          options={MOUNTS.map((kind) => ({ value: kind, title: MOUNT_WORDS[kind] }))}
          onChange={(kind) => onChange({ kind })}
        />
      </td>
      {FIELDS.map((field) => (
        <td key={field} data-title={fieldOf('frameMount', field).title}>
          <SchemaField
            part="frameMount"
            field={field}
            label={`${fieldOf('frameMount', field).title}, ${mount.name}`}
            hideLabel
            value={mount[field]}
            onChange={(quantity) => onChange({ [field]: quantity })}
            {...(field === 'torque' ? { onClear: () => onChange({ torque: undefined }) } : {})}
          />
        </td>
      ))}
      <td data-title="Frame slopes" className={found?.binds === true ? 'text-short' : ''}>
        {found && `${slopeInWords(found.slopeRad)}${found.binds ? ': it binds' : ''}`}
      </td>
      <td data-title="If bolted square">
        {found &&
          `${say(found.rigid.forceN, 'force')} at its bearing, ${say(found.rigid.stressPa, 'stress')} each turn`}
      </td>
      <td data-title="If floating">
        {found?.floating ? `${say(found.floating.forceN, 'force')} at its arm` : 'say its torque'}
      </td>
      <td>
        <Remove label={`Remove ${mount.name}`} onRemove={onRemove} />
      </td>
    </tr>
  );
}

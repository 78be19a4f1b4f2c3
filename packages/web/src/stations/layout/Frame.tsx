import { frameReport, type FrameReport } from '@zubric/core/layout';
import { showNumber } from '@zubric/core/quantity';
import {
  addMember,
  arrangementOf,
  changeMember,
  FRAME_MATERIAL_NAMES,
  FRAME_MATERIALS,
  SECTIONS,
  type FrameMember,
} from '@zubric/core/vehicle';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { CountInput } from '../../fields/CountInput.tsx';
import { FieldsOf } from '../../fields/FieldsOf.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { FrameChoices } from './FrameChoices.tsx';
import { FrameMounts } from './FrameMounts.tsx';
import { Remove } from './Remove.tsx';
import { Tick } from './Tick.tsx';

const SECTION_WORDS: Readonly<Record<FrameMember['section'], string>> = {
  tube: 'square or flat tube',
  bar: 'bar or sheet',
  'round-tube': 'round tube',
  'round-bar': 'round bar',
};
/** The members of the frame: how far they sag, and whether shafts on them stay free. */
export function Frame() {
  const { build, edit } = useBuild();
  const frame = arrangementOf(build).frame ?? [];
  return (
    <section className="sheet grid grid-cols-[minmax(0,1fr)] gap-3 p-3" aria-labelledby="frame">
      <h2 id="frame">Frame: does it sag, and do shafts on it stay free?</h2>
      {frame.length === 0 && (
        <p className="text-[14px] text-soft">
          A frame that bends under the payload tilts the bearings on it. Add its rails, tube or sheet, as it
          lies between two supports.
        </p>
      )}
      {frame.map((member) => (
        <FieldsOf key={member.id} name={member.name}>
          <MemberForm member={member} />
        </FieldsOf>
      ))}
      <p>
        <button type="button" className="push push-small" onClick={() => edit(addMember)}>
          Add a member of the frame
        </button>
      </p>
    </section>
  );
}

function MemberForm({ member }: { readonly member: FrameMember }) {
  const { build, edit } = useBuild();
  const change = (alter: (now: FrameMember) => FrameMember | undefined): void =>
    edit((b) => changeMember(b, member.id, alter));
  const set = (values: Partial<FrameMember>): void => change((now) => ({ ...now, ...values }));
  const report = frameReport(build, member);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2 border-t border-line pt-2 first:border-0">
      <div className="grid items-end gap-2 sm:grid-cols-[2fr_1fr_1fr_auto]">
        <TextField
          label="Member"
          value={member.name}
          required="Give it a name."
          onChange={(name) => set({ name })}
        />
        <Choice
          label="It runs"
          value={member.runs}
          options={[
            { value: 'ahead', title: 'along the vehicle' },
            { value: 'left', title: 'across it' },
          ]}
          onChange={(runs) => set({ runs })}
        />
        <Choice
          label="Material"
          value={member.material}
          options={FRAME_MATERIAL_NAMES.map((value) => ({ value, title: FRAME_MATERIALS[value].title }))}
          onChange={(material) => set({ material })}
        />
        <Remove label={`Remove ${member.name}`} onRemove={() => change(() => undefined)} />
      </div>
      <SectionFields member={member} onChange={set} />
      <Bends report={report} />
      <FrameMounts member={member} report={report} onChange={set} />
      <FrameChoices member={member} />
    </div>
  );
}

interface FieldsProps {
  readonly member: FrameMember;
  readonly onChange: (values: Partial<FrameMember>) => void;
}

const isRound = (section: FrameMember['section']): boolean =>
  section === 'round-tube' || section === 'round-bar';
const isTube = (section: FrameMember['section']): boolean => section === 'tube' || section === 'round-tube';

/** Another section, with the sizes that it has; those that it lacks are as they were or as is usual. */
function asSection(member: FrameMember, section: FrameMember['section']): Partial<FrameMember> {
  const { height } = member;
  const wall = { ...height, value: Number((height.value / 12).toPrecision(2)) };
  return {
    section,
    width: isRound(section) ? undefined : (member.width ?? height),
    wall: isTube(section) ? (member.wall ?? wall) : undefined,
  };
}

function SectionFields({ member, onChange }: FieldsProps) {
  const sizes = [
    'height',
    ...(isRound(member.section) ? [] : ['width']),
    ...(isTube(member.section) ? ['wall'] : []),
  ];
  const fields = ['from', 'span', ...sizes, 'share'] as (
    | 'from'
    | 'span'
    | 'height'
    | 'width'
    | 'wall'
    | 'share'
  )[];
  return (
    <div className="grid grid-cols-2 items-end gap-2 md:grid-cols-4 xl:grid-cols-5">
      <Choice
        label="Section"
        value={member.section}
        options={SECTIONS.map((value) => ({ value, title: SECTION_WORDS[value] }))}
        onChange={(section) => onChange(asSection(member, section))}
      />
      {fields.map((field) => (
        <SchemaField
          key={field}
          part="member"
          field={field}
          {...(field === 'from'
            ? {
                label:
                  member.runs === 'ahead'
                    ? 'First support, ahead of the rear axle'
                    : 'First support, left of the middle',
              }
            : {})}
          value={member[field]}
          onChange={(quantity) => onChange({ [field]: quantity })}
        />
      ))}
      <div>
        <span className="block text-[14px] text-soft">Side by side</span>
        <CountInput
          label={`Members of ${member.name} side by side`}
          value={member.members}
          most={12}
          onChange={(members) => onChange({ members })}
        />
      </div>
      <Tick
        label="The payload lies spread over it"
        checked={member.spreads}
        onChange={(spreads) => onChange({ spreads })}
      />
    </div>
  );
}

/** Sag and stress under all that lies over it. */
function Bends({ report }: { readonly report: FrameReport }) {
  const say = useSay();
  const isWeak = report.factor !== undefined && report.factor < 1;
  return (
    <p>
      Under {say(report.loadN, 'force')} it sags{' '}
      <b className="font-semibold text-mech">{say(report.sagM, 'length')}</b>
      {report.factor === undefined ? (
        ''
      ) : (
        <>
          {' '}
          and is bent to{' '}
          <b className={`font-semibold ${isWeak ? 'text-short' : 'text-mech'}`}>
            {showNumber(100 / report.factor, 2)} %
          </b>{' '}
          of what its material is allowed
        </>
      )}
      ; it weighs {say(report.massKg, 'mass')}. At rest: a kerb or a jump doubles it.
    </p>
  );
}

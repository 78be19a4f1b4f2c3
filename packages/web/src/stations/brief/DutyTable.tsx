import type { DutyReport } from '@zubric/core/capability';
import { accelerationOf } from '@zubric/core/demand';
import { taskOf, type Duty } from '@zubric/core/vehicle';
import type * as newGrounds from './new-grounds.ts';
import type { Quantity } from '@zubric/core/quantity';
import { ChevronDown, ChevronRight, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Below } from '../../common/Below.tsx';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { FieldsOf } from '../../fields/FieldsOf.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { Term } from '../../common/Term.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensDuty } from '../../working/OpensOf.tsx';
import { fetched, lazyPart } from '../../common/lazy-part.ts';

/** What the table itself does without at first. */
const DutyDetail = lazyPart(async () => (await import('./DutyDetail.tsx')).DutyDetail);
const AddDuty = lazyPart(async () => (await import('./AddDuty.tsx')).AddDuty);

/** Columns of one number each; what the schema calls too long for a column is headed shorter. */
const COLUMNS = [
  { key: 'grade', title: 'Grade', width: 'w-[66px]' },
  { key: 'speed', title: 'Speed', width: 'w-[92px]' },
  { key: 'payloadShare', title: 'Payload', width: 'w-[70px]' },
] as const;

type Change = { readonly [K in keyof Duty]?: Duty[K] | undefined };

/** A duty with some of it changed; what is undefined is taken out. */
const changed = (duty: Duty, part: Change): Duty =>
  Object.fromEntries(Object.entries({ ...duty, ...part }).filter(([, value]) => value !== undefined)) as Duty;

/** The jobs it must do; what each asks and reaches stands beside it. */
export function DutyTable() {
  const { build, report, edit } = useBuild();
  const change = (id: string, part: Change): void =>
    edit((b) => ({ ...b, duties: b.duties.map((d) => (d.id === id ? changed(d, part) : d)) }));
  return (
    <section className="sheet" aria-labelledby="duties-title">
      <table className="grid-table duty-table">
        <caption className="sr-only" id="duties-title">
          Jobs
        </caption>
        <thead>
          <tr>
            <th scope="col">
              <Term id="job">Job</Term>
            </th>
            <th scope="col">Ground</th>
            {COLUMNS.map((column) => (
              <th key={column.key} scope="col">
                {column.title}
              </th>
            ))}
            <th scope="col">
              Minutes an <Term id="outing">outing</Term>
            </th>
            <th scope="col">Also asks for</th>
            <th scope="col" title="For a short time the motor may be hotter than it stands all day">
              <Term id="hot">Short, may run hot</Term>
            </th>
            <th scope="col" className="n">
              Force
            </th>
            <th scope="col" className="n">
              <Term id="pace">Top speed</Term>
            </th>
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {build.duties.map((duty) => (
            <DutyRow
              key={duty.id}
              duty={duty}
              report={report.duties.find((d) => d.id === duty.id)}
              onChange={(part) => change(duty.id, part)}
            />
          ))}
        </tbody>
      </table>
      <Below waiting={<div className="h-[54px]" />}>
        <AddDuty />
      </Below>
    </section>
  );
}

const NOTHING = '–';

/** What a duty asks besides, in a few words. */
function useBesides(): (duty: Duty) => string {
  const say = useSay();
  return (duty) =>
    [
      taskOf(duty).word,
      accelerationOf(duty) === 0 ? '' : say(accelerationOf(duty), 'acceleration'),
      duty.drawbar.value > 0 ? `pulls ${say(duty.drawbar.value, 'force')}` : '',
      duty.push ? 'pushes a blade' : '',
      duty.towed ? `tows ${say(duty.towed.mass.value, 'mass')}` : '',
      duty.turn
        ? duty.turn.kind === 'radius'
          ? `bend ${say(duty.turn.radius.value, 'length')}`
          : 'on the spot'
        : '',
      duty.step ? `step ${say(duty.step.value, 'length')}` : '',
      duty.sideSlope ? `${say(duty.sideSlope.value, 'angle')} across` : '',
      duty.lean ? `${say(duty.lean.value, 'angle')} lean` : '',
      duty.startsAnHour ? `${duty.startsAnHour.value} starts/h` : '',
    ]
      .filter((word) => word !== '')
      .join(', ') || NOTHING;
}

interface RowProps {
  readonly duty: Duty;
  readonly report: DutyReport | undefined;
  readonly onChange: (part: Change) => void;
}

function DutyRow({ duty, report, onChange }: RowProps) {
  const { edit } = useBuild();
  const besides = useBesides()(duty);
  // What asks for more shows it; the rest opens at a press.
  const [open, setOpen] = useState(besides !== NOTHING);
  const remove = (): void => edit((b) => ({ ...b, duties: b.duties.filter((d) => d.id !== duty.id) }));
  return (
    <>
      <tr>
        <Asked duty={duty} report={report} onChange={onChange} />
        <td data-title="Also asks for" data-besides>
          <button
            type="button"
            className="flex w-full items-center gap-1 text-left hover:text-mech xl:max-w-[170px]"
            aria-expanded={open}
            aria-label={`What ${duty.name} also asks for: ${besides}`}
            onClick={() => setOpen(!open)}
          >
            {open ? (
              <ChevronDown size={16} className="shrink-0" aria-hidden="true" />
            ) : (
              <ChevronRight size={16} className="shrink-0" aria-hidden="true" />
            )}
            <span className="line-clamp-2 leading-tight">{besides}</span>
          </button>
        </td>
        <td className="text-center" data-title="Short, may run hot" data-narrow>
          <input
            type="checkbox"
            className="size-5 accent-ink"
            aria-label={`${duty.name} may run hot`}
            checked={duty.mayRunHot}
            onChange={(event) => onChange({ mayRunHot: event.target.checked })}
          />
        </td>
        <Found duty={duty} report={report} />
        <td data-narrow>
          <button
            type="button"
            className="p-1.5 hover:text-short"
            aria-label={`Remove ${duty.name}`}
            onClick={remove}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={11} data-detail>
            <Below waiting={<p>Opening the job …</p>}>
              <FieldsOf name={duty.name}>
                <DutyDetail duty={duty} onChange={onChange} />
              </FieldsOf>
            </Below>
          </td>
        </tr>
      )}
    </>
  );
}

type NewGrounds = Pick<typeof newGrounds, 'NEW_GROUNDS' | 'onGround'>;

/** What a new ground is made of: fetched after the jobs themselves. */
const newGroundsFetched = () => fetched(() => import('./new-grounds.ts'));

function useNewGrounds() {
  const [grounds, setGrounds] = useState<NewGrounds>();
  useEffect(() => {
    void newGroundsFetched().then(setGrounds);
  }, []);
  return grounds;
}

/** What a duty asks: a cell each. */
function Asked({ duty, report, onChange }: RowProps) {
  const { build, edit } = useBuild();
  const say = useSay();
  const grounds = useNewGrounds();
  return (
    <>
      <td className="xl:min-w-[138px]" data-title="Job" data-wide>
        <TextField
          label={`Name of the job ${duty.name}`}
          hideLabel
          value={duty.name}
          required="A job needs a name."
          onChange={(name) => onChange({ name })}
        />
      </td>
      <td className="xl:min-w-[206px]" data-title="Ground" data-wide>
        <Choice
          className="[&_select]:font-narrow [&_select]:px-1"
          label={`Ground of ${duty.name}`}
          hideLabel
          value={duty.groundId}
          options={build.grounds.map((g) => ({ value: g.id, title: g.name }))}
          {...(grounds ? { more: grounds.NEW_GROUNDS } : {})}
          onChange={(chosen) =>
            grounds
              ? edit((b) => grounds.onGround(b, duty.id, chosen))
              : void newGroundsFetched().then(({ onGround }) => edit((b) => onGround(b, duty.id, chosen)))
          }
        />
      </td>
      {COLUMNS.map((column) => (
        <td key={column.key} data-title={column.title}>
          <SchemaField
            part="duty"
            field={column.key}
            label={`${column.title}, ${duty.name}`}
            hideLabel
            className={column.width}
            value={duty[column.key]}
            onChange={(quantity: Quantity) => onChange({ [column.key]: quantity })}
          />
        </td>
      ))}
      <td data-title="Minutes an outing">
        {duty.extent.kind === 'time' ? (
          <SchemaField
            part="duty"
            field="duration"
            label={`Minutes an outing, ${duty.name}`}
            hideLabel
            className="w-[76px]"
            value={duty.duration}
            onChange={(duration) => onChange({ duration })}
          />
        ) : (
          <span className="whitespace-nowrap">{say(report?.durationS ?? 0, 'time')}</span>
        )}
      </td>
    </>
  );
}

/** What it comes to: the force it asks, and the speed that is reached. */
function Found({ duty, report }: Omit<RowProps, 'onChange'>) {
  const say = useSay();
  return (
    <>
      <td
        className="n font-semibold text-mech"
        data-title="Force"
        data-result
        data-testid={`force-${duty.id}`}
      >
        {report ? (
          <OpensDuty number="force" dutyId={duty.id} title={`the force of “${duty.name}”`}>
            {say(report.resistance.totalN, 'force')}
          </OpensDuty>
        ) : (
          '–'
        )}
      </td>
      <td className="n text-mech" data-title="Top speed" data-result>
        {report?.attainableMps === undefined ? '–' : say(report.attainableMps, 'speed')}
      </td>
    </>
  );
}

import { freeId, newDuty, type Duty } from '@zubric/core/build';
import type { DutyReport } from '@zubric/core/evaluate';
import type { Dimension, Quantity } from '@zubric/core/quantity';
import { Trash2 } from 'lucide-react';
import { useSay } from '../../app/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { climbable, shareOfWhole, zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import type { Check } from '../../fields/useQuantityText.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensDuty } from '../../working/OpensOf.tsx';

type NumberKey = 'grade' | 'speed' | 'payloadShare' | 'acceleration' | 'drawbar' | 'duration';

interface Column {
  readonly key: NumberKey;
  readonly title: string;
  readonly dimension: Dimension;
  readonly check?: Check;
  readonly width: string;
}

const COLUMNS: readonly Column[] = [
  { key: 'grade', title: 'Grade', dimension: 'angle', check: climbable, width: 'w-[66px]' },
  { key: 'speed', title: 'Speed', dimension: 'speed', check: zeroOrMore, width: 'w-[84px]' },
  { key: 'payloadShare', title: 'Payload', dimension: 'share', check: shareOfWhole, width: 'w-[70px]' },
  { key: 'acceleration', title: 'Speeding up', dimension: 'acceleration', width: 'w-[96px]' },
  { key: 'drawbar', title: 'Towing pull', dimension: 'force', check: zeroOrMore, width: 'w-[80px]' },
  { key: 'duration', title: 'In an outing', dimension: 'time', check: zeroOrMore, width: 'w-[84px]' },
];

/** The jobs it must do; what each asks and reaches stands beside it. */
export function DutyTable() {
  const { build, report, edit } = useBuild();
  const change = (id: string, part: Partial<Duty>): void =>
    edit((b) => ({ ...b, duties: b.duties.map((d) => (d.id === id ? { ...d, ...part } : d)) }));
  const add = (): void =>
    edit((b) => {
      const id = freeId('duty', b.duties);
      return {
        ...b,
        duties: [...b.duties, newDuty(id, `Duty ${b.duties.length + 1}`, b.grounds[0]?.id ?? '')],
      };
    });
  return (
    <section className="sheet" aria-labelledby="duties-title">
      <table className="grid-table duty-table">
        <caption className="sr-only" id="duties-title">
          Duties
        </caption>
        <thead>
          <tr>
            <th scope="col">Duty</th>
            <th scope="col">Ground</th>
            {COLUMNS.map((column) => (
              <th key={column.key} scope="col">
                {column.title}
              </th>
            ))}
            <th scope="col" title="A short burst: the motor may be hotter than it stands all day">
              Burst
            </th>
            <th scope="col" className="n">
              Force
            </th>
            <th scope="col" className="n">
              Reaches
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
      <p className="px-2 py-2">
        <button type="button" className="push" onClick={add} disabled={build.duties.length >= 40}>
          Add a duty
        </button>
      </p>
    </section>
  );
}

interface RowProps {
  readonly duty: Duty;
  readonly report: DutyReport | undefined;
  readonly onChange: (part: Partial<Duty>) => void;
}

function DutyRow({ duty, report, onChange }: RowProps) {
  const { build, edit } = useBuild();
  const say = useSay();
  const remove = (): void => edit((b) => ({ ...b, duties: b.duties.filter((d) => d.id !== duty.id) }));
  return (
    <tr>
      <td className="xl:min-w-[130px]" data-title="Duty" data-wide>
        <TextField
          label={`Name of the duty ${duty.name}`}
          hideLabel
          value={duty.name}
          required="A duty needs a name."
          onChange={(name) => onChange({ name })}
        />
      </td>
      <td className="xl:w-[180px]" data-title="Ground" data-wide>
        <Choice
          label={`Ground of ${duty.name}`}
          hideLabel
          value={duty.groundId}
          options={build.grounds.map((g) => ({ value: g.id, title: g.name }))}
          onChange={(groundId) => onChange({ groundId })}
        />
      </td>
      {COLUMNS.map((column) => (
        <td key={column.key} data-title={column.title}>
          <QuantityField
            label={`${column.title}, ${duty.name}`}
            hideLabel
            className={column.width}
            dimension={column.dimension}
            value={duty[column.key]}
            check={column.check}
            onChange={(quantity: Quantity) => onChange({ [column.key]: quantity })}
          />
        </td>
      ))}
      <td className="text-center" data-title="Burst" data-narrow>
        <input
          type="checkbox"
          className="size-5 accent-ink"
          aria-label={`${duty.name} may run hot`}
          checked={duty.mayRunHot}
          onChange={(event) => onChange({ mayRunHot: event.target.checked })}
        />
      </td>
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
      <td className="n text-mech" data-title="Reaches" data-result>
        {report?.attainableMps === undefined ? '–' : say(report.attainableMps, 'speed')}
      </td>
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
  );
}

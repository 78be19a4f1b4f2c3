import type { DutyReport } from '@zubric/core/capability';
import type { Resistance } from '@zubric/core/demand';
import { firstToGive } from '@zubric/core/judge';
import { showNumber } from '@zubric/core/quantity';
import { taskOf } from '@zubric/core/vehicle';
import { useSay } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensDuty } from '../../working/OpensOf.tsx';

type Part = Exclude<keyof Resistance, 'totalN'>;

const PARTS: readonly (readonly [Part, string])[] = [
  ['rollingN', 'Rolling'],
  ['gradeN', 'Grade'],
  ['dragN', 'Air'],
  ['inertiaN', 'Speeding up'],
  ['drawbarN', 'Towing'],
  ['pushingN', 'Pushing'],
  ['compactionN', 'Soft ground'],
  ['turningN', 'Turning'],
  ['obstacleN', 'Step'],
  ['catchingN', 'Lean'],
];

interface Props {
  readonly chosen: string;
  readonly onChoose: (dutyId: string) => void;
}

/** What each duty asks along the ground, by cause, and which of grip and torque gives out first. */
export function ForceTable({ chosen, onChoose }: Props) {
  const { report } = useBuild();
  // A cause that no duty has takes no column.
  const parts = PARTS.filter(([key]) => report.duties.some((d) => Math.abs(d.resistance[key]) > 0.005));
  return (
    <section className="sheet relative overflow-x-auto" aria-labelledby="forces-title">
      <table className="grid-table">
        <caption id="forces-title" className="px-2 pt-2 text-left font-narrow text-[16px] font-semibold">
          What each job asks along the ground
        </caption>
        <thead>
          <tr>
            <th scope="col">Job</th>
            {parts.map(([key, title]) => (
              <th key={key} scope="col" className="n">
                {title}
              </th>
            ))}
            <th scope="col" className="n">
              In all
            </th>
            <th scope="col" className="n">
              Power
            </th>
            <th scope="col" className="n">
              Grip
            </th>
            <th scope="col" className="n">
              Torque
            </th>
            <th scope="col">First to give out</th>
          </tr>
        </thead>
        <tbody>
          {report.duties.map((d) => (
            <ForceRow
              key={d.id}
              of={d}
              parts={parts}
              chosen={d.id === chosen}
              onChoose={() => onChoose(d.id)}
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface RowProps {
  readonly of: DutyReport;
  readonly parts: readonly (readonly [Part, string])[];
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

function ForceRow({ of, parts, chosen, onChoose }: RowProps) {
  const { report, build } = useBuild();
  const say = useSay();
  const gives = firstToGive(report, of.id);
  const duty = build.duties.find(({ id }) => id === of.id);
  const times = (ratio: number | undefined): string => (ratio === undefined ? '–' : `${showNumber(ratio)} ×`);
  return (
    <tr className={chosen ? 'bg-mech-lo' : ''}>
      <th scope="row">
        <button
          type="button"
          className="text-left underline decoration-edge underline-offset-4"
          aria-pressed={chosen}
          onClick={onChoose}
        >
          {of.name}
        </button>
      </th>
      {parts.map(([key]) => (
        <td key={key} className="n">
          {Math.abs(of.resistance[key]) > 0.005 ? say(of.resistance[key], 'force') : '–'}
        </td>
      ))}
      <td className="n font-semibold text-mech">
        <OpensDuty number="force" dutyId={of.id} title={`the force of “${of.name}”`}>
          {say(of.resistance.totalN, 'force')}
        </OpensDuty>
      </td>
      <td className="n">{say(Math.max(0, of.resistance.totalN) * of.speedMps, 'power')}</td>
      <td className="n">{times(gives?.grip)}</td>
      <td className="n">{times(gives?.torque)}</td>
      <td>
        {!duty || !taskOf(duty).drives || of.resistance.totalN < 0 ? (
          <span className="text-soft">the brake’s</span>
        ) : gives?.torque === undefined && (gives?.grip ?? Infinity) >= 1 ? (
          <span className="text-soft">no motor yet</span>
        ) : gives ? (
          <b
            className={`font-semibold ${Math.min(gives.grip ?? Infinity, gives.torque ?? Infinity) < 1 ? 'text-short' : ''}`}
          >
            {gives.first}
          </b>
        ) : (
          <span className="text-soft">neither</span>
        )}
      </td>
    </tr>
  );
}

import type { EnergyFlows } from '@zubric/core/capability';
import { useSay } from '../../../common/units.tsx';

const TITLES: Readonly<Record<keyof EnergyFlows['into'], string>> = {
  rolling: 'rolling and soft ground',
  climbing: 'climbing',
  pulling: 'pulling, and over steps',
  turning: 'turning',
  drag: 'air',
  speedingUp: 'speeding up',
  starting: 'starting again and again',
  works: 'its works',
  beside: 'controller, lights and the like',
  inStages: 'lost in gears, belts, chains',
  inMotors: 'lost in the motors',
  inLeads: 'lost in leads and driver',
  inCable: 'lost in the cable',
  inBattery: 'lost in the battery',
  braked: 'braked away',
};
const ORDER = Object.keys(TITLES) as (keyof EnergyFlows['into'])[];
/** Less than this share of all is not worth a line. */
const WORTH_A_LINE = 0.002;

/** Where the energy of the day goes, the most first; what a way down gives back stands below zero. */
export function EnergyBars({ energy: { fromBattery, fromSun, into } }: { readonly energy: EnergyFlows }) {
  const say = useSay();
  const most = Math.max(1e-9, ...Object.values(into).map(Math.abs));
  const rows = ORDER.map((sink) => ({ sink, joules: into[sink] }))
    .filter(({ joules }) => Math.abs(joules) > WORTH_A_LINE * (fromBattery + fromSun))
    .sort((a, b) => b.joules - a.joules);
  return (
    <section aria-labelledby="energy-title" className="mt-3">
      <h3 id="energy-title" className="font-semibold">
        Where {say(fromBattery, 'energy', 3)} of the battery
        {fromSun > 0 ? ` and ${say(fromSun, 'energy', 3)} of the sun` : ''} go
      </h3>
      <table className="w-full text-[14px]">
        <tbody>
          {rows.map(({ sink, joules }) => (
            <tr key={sink} className="border-t border-line">
              <th scope="row" className="w-52 py-0.5 pr-2 text-left font-normal max-sm:w-36">
                {TITLES[sink]}
              </th>
              <td className="w-24 pr-2 text-right tabular-nums">{say(joules, 'energy', 3)}</td>
              <td aria-hidden="true">
                <span
                  className={`block h-3 ${joules < 0 ? 'bg-line' : 'bg-mech-mid'}`}
                  style={{ width: `${(100 * Math.abs(joules)) / most}%` }}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {into.climbing < 0 && (
        <p className="text-[14px] text-soft">
          Going down more than up gives energy back: the motors need less.
        </p>
      )}
    </section>
  );
}

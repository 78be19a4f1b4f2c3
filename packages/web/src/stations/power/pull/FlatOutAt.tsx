import { flatOut, together, type Driveline } from '@zubric/core/drive';
import { timeToLimit } from '@zubric/core/motor';
import { driveOf, motorThermal, throughDrive } from '@zubric/core/vehicle';
import { useSay } from '../../../common/units.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import type { Pull } from './use-pull.ts';

const HELD_BY = {
  voltage: '',
  driver: ', held by its driver',
  battery: ', held by the battery',
} as const;
const ROOM_C = 25;

/** How long a motor stands a current, from cold. */
function heatOf({ motor }: Driveline, currentA: number, say: ReturnType<typeof useSay>): string {
  const seconds = timeToLimit(motorThermal(motor), currentA, ROOM_C);
  return seconds === null ? 'all day' : `${say(seconds, 'time', 2)} from cold`;
}

interface Props {
  readonly pull: Pull;
  readonly speedMps: number;
}

/** What every drive does at full command at one speed: pull, current, heat; and what the battery gives. */
export function FlatOutAt({ pull: { line, tired }, speedMps }: Props) {
  const { whole } = useBuild();
  const say = useSay();
  const now = flatOut(line, speedMps);
  const then = tired && flatOut(tired.line, speedMps);
  const drives = together(line);
  const several = drives.length > 1;
  return (
    <table className="my-1.5 w-full text-[14px]">
      <caption className="px-2 pb-0.5 text-left">
        At {say(speedMps, 'speed')}, full command: {say(now.batteryA, 'current')} from the battery, at{' '}
        {say(now.batteryV, 'voltage')}.
      </caption>
      <thead>
        <tr className="text-left text-soft">
          {several && (
            <th scope="col" className="px-2 font-normal">
              Drive
            </th>
          )}
          <th scope="col" className="px-2 font-normal">
            Pulls
          </th>
          {then && (
            <th scope="col" className="px-2 font-normal">
              At the outing’s end
            </th>
          )}
          <th scope="col" className="px-2 font-normal">
            Each motor carries
          </th>
          <th scope="col" className="px-2 font-normal">
            Its winding stands that
          </th>
        </tr>
      </thead>
      <tbody>
        {drives.map((one, n) => {
          const at = now.drives[n];
          if (!at) return null;
          return (
            <tr key={one.driveId} className="border-t border-line">
              {several && (
                <th scope="row" className="px-2 text-left font-medium">
                  {driveOf(throughDrive(whole, one.driveId)).name}
                </th>
              )}
              <td className="px-2 text-mech">{say(at.pullN, 'force')}</td>
              {then && <td className="px-2 text-mech">{say(then.drives[n]?.pullN ?? 0, 'force')}</td>}
              <td className="px-2 text-elec">
                {say(at.point.currentA, 'current')}
                {HELD_BY[at.point.limitedBy]}
              </td>
              <td className="px-2">{heatOf(one, at.point.currentA, say)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

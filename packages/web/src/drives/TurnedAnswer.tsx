import type { TurnedReport } from '@zubric/core/judge';
import { useSay } from '../common/units.tsx';
import { useBuild } from '../session/BuildSession.tsx';

interface Props {
  readonly name: string;
  readonly turned: TurnedReport;
}

/** What a drive that steers or works is asked, and what its motor does for it. */
export function TurnedAnswer({ name, turned: { dutyId, torqueNm, speedRadS, turnsRad, point } }: Props) {
  const { build } = useBuild();
  const say = useSay();
  const duty = build.duties.find(({ id }) => id === dutyId);
  return (
    <>
      “{name}” takes <b className="font-semibold text-mech">{say(torqueNm, 'torque')}</b>{' '}
      {speedRadS > 0 && (
        <>
          at <b className="font-semibold text-mech">{say(speedRadS, 'rotation')}</b>{' '}
        </>
      )}
      at its end{duty && ` on “${duty.name}”`}
      {turnsRad !== undefined && `, turning ${say(turnsRad, 'angle')} each way`}; each motor draws{' '}
      <b className="font-semibold text-elec">{say(point.currentA, 'current')}</b> at{' '}
      {say(point.motorV, 'voltage')}
      {point.reachable ? '.' : ': more than there is.'}
    </>
  );
}

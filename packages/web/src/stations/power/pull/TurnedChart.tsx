import { drivelineOf } from '@zubric/core/drive';
import { greatestAt } from '@zubric/core/judge';
import { driveOf } from '@zubric/core/vehicle';
import { useMemo } from 'react';
import { Cross, CurveFigure, drawnLine, SheetEmpty } from '../../../charts/CurveFigure.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';

const SAMPLES = 120;

/** Torque at the end of a drive that steers or works against its speed, with what is asked of it as a mark. */
export function TurnedChart() {
  const { build, report } = useBuild();
  const { id } = driveOf(build);
  const turned = report.drives.find(({ driveId }) => driveId === id)?.turned;
  const curve = useMemo(() => {
    const driveline = drivelineOf(build);
    if (!driveline) return undefined;
    const free = driveline.circuit.motor.fastestRadS(driveline.circuit.openCircuitV) / driveline.ratio;
    return Array.from({ length: SAMPLES + 1 }, (_, n) => {
      const speedRadS = (free * n) / SAMPLES;
      return [speedRadS, greatestAt(driveline, speedRadS)] as const;
    }).filter(([, torqueNm]) => torqueNm >= 0);
  }, [build]);
  const mostNm = Math.max(1e-3, ...(curve ?? []).map(([, nm]) => nm), (turned?.torqueNm ?? 0) * 1.2);
  const mostRadS = Math.max(1e-3, curve?.at(-1)?.[0] ?? 0, (turned?.speedRadS ?? 0) * 1.2);
  return (
    <CurveFigure
      x={{ most: mostRadS, dimension: 'rotation', title: 'speed at its end' }}
      y={{ most: mostNm, dimension: 'torque', title: 'torque at its end' }}
      axes={curve !== undefined || turned !== undefined}
      label="Torque at the end of the drive against its speed, with what is asked as a mark"
      caption="Line: all that its motor gives at the end of its stages. Cross: what is asked of it."
    >
      {(placing) => (
        <>
          {curve && (
            <path d={drawnLine(placing, curve)} fill="none" stroke="var(--color-mech)" strokeWidth="3" />
          )}
          {turned && <Cross x={placing.x(turned.speedRadS)} y={placing.y(turned.torqueNm)} />}
          {!curve && <SheetEmpty placing={placing}>choose a motor to see its torque</SheetEmpty>}
        </>
      )}
    </CurveFigure>
  );
}

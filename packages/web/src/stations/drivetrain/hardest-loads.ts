import { loadedStages, type LoadedStage } from '@zubric/core/capability';
import { drivelineOf } from '@zubric/core/drive';
import { driveOf } from '@zubric/core/vehicle';
import { useBuild } from '../../session/BuildSession.tsx';

/** The duty that asks the most torque of the motors, and what it puts on every stage. */
export interface HardestLoads {
  readonly duty: string;
  readonly wheelTorqueNm: number;
  readonly stages: readonly LoadedStage[];
}

/** Undefined until a motor is chosen and a duty drives. */
export function useHardestLoads(): HardestLoads | undefined {
  const { build, report } = useBuild();
  const line = drivelineOf(build);
  const own = report.drives.find(({ driveId }) => driveId === driveOf(build).id);
  const turned = own?.turned;
  if (line && turned) {
    const { motorTorqueNm, motorRpm } = turned.point;
    return {
      duty: own.name,
      wheelTorqueNm: turned.torqueNm,
      stages: loadedStages(line, { motorTorqueNm, motorRpm }),
    };
  }
  const hardest = [...report.duties]
    .filter((d) => d.point)
    .sort((a, b) => Math.abs(b.point?.motorTorqueNm ?? 0) - Math.abs(a.point?.motorTorqueNm ?? 0))[0];
  if (!line || !hardest?.point) return undefined;
  const { motorTorqueNm, motorRpm, wheelTorqueNm } = hardest.point;
  return {
    duty: hardest.name,
    wheelTorqueNm: Math.abs(wheelTorqueNm),
    stages: loadedStages(line, { motorTorqueNm: Math.abs(motorTorqueNm), motorRpm }),
  };
}

import { drivelineOf } from '@zubric/core/drive';
import { greatestAt } from '@zubric/core/judge';
import { driveOf } from '@zubric/core/vehicle';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useMemo } from 'react';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { useUnits } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const WIDTH = 500;
const HEIGHT = 330;
const FRAME = { left: 52, right: 16, top: 28, bottom: 46 };
const SAMPLES = 120;

/** Torque at the end of a drive that steers or works against its speed, with what is asked of it as a mark. */
export function TurnedChart() {
  const { build, report } = useBuild();
  const { system } = useUnits();
  const { id } = driveOf(build);
  const turned = report.drives.find(({ driveId }) => driveId === id)?.turned;
  const curve = useMemo(() => {
    const driveline = drivelineOf(build);
    if (!driveline) return undefined;
    const free = driveline.circuit.motor.fastestRadS(driveline.circuit.openCircuitV) / driveline.ratio;
    return Array.from({ length: SAMPLES + 1 }, (_, n) => {
      const speedRadS = (free * n) / SAMPLES;
      return { speedRadS, torqueNm: greatestAt(driveline, speedRadS) };
    }).filter(({ torqueNm }) => torqueNm >= 0);
  }, [build]);
  const most = {
    torqueNm: Math.max(1e-3, ...(curve ?? []).map((p) => p.torqueNm), (turned?.torqueNm ?? 0) * 1.2),
    speedRadS: Math.max(1e-3, curve?.at(-1)?.speedRadS ?? 0, (turned?.speedRadS ?? 0) * 1.2),
  };
  const speed = chartUnit(most.speedRadS, 'rotation', system);
  const torque = chartUnit(most.torqueNm, 'torque', system);
  const x = scaleLinear([0, speed.convert(most.speedRadS)], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([0, torque.convert(most.torqueNm)], [HEIGHT - FRAME.bottom, FRAME.top]).nice();
  const path = line<{ speedRadS: number; torqueNm: number }>(
    (p) => x(speed.convert(p.speedRadS)),
    (p) => y(torque.convert(p.torqueNm)),
  );
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label="Torque at the end of the drive against its speed, with what is asked as a mark"
      >
        {(curve ?? turned) && (
          <Axes
            x={x}
            y={y}
            xTitle={`speed at its end, ${speed.symbol}`}
            yTitle={`torque at its end, ${torque.symbol}`}
            color="var(--color-mech)"
          />
        )}
        {curve && <path d={path(curve) ?? ''} fill="none" stroke="var(--color-mech)" strokeWidth="3" />}
        {turned && (
          <path
            d={`M${x(speed.convert(turned.speedRadS)) - 6} ${y(torque.convert(turned.torqueNm))}h12m-6 -6v12`}
            stroke="var(--color-ink)"
            strokeWidth="2.5"
          />
        )}
        {!curve && (
          <text
            x={(WIDTH + FRAME.left) / 2}
            y={HEIGHT / 2}
            textAnchor="middle"
            fontSize="15"
            fill="var(--color-soft)"
          >
            choose a motor to see its torque
          </text>
        )}
      </svg>
      <figcaption className="px-2 text-[14px] text-soft">
        Line: all that its motor gives at the end of its stages. Cross: what is asked of it.
      </figcaption>
    </figure>
  );
}

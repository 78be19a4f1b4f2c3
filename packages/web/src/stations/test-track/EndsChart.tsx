import type { Cloud, RunTold } from '@zubric/core/driving';
import { show } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { useUnits } from '../../common/units.tsx';

const WIDTH = 420;
const HEIGHT = 330;
const FRAME = { left: 56, right: 16, top: 28, bottom: 46 };

interface Props {
  readonly runs: readonly (RunTold & { readonly aheadM: number })[];
  readonly cloud: Cloud;
}

/** Where runs end, about where they were to: to the right across, ahead upwards, with the oval of nineteen in twenty. */
export function EndsChart({ runs, cloud }: Props) {
  const { system } = useUnits();
  const far = Math.max(
    0.01,
    ...runs.flatMap(({ sideM, aheadM }) => [Math.abs(sideM), Math.abs(aheadM)]),
    Math.abs(cloud.meanSideM) + cloud.ellipse.longM,
  );
  const unit = chartUnit(far, 'length', system);
  const most = unit.convert(far * 1.05);
  // One scale both ways: the narrower side sets it.
  const room = Math.min(WIDTH - FRAME.left - FRAME.right, HEIGHT - FRAME.top - FRAME.bottom) / 2;
  const middleX = (FRAME.left + WIDTH - FRAME.right) / 2;
  const middleY = (FRAME.top + HEIGHT - FRAME.bottom) / 2;
  const x = scaleLinear([-most, most], [middleX - room, middleX + room]);
  const y = scaleLinear([-most, most], [middleY + room, middleY - room]);
  const [cx, cy] = [x(unit.convert(cloud.meanSideM)), y(unit.convert(cloud.meanAheadM))];
  const { longM, shortM, deg } = cloud.ellipse;
  const perM = unit.convert(1) * (room / most);
  const said = (si: number): string => show(si, 'length', system).text;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full max-w-md"
      role="img"
      aria-label={`Where ${cloud.runs} runs end: on average ${said(Math.abs(cloud.meanSideM))} to the ${cloud.meanSideM < 0 ? 'left' : 'right'}, spread ${said(cloud.sdSideM)} to the side and ${said(cloud.sdAheadM)} along.`}
    >
      <Axes
        {...{ x, y }}
        xTitle={`to the right, ${unit.symbol}`}
        yTitle={`ahead, ${unit.symbol}`}
        xTicks={4}
        yTicks={4}
        color="var(--color-ink)"
      />
      <path
        d={`M${x(0)} ${y(most)}V${y(-most)}M${x(-most)} ${y(0)}H${x(most)}`}
        stroke="var(--color-mech-mid)"
        strokeWidth="1.5"
      />
      <ellipse
        rx={shortM * perM}
        ry={longM * perM}
        transform={`translate(${cx} ${cy}) rotate(${deg})`}
        fill="var(--color-elec-lo)"
        fillOpacity="0.5"
        stroke="var(--color-elec)"
      />
      {runs.map((run) => (
        <circle
          key={run.seed}
          cx={x(unit.convert(run.sideM))}
          cy={y(unit.convert(run.aheadM))}
          r="3"
          fill={run.arrives ? 'var(--color-elec)' : 'var(--color-short)'}
          opacity="0.75"
        />
      ))}
      <path d={`M${cx - 7} ${cy}h14M${cx} ${cy - 7}v14`} stroke="var(--color-ink)" strokeWidth="2" />
    </svg>
  );
}

import type { DutyReport } from '@zubric/core/capability';
import { turnSweep, type TurnSweep } from '@zubric/core/demand';
import type { Duty } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useUnits } from '../../common/units.tsx';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { useBuild } from '../../session/BuildSession.tsx';

const WIDTH = 520;
const HEIGHT = 250;
const FRAME = { left: 52, right: 92, top: 30, bottom: 44 };

/** What a turn asks of the outer side, were it longer on the ground or wider between the sides. */
export function TurnScrub({ duty, of }: { readonly duty: Duty; readonly of: DutyReport }) {
  const { build } = useBuild();
  const { system } = useUnits();
  const sweep = turnSweep(build, duty, of);
  if (!sweep) return null;
  const { points, nowN, gripN, lengthOverWidth } = sweep;
  const most = Math.max(gripN, ...points.flatMap((p) => [p.longerN, p.widerN])) * 1.05;
  const unit = chartUnit(most, 'force', system);
  const x = scaleLinear(
    [(points[0]?.share ?? 0) * 100, (points.at(-1)?.share ?? 1) * 100],
    [FRAME.left, WIDTH - FRAME.right],
  );
  const y = scaleLinear([0, unit.convert(most)], [HEIGHT - FRAME.bottom, FRAME.top]);
  const curve = (pick: (p: TurnSweep['points'][number]) => number): string =>
    line<TurnSweep['points'][number]>(
      (p) => x(p.share * 100),
      (p) => y(unit.convert(pick(p))),
    )(points) ?? '';
  const last = points.at(-1);
  const end = (force: number): number => y(unit.convert(force));
  return (
    <figure className="sheet p-2" aria-labelledby="scrub-title">
      <h2 id="scrub-title" className="px-1">
        Longer scrubs, wider turns lighter{' '}
        <span className="font-sans text-[15px] font-normal text-soft">
          now {showNumber(lengthOverWidth)} times as long as wide
        </span>
      </h2>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`Thrust of the outer side over length and width: now ${showNumber(unit.convert(nowN))} ${unit.symbol}, grip ${showNumber(unit.convert(gripN))} ${unit.symbol}`}
      >
        <Axes
          x={x}
          y={y}
          xTitle="length, or width, in % of what it is"
          yTitle={`thrust of the outer side, ${unit.symbol}`}
          color="var(--color-mech)"
        />
        <path
          d={`M${FRAME.left} ${end(gripN)}H${WIDTH - FRAME.right}`}
          stroke="var(--color-ink)"
          strokeDasharray="5 4"
        />
        <path d={curve((p) => p.longerN)} fill="none" stroke="var(--color-mech)" strokeWidth="2.5" />
        <path
          d={curve((p) => p.widerN)}
          fill="none"
          stroke="var(--color-mech)"
          strokeWidth="2.5"
          strokeDasharray="8 5"
        />
        <circle cx={x(100)} cy={end(nowN)} r="5" fill="var(--color-mech)" />
        <g fontSize="14" fill="var(--color-ink)">
          <text x={WIDTH - FRAME.right + 6} y={end(gripN)} dy="0.33em">
            its grip
          </text>
          <text x={WIDTH - FRAME.right + 6} y={end(last?.longerN ?? 0)} dy="0.33em" fill="var(--color-mech)">
            longer
          </text>
          <text x={WIDTH - FRAME.right + 6} y={end(last?.widerN ?? 0)} dy="0.33em" fill="var(--color-mech)">
            wider
          </text>
        </g>
      </svg>
    </figure>
  );
}

import type { BalanceReport } from '@zubric/core/simulate';
import { showNumber } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { Axes } from '../../charts/Axes.tsx';

const WIDTH = 500;
const HEIGHT = 340;
const FRAME = { left: 62, right: 16, top: 28, bottom: 46 };

interface Props {
  readonly region: BalanceReport['region'];
  readonly now: { readonly kp: number; readonly ki: number };
  readonly onTake: (gains: { readonly kp: number; readonly ki: number }) => void;
}

/** Which gains hold: a full square stands to the end, an empty one falls. A press takes those. */
export function GainsMap({ region, now, onTake }: Props) {
  const kps = [...new Set(region.map(({ kp }) => kp))];
  const kis = [...new Set(region.map(({ ki }) => ki))];
  const [stepP, stepI] = [(kps[1] ?? 1) - (kps[0] ?? 0), (kis[1] ?? 1) - (kis[0] ?? 0)];
  const x = scaleLinear([-stepP / 2, (kps.at(-1) ?? 1) + stepP / 2], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([-stepI / 2, (kis.at(-1) ?? 1) + stepI / 2], [HEIGHT - FRAME.bottom, FRAME.top]);
  const holding = region.filter(({ holds }) => holds).length;
  return (
    <figure className="sheet max-w-2xl p-2">
      <figcaption className="px-1 text-[14px] text-soft">
        Full squares stand to the end of the run, empty ones fall; the cross is where you are. Press a square
        to take its gains.
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="group"
        aria-label={`Gains that hold: ${holding} of ${region.length} pairs of kp and ki`}
      >
        <Axes
          x={x}
          y={y}
          xTitle="kp, V/rad"
          yTitle="ki, V/(rad·s)"
          xTicks={6}
          yTicks={6}
          color="var(--color-mech)"
        />
        {region.map((cell) => (
          <rect
            key={`${cell.kp} ${cell.ki}`}
            x={x(cell.kp - stepP * 0.44)}
            y={y(cell.ki + stepI * 0.44)}
            width={x(stepP * 0.88) - x(0)}
            height={y(0) - y(stepI * 0.88)}
            fill={cell.holds ? 'var(--color-mech)' : 'var(--color-field)'}
            stroke={cell.holds ? 'var(--color-mech)' : 'var(--color-edge)'}
            className="cursor-pointer"
            role="button"
            aria-label={`kp ${showNumber(cell.kp, 3)}, ki ${showNumber(cell.ki, 3)}: ${cell.holds ? 'stands' : 'falls'}`}
            onClick={() => onTake(cell)}
          />
        ))}
        <path
          d={`M${x(now.kp) - 8} ${y(now.ki)}h16M${x(now.kp)} ${y(now.ki) - 8}v16`}
          stroke="var(--color-ink)"
          strokeWidth="3"
          className="pointer-events-none"
        />
      </svg>
    </figure>
  );
}

import type { ScaleLinear } from 'd3-scale';

interface Props {
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  /** In the units shown, with their symbols. */
  readonly xTitle: string;
  readonly yTitle: string;
  readonly xTicks?: number;
  /** Whether the ticks across are numbered; not where another chart below shares them. */
  readonly xLabels?: boolean;
  readonly yTicks?: number;
  readonly color?: string;
}

/** Two ruled axes with light lines across, in the units of the scales. */
export function Axes({
  x,
  y,
  xTitle,
  yTitle,
  xTicks = 6,
  xLabels = true,
  yTicks = 5,
  color = 'var(--color-ink)',
}: Props) {
  const [left = 0, right = 0] = x.range();
  const [bottom = 0, top = 0] = y.range();
  const sayX = x.tickFormat(xTicks);
  const sayY = y.tickFormat(yTicks);
  return (
    <g fontSize="14" fill="var(--color-soft)">
      {y.ticks(yTicks).map((tick) => (
        <g key={tick} transform={`translate(0 ${y(tick)})`}>
          <path d={`M${left} 0H${right}`} stroke="var(--color-line)" />
          <text x={left - 7} dy="0.33em" textAnchor="end">
            {sayY(tick)}
          </text>
        </g>
      ))}
      {x.ticks(xTicks).map((tick) => (
        <g key={tick} transform={`translate(${x(tick)} ${bottom})`}>
          <path d="M0 0v5" stroke="var(--color-ink)" />
          {xLabels && (
            <text y="19" textAnchor="middle">
              {sayX(tick)}
            </text>
          )}
        </g>
      ))}
      <path d={`M${left} ${bottom}H${right}`} stroke="var(--color-ink)" />
      <text x={right} y={bottom + 36} textAnchor="end" fontWeight="500" fill="var(--color-ink)">
        {xTitle}
      </text>
      <text x={left} y={top - 9} fontWeight="600" fill={color}>
        {yTitle}
      </text>
    </g>
  );
}

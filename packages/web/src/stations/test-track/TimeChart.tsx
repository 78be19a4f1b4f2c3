import { show, type Dimension } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { useUnits } from '../../common/units.tsx';
import { useNarrow } from '../../common/use-narrow.ts';

/** A moment with one figure of it. */
type Sample<Of extends string> = { readonly tS: number } & Readonly<Record<Of, number>>;

/** Drawn at the size it is seen at, so that its words can be read on a phone too. */
const WIDTH = { wide: 1080, narrow: 360 };
const HEIGHT = 108;
const FRAME = { left: 52, right: 20, top: 24, bottom: 8 };
/** For the numbers and the name of the time axis, under the last chart only. */
const AXIS_ROOM = 36;

interface Props<Of extends string> {
  readonly samples: readonly Sample<Of>[];
  readonly of: Of;
  readonly dimension: Dimension;
  readonly title: string;
  readonly kind: 'mechanical' | 'electrical';
  /** A level to mark: the speed that the duty asks. */
  readonly mark?: number;
  /** The one at the bottom names the time axis. */
  readonly last?: boolean;
}

/** One figure of a run over time. */
export function TimeChart<Of extends string>({
  samples,
  of,
  dimension,
  title,
  kind,
  mark,
  last = false,
}: Props<Of>) {
  const { system } = useUnits();
  const narrow = useNarrow();
  const width = narrow ? WIDTH.narrow : WIDTH.wide;
  const height = HEIGHT + (last ? AXIS_ROOM : 0);
  const values: readonly number[] = samples.map((s) => s[of]);
  // Where nothing stirs, a scale of one unit.
  const most = Math.max(0, ...values, mark ?? 0) || Math.max(...values.map(Math.abs)) || 1;
  const unit = chartUnit(most, dimension, system);
  const said = (si = 0): string => show(si, dimension, system).text;
  const color = kind === 'mechanical' ? 'var(--color-mech)' : 'var(--color-elec)';
  const x = scaleLinear([0, samples.at(-1)?.tS ?? 1], [FRAME.left, width - FRAME.right]);
  const y = scaleLinear(
    [Math.min(0, ...values.map(unit.convert)), unit.convert(most)],
    [HEIGHT - FRAME.bottom, FRAME.top],
  ).nice(3);
  // Under its line, but for one that lies low: its name would stand on the axis.
  const lies = mark !== undefined && y(unit.convert(mark)) + 17 > HEIGHT - FRAME.bottom;
  const path = line<Sample<Of>>(
    (s) => x(s.tS),
    (s) => y(unit.convert(s[of])),
  );
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block w-full"
      role="img"
      aria-label={`${title} over time: from ${said(values[0])} to ${said(values.at(-1))}, at most ${said(most)}`}
    >
      <Axes
        x={x}
        y={y}
        xTitle={last ? 'time, s' : ''}
        yTitle={`${title}, ${unit.symbol}`}
        xTicks={narrow ? 4 : 8}
        xLabels={last}
        yTicks={3}
        color={color}
      />
      {mark !== undefined && mark > 0 && (
        <g>
          <path
            d={`M${FRAME.left} ${y(unit.convert(mark))}H${width - FRAME.right}`}
            stroke="var(--color-ink)"
            strokeDasharray="5 4"
          />
          <text
            x={width - FRAME.right}
            y={y(unit.convert(mark)) + (lies ? -4 : 15)}
            textAnchor="end"
            fontSize="14"
            fill="var(--color-ink)"
            stroke="var(--color-sheet)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            asked
          </text>
        </g>
      )}
      <path d={path([...samples]) ?? ''} fill="none" stroke={color} strokeWidth="3" />
    </svg>
  );
}

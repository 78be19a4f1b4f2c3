import type { PlotAxis, TrialPlot } from '@zubric/core/protocols';
import { show } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { chartUnit } from '../../charts/in-units.ts';
import { Axes } from '../../charts/Axes.tsx';
import { useUnits } from '../../common/units.tsx';
import { mostOf, sidedText } from './said.ts';

type Of<K extends TrialPlot['kind']> = Extract<TrialPlot, { kind: K }>;

/** What is drawn of a set. */
export function Plot({ plot }: { readonly plot: TrialPlot }) {
  if (plot.kind === 'runs') return <RunsPlot plot={plot} />;
  return plot.kind === 'floor' ? <FloorPlot plot={plot} /> : <CurvesPlot plot={plot} />;
}

const WIDTH = 420;
const ROW = 16;
const TOP = 26;
const EDGE = 24;
/** Twenty runs fit a screen; more stand closer. */
const ROWS_HIGH = 20;

/** Ends of an axis with room beside them; about 0 where what is read has two sides. */
function spanOf({ values, meant, low, high, axis }: Of<'runs'>): readonly [number, number] {
  const all = [...values, ...[meant, low, high].flatMap((x) => x ?? [])];
  const most = 1.15 * mostOf(all, 1e-6);
  if (axis.sides) return [-most, most];
  const [from, to] = [Math.min(...all), Math.max(...all)];
  const room = Math.max((to - from) * 0.15, Math.abs(to) * 0.02, 1e-9);
  return [from - room, to + room];
}

const axisTitle = ({ title }: PlotAxis, symbol: string): string =>
  symbol === '' ? title.toLowerCase() : `${title.toLowerCase()}, ${symbol}`;

/** Each run along one axis, the first on top; what was meant as a line, the mean with its 95 % interval below. */
function RunsPlot({ plot }: { readonly plot: Of<'runs'> }) {
  const { system } = useUnits();
  const { axis, values, outliers } = plot;
  const [from, to] = spanOf(plot);
  const unit = chartUnit(Math.max(Math.abs(from), Math.abs(to)), axis.dimension, system);
  const x = scaleLinear([unit.convert(from), unit.convert(to)], [EDGE, WIDTH - EDGE]);
  const row = values.length > ROWS_HIGH ? (ROW * ROWS_HIGH) / values.length : ROW;
  const bottom = TOP + values.length * row + 26;
  const at = (si: number): number => x(unit.convert(si));
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${bottom + 42}`}
        className="block w-full"
        role="img"
        aria-label={`${axis.title}, run by run: ${values.map((value) => sidedText(value, axis, system)).join(', ')}`}
      >
        {axis.sides && (
          <>
            <text x={EDGE} y="15" fontSize="14" fill="var(--color-soft)">
              ← {axis.sides[0]}
            </text>
            <text x={WIDTH - EDGE} y="15" fontSize="14" textAnchor="end" fill="var(--color-soft)">
              {axis.sides[1]} →
            </text>
          </>
        )}
        {plot.meant !== undefined && (
          <path d={`M${at(plot.meant)} 4V${bottom}`} stroke="var(--color-ink)" strokeWidth="1.5" />
        )}
        {values.map((value, run) => (
          <circle
            key={`${run}:${value}`}
            cx={at(value)}
            cy={TOP + run * row + row / 2}
            r="5"
            fill={outliers.includes(run) ? 'none' : 'var(--color-mech)'}
            stroke={outliers.includes(run) ? 'var(--color-short)' : 'none'}
            strokeWidth="2"
          />
        ))}
        {plot.mean !== undefined && plot.low !== undefined && plot.high !== undefined && (
          <Interval mean={at(plot.mean)} from={at(plot.low)} to={at(plot.high)} y={bottom - 10} />
        )}
        <path d={`M${EDGE} ${bottom}H${WIDTH - EDGE}`} stroke="var(--color-ink)" />
        {x.ticks(5).map((tick) => (
          <g key={tick} transform={`translate(${x(tick)} ${bottom})`}>
            <path d="M0 0v5" stroke="var(--color-ink)" />
            <text y="19" fontSize="14" textAnchor="middle" fill="var(--color-soft)">
              {x.tickFormat(5)(tick)}
            </text>
          </g>
        ))}
        <text
          x={WIDTH - EDGE}
          y={bottom + 37}
          fontSize="14"
          fontWeight="500"
          textAnchor="end"
          fill="var(--color-ink)"
        >
          {axisTitle(axis, unit.symbol)}
        </text>
      </svg>
      <figcaption className="px-2 text-[14px] text-soft">
        First run on top{plot.mean === undefined ? '' : '; below: the mean and its 95 % interval'}.
      </figcaption>
    </figure>
  );
}

interface IntervalProps {
  readonly mean: number;
  readonly from: number;
  readonly to: number;
  readonly y: number;
}

/** The mean and its interval, under the runs. */
const Interval = ({ mean, from, to, y }: IntervalProps) => (
  <g>
    <path d={`M${from} ${y}H${to}`} stroke="var(--color-ink)" strokeWidth="3" />
    <path d={`M${mean} ${y - 8}v16`} stroke="var(--color-ink)" strokeWidth="3" />
  </g>
);

const FLOOR_HEIGHT = 240;

/** Where runs ended on the floor, seen from above: the way ahead is up, drawn wider to the side than along. */
function FloorPlot({ plot }: { readonly plot: Of<'floor'> }) {
  const { system } = useUnits();
  const { ends, meantAhead, withinM, about } = plot;
  const isLine = about === 'line';
  const aside = 1.2 * mostOf([withinM, ...ends.map(({ side }) => side)], 0.01);
  const aheads = [meantAhead, ...ends.map(({ ahead }) => ahead)];
  const [near, far] = [Math.min(...aheads), Math.max(...aheads)];
  const room = Math.max((far - near) * 0.15, withinM);
  const x = scaleLinear([-aside, aside], [EDGE, WIDTH - EDGE]);
  const y = scaleLinear([near - room, far + room], [FLOOR_HEIGHT - 44, 20]);
  const say = (si: number): string => show(si, 'length', system).text;
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${FLOOR_HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`Where ${ends.length} runs ended on the floor, ${isLine ? `the mark at ${say(meantAhead)}` : 'about where they were to'}`}
      >
        {isLine ? (
          <rect
            x={x(-withinM)}
            y={0}
            width={x(withinM) - x(-withinM)}
            height={FLOOR_HEIGHT - 36}
            fill="var(--color-mech-lo)"
          />
        ) : (
          <ellipse
            cx={x(0)}
            cy={y(meantAhead)}
            rx={x(withinM) - x(0)}
            ry={y(meantAhead) - y(meantAhead + withinM)}
            fill="var(--color-mech-lo)"
          />
        )}
        <path d={`M${x(0)} 0V${FLOOR_HEIGHT - 36}`} stroke="var(--color-ink)" strokeDasharray="6 4" />
        <path d={`M${EDGE} ${y(meantAhead)}H${WIDTH - EDGE}`} stroke="var(--color-ink)" />
        <text x={EDGE} y={y(meantAhead) - 5} fontSize="14" fill="var(--color-ink)">
          {isLine ? `mark at ${say(meantAhead)}` : 'where it was to end'}
        </text>
        {ends.map(({ side, ahead }, n) => (
          <g key={n} transform={`translate(${x(side)} ${y(ahead)})`}>
            <path d="M-5-5L5 5M5-5L-5 5" stroke="var(--color-mech)" strokeWidth="2.5" />
          </g>
        ))}
        <text x={x(0)} y={FLOOR_HEIGHT - 18} fontSize="14" textAnchor="middle" fill="var(--color-soft)">
          ← {say(aside)} left · {say(aside)} right →
        </text>
      </svg>
      <figcaption className="px-2 text-[14px] text-soft">
        Where it ended on the floor; {isLine ? 'in the band' : 'in the oval, which is round on the floor,'} it
        counts as a hit.
      </figcaption>
    </figure>
  );
}

const CURVE_HEIGHT = 280;
const FRAME = { left: 56, right: 16, top: 28, bottom: 46 };
/** How each curve is drawn, told apart without colour too. */
const MANNERS = [
  { stroke: 'var(--color-mech)', dash: '' },
  { stroke: 'var(--color-elec)', dash: '7 4' },
  { stroke: 'var(--color-ink)', dash: '2 3' },
  { stroke: 'var(--color-soft)', dash: '9 3 2 3' },
];

/** The mean at each place, in order. */
function through(points: readonly (readonly [number, number])[]): readonly (readonly [number, number])[] {
  const places = [...new Set(points.map(([x]) => x))].sort((a, b) => a - b);
  return places.map((place) => {
    const there = points.filter(([x]) => x === place).map(([, y]) => y);
    return [place, there.reduce((sum, y) => sum + y, 0) / there.length] as const;
  });
}

/** One or a few curves over what was changed from run to run. */
function CurvesPlot({ plot }: { readonly plot: Of<'curve'> }) {
  const { system } = useUnits();
  const all = plot.series.flatMap(({ points }) => points);
  const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
  const xUnit = chartUnit(mostOf(xs, 1e-9), plot.x.dimension, system);
  const yUnit = chartUnit(mostOf(ys, 1e-9), plot.y.dimension, system);
  const x = scaleLinear(
    [xUnit.convert(Math.min(...xs)), xUnit.convert(Math.max(...xs))],
    [FRAME.left, WIDTH - FRAME.right],
  ).nice();
  const y = scaleLinear(
    [yUnit.convert(Math.min(...ys)), yUnit.convert(Math.max(...ys))],
    [CURVE_HEIGHT - FRAME.bottom, FRAME.top],
  ).nice();
  const at = ([px, py]: readonly [number, number]): string =>
    `${x(xUnit.convert(px))} ${y(yUnit.convert(py))}`;
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${CURVE_HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`${plot.y.title} over ${plot.x.title.toLowerCase()}: ${plot.series.map(({ title }) => title).join(', ')}`}
      >
        <Axes
          x={x}
          y={y}
          xTitle={`${plot.x.title}, ${xUnit.symbol}`}
          yTitle={`${plot.y.title}, ${yUnit.symbol}`}
          color="var(--color-ink)"
        />
        {plot.series.map(({ title, points, joined }, n) => {
          const { stroke, dash } = MANNERS[n % MANNERS.length] ?? { stroke: 'var(--color-ink)', dash: '' };
          return (
            <g key={title}>
              {joined && points.length > 1 && (
                <path
                  d={`M${through(points).map(at).join('L')}`}
                  fill="none"
                  stroke={stroke}
                  strokeWidth="2"
                  strokeDasharray={dash}
                />
              )}
              {points.map((point, k) => (
                <path key={k} d={`M${at(point)}h.01`} stroke={stroke} strokeWidth="8" strokeLinecap="round" />
              ))}
            </g>
          );
        })}
      </svg>
      {plot.series.length > 1 && (
        <figcaption className="flex flex-wrap gap-x-4 px-2 text-[14px] text-soft">
          {plot.series.slice(0, 8).map(({ title }, n) => (
            <span key={title} className="flex items-center gap-1.5">
              <svg width="26" height="8" aria-hidden="true">
                <path
                  d="M0 4H26"
                  stroke={MANNERS[n % MANNERS.length]?.stroke}
                  strokeWidth="2.5"
                  strokeDasharray={MANNERS[n % MANNERS.length]?.dash}
                />
              </svg>
              {title}
            </span>
          ))}
        </figcaption>
      )}
    </figure>
  );
}

import { show, showNumber } from '@zubric/core/quantity';
import { straightRunResult, straightRunWorking, type StraightRunResult } from '@zubric/core/trials';
import { scaleLinear } from 'd3-scale';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useSay, useUnits } from '../../common/units.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { Opens } from '../../working/Opens.tsx';

/** What the runs say: where each ended, mean and spread, and how the distance came out. */
export function Result({ set }: { readonly set: ShownTrialSet }) {
  const readings = set.trials.map((t) => t.reading);
  const result = straightRunResult(set.conditions, readings);
  return (
    <section aria-labelledby="result-title" className="grid content-start gap-3">
      <h2 id="result-title">What the runs say</h2>
      {readings.length === 0 ? (
        <p className="text-soft">Nothing yet.</p>
      ) : (
        <SidePlot sides={readings.map((r) => r.side.value)} result={result} />
      )}
      {result.side && result.distance && <Figures set={set} result={result} />}
    </section>
  );
}

const WIDTH = 420;
const ROW = 16;
const TOP = 26;

/** Each run's end across the line, first run on top; the mean with its 95 % interval below. */
function SidePlot({
  sides,
  result,
}: {
  readonly sides: readonly number[];
  readonly result: StraightRunResult;
}) {
  const { system } = useUnits();
  const most =
    1.15 *
    Math.max(
      0.01,
      ...sides.map(Math.abs),
      Math.abs(result.side?.ci95Low ?? 0),
      Math.abs(result.side?.ci95High ?? 0),
    );
  const unit = chartUnit(most, 'length', system);
  const x = scaleLinear([-unit.convert(most), unit.convert(most)], [20, WIDTH - 20]);
  const bottom = TOP + sides.length * ROW + 26;
  const at = (si: number): number => x(unit.convert(si));
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${bottom + 42}`}
        className="block w-full"
        role="img"
        aria-label={`Where each run ended: ${sides
          .map((side) => `${show(Math.abs(side), 'length', system).text} ${side < 0 ? 'left' : 'right'}`)
          .join(', ')}`}
      >
        <text x="20" y="15" fontSize="14" fill="var(--color-soft)">
          ← left
        </text>
        <text x={WIDTH - 20} y="15" fontSize="14" textAnchor="end" fill="var(--color-soft)">
          right →
        </text>
        <path d={`M${x(0)} 4V${bottom}`} stroke="var(--color-ink)" strokeWidth="1.5" />
        {sides.map((side, run) => (
          <circle
            key={`${run}:${side}`}
            cx={at(side)}
            cy={TOP + run * ROW + ROW / 2}
            r="5"
            fill="var(--color-mech)"
          />
        ))}
        {result.side && (
          <Interval
            mean={at(result.side.mean)}
            from={at(result.side.ci95Low)}
            to={at(result.side.ci95High)}
            y={bottom - 10}
          />
        )}
        <path d={`M20 ${bottom}H${WIDTH - 20}`} stroke="var(--color-ink)" />
        {x.ticks(6).map((tick) => (
          <g key={tick} transform={`translate(${x(tick)} ${bottom})`}>
            <path d="M0 0v5" stroke="var(--color-ink)" />
            <text y="19" fontSize="14" textAnchor="middle" fill="var(--color-soft)">
              {x.tickFormat(6)(tick)}
            </text>
          </g>
        ))}
        <text
          x={WIDTH - 20}
          y={bottom + 37}
          fontSize="14"
          fontWeight="500"
          textAnchor="end"
          fill="var(--color-ink)"
        >
          to the side, {unit.symbol}; below: mean and its 95 % interval
        </text>
      </svg>
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

interface Row {
  readonly title: string;
  readonly text: string;
  /** Which figure of which summary it is, where it can be opened. */
  readonly opened?: readonly ['side' | 'distance', Parameters<typeof straightRunWorking>[2]];
}

/** A chance as a share of the time; of very small ones only that they are. */
const luckInWords = (chance: number): string =>
  chance < 0.001 ? 'less than 0.1 % of the time' : `${showNumber(chance * 100, 2)} % of the time`;

function Figures({ set, result }: { readonly set: ShownTrialSet; readonly result: StraightRunResult }) {
  const say = useSay();
  const { side, distance } = result;
  if (!side || !distance) return null;
  const signed = (metres: number): string =>
    `${say(Math.abs(metres), 'length')} ${metres < 0 ? 'left' : 'right'}`;
  const { batteryBefore, batteryAfter } = set.conditions;
  const rows: readonly Row[] = [
    { title: 'Mean end', text: signed(side.mean), opened: ['side', 'mean'] },
    { title: 'Spread (standard deviation)', text: say(side.sd, 'length'), opened: ['side', 'sd'] },
    {
      title: '95 % interval of the mean',
      text: `${signed(side.ci95Low)} to ${signed(side.ci95High)}`,
      opened: ['side', 'ci95Low'],
    },
    {
      title: 'A mean so far off by luck alone',
      text: luckInWords(result.luck ?? 1),
    },
    {
      title: 'Mean distance',
      text: `${say(distance.mean, 'length', 4)}, ${showNumber((result.distanceShare ?? 0) * 100)} % of what was ordered`,
      opened: ['distance', 'mean'],
    },
    ...(batteryBefore && batteryAfter
      ? [
          {
            title: 'Battery over the set',
            text: `${say(batteryBefore.value, 'voltage')} to ${say(batteryAfter.value, 'voltage')}`,
          },
        ]
      : []),
  ];
  const readings = set.trials.map((t) => t.reading);
  return (
    <dl className="sheet divide-y divide-line">
      {rows.map(({ title, text, opened }) => (
        <div key={title} className="flex justify-between gap-4 px-3 py-1.5">
          <dt className="text-soft">{title}</dt>
          <dd className="text-right font-semibold">
            {opened ? (
              <Opens title={`“${title}”, in metres,`} work={() => straightRunWorking(readings, ...opened)}>
                {text}
              </Opens>
            ) : (
              text
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}

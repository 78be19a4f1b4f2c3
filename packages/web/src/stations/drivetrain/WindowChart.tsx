import type { RatioSpan, RatioWindow } from '@zubric/core/capability';
import type { Report } from '@zubric/core/judge';
import { showNumber } from '@zubric/core/quantity';
import { scaleLog, type ScaleLogarithmic } from 'd3-scale';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useMatches, useNarrow } from '../../common/use-narrow.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** How wide it is drawn, so that its words stay as large as those beside it: on a desk, a tablet, a phone. */
const WIDTHS = { desk: 1080, tablet: 680, phone: 400 };
/** Left free at the right end. */
const MARGIN = 20;
/** Numbers of the axis stand no nearer than this. */
const APART = 48;
/** What the names may take of a narrow drawing. */
const MOST_SHARE = 0.38;
/** Room for the names of the jobs, as wide as the longest asks for. */
const LEAST_LABELS = 110;
const MOST_LABELS = 300;
const LETTER = 7.3;
const labelsFor = (names: readonly string[], width: number): number =>
  Math.min(
    MOST_LABELS,
    MOST_SHARE * width,
    Math.max(LEAST_LABELS, ...names.map((name) => name.length * LETTER + 20)),
  );

function useDrawnWidth(): number {
  const isPhone = useNarrow();
  const isTablet = useMatches('(max-width: 1023px)');
  return isPhone ? WIDTHS.phone : isTablet ? WIDTHS.tablet : WIDTHS.desk;
}
/** Half of the mark's own label: no ratio of the axis is written under it. */
const MARK_HALF = 56;
/** Where the second colour is told under the axis. */
const KEY_AT = 62;
const ROW = 24;
const AXIS = 26;

/** Ends of the ratios drawn: all windows near the fitted ratio, with room at both sides. */
function domainOf(report: Report): [number, number] {
  const fitted = report.train.ratio;
  const ends = report.duties.flatMap(({ ratioWindow }) => {
    const span = ratioWindow?.just;
    return span ? [span.low, span.high] : ratioWindow ? [ratioWindow.best.ratio] : [];
  });
  const near = ends.filter((end) => end > fitted / 12 && end < fitted * 12);
  return [Math.min(fitted, ...near) / 1.25, Math.max(fitted, ...near) * 1.25];
}

const niceRatios = ([low, high]: [number, number]): number[] => {
  const steps = high / low > 30 ? [1, 2, 5] : [1, 1.5, 2, 3, 4, 5, 6, 8];
  const ratios: number[] = [];
  for (let decade = Math.floor(Math.log10(low)); decade <= Math.ceil(Math.log10(high)); decade++)
    for (const step of steps) ratios.push(step * 10 ** decade);
  return ratios.filter((ratio) => ratio >= low && ratio <= high);
};

interface ChartProps {
  /** The ratio looked for; null while the mark stands on what is fitted. */
  readonly sought: number | null;
  readonly onSeek: (ratio: number | null) => void;
}

/** The ratios that suit each duty, on one logarithmic scale, with the one that is fitted: its mark can be dragged. */
export function WindowChart({ sought, onSeek }: ChartProps) {
  const { report, build } = useBuild();
  const domain = domainOf(report);
  const rows = report.duties.flatMap((d) => (d.ratioWindow ? [{ ...d, window: d.ratioWindow }] : []));
  const width = useDrawnWidth();
  const labels = labelsFor(
    rows.map(({ name }) => name),
    width,
  );
  const x = scaleLog(domain, [labels, width - MARGIN]).clamp(true);
  const markAt = x(sought ?? report.train.ratio);
  const bottom = rows.length * ROW + 10;
  const rule = showNumber(build.marginPolicy.torque);
  const keyed = `${rule} × torque`;
  // What stands under the axis already leaves no room for a number.
  const isTaken = (at: number): boolean =>
    Math.abs(at - markAt) < MARK_HALF + 26 || at < KEY_AT + 26 + keyed.length * LETTER + 26;
  const ratios = niceRatios(domain);
  const numbered = ratios
    .filter((ratio) => !isTaken(x(ratio)))
    .reduce<readonly number[]>((those, ratio) => {
      const last = those.at(-1);
      return last !== undefined && x(ratio) - x(last) < APART ? those : [...those, ratio];
    }, []);
  return (
    <figure className="sheet px-3 pt-2 pb-1">
      <svg
        viewBox={`0 0 ${width} ${bottom + AXIS}`}
        className="block w-full"
        role="group"
        aria-label="Ratio windows"
      >
        <desc>{describe(rows, report)}</desc>
        {ratios.map((ratio) => (
          <g key={ratio} transform={`translate(${x(ratio)} ${bottom})`}>
            <path d="M0 0v5" stroke="var(--color-ink)" />
            <text y="19" textAnchor="middle" fontSize="14" fill="var(--color-soft)">
              {numbered.includes(ratio) && `${showNumber(ratio)} : 1`}
            </text>
          </g>
        ))}
        <path d={`M${labels} ${bottom}H${width - MARGIN}`} stroke="var(--color-ink)" />
        {rows.map((row, at) => (
          <WindowRow
            key={row.id}
            name={row.name}
            window={row.window}
            x={x}
            y={6 + at * ROW}
            rule={rule}
            labels={labels}
          />
        ))}
        <Key x={0} y={bottom + 8} fill="var(--color-mech-lo)" text="1 ×" />
        <Key x={KEY_AT} y={bottom + 8} fill="var(--color-mech-mid)" text={keyed} />
        {sought !== null && (
          <path
            d={`M${x(report.train.ratio)} 0V${bottom + 4}`}
            stroke="var(--color-ink)"
            strokeWidth="1.5"
            strokeDasharray="4 4"
          />
        )}
        <Mark
          ratio={sought ?? report.train.ratio}
          sought={sought !== null}
          x={x}
          bottom={bottom}
          labels={labels}
          onSeek={onSeek}
        />
      </svg>
    </figure>
  );
}

interface KeyProps {
  readonly x: number;
  readonly y: number;
  readonly fill: string;
  readonly text: string;
}

const Key = ({ x, y, fill, text }: KeyProps) => (
  <g transform={`translate(${x} ${y})`}>
    <rect width="20" height="12" fill={fill} />
    <text x="26" y="11" fontSize="14" fill="var(--color-soft)">
      {text}
    </text>
  </g>
);

const describe = (rows: readonly { name: string; window: RatioWindow }[], report: Report): string =>
  `Ratio windows. Fitted ${showNumber(report.train.ratio)} to 1. ${rows
    .map(({ name, window }) =>
      window.just
        ? `${name}: ${showNumber(window.just.low)} to ${showNumber(window.just.high)}`
        : `${name}: none`,
    )
    .join('. ')}`;

const rightOf = (x: ScaleLogarithmic<number, number>): number => x.range()[1] ?? 0;

/** Text that stays readable over lines. */
const haloed = { stroke: 'var(--color-sheet)', strokeWidth: 4, paintOrder: 'stroke' } as const;

interface RowProps {
  readonly name: string;
  readonly window: RatioWindow;
  readonly x: ScaleLogarithmic<number, number>;
  readonly y: number;
  readonly rule: string;
  readonly labels: number;
}

function WindowRow({ name, window, x, y, rule, labels }: RowProps) {
  const band = (span: RatioSpan, fill: string) => (
    <rect
      x={x(span.low)}
      y={y}
      width={Math.max(1, x(span.high) - x(span.low))}
      height={ROW - 6}
      fill={fill}
    />
  );
  // A window that begins or ends further out than is drawn says so inside its bar.
  const offLeft = window.just !== null && x(window.just.low) < labels + 44;
  const none = window.rule ? '' : `, none at ${rule} ×`;
  const offRight = window.just !== null && x(window.just.high) > rightOf(x) - 44 - none.length * LETTER;
  const longest = Math.floor((labels - 16) / LETTER);
  return (
    <g>
      <text x="0" y={y + 13.5} fontSize="15" fill="var(--color-ink)">
        {name.length > longest ? `${name.slice(0, longest - 1)}…` : name}
        <title>{name}</title>
      </text>
      {window.just ? (
        <>
          {band(window.just, 'var(--color-mech-lo)')}
          {window.rule && band(window.rule, 'var(--color-mech-mid)')}
          <text
            x={x(window.just.low) + (offLeft ? 5 : -5)}
            y={y + 13.5}
            fontSize="14"
            textAnchor={offLeft ? 'start' : 'end'}
            fill="var(--color-ink)"
          >
            {showNumber(window.just.low)}
          </text>
          <text
            x={x(window.just.high) + (offRight ? -5 : 5)}
            y={y + 13.5}
            fontSize="14"
            textAnchor={offRight ? 'end' : 'start'}
            fill="var(--color-ink)"
          >
            {window.just.high < 99_000 ? showNumber(window.just.high) : 'no upper end'}
            {none}
          </text>
        </>
      ) : (
        <text
          x={x(window.best.ratio)}
          y={y + 13.5}
          fontSize="14"
          textAnchor={x(window.best.ratio) < (rightOf(x) + MARGIN) / 2 ? 'start' : 'end'}
          fill="var(--color-short)"
          {...haloed}
        >
          none: at best {showNumber(window.best.margin)} ×, at {showNumber(window.best.ratio)} : 1
        </text>
      )}
    </g>
  );
}

interface MarkProps {
  readonly ratio: number;
  readonly sought: boolean;
  readonly x: ScaleLogarithmic<number, number>;
  readonly bottom: number;
  readonly labels: number;
  readonly onSeek: (ratio: number | null) => void;
}

/** One step of an arrow key, and with Shift. */
const STEP = 1.01;
const LARGE_STEP = 1.1;

/** The mark of the ratio: dragged, or moved by arrow keys; Escape puts it back on what is fitted. */
function Mark({ ratio, sought, x, bottom, labels, onSeek }: MarkProps) {
  const at = x(ratio);
  const held = useRef(false);
  const seek = (event: PointerEvent<SVGGElement>): void => {
    const svg = event.currentTarget.ownerSVGElement;
    const box = svg?.getBoundingClientRect();
    if (!held.current || !box || box.width === 0) return;
    const across = ((event.clientX - box.left) / box.width) * (rightOf(x) + MARGIN);
    onSeek(x.invert(Math.min(rightOf(x), Math.max(labels, across))));
  };
  const key = (event: KeyboardEvent<SVGGElement>): void => {
    const by = event.shiftKey ? LARGE_STEP : STEP;
    const to =
      event.key === 'ArrowRight' || event.key === 'ArrowUp'
        ? ratio * by
        : event.key === 'ArrowLeft' || event.key === 'ArrowDown'
          ? ratio / by
          : undefined;
    if (to === undefined && event.key !== 'Escape') return;
    event.preventDefault();
    onSeek(to ?? null);
  };
  const [low = 0, high = 1] = x.domain();
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="Ratio looked for"
      aria-valuemin={low}
      aria-valuemax={high}
      aria-valuenow={ratio}
      aria-valuetext={`${showNumber(ratio)} to 1${sought ? '' : ', fitted'}`}
      className="cursor-ew-resize touch-none focus-visible:outline-2 focus-visible:outline-ink"
      onPointerDown={(event) => {
        held.current = true;
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={seek}
      onPointerUp={() => (held.current = false)}
      onPointerCancel={() => (held.current = false)}
      onKeyDown={key}
    >
      <title>Drag it, or use the arrow keys: whole teeth near that ratio are offered.</title>
      <path d={`M${at} 0V${bottom + 4}`} stroke="transparent" strokeWidth="24" />
      <path d={`M${at} 0V${bottom + 4}`} stroke="var(--color-ink)" strokeWidth="2.5" />
      <rect x={at - MARK_HALF} y={bottom + 4} width={2 * MARK_HALF} height="20" fill="var(--color-ink)" />
      <text
        x={at}
        y={bottom + 18.5}
        fontSize="14"
        fontWeight="600"
        textAnchor="middle"
        fill="var(--color-sheet)"
      >
        {`‹ ${showNumber(ratio)} : 1 ${sought ? 'sought' : 'fitted'} ›`}
      </text>
    </g>
  );
}

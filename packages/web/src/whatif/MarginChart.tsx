import { marginInWords, numberInWords } from '@zubric/core/say';
import type { MarginAlong, VerdictTurn, WhatIf } from '@zubric/core/sensitivity';
import { meaningOf, placeInWords, type Build } from '@zubric/core/vehicle';
import { isElectrical } from '@zubric/core/judge';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Axes } from '../charts/Axes.tsx';
import { chartUnit } from '../charts/in-units.ts';
import { useUnits } from '../common/units.tsx';

const WIDTH = 1080;
const HEIGHT = 300;
const FRAME = { left: 60, right: 24, top: 30, bottom: 46 };
/** Margins of more than so many times their rule are as good as endless: the sheet shows what lies near the rule. */
const SHOWN_RULES = 3;

/** Nearer to the end of the sheet words stand on the other side. */
const NEAR_END = 180;
/** Words over lines. */
const HALO = { stroke: 'var(--color-sheet)', strokeWidth: 4, paintOrder: 'stroke' } as const;

interface Props {
  readonly build: Build;
  readonly found: WhatIf;
  readonly along: MarginAlong;
  /** The turns of that margin. */
  readonly turns: readonly VerdictTurn[];
}

/** A margin over the values of a number: what stands now, its rule, and where its verdict turns. */
export function MarginChart({ build, found: { number, values }, along, turns }: Props) {
  const { system } = useUnits();
  const { dimension, unit = '' } = meaningOf(number.path);
  const [least = 0, most = 1] = [values[0], values.at(-1)];
  const shown = dimension
    ? chartUnit(Math.max(Math.abs(least), Math.abs(most)), dimension, system)
    : { symbol: unit, convert: (value: number): number => value };
  const rule = along.now?.rule ?? along.at.find((there) => there)?.rule ?? 1;
  const ratios = along.at.flatMap((there) => (there ? [there.ratio] : []));
  const top = Math.min(Math.max(1.25 * rule, ...ratios), SHOWN_RULES * Math.max(rule, along.now?.ratio ?? 0));
  const x = scaleLinear([shown.convert(least), shown.convert(most)], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([0, top * 1.06], [HEIGHT - FRAME.bottom, FRAME.top]);
  const at = (value: number): number => x(shown.convert(value));
  const high = (ratio: number): number => Math.max(FRAME.top - 8, y(ratio));
  const color = isElectrical(along.margin) ? 'var(--color-elec)' : 'var(--color-mech)';
  const points = values.map((value, n) => ({ value, there: along.at[n] ?? null }));
  const curve = line<(typeof points)[number]>(
    ({ value }) => at(value),
    ({ there }) => high(there?.ratio ?? 0),
  ).defined(({ there }) => there !== null);
  const rules = line<(typeof points)[number]>(
    ({ value }) => at(value),
    ({ there }) => high(there?.rule ?? rule),
  );
  const name = marginInWords(along.margin, build);
  const title = `${placeInWords(number.path, build)}${shown.symbol === '' ? '' : `, ${shown.symbol}`}`;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`${name} over ${placeInWords(number.path, build)}`}
    >
      <Axes
        x={x}
        y={y}
        xTitle={title}
        yTitle={`${name}: what there is over what is needed, ×`}
        xTicks={10}
        color={color}
      />
      <path d={rules(points) ?? ''} fill="none" stroke="var(--color-edge)" strokeDasharray="3 4" />
      <text
        x={WIDTH - FRAME.right}
        y={high(rule) - 5}
        fontSize="14"
        textAnchor="end"
        fill="var(--color-soft)"
      >
        the rule
      </text>
      <path d={`M${FRAME.left} ${y(1)}H${WIDTH - FRAME.right}`} stroke="var(--color-short)" />
      <text x={WIDTH - FRAME.right} y={y(1) + 16} fontSize="14" textAnchor="end" fill="var(--color-short)">
        fails below
      </text>
      <path d={curve(points) ?? ''} fill="none" stroke={color} strokeWidth="2.5" />
      <path
        d={`M${at(number.value)} ${HEIGHT - FRAME.bottom}V${FRAME.top}`}
        stroke="var(--color-ink)"
        strokeDasharray="5 4"
      />
      {along.now && <circle cx={at(number.value)} cy={high(along.now.ratio)} r="6" fill="var(--color-ink)" />}
      <text
        x={at(number.value) + (at(number.value) > WIDTH - NEAR_END ? -8 : 8)}
        y={FRAME.top + 12}
        textAnchor={at(number.value) > WIDTH - NEAR_END ? 'end' : 'start'}
        fontSize="14"
        fill="var(--color-ink)"
        {...HALO}
      >
        now {numberInWords(number, number.value, system)}
      </text>
      <Turns {...{ turns, at, color }} say={(value) => numberInWords(number, value, system)} />
    </svg>
  );
}

interface TurnsProps {
  readonly turns: readonly VerdictTurn[];
  readonly at: (value: number) => number;
  readonly color: string;
  readonly say: (value: number) => string;
}

/** Where the verdict turns, marked on the axis. */
const Turns = ({ turns, at, color, say }: TurnsProps) =>
  turns.map((turn, n) => (
    <g key={turn.value}>
      <path d={`M${at(turn.value)} ${HEIGHT - FRAME.bottom}v-10`} stroke={color} strokeWidth="2" />
      <text
        x={at(turn.value)}
        y={HEIGHT - FRAME.bottom - (n % 2 === 0 ? 28 : 46)}
        fontSize="14"
        fontWeight="600"
        textAnchor="middle"
        fill={color}
        {...HALO}
      >
        {say(turn.value)}
      </text>
    </g>
  ));

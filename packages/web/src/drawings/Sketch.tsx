import { assertNever } from '@zubric/core/contract';
import { extentOf, fitTo, roundLength, type At, type Fit, type Shape, type Tone } from './shapes.ts';

const WIDTH = 450;
const HEIGHT = 270;
const MARGIN = { x: 66, y: 40 };
const LETTERS = 14;
/** About as wide as a letter is, for what must not collide. */
const LETTER_WIDTH = 8;
/** A scale bar takes no more than this share of the page. */
const BAR_SHARE = 0.25;

const INKS: Readonly<Record<Tone, string>> = {
  ink: 'var(--color-ink)',
  mech: 'var(--color-mech)',
  elec: 'var(--color-elec)',
  soft: 'var(--color-soft)',
  short: 'var(--color-short)',
};
const FILLS: Readonly<Record<Tone, string>> = {
  ink: 'var(--color-field)',
  mech: 'var(--color-mech-lo)',
  elec: 'var(--color-elec-lo)',
  soft: 'var(--color-field)',
  short: 'var(--color-short-lo)',
};

interface Props {
  readonly shapes: readonly Shape[];
  /** What it shows, for those who do not see it. */
  readonly label: string;
  /** Says a length of the drawing, for the scale bar; none is drawn where it has no size. */
  readonly sayLength?: (length: number) => string;
  readonly height?: number;
}

/** A drawing to scale, with its scale bar. */
export function Sketch({ shapes, label, sayLength, height = HEIGHT }: Props) {
  const fit = fitTo(extentOf(shapes), { width: WIDTH, height: height - 22, margin: MARGIN });
  const bar = roundLength((BAR_SHARE * WIDTH) / fit.scale);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className="block w-full" role="img" aria-label={label}>
      <Shapes shapes={shapes} fit={fit} />
      {sayLength && (
        <g transform={`translate(14 ${height - 10})`} stroke="var(--color-soft)" fill="var(--color-soft)">
          <path d={`M0 -6v6h${bar * fit.scale}v-6`} fill="none" />
          <text x={bar * fit.scale + 8} fontSize={LETTERS} stroke="none">
            {sayLength(bar)}
          </text>
        </g>
      )}
    </svg>
  );
}

/** Shapes at the scale and place of a page. */
export const Shapes = ({ shapes, fit }: { readonly shapes: readonly Shape[]; readonly fit: Fit }) =>
  shapes.map((shape, n) => <Drawn key={n} shape={shape} fit={fit} />);

/** Text with a rim of paper, to be read over lines. */
function Text({
  x,
  y,
  tone,
  anchor,
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly tone: Tone;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly children: string;
}) {
  return (
    <text
      x={x}
      y={y}
      dy="0.33em"
      textAnchor={anchor}
      fontSize={LETTERS}
      fontWeight="500"
      fill={INKS[tone]}
      stroke="var(--color-sheet)"
      strokeWidth="4"
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}

function Drawn({ shape, fit }: { readonly shape: Shape; readonly fit: Fit }) {
  switch (shape.kind) {
    case 'circle':
      return (
        <circle
          cx={fit.x(shape.at.x)}
          cy={fit.y(shape.at.y)}
          r={shape.radius * fit.scale}
          stroke={INKS[shape.tone]}
          strokeWidth="1.6"
          strokeDasharray={shape.dashed ? '5 4' : undefined}
          fill={shape.filled ? FILLS[shape.tone] : 'none'}
        />
      );
    case 'line':
      return (
        <path
          d={`M${shape.points.map((p) => `${fit.x(p.x)} ${fit.y(p.y)}`).join('L')}${shape.closed ? 'Z' : ''}`}
          stroke={INKS[shape.tone]}
          strokeWidth={shape.heavy ? 3 : 1.6}
          strokeLinejoin="round"
          strokeDasharray={shape.dashed ? '5 4' : undefined}
          fill={shape.filled ? FILLS[shape.tone] : 'none'}
        />
      );
    case 'measure':
      return <Measure shape={shape} fit={fit} />;
    case 'arrow':
      return <Arrow shape={shape} fit={fit} />;
    case 'note':
      return (
        <Text
          x={fit.x(shape.at.x)}
          y={fit.y(shape.at.y) - shape.above * LETTERS}
          tone={shape.tone}
          anchor="middle"
        >
          {shape.text}
        </Text>
      );
    default:
      return assertNever(shape);
  }
}

/** Two places on the page, and the unit vector from one to the other. */
function way(from: At, to: At, fit: Fit) {
  const [x1, y1, x2, y2] = [fit.x(from.x), fit.y(from.y), fit.x(to.x), fit.y(to.y)];
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  return { x1, y1, x2, y2, u: (x2 - x1) / length, v: (y2 - y1) / length, length };
}

const TICK = 5;

function Measure({ shape, fit }: { readonly shape: Shape & { kind: 'measure' }; readonly fit: Fit }) {
  const { x1, y1, x2, y2, u, v, length } = way(shape.from, shape.to, fit);
  // To the left of the way, on a page whose y runs down.
  const [ax, ay] = [v * shape.aside * LETTERS, -u * shape.aside * LETTERS];
  // A text longer than its measure stands beside it.
  const beside = length < shape.text.length * LETTER_WIDTH ? Math.sign(shape.aside || 1) * LETTERS * 1.1 : 0;
  const [mx, my] = [(x1 + x2) / 2 + ax + v * beside, (y1 + y2) / 2 + ay - u * beside];
  const [tx, ty] = [v * TICK, -u * TICK];
  return (
    <g>
      <path
        d={`M${x1 + ax - tx} ${y1 + ay - ty}l${2 * tx} ${2 * ty}M${x1 + ax} ${y1 + ay}L${x2 + ax} ${y2 + ay}m${-tx} ${-ty}l${2 * tx} ${2 * ty}`}
        stroke="var(--color-soft)"
        fill="none"
      />
      <Text x={mx} y={my} tone="ink" anchor="middle">
        {shape.text}
      </Text>
    </g>
  );
}

const HEAD = 9;

function Arrow({ shape, fit }: { readonly shape: Shape & { kind: 'arrow' }; readonly fit: Fit }) {
  const { x1, y1, x2, y2, u, v, length } = way(shape.from, shape.to, fit);
  const outward = shape.textAt === 'to' ? 1 : -1;
  const [ex, ey] = shape.textAt === 'to' ? [x2, y2] : [x1, y1];
  const upright = Math.abs(v) > Math.abs(u);
  return (
    <g>
      {length > 1.5 && (
        <path
          d={`M${x1} ${y1}L${x2} ${y2}M${x2 - HEAD * (u - 0.45 * v)} ${y2 - HEAD * (v + 0.45 * u)}L${x2} ${y2}L${x2 - HEAD * (u + 0.45 * v)} ${y2 - HEAD * (v - 0.45 * u)}`}
          stroke={INKS[shape.tone]}
          strokeWidth="2.4"
          fill="none"
        />
      )}
      <Text
        x={ex + outward * u * 8}
        y={ey + outward * v * 13}
        tone={shape.tone}
        anchor={upright ? 'middle' : outward * u > 0 ? 'start' : 'end'}
      >
        {shape.text}
      </Text>
    </g>
  );
}

/** Places across: battery, fuse, switch, rail of all, boards, motors. */
export const AT = {
  battery: 4,
  fuse: 110,
  mainSwitch: 152,
  bus: 208,
  board: 242,
  boardEnd: 358,
  motor: 400,
} as const;

/** Height of a motor’s row. */
export const MOTOR_ROW = 54;

export const text = { fontSize: 14, fill: 'var(--color-ink)' } as const;
export const soft = { fontSize: 13, fill: 'var(--color-soft)' } as const;
export const wire = { fill: 'none', stroke: 'var(--color-elec)', strokeWidth: 2 } as const;

export const shortened = (name: string, most: number): string =>
  name.length > most ? `${name.slice(0, most - 1)}…` : name;

/** What is not said yet is drawn in dashes. */
export const Box = ({
  x,
  y,
  width,
  height,
  missing = false,
}: {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly missing?: boolean;
}) => (
  <rect
    x={x}
    y={y}
    width={width}
    height={height}
    fill="var(--color-sheet)"
    stroke={missing ? 'var(--color-short)' : 'var(--color-ink)'}
    strokeWidth="1.5"
    {...(missing ? { strokeDasharray: '4 3' } : {})}
  />
);

/** A contact that opens. */
export const Contact = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g>
    <path d={`M${x} ${y}h6M${x + 28} ${y}h-6`} {...wire} />
    <path d={`M${x + 6} ${y}l15 -10`} stroke="var(--color-ink)" strokeWidth="2" />
    <circle cx={x + 6} cy={y} r="2.5" fill="var(--color-ink)" />
    <circle cx={x + 22} cy={y} r="2.5" fill="var(--color-ink)" />
  </g>
);

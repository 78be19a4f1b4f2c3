import { Cross, type Placing } from '../../../charts/CurveFigure.tsx';

interface Mark {
  readonly id: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
}

const LONGEST = 26;
const shortened = (name: string, most = LONGEST): string =>
  name.length > most ? `${name.slice(0, most - 1)}…` : name;

/** Text that stays readable over lines. */
const haloed = { fontSize: 14, stroke: 'var(--color-sheet)', strokeWidth: 4, paintOrder: 'stroke' } as const;

/** Labels beside their marks, on the side with room and over the axis, nudged up where two would lie on each other. */
function labelled(marks: readonly Mark[], { left, right, bottom }: Placing) {
  const taken: number[] = [];
  return [...marks]
    .sort((a, b) => b.y - a.y)
    .map((mark) => {
      const atLeft = mark.x > left + (right - left) * 0.6;
      let labelY = Math.min(mark.y + 5, bottom - 5);
      while (taken.some((y) => Math.abs(y - labelY) < 16)) labelY -= 4;
      taken.push(labelY);
      return {
        ...mark,
        labelX: mark.x + (atLeft ? -10 : 10),
        labelY,
        anchor: atLeft ? ('end' as const) : ('start' as const),
      };
    });
}

/** The duties as crosses, each with its name. */
export const Marks = ({ marks, placing }: { readonly marks: readonly Mark[]; readonly placing: Placing }) =>
  labelled(marks, placing).map((mark) => (
    <g key={mark.id}>
      <Cross x={mark.x} y={mark.y} />
      <text
        x={mark.labelX}
        y={mark.labelY}
        textAnchor={mark.anchor}
        fontWeight="500"
        fill="var(--color-ink)"
        {...haloed}
      >
        {shortened(mark.name)}
      </text>
    </g>
  ));

/** The least grip of a duty, as a line across. */
export const LeastGrip = ({
  gripN,
  duty,
  placing: { y, left, right },
}: {
  readonly gripN: number;
  readonly duty: string;
  readonly placing: Placing;
}) => (
  <>
    <path
      d={`M${left} ${y(gripN)}H${right}`}
      stroke="var(--color-ink)"
      strokeWidth="1.5"
      strokeDasharray="2 3"
    />
    <text x={left + 4} y={y(gripN) - 5} fill="var(--color-ink)" {...haloed}>
      {`grip, least on “${shortened(duty, 22)}”`}
    </text>
  </>
);

/** A word beside a stretch of a curve. */
export const AlongCurve = ({
  x,
  y,
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly children: string;
}) => (
  <text x={x} y={y - 8} textAnchor="middle" fontWeight="500" fill="var(--color-elec)" {...haloed}>
    {children}
  </text>
);

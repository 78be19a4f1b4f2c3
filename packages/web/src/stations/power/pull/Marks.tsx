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

const LETTER = 7.2;
const LINE = 16;

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

const meet = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Where a label may stand beside its mark, the nearest first: right, left, then further up and down on both sides. */
const PLACES = [0, -1, 1, -2, 2, -3, 3, -4, 4].flatMap((up) => [
  { anchor: 'start', dx: 10, dy: up * LINE },
  { anchor: 'end', dx: -10, dy: up * LINE },
]) as readonly { readonly anchor: 'start' | 'end'; readonly dx: number; readonly dy: number }[];

/** Labels beside their marks, none on another or on a mark, within the chart. */
function labelled(marks: readonly Mark[], { left, right, top, bottom }: Placing) {
  const taken: Box[] = marks.map(({ x, y }) => ({ left: x - 7, right: x + 7, top: y - 7, bottom: y + 7 }));
  return [...marks]
    .sort((a, b) => b.y - a.y)
    .map((mark) => {
      const width = shortened(mark.name).length * LETTER;
      const boxes = PLACES.map(({ anchor, dx, dy }) => {
        const x = mark.x + dx;
        const y = mark.y + 5 + dy;
        const [from, to] = anchor === 'start' ? [x, x + width] : [x - width, x];
        return { anchor, x, y, box: { left: from, right: to, top: y - 12, bottom: y + 4 } };
      });
      const inside = boxes.filter(
        ({ box }) =>
          box.left >= left - 30 && box.right <= right + 8 && box.top >= top && box.bottom <= bottom,
      );
      const free = inside.find(({ box }) => !taken.some((other) => meet(box, other)));
      const chosen = free ?? inside[0] ?? boxes[0];
      if (chosen) taken.push(chosen.box);
      return { ...mark, labelX: chosen?.x ?? mark.x, labelY: chosen?.y ?? mark.y, anchor: chosen?.anchor };
    });
}

/** More than these are told by number: their names stand under the chart. */
const MOST_NAMED = 6;
export const areNumbered = (marks: readonly unknown[]): boolean => marks.length > MOST_NAMED;

/** The duties as crosses, each with its name, or with its number where they are many. */
export const Marks = ({ marks, placing }: { readonly marks: readonly Mark[]; readonly placing: Placing }) =>
  labelled(
    areNumbered(marks) ? marks.map((mark, n) => ({ ...mark, name: String(n + 1) })) : marks,
    placing,
  ).map((mark) => (
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

/** What the numbers of many marks stand for. */
export const MarkNames = ({ names }: { readonly names: readonly string[] }) => (
  <ol className="mx-2 my-1 grid list-inside list-decimal grid-cols-2 gap-x-4 text-[14px]">
    {names.map((name, n) => (
      <li key={`${n} ${name}`} className="break-words">
        {name}
      </li>
    ))}
  </ol>
);

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
    <text x={right} y={y(gripN) - 5} textAnchor="end" fill="var(--color-ink)" {...haloed}>
      least grip
      <title>{`On “${duty}”`}</title>
    </text>
  </>
);

/** Nearer to the top than this, a word over a curve would stand in the name of the axis: px. */
const ROOM_ABOVE = 16;

/** A word beside a stretch of a curve: over it, or under it where the axis is named. */
export const AlongCurve = ({
  x,
  y,
  top,
  children,
}: {
  readonly x: number;
  readonly y: number;
  /** Of the sheet that is drawn on. */
  readonly top: number;
  readonly children: string;
}) => (
  <text
    x={x}
    y={y < top + ROOM_ABOVE ? y + 18 : y - 8}
    textAnchor="middle"
    fontWeight="500"
    fill="var(--color-elec)"
    {...haloed}
  >
    {children}
  </text>
);

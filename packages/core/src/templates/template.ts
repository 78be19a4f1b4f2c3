import { show } from '../quantity/index.ts';

/** Finer than a tenth of a millimetre nobody marks out, but a drill or a pitch has more digits. */
const DIGITS = 4;
/** A length of a sheet in words. */
export const inMm = (value: number): string =>
  show(value / 1000, 'length', 'metric', { digits: DIGITS }).text;

/** A place on the sheet, mm: to the right, and up. */
export type SheetPoint = readonly [x: number, y: number];

/** What is drawn: cut through, or only marked. */
export type Mark =
  | { readonly kind: 'circle'; readonly at: SheetPoint; readonly diameter: number; readonly cut: boolean }
  | {
      readonly kind: 'line';
      readonly points: readonly SheetPoint[];
      readonly closed: boolean;
      readonly cut: boolean;
    }
  | { readonly kind: 'text'; readonly at: SheetPoint; readonly text: string; readonly height: number };

/** A sheet to be printed in its true size, or sent to a machine. */
export interface Template {
  /** Lower case and hyphens: what it is asked for by. */
  readonly name: string;
  readonly title: string;
  readonly marks: readonly Mark[];
}

/** The height of letters, mm. */
export const LETTERS = 3;
/** How far a cross stands over its hole, mm. */
const CROSS = 3;

/** A hole, with the cross that a punch is set on. */
export const hole = ([x, y]: SheetPoint, diameter: number): Mark[] => {
  const reach = diameter / 2 + CROSS;
  return [
    { kind: 'circle', at: [x, y], diameter, cut: true },
    ...(
      [
        [
          [x - reach, y],
          [x + reach, y],
        ],
        [
          [x, y - reach],
          [x, y + reach],
        ],
      ] as const
    ).map((points): Mark => ({ kind: 'line', points, closed: false, cut: false })),
  ];
};

/** A circle that is only drawn: a pitch circle, a bolt circle. */
export const drawnCircle = (at: SheetPoint, diameter: number): Mark => ({
  kind: 'circle',
  at,
  diameter,
  cut: false,
});

/** A closed line that is cut. */
export const outline = (points: readonly SheetPoint[]): Mark => ({
  kind: 'line',
  points,
  closed: true,
  cut: true,
});

/** Words, their first letter at a place. */
export const words = (at: SheetPoint, text: string): Mark => ({ kind: 'text', at, text, height: LETTERS });

/** A place on a circle about a middle, by its angle from the right, rad. */
export const onCircle = ([x, y]: SheetPoint, radius: number, angle: number): SheetPoint => [
  x + radius * Math.cos(angle),
  y + radius * Math.sin(angle),
];

/**
 * So many equal holes on a circle, the first to the right.
 *
 * @example holesOnCircle([0, 0], 40, 4, 5).filter(({ kind }) => kind === 'circle').length // 5: the holes, and their circle
 */
export const holesOnCircle = (
  at: SheetPoint,
  circleDiameter: number,
  count: number,
  diameter: number,
  from = 0,
): Mark[] => [
  drawnCircle(at, circleDiameter),
  ...Array.from({ length: count }, (_, n) =>
    hole(onCircle(at, circleDiameter / 2, from + (2 * Math.PI * n) / count), diameter),
  ).flat(),
];

const ROUND = 16;

/**
 * A slot about two places: as wide as a hole, so that what goes through it moves between them.
 *
 * @example slot([0, 0], [10, 0], 4).kind // 'line'
 */
export function slot(from: SheetPoint, to: SheetPoint, width: number): Mark {
  const along = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const end = (at: SheetPoint, begins: number): SheetPoint[] =>
    Array.from({ length: ROUND + 1 }, (_, n) => onCircle(at, width / 2, begins + (Math.PI * n) / ROUND));
  return outline([...end(to, along - Math.PI / 2), ...end(from, along + Math.PI / 2)]);
}

/** A rectangle about a middle, its corners rounded. */
export function plate([x, y]: SheetPoint, width: number, height: number, radius = 0): Mark {
  const corner = Math.min(radius, width / 2, height / 2);
  const [right, top] = [width / 2 - corner, height / 2 - corner];
  if (corner <= 0)
    return outline([
      [x - right, y - top],
      [x + right, y - top],
      [x + right, y + top],
      [x - right, y + top],
    ]);
  const corners: readonly SheetPoint[] = [
    [x + right, y + top],
    [x - right, y + top],
    [x - right, y - top],
    [x + right, y - top],
  ];
  return outline(
    corners.flatMap((at, quarter) =>
      Array.from({ length: ROUND / 2 + 1 }, (_, n) =>
        onCircle(at, corner, (Math.PI / 2) * (quarter + (2 * n) / ROUND)),
      ),
    ),
  );
}

/**
 * The room that marks take, mm; of words their beginning.
 *
 * @example roomOf([{ kind: 'circle', at: [0, 0], diameter: 10, cut: true }]) // { least: [-5, -5], most: [5, 5] }
 */
export function roomOf(marks: readonly Mark[]): { readonly least: SheetPoint; readonly most: SheetPoint } {
  const places = marks.flatMap((mark): SheetPoint[] => {
    if (mark.kind === 'line') return [...mark.points];
    if (mark.kind === 'text') return [mark.at];
    const reach = mark.diameter / 2;
    return [
      [mark.at[0] - reach, mark.at[1] - reach],
      [mark.at[0] + reach, mark.at[1] + reach],
    ];
  });
  const xs = places.map(([x]) => x);
  const ys = places.map(([, y]) => y);
  return { least: [Math.min(...xs), Math.min(...ys)], most: [Math.max(...xs), Math.max(...ys)] };
}

/** The length of the lines by which a print is checked, mm. */
export const CHECK_MM = 100;
const UNDER = 12;

/**
 * A template with its title, and two lines of 100 mm, along and up, by which the print is checked.
 *
 * @example withCheck({ name: 'a', title: 'A', marks: hole([0, 0], 5) }).marks.length > 3 // true
 */
export function withCheck(template: Template): Template {
  const { least } = roomOf(template.marks);
  const from: SheetPoint = [least[0] - UNDER, least[1] - UNDER];
  const check = (to: SheetPoint): Mark => ({ kind: 'line', points: [from, to], closed: false, cut: false });
  return {
    ...template,
    marks: [
      ...template.marks,
      check([from[0] + CHECK_MM, from[1]]),
      check([from[0], from[1] + CHECK_MM]),
      words([from[0] + 2, from[1] + 2], '100 mm each way'),
      words([from[0], from[1] - 6], template.title),
    ],
  };
}

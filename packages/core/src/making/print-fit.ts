import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const box = (of: string) =>
  z
    .strictObject({
      xMm: key.positive(`Width of ${of}`, 'mm'),
      yMm: key.positive(`Depth of ${of}`, 'mm'),
      zMm: key.positive(`Height of ${of}`, 'mm'),
    })
    .meta({ description: `The box of ${of}`, unit: '' });

const input = z.strictObject({ part: box('the part'), printer: box('the printer') });

const output = z.strictObject({
  fits: z
    .enum(['straight', 'turned', 'no'])
    .meta({ description: 'Whether it fits: along the axes, turned on the bed, or not', unit: '' }),
  pieces: key.count('Pieces to print it in'),
});

/** Three sides of a box. */
export type PrintSides = readonly [number, number, number];
const sides = ({ xMm, yMm, zMm }: z.output<typeof input>['part']): PrintSides => [xMm, yMm, zMm];
/** Which side of the part lies along the bed, across it, and stands. */
const ORDERS = [
  [0, 1, 2],
  [0, 2, 1],
  [1, 0, 2],
  [1, 2, 0],
  [2, 0, 1],
  [2, 1, 0],
] as const;

/** Whether a rectangle that is too long lies slantwise in another (Carver's condition, from memory). */
function liesTurned(part: readonly [number, number], bed: readonly [number, number]): boolean {
  const [p, q] = [Math.max(...part), Math.min(...part)];
  const [a, b] = [Math.max(...bed), Math.min(...bed)];
  // What is not longer than the bed and does not lie along it, does not lie turned.
  if (p <= a || q > b) return false;
  const squares = p * p + q * q;
  return b >= (2 * p * q * a + (p * p - q * q) * Math.sqrt(squares - a * a)) / squares;
}

/** How a box goes into a printer's box, and in how many pieces along each of its own sides. */
export interface PrintFit {
  readonly fits: 'straight' | 'turned' | 'no';
  readonly along: PrintSides;
}

/**
 * Whether a box fits a printer's box, straight or turned on the bed, and else the fewest pieces, by straight cuts.
 *
 * @example fitInPrinter([450, 150, 100], [200, 200, 200]) // { fits: 'no', along: [3, 1, 1] }
 */
export function fitInPrinter(part: PrintSides, printer: PrintSides): PrintFit {
  const whole: PrintSides = [1, 1, 1];
  const laid = ORDERS.map((order) => order.map((side) => part[side]) as unknown as PrintSides);
  if (laid.some((order) => order.every((side, at) => side <= (printer[at] ?? 0))))
    return { fits: 'straight', along: whole };
  const [bedX, bedY, height] = printer;
  if (laid.some(([p, q, standing]) => standing <= height && liesTurned([p, q], [bedX, bedY])))
    return { fits: 'turned', along: whole };
  const cuts = ORDERS.map((order) => {
    const along = [1, 1, 1];
    order.forEach((side, at) => {
      along[side] = Math.ceil(part[side] / (printer[at] ?? 1));
    });
    return along as unknown as PrintSides;
  });
  return { fits: 'no', along: cuts.reduce((least, one) => (piecesOf(one) < piecesOf(least) ? one : least)) };
}

const piecesOf = ([x, y, z]: PrintSides): number => x * y * z;

export const printFit = defineCalculator({
  name: 'print-fit',
  topic: 'making',
  asks: 'Does it fit the printer?',
  title: 'A part in a printer',
  purpose: 'Whether a part fits a printer’s box, straight or turned on the bed, and else in how many pieces.',
  input,
  output,
  formula: 'straight: p ≤ A, q ≤ B;  turned: B ≥ (2 p q A + (p² − q²) √(p² + q² − A²))/(p² + q²)',
  symbols: { given: {}, found: {} },
  source: 'W. Carver’s condition for a rectangle in a rectangle, from memory',
  limits:
    'Boxes: a part may fit where its box does not. Leave room for brim and clamps of the bed; joints between pieces are yours.',
  examples: [
    {
      origin:
        'a thin strip of 280 mm lies across a bed of 200 by 200 mm, whose diagonal is 282.8 mm (geometry)',
      input: { part: { xMm: 280, yMm: 2, zMm: 20 }, printer: { xMm: 200, yMm: 200, zMm: 200 } },
      output: { fits: 'turned', pieces: 1 },
    },
    {
      origin: '450 mm on 200 mm are three pieces (arithmetic)',
      input: { part: { xMm: 450, yMm: 150, zMm: 100 }, printer: { xMm: 200, yMm: 200, zMm: 200 } },
      output: { fits: 'no', pieces: 3 },
    },
  ],
  run: ({ part, printer }) => {
    const { fits, along } = fitInPrinter(sides(part), sides(printer));
    return { fits, pieces: piecesOf(along) };
  },
});

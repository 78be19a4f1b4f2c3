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

type PrintSides = readonly [number, number, number];
const sides = ({ xMm, yMm, zMm }: z.output<typeof input>['part']): PrintSides => [xMm, yMm, zMm];
const ordersOf = ([a, b, c]: PrintSides): readonly PrintSides[] => [
  [a, b, c],
  [a, c, b],
  [b, a, c],
  [b, c, a],
  [c, a, b],
  [c, b, a],
];

/** Whether a rectangle that is too long lies slantwise in another (Carver's condition, from memory). */
function liesTurned(part: readonly [number, number], bed: readonly [number, number]): boolean {
  const [p, q] = [Math.max(...part), Math.min(...part)];
  const [a, b] = [Math.max(...bed), Math.min(...bed)];
  // What is not longer than the bed and does not lie along it, does not lie turned.
  if (p <= a || q > b) return false;
  const squares = p * p + q * q;
  return b >= (2 * p * q * a + (p * p - q * q) * Math.sqrt(squares - a * a)) / squares;
}

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
    const orders = ordersOf(sides(part));
    const room = sides(printer);
    const [bedX, bedY, height] = room;
    if (orders.some((order) => order.every((side, at) => side <= (room[at] ?? 0))))
      return { fits: 'straight' as const, pieces: 1 };
    if (orders.some(([p, q, standing]) => standing <= height && liesTurned([p, q], [bedX, bedY])))
      return { fits: 'turned' as const, pieces: 1 };
    const cut = ([x, y, z]: PrintSides): number =>
      Math.ceil(x / bedX) * Math.ceil(y / bedY) * Math.ceil(z / height);
    return { fits: 'no' as const, pieces: Math.min(...orders.map(cut)) };
  },
});

import { boxAt, cylinderAt, type Vector } from '@zubric/core/layout';
import { describe, expect, it } from 'vitest';
import { demo } from '../testing/demo.ts';
import { outlineOf } from './outline.ts';
import { extentOf, moveIn, scaleFor, sheetOf, type LayoutView } from './views.ts';

const puffin = demo('puffin');
const extent = extentOf(puffin);
const scale = scaleFor(extent, 560, 330);

describe('a view', () => {
  it.each(['plan', 'side', 'rear'] satisfies LayoutView[])(
    'of %s moves a part as its place on the sheet moves',
    (view) => {
      const sheet = sheetOf(view, extent, scale);
      const from: Vector = [0.3, 0.1, 0.4];
      const by = moveIn(view, 0.02, 0.03);
      const [x0, y0] = sheet.at(from);
      const [x1, y1] = sheet.at([from[0] + by[0], from[1] + by[1], from[2] + by[2]]);
      // To the right and upwards on the sheet, by as much, at its scale.
      expect(x1 - x0).toBeCloseTo(0.02 * scale, 9);
      expect(y0 - y1).toBeCloseTo(0.03 * scale, 9);
    },
  );

  it('holds everything, and from above as long as from the side', () => {
    const [plan, side] = [sheetOf('plan', extent, scale), sheetOf('side', extent, scale)];
    expect(plan.width).toBeCloseTo(side.width, 9);
    for (const sheet of [plan, side])
      for (const place of [extent.least, extent.most]) {
        const [x, y] = sheet.at(place);
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(sheet.width);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(sheet.height);
      }
  });
});

/** Twice the area of an outline, by its corners. */
const area = (points: readonly (readonly [number, number])[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], n) => {
      const [nx, ny] = points[(n + 1) % points.length] ?? [0, 0];
      return sum + x * ny - nx * y;
    }, 0) / 2,
  );

describe('an outline', () => {
  it('of a box is its four corners, turned or not', () => {
    const seen = outlineOf(boxAt([0, 0, 0], [0.4, 0.2, 0.1], 0.5), 'plan').map(([x, y]) => [x, y] as const);
    expect(seen).toHaveLength(4);
    expect(area(seen)).toBeCloseTo(0.08, 9);
  });
  it('of a wheel from the side is all but round', () => {
    const seen = outlineOf(cylinderAt([0, 0, 0], [0, 1, 0], 0.1, 0.03), 'side').map(
      ([x, , z]) => [x, z] as const,
    );
    expect(area(seen) / (Math.PI * 0.01)).toBeGreaterThan(0.99);
  });
});

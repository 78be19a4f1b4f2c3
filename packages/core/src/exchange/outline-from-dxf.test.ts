import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { describe, expect, it } from 'vitest';
import { outlineFromDxf, UnreadableDrawing, type ReadOutline } from './outline-from-dxf.ts';

/** A drawing as another program writes it (@tarikjabiri/dxf, from the registry). */
function drawn(draw: (dxf: DxfWriter) => void, units: Units | undefined = Units.Millimeters): string {
  const dxf = new DxfWriter();
  if (units !== undefined) dxf.setUnits(units);
  draw(dxf);
  return dxf.stringify();
}
const closed = (dxf: DxfWriter, ...corners: (readonly [number, number, number?])[]): void => {
  dxf.addLWPolyline(
    corners.map(([x, y, bulge = 0]) => ({ point: point2d(x, y), bulge })),
    { flags: LWPolylineFlags.Closed },
  );
};
/** Area by Gauss's shoelace formula, m². */
const area = ({ corners }: ReadOutline): number =>
  Math.abs(
    corners.reduce((sum, { aheadM, leftM }, n) => {
      const next = corners[(n + 1) % corners.length] as ReadOutline['corners'][number];
      return sum + aheadM * next.leftM - next.aheadM * leftM;
    }, 0) / 2,
  );
const box = ({ corners }: ReadOutline): [number, number] => {
  const over = (values: number[]): number => Math.max(...values) - Math.min(...values);
  return [over(corners.map(({ aheadM }) => aheadM)), over(corners.map(({ leftM }) => leftM))];
};

describe('an outline from a drawing', () => {
  it('is a plate in its own unit, its middle at the origin', () => {
    const plate = (units: Units) =>
      outlineFromDxf(drawn((dxf) => closed(dxf, [100, 50], [500, 50], [500, 250], [100, 250]), units));
    expect(box(plate(Units.Millimeters))).toEqual([expect.closeTo(0.4, 9), expect.closeTo(0.2, 9)]);
    expect(box(plate(Units.Inches))).toEqual([
      expect.closeTo(400 * 0.0254, 9),
      expect.closeTo(200 * 0.0254, 9),
    ]);
    expect(plate(Units.Millimeters)).toMatchObject({ unit: 'mm', saysUnit: true });
    const middle = plate(Units.Millimeters).corners.reduce((sum, { aheadM }) => sum + aheadM, 0);
    expect(middle).toBeCloseTo(0, 9);
  });

  it('is taken for millimetres where the drawing does not say, and says so', () => {
    const read = outlineFromDxf(drawn((dxf) => closed(dxf, [0, 0], [10, 0], [0, 10]), Units.Unitless));
    expect(read).toMatchObject({ unit: 'mm', saysUnit: false });
    expect(area(read)).toBeCloseTo(50e-6, 12);
  });

  it('bulges by arcs: two half circles make a circle, π r² (DXF reference: a bulge of 1 is half a circle)', () => {
    const read = outlineFromDxf(drawn((dxf) => closed(dxf, [-100, 0, 1], [100, 0, 1])));
    // Drawn by chords of at most 10°: less by a share of (1 − sin δ/δ).
    expect(area(read) / (Math.PI * 0.01)).toBeGreaterThan(0.99);
    expect(area(read) / (Math.PI * 0.01)).toBeLessThan(1);
    expect(box(read)[0]).toBeCloseTo(0.2, 3);
    // To the other side it bulges inwards: a square with four bites is smaller than the square, with four bulges larger.
    const bites = (bulge: number) =>
      area(
        outlineFromDxf(
          drawn((dxf) => closed(dxf, [0, 0, bulge], [100, 0, bulge], [100, 100, bulge], [0, 100, bulge])),
        ),
      );
    expect(bites(0.2)).toBeGreaterThan(0.01);
    expect(bites(-0.2)).toBeLessThan(0.01);
    expect(bites(0.2) - 0.01).toBeCloseTo(0.01 - bites(-0.2), 9);
  });

  it('is lines and arcs laid end to end, in any order and either way round', () => {
    const read = outlineFromDxf(
      drawn((dxf) => {
        // A slot 300 long and 100 wide: two lines and two half circles.
        dxf.addLine(point3d(200, 0), point3d(0, 0));
        dxf.addArc(point3d(200, 50), 50, -90, 90);
        dxf.addLine(point3d(200, 100), point3d(0, 100));
        dxf.addArc(point3d(0, 50), 50, 90, 270);
      }),
    );
    expect(box(read)).toEqual([expect.closeTo(0.3, 4), expect.closeTo(0.1, 4)]);
    expect(area(read) / (0.02 + Math.PI * 0.0025)).toBeCloseTo(1, 2);
  });

  it('is what encloses most: holes and what hangs about are left', () => {
    const read = outlineFromDxf(
      drawn((dxf) => {
        dxf.addCircle(point3d(50, 50), 20);
        closed(dxf, [0, 0], [400, 0], [400, 300], [0, 300]);
        dxf.addLine(point3d(-900, 0), point3d(-800, 0));
        dxf.addText(point3d(0, 0), 10, 'front');
      }),
    );
    expect(area(read)).toBeCloseTo(0.12, 9);
  });

  it('keeps no more corners than a body has, and its shape', () => {
    const read = outlineFromDxf(
      drawn((dxf) =>
        closed(
          dxf,
          ...Array.from({ length: 720 }, (_, n): [number, number] => {
            const angle = (n * Math.PI) / 360;
            return [300 * Math.cos(angle), 200 * Math.sin(angle)];
          }),
        ),
      ),
    );
    expect(read.corners.length).toBeLessThanOrEqual(60);
    expect(area(read) / (Math.PI * 0.06)).toBeCloseTo(1, 1);
  });

  it.each([
    ['', /no drawing/],
    ['not a drawing', /no drawing/],
    [drawn((dxf) => dxf.addLine(point3d(0, 0), point3d(10, 0))), /Nothing in this drawing is closed/],
    [drawn(() => undefined), /Nothing in this drawing is closed/],
    ['0\nSECTION\n2\nHEADER\n0\nENDSEC\n0\nEOF\n', /Nothing in this drawing is closed/],
  ])('says what to change where there is none', (text, why) => {
    expect(() => outlineFromDxf(text)).toThrow(why);
    expect(() => outlineFromDxf(text)).toThrow(UnreadableDrawing);
  });
});

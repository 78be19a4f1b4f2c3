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
    expect(box(read)[0] / 0.2).toBeCloseTo(1, 2);
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
    expect(box(read)).toEqual([expect.closeTo(0.3, 3), expect.closeTo(0.1, 3)]);
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

  it('follows an ellipse and a spline (π a b; a clamped cubic of a quarter circle by Bézier, known to 3e-4 of r)', () => {
    const ellipse = outlineFromDxf(
      drawn((dxf) => dxf.addEllipse(point3d(0, 0), point3d(0, 300), 0.5, 0, 2 * Math.PI)),
    );
    expect(area(ellipse) / (Math.PI * 0.3 * 0.15)).toBeCloseTo(1, 2);
    // Its long axis is drawn along y: to the left.
    expect(box(ellipse)).toEqual([expect.closeTo(0.3, 2), expect.closeTo(0.6, 2)]);
    const k = (4 / 3) * (Math.SQRT2 - 1);
    const quarter = outlineFromDxf(
      drawn((dxf) => {
        dxf.addSpline({
          controlPoints: [
            [100, 0],
            [100, 100 * k],
            [100 * k, 100],
            [0, 100],
          ].map(([x = 0, y = 0]) => point3d(x, y)),
          degreeCurve: 3,
          knots: [0, 0, 0, 0, 1, 1, 1, 1],
        });
        dxf.addLine(point3d(0, 100), point3d(0, 0));
        dxf.addLine(point3d(0, 0), point3d(100, 0));
      }),
    );
    expect(area(quarter) / ((Math.PI * 0.01) / 4)).toBeCloseTo(1, 2);
  });

  it('lays a block where it is put, turned and scaled (DXF reference, INSERT)', () => {
    const read = outlineFromDxf(
      drawn((dxf) => {
        const plate = dxf.addBlock('plate');
        plate.addLine(point3d(10, 10), point3d(210, 10));
        plate.addLine(point3d(210, 10), point3d(210, 110));
        plate.addLine(point3d(210, 110), point3d(10, 110));
        plate.addLine(point3d(10, 110), point3d(10, 10));
        dxf.addInsert('plate', point3d(500, 500), {
          rotationAngle: 90,
          scaleFactor: { x: 2, y: 3, z: 1 },
        });
      }),
    );
    expect(box(read)).toEqual([expect.closeTo(0.3, 6), expect.closeTo(0.4, 6)]);
  });

  it('leaves what is on the sheet around the drawing, and what is laid out too often to be an outline', () => {
    const entity = (...groups: readonly (string | number)[]) => groups.join('\n');
    const line = (x1: number, y1: number, x2: number, y2: number, more: readonly (string | number)[] = []) =>
      entity(...[0, 'LINE', ...more, 10, x1, 20, y1, 11, x2, 21, y2]);
    const square = (side: number, more: readonly (string | number)[] = []) => [
      line(0, 0, side, 0, more),
      line(side, 0, side, side, more),
      line(side, side, 0, side, more),
      line(0, side, 0, 0, more),
    ];
    const of = (blocks: readonly string[], entities: readonly string[]) =>
      [
        ...['0', 'SECTION', '2', 'BLOCKS', ...blocks, '0', 'ENDSEC'],
        ...['0', 'SECTION', '2', 'ENTITIES', ...entities, '0', 'ENDSEC', '0', 'EOF'],
      ].join('\n');
    const PAPER = [67, 1];
    expect(area(outlineFromDxf(of([], [...square(100), ...square(900, PAPER)])))).toBeCloseTo(0.01, 9);
    const block = [...['0', 'BLOCK', '2', 'big', '10', '0', '20', '0'], ...square(900), ...['0', 'ENDBLK']];
    const put = (rows: number) => entity(0, 'INSERT', 2, 'big', 10, 0, 20, 0, 70, 1, 71, rows, 45, 1);
    expect(area(outlineFromDxf(of(block, [...square(100), put(1)])))).toBeCloseTo(0.81, 9);
    expect(area(outlineFromDxf(of(block, [...square(100), put(1e9)])))).toBeCloseTo(0.01, 9);
    // A block that is laid in itself has no end.
    const within = [...block.slice(0, -2), entity(0, 'INSERT', 2, 'big', 10, 0, 20, 0), '0', 'ENDBLK'];
    expect(() => outlineFromDxf(of(within, [put(1)]))).toThrow(UnreadableDrawing);
  });

  it('takes a drawing of many points', () => {
    const read = outlineFromDxf(
      drawn((dxf) => {
        closed(dxf, [0, 0], [400, 0], [400, 300], [0, 300]);
        dxf.addLWPolyline(
          Array.from({ length: 150_000 }, (_, n) => ({
            point: point2d(200 + 90 * Math.cos(n / 20_000), 150 + 90 * Math.sin(n / 20_000)),
          })),
          { flags: LWPolylineFlags.Closed },
        );
      }),
    );
    expect(box(read)).toEqual([expect.closeTo(0.4, 9), expect.closeTo(0.3, 9)]);
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

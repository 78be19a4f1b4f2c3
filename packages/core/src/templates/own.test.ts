import DxfParser from 'dxf-parser';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { arranged, m, part, puffin } from '../testing/arranged.ts';
import type { OwnSheet } from '../vehicle/index.ts';
import { readBuild } from '../vehicle/index.ts';
import {
  screwHole,
  templatesOf,
  toDxf,
  withKerf,
  type SheetPoint,
  type Mark,
  type Template,
} from './index.ts';

const named = (templates: readonly Template[], name: string): Template => {
  const found = templates.find((template) => template.name === name);
  if (!found) throw new Error(`no template ${name}`);
  return found;
};
const sheet = (others: Partial<OwnSheet>): OwnSheet => ({
  id: 'hub',
  name: 'Hub',
  form: 'disc',
  length: m(0.1),
  circles: [],
  ...others,
});
const drawn = (own: OwnSheet): Template =>
  named(templatesOf(arranged([], { sheets: [own] })), `own-${own.id}`);
const cuts = ({ marks }: Template) => marks.filter((mark) => mark.kind === 'circle').filter(({ cut }) => cut);
const entities = (template: Template) => {
  const read = new DxfParser().parseSync(toDxf(template));
  if (!read) throw new Error('the DXF does not read');
  return read.entities;
};
interface Circle {
  readonly type: string;
  readonly layer: string;
  readonly center: { readonly x: number; readonly y: number };
  readonly radius: number;
}

describe('a sheet of the builder’s own', () => {
  /* Two circles in one: 4 of M5 free on 60 mm, 6 of M6 tapped on 44 mm. Holes of ISO 273 and ISO 2306. */
  it('has two circles of holes in one, each hole where it should be to a hundredth, read back from DXF', () => {
    const own = sheet({
      bore: m(0.012),
      key: m(0.004),
      circles: [
        { id: 'wheel', circle: m(0.06), count: 4, turn: typed(0, '°'), thread: 'M5', fit: 'free' },
        {
          id: 'sprocket',
          circle: m(0.044),
          count: 6,
          turn: typed(Math.PI / 18, '°'),
          thread: 'M6',
          fit: 'tap',
        },
      ],
    });
    const holes = (entities(drawn(own)) as unknown as Circle[]).filter(
      ({ type, layer, radius }) => type === 'CIRCLE' && layer === 'CUT' && radius < 5.9,
    );
    const wanted = [
      ...[0, 1, 2, 3].map((n) => [30, n * 90, 5.5] as const),
      ...[0, 1, 2, 3, 4, 5].map((n) => [22, 10 + n * 60, 5] as const),
    ];
    expect(holes).toHaveLength(wanted.length);
    for (const [radius, degrees, across] of wanted) {
      const at = [radius * Math.cos((degrees * Math.PI) / 180), radius * Math.sin((degrees * Math.PI) / 180)];
      const here = holes.filter(
        ({ center }) => Math.hypot(center.x - (at[0] ?? 0), center.y - (at[1] ?? 0)) < 0.01,
      );
      expect(here.map((hole) => hole.radius * 2)).toEqual([across]);
    }
  });

  it('is a ring of magnets with the depth of their pockets said', () => {
    const ring = drawn(
      sheet({
        circles: [
          {
            id: 'magnets',
            circle: m(0.08),
            count: 16,
            turn: typed(0, '°'),
            diameter: m(0.006),
            depth: m(0.003),
          },
        ],
      }),
    );
    // Sixteen pockets and the disc: without a bore its middle is only marked.
    expect(cuts(ring)).toHaveLength(17);
    expect(ring.title).toMatch(/^Hub: 16 of 6\smm on 80\smm, 3\smm deep$/);
    expect(ring.marks.some((mark) => mark.kind === 'text' && /3\s?mm deep/.test(mark.text))).toBe(true);
  });

  it('has slots as long as what is bolted on moves, and as wide as its screw', () => {
    const plate = drawn(
      sheet({
        form: 'plate',
        width: m(0.08),
        travel: m(0.01),
        bore: m(0.02),
        circles: [
          {
            id: 'motor',
            circle: m(0.04),
            count: 4,
            turn: typed(Math.PI / 4, '°'),
            thread: 'M4',
            fit: 'close',
          },
        ],
      }),
    );
    const slots = plate.marks.filter((mark) => mark.kind === 'line' && mark.cut && mark.points.length > 20);
    const spans = slots.map((mark) => {
      const points: readonly SheetPoint[] = mark.kind === 'line' ? mark.points : [];
      const span = (axis: 0 | 1) =>
        Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]));
      return [span(0), span(1)].map((x) => Number(x.toFixed(3)));
    });
    expect(spans).toEqual([[30, 20], ...Array.from({ length: 4 }, () => [14.3, 4.3])]);
  });

  it.each([
    [{ form: 'plate' as const }, /a plate has a width/],
    [{ bore: m(0.1) }, /the bore is as wide as the sheet/],
    [{ key: m(0.004) }, /a key is narrower than the bore/],
    [
      { circles: [{ id: 'a', circle: m(0.05), count: 3, turn: typed(0, '°') }] },
      /for a screw, or has a diameter of its own/,
    ],
  ])('is refused where it cannot be: %j', (others, message) => {
    const read = readBuild(arranged([], { sheets: [sheet(others)] }));
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems.map((problem) => problem.message).join()).toMatch(message);
  });
});

it('a placed part gives a plate with every hole of each of its sides', () => {
  const box = part({
    id: 'box',
    at: [0.3, 0, 0.4],
    sides: [0.2, 0.1, 0.06],
    holes: [
      { id: 'a', side: 'left', right: m(0.05), up: m(-0.01), thread: 'M4', fit: 'tap' },
      { id: 'b', side: 'left', right: m(-0.05), up: m(0.01), diameter: m(0.012) },
      { id: 'c', side: 'top', right: m(0), up: m(0.08), thread: 'M3', fit: 'close', depth: m(0.01) },
    ],
  });
  const templates = templatesOf(arranged([box]));
  const left = cuts(named(templates, 'holes-box-left'));
  expect(left.map(({ at, diameter }) => [...at, diameter])).toEqual([
    [50, -10, 3.3],
    [-50, 10, 12],
  ]);
  const [outline] = named(templates, 'holes-box-top').marks;
  // From above its front is up: 100 mm wide, 200 mm high.
  expect(outline?.kind === 'line' && outline.points).toContainEqual([50, 100]);
});

describe('kerf', () => {
  const square = (half: number, cut = true): Mark => ({
    kind: 'line',
    closed: true,
    cut,
    points: [
      [-half, -half],
      [half, -half],
      [half, half],
      [-half, half],
    ],
  });
  const extent = (mark: Mark | undefined): number =>
    mark?.kind === 'line'
      ? Math.max(...mark.points.map(([x]) => x))
      : mark?.kind === 'circle'
        ? mark.diameter / 2
        : NaN;

  it('makes what is cut out larger by half of it, what falls out of it smaller, and leaves what is marked', () => {
    const template: Template = {
      name: 'a',
      title: 'A',
      marks: [
        square(50),
        { kind: 'circle', at: [20, 0], diameter: 10, cut: true },
        square(10),
        { kind: 'circle', at: [0, 0], diameter: 30, cut: false },
      ],
    };
    const { marks } = withKerf(template, 0.2);
    expect(marks.map(extent).map((x) => Number(x.toFixed(4)))).toEqual([50.1, 4.9, 9.9, 15]);
  });

  it('keeps the middle of every hole, and nothing at all is nothing', () => {
    const template = named(templatesOf(puffin), 'sprocket-1-driven');
    const holes = cuts(withKerf(template, 0.15));
    expect(holes.map(({ at }) => at)).toEqual(cuts(template).map(({ at }) => at));
    expect(withKerf(template, 0)).toBe(template);
  });

  it('grows a sprocket by an even strip: by its girth times half the kerf', () => {
    const template = named(templatesOf(puffin), 'sprocket-1-driven');
    const outlineIn = ({ marks }: Template): readonly SheetPoint[] => {
      const [first] = marks;
      return first?.kind === 'line' ? first.points : [];
    };
    const shape = (points: readonly SheetPoint[]) =>
      points.reduce(
        ({ area, girth }, [x, y], n) => {
          const [u, v] = points[(n + 1) % points.length] ?? [0, 0];
          return { area: area + (x * v - u * y) / 2, girth: girth + Math.hypot(u - x, v - y) };
        },
        { area: 0, girth: 0 },
      );
    const [before, after] = [shape(outlineIn(template)), shape(outlineIn(withKerf(template, 0.02)))];
    expect(Math.abs(after.area) - Math.abs(before.area)).toBeCloseTo(before.girth * 0.01, 1);
  });
});

it('a pilot hole is a third of the screw’s, and no thinner than a drill that lasts', () => {
  expect([screwHole('M3', 'pilot'), screwHole('M6', 'pilot'), screwHole('M12', 'pilot')]).toEqual([
    1.5, 2.1, 4.3,
  ]);
});

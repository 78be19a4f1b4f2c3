import { readFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';
import DxfParser from 'dxf-parser';
import { JSDOM } from 'jsdom';
import { describe, expect, it } from 'vitest';
import { CHAIN_NAMES, gearOutline } from '../transmission/index.ts';
import { readBuild, type Build } from '../vehicle/index.ts';
import {
  CHECK_MM,
  PAPERS,
  roomOf,
  screwHole,
  sprocketCircles,
  sprocketOutline,
  templatesOf,
  THREADS,
  toDxf,
  toPdf,
  toSvg,
  type SheetPoint,
  type Mark,
  type Template,
} from './index.ts';

const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} does not read`);
  return read.build;
};
const [puffin, whimbrel] = [demo('puffin'), demo('whimbrel')];
const templates = [...templatesOf(puffin), ...templatesOf(whimbrel)];
const named = (name: string): Template => {
  const found = templates.find((template) => template.name === name);
  if (!found) throw new Error(`no template ${name}`);
  return found;
};
const circles = ({ marks }: Template): Extract<Mark, { kind: 'circle' }>[] =>
  marks.filter((mark) => mark.kind === 'circle');
const radius = ([x, y]: SheetPoint): number => Math.hypot(x, y);

describe('a sprocket', () => {
  /* ISO 606: d = p/sin(180°/z), tip between d + p(1 − 1.6/z) − d1 and d + 1.25p − d1. 08B of 20 teeth: makers' tables give 81.18. */
  it('has the circles of the chain standard', () => {
    const { pitchDiameter, rootDiameter, tipDiameter } = sprocketCircles('iso-08B', 20);
    expect(pitchDiameter).toBeCloseTo(81.18, 2);
    expect(tipDiameter).toBeGreaterThan(81.184 + 12.7 * (1 - 1.6 / 20) - 8.51);
    expect(tipDiameter).toBeLessThan(81.184 + 1.25 * 12.7 - 8.51);
    expect(rootDiameter).toBeCloseTo(81.184 - 2 * 0.505 * 8.51, 2);
  });

  it.each(CHAIN_NAMES)(
    'for %s seats every roller, touches none elsewhere, and stays within its tips',
    (chain) => {
      for (const teeth of [9, 15, 40]) {
        const { pitchDiameter, rootDiameter, tipDiameter, rollerDiameter } = sprocketCircles(chain, teeth);
        const points = sprocketOutline(chain, teeth);
        expect(Math.min(...points.map(radius))).toBeCloseTo(rootDiameter / 2, 6);
        expect(Math.max(...points.map(radius))).toBeLessThanOrEqual(tipDiameter / 2 + 1e-6);
        for (let n = 0; n < teeth; n += 1) {
          const angle = (2 * Math.PI * n) / teeth;
          const at: SheetPoint = [
            (pitchDiameter / 2) * Math.cos(angle),
            (pitchDiameter / 2) * Math.sin(angle),
          ];
          const gaps = points.map(([x, y]) => Math.hypot(x - at[0], y - at[1]));
          // A roller lies in its seat with a hundredth of its radius of play, and cuts into nothing.
          expect(Math.min(...gaps)).toBeCloseTo(0.505 * rollerDiameter, 6);
        }
      }
    },
  );

  it('is the same tooth by tooth, and the same mirrored', () => {
    const points = sprocketOutline('iso-06B', 17);
    const one = points.length / 17;
    expect(Number.isInteger(one)).toBe(true);
    const step = (2 * Math.PI) / 17;
    points.slice(0, one).forEach(([x, y], n) => {
      const next = points[n + one] ?? [0, 0];
      expect(next[0]).toBeCloseTo(x * Math.cos(step) - y * Math.sin(step), 9);
      const mirrored = points[one - 1 - n] ?? [0, 0];
      expect(mirrored[0]).toBeCloseTo(x, 9);
      expect(mirrored[1]).toBeCloseTo(-y, 9);
    });
  });
});

describe('a spur gear', () => {
  /*
   * Over pins: a pin of diameter D between two teeth has its middle at R = m z cos α / (2 cos φ), inv φ = inv α + D/(m z cos α) − π/(2z).
   * Source: ISO 21771, dimension over balls; with D = 1.728 m as makers use.
   */
  it.each([18, 36])('of %i teeth is touched by its pins where the involute says', (teeth) => {
    const moduleMm = 2;
    const pin = 1.728 * moduleMm;
    const pressure = (20 * Math.PI) / 180;
    const involute = (angle: number): number => Math.tan(angle) - angle;
    const wanted = involute(pressure) + pin / (moduleMm * teeth * Math.cos(pressure)) - Math.PI / (2 * teeth);
    let [low, high] = [0, 1.2];
    for (let n = 0; n < 80; n += 1) {
      const angle = (low + high) / 2;
      if (involute(angle) < wanted) low = angle;
      else high = angle;
    }
    const out = (moduleMm * teeth * Math.cos(pressure)) / (2 * Math.cos(low));
    const gap = Math.PI / teeth;
    const at: SheetPoint = [out * Math.cos(gap), out * Math.sin(gap)];
    const points = gearOutline({ moduleMm, teeth, points: 200 });
    const near = Math.min(...points.map(([x, y]) => Math.hypot(x - at[0], y - at[1])));
    expect(near).toBeCloseTo(pin / 2, 2);
  });
});

describe('holes for screws', () => {
  it('grow from tap to loose, and the tap drill is the thread less its pitch', () => {
    // ISO 261, coarse pitches.
    const pitches = [0.4, 0.45, 0.5, 0.7, 0.8, 1, 1.25, 1.5, 1.75];
    THREADS.forEach((thread, n) => {
      const sizes = (['tap', 'close', 'free', 'loose'] as const).map((fit) => screwHole(thread, fit));
      expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
      const diameter = Number(thread.slice(1));
      // Drills come in steps of a tenth, or of a twentieth where they are thin.
      expect(Math.abs((sizes[0] ?? NaN) - (diameter - (pitches[n] ?? NaN)))).toBeLessThanOrEqual(0.0501);
      expect(sizes[1]).toBeGreaterThan(diameter);
    });
  });
});

describe('the templates of a build', () => {
  it('are those of its stages, motors and placed boxes, each by a name of its own', () => {
    const names = templatesOf(puffin).map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    expect(names).toEqual(
      expect.arrayContaining([
        'sprocket-1-driver',
        'sprocket-1-driven',
        'motor-plate-motor-24v-500w-9',
        'shaft-motor-24v-500w-9',
        'tray-battery-box',
      ]),
    );
    expect(templatesOf(whimbrel).map(({ name }) => name)).toContain('gear-1-driver-drive-2');
  });

  it('bore the wheel on the motor for its shaft, and leave a centre in the others', () => {
    expect(circles(named('sprocket-1-driver')).some(({ diameter, cut }) => cut && diameter === 12)).toBe(
      true,
    );
    expect(circles(named('sprocket-1-driven')).some(({ diameter, cut }) => cut && diameter === 3)).toBe(true);
  });

  it('of a tray hold its box with the gap that is asked for, screws outside of it', () => {
    const { marks } = named('tray-battery-box');
    const box = marks.find((mark) => mark.kind === 'line' && !mark.cut && mark.closed);
    expect(box && roomOf([box])).toEqual({ least: [-103, -113], most: [103, 113] });
    const holes = marks.filter((mark) => mark.kind === 'circle' && mark.cut);
    expect(holes).toHaveLength(4);
    for (const { at } of circles(named('tray-battery-box')))
      expect(Math.abs(at[0]) > 103 + 2 && Math.abs(at[1]) > 113 + 2).toBe(true);
  });
});

/** Circles as a reader of its own found them: about the same place, as large. */
function sameCircles(read: readonly (readonly [number, number, number])[], template: Template): void {
  const wanted = circles(template).map(({ at, diameter }) => [at[0], at[1], diameter / 2] as const);
  expect(read).toHaveLength(wanted.length);
  for (const [x, y, r] of wanted)
    expect(read.some((one) => Math.hypot(one[0] - x, one[1] - y) < 0.01 && Math.abs(one[2] - r) < 0.01)).toBe(
      true,
    );
}

describe('read back by another reader', () => {
  it.each(templates.map((template) => [template.name, template] as const))(
    '%s as DXF has every hole and line',
    (_, template) => {
      const read = new DxfParser().parseSync(toDxf(template));
      const entities = (read?.entities ?? []) as unknown as {
        type: string;
        center?: { x: number; y: number };
        radius?: number;
        vertices?: { x: number; y: number }[];
        shape?: boolean;
        layer: string;
      }[];
      sameCircles(
        entities.flatMap(({ type, center, radius: r = NaN }) =>
          type === 'CIRCLE' && center ? [[center.x, center.y, r] as const] : [],
        ),
        template,
      );
      const lines = template.marks.filter((mark) => mark.kind === 'line');
      const read_ = entities.filter(({ type }) => type === 'LWPOLYLINE');
      expect(read_.map(({ vertices = [] }) => vertices.length)).toEqual(
        lines.map(({ points }) => points.length),
      );
      lines.forEach(({ points, closed, cut }, n) => {
        expect(Boolean(read_[n]?.shape)).toBe(closed);
        expect(read_[n]?.layer).toBe(cut ? 'CUT' : 'MARK');
        points.forEach(([x, y], at) => {
          const vertex = read_[n]?.vertices?.[at];
          expect(Math.hypot((vertex?.x ?? NaN) - x, (vertex?.y ?? NaN) - y)).toBeLessThan(0.01);
        });
      });
      // Millimetres, by the code of the format.
      expect((read?.header as { $INSUNITS?: number } | undefined)?.$INSUNITS).toBe(4);
    },
  );

  it.each(templates.map((template) => [template.name, template] as const))(
    '%s as SVG is in true size',
    (_, template) => {
      const { document } = new JSDOM(toSvg(template), { contentType: 'image/svg+xml' }).window;
      const svg = document.documentElement;
      const [, , width = NaN, height = NaN] = (svg.getAttribute('viewBox') ?? '').split(' ').map(Number);
      // A unit of the drawing is a millimetre of the sheet.
      expect(svg.getAttribute('width')).toBe(`${width}mm`);
      expect(svg.getAttribute('height')).toBe(`${height}mm`);
      const { least, most } = roomOf(template.marks);
      const value = (of: Element, key: string): number => Number(of.getAttribute(key));
      sameCircles(
        [...document.querySelectorAll('circle')].map((circle) => [
          value(circle, 'cx') - 5 + least[0],
          most[1] + 5 - value(circle, 'cy'),
          value(circle, 'r'),
        ]),
        template,
      );
      expect(document.querySelectorAll('path')).toHaveLength(
        template.marks.filter(({ kind }) => kind === 'line').length,
      );
      expect(document.querySelector('title')?.textContent).toBe(template.title);
    },
  );
});

/** The page boxes and the drawing of a PDF, read by its own words: no reader of the library that wrote it. */
function pagesOf(pdf: Uint8Array): { readonly boxes: number[][]; readonly drawing: string } {
  const raw = Buffer.from(pdf).toString('latin1');
  const boxes = [...raw.matchAll(/\/MediaBox\s*\[([^\]]*)\]/g)].map(([, box = '']) =>
    box.trim().split(/\s+/).map(Number),
  );
  const streams = [...raw.matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)].flatMap(([, stream = '']) => {
    try {
      return [inflateSync(Buffer.from(stream, 'latin1')).toString('latin1')];
    } catch {
      return [];
    }
  });
  return { boxes, drawing: streams.join('\n') };
}

describe('a sheet of paper', () => {
  const POINT = 25.4 / 72;
  it.each(['A4', 'Letter'] as const)(
    'of %s is as large as it, and its check lines are 100 mm',
    async (paper) => {
      const { boxes, drawing } = pagesOf(await toPdf(named('shaft-motor-24v-500w-9'), paper));
      expect(boxes).toHaveLength(1);
      const [, , width = NaN, height = NaN] = boxes[0] ?? [];
      expect(width * POINT).toBeCloseTo(PAPERS[paper][0], 2);
      expect(height * POINT).toBeCloseTo(PAPERS[paper][1], 2);
      const lines = [...drawing.matchAll(/([\d.-]+) ([\d.-]+) m\s+([\d.-]+) ([\d.-]+) l/g)].map((found) =>
        found.slice(1).map((text) => Number(text) * POINT),
      );
      const along = lines.filter(
        ([x = 0, y = 0, toX = 0, toY = 0]) => Math.abs(toX - x - CHECK_MM) < 0.01 && Math.abs(toY - y) < 0.01,
      );
      const up = lines.filter(
        ([x = 0, y = 0, toX = 0, toY = 0]) => Math.abs(toY - y - CHECK_MM) < 0.01 && Math.abs(toX - x) < 0.01,
      );
      expect(along.length).toBeGreaterThanOrEqual(1);
      expect(up.length).toBeGreaterThanOrEqual(1);
    },
  );

  it('too small for a template is followed by others, which overlap', async () => {
    const tray = named('tray-battery-box');
    const { least, most } = roomOf(tray.marks);
    const sheets =
      Math.ceil((most[0] - least[0] - 10) / (210 - 30)) * Math.ceil((most[1] - least[1] - 10) / (297 - 30));
    expect(sheets).toBeGreaterThan(1);
    expect(pagesOf(await toPdf(tray)).boxes).toHaveLength(sheets);
  });
});

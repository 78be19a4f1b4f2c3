import { readFileSync } from 'node:fs';
import { evaluate } from '@zubric/core/judge';
import { buildSchema, type Build, driveOf, changeDrive } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { PATH_KINDS, freshStage, pathTitle, type StageKind } from '@zubric/core/transmission';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { kept, onBench, text } from '../../testing/on-bench.tsx';
import { Drivetrain } from './Drivetrain.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const show = (document: Build): void => onBench(<Drivetrain />, document);
const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
const put = (label: string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};
const withStages = (...kinds: [StageKind, number][]): Build =>
  changeDrive(puffin, {
    stages: kinds.map(([kind, ratio], at) => freshStage(kind, `stage-${at + 1}`, ratio)),
    path: [],
  });

beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

describe('the ratio windows', () => {
  const chart = () => screen.getByRole('group', { name: 'Ratio windows' });
  const bands = () =>
    [...chart().querySelectorAll('rect[fill="var(--color-mech-lo)"]')]
      .filter((band) => Number(band.getAttribute('height')) > 12)
      .map((band) => {
        const x = Number(band.getAttribute('x'));
        return { x, end: x + Number(band.getAttribute('width')) };
      });

  it('are drawn where the report says, on one logarithmic scale', () => {
    show(puffin);
    const report = evaluate(puffin);
    const spans = report.duties.flatMap(({ ratioWindow }) => (ratioWindow?.just ? [ratioWindow.just] : []));
    const drawn = bands();
    expect(drawn).toHaveLength(spans.length);
    // Equal factors are equal ways: the scale found from one window holds for the others.
    const scales = spans.flatMap(({ low, high }, at) => {
      const band = drawn[at];
      // A window that goes beyond the drawing is cut there.
      return band && band.x > 180 && band.end < 1055 ? [(band.end - band.x) / Math.log(high / low)] : [];
    });
    expect(scales.length).toBeGreaterThan(1);
    for (const scale of scales) expect(scale).toBeCloseTo(scales[0] ?? NaN, 3);
  });

  it('are drawn as narrow as the page is, with what stands on the axis apart', () => {
    const widthOn = (page: (query: string) => boolean): number => {
      vi.stubGlobal('matchMedia', (query: string) => ({
        matches: page(query),
        addEventListener() {},
        removeEventListener() {},
      }));
      show(puffin);
      const numbers = [...chart().querySelectorAll('g > text[text-anchor="middle"]')]
        .filter(({ textContent }) => / : 1$/.test(textContent))
        .map(({ parentElement }) =>
          Number(/\(([\d.]+)/.exec(parentElement?.getAttribute('transform') ?? '')?.[1]),
        );
      const ways = numbers.slice(1).map((at, n) => at - (numbers[n] ?? NaN));
      expect(ways.every((way) => way >= 48)).toBe(true);
      const [, , width = 0] = (chart().getAttribute('viewBox') ?? '').split(' ').map(Number);
      expect(Math.max(...bands().map(({ end }) => end))).toBeLessThanOrEqual(width);
      cleanup();
      return width;
    };
    const desk = widthOn(() => false);
    const tablet = widthOn((query) => query.includes('1023px'));
    const phone = widthOn(() => true);
    expect(phone).toBeLessThan(tablet);
    expect(tablet).toBeLessThan(desk);
  });

  it('hold the window of the rule inside the one that just does', () => {
    show({ ...puffin, marginPolicy: { ...puffin.marginPolicy, torque: 1.2 } });
    const inner = [...chart().querySelectorAll('rect[fill="var(--color-mech-mid)"]')].filter(
      (band) => Number(band.getAttribute('height')) > 12,
    );
    expect(inner.length).toBeGreaterThan(0);
    for (const band of inner) {
      const x = Number(band.getAttribute('x'));
      const outer = bands().find(
        (b) => b.x <= x + 1e-9 && b.end >= x + Number(band.getAttribute('width')) - 1e-9,
      );
      expect(outer).toBeDefined();
    }
  });

  it('say that no ratio does a job, and how near the best comes', () => {
    const [hard, ...others] = puffin.duties;
    if (!hard) throw new Error('puffin has jobs');
    show({ ...puffin, duties: [{ ...hard, speed: typed(6, 'm/s') }, ...others] });
    const [report] = evaluate(kept()).duties;
    expect(report?.ratioWindow?.just).toBeNull();
    expect(within(chart()).getByText(/^none: at best 0\.\d+ ×, at [\d.]+ : 1$/)).toBeTruthy();
  });

  it('shorten a long name, and keep the whole of it to be read', () => {
    const name = 'Up the slip with all of the ice and both of the boxes';
    const [hard] = puffin.duties;
    if (!hard) throw new Error('puffin has jobs');
    show({ ...puffin, duties: [{ ...hard, name }] });
    const label = within(chart()).getByText(
      (_, node) => node?.tagName === 'text' && !!node.textContent?.startsWith('Up the slip with all of'),
    );
    expect(label.firstChild?.textContent).toHaveLength(38);
    expect(label.querySelector('title')?.textContent).toBe(name);
  });
});

describe('shafts and hubs', () => {
  const table = () => within(screen.getByRole('table', { name: 'Shafts and hubs from motor to ground' }));

  it.each(PATH_KINDS)('takes a part of the kind %s behind the last stage, with sizes to fill in', (kind) => {
    show(withStages(['chain', 3]));
    press('Shafts and hubs');
    put('Kind of part', kind);
    press('Add this part');
    const [added] = driveOf(kept()).path;
    expect(added).toMatchObject({ kind, after: 'stage-1', name: pathTitle(kind) });
    // Everything but its kind is a size that can be changed on the row.
    const [, row] = table().getAllByRole('row');
    expect(row && within(row).getAllByRole('textbox').length).toBeGreaterThan(1);
    put(`${pathTitle(kind)}: where it sits`, '');
    expect(driveOf(kept()).path[0]?.after).toBeNull();
  });

  it('bore the next part like the one before it', () => {
    show(changeDrive(puffin, { path: driveOf(puffin).path.slice(0, 3) }));
    const before = driveOf(kept()).path.at(-1);
    press('Shafts and hubs');
    put('Kind of part', 'clamp');
    press('Add this part');
    const added = driveOf(kept()).path.at(-1);
    if (added?.kind !== 'clamp' || !before) throw new Error('a clamp was added');
    const bore = 'bore' in before ? before.bore.value : 'diameter' in before ? before.diameter.value : NaN;
    expect([bore, 0.012].some((b) => Math.abs(added.bore.value - b) < 0.02)).toBe(true);
    expect(new Set(driveOf(kept()).path.map(({ id }) => id)).size).toBe(4);
  });

  it('keep bore, name and place of a hub that is held another way', () => {
    show(puffin);
    press('Shafts and hubs');
    const [was] = driveOf(puffin).path;
    put('Driver sprocket, held as', 'press-fit');
    const [now] = driveOf(kept()).path;
    if (!was || !('bore' in was) || now?.kind !== 'press-fit') throw new Error('it is pressed on now');
    expect(now).toMatchObject({ id: was.id, name: was.name, after: was.after, bore: was.bore });
    put('Driver sprocket, held as', 'set-screws');
    expect(driveOf(kept()).path[0]).toMatchObject({ kind: 'set-screws', bore: was.bore });
  });

  it('take no more than forty, and say nothing is asked where there is no motor', () => {
    const one = driveOf(puffin).path[0];
    if (!one) throw new Error('puffin has a path');
    const path = Array.from({ length: 40 }, (_, n) => ({ ...one, id: `p${n}`, name: `Part ${n}` }));
    const parts = puffin.parts.filter(({ kind }) => kind !== 'motor');
    show({ ...puffin, parts, drives: changeDrive(puffin, { path }).drives });
    press('Shafts and hubs');
    expect(screen.getByRole('button', { name: 'Add this part' }).hasAttribute('disabled')).toBe(true);
    expect(table().getAllByText('nothing asked yet')).toHaveLength(40);
  });

  it('do not move past the ends of their shaft', () => {
    show(puffin);
    press('Shafts and hubs');
    for (const place of new Set(driveOf(puffin).path.map(({ after }) => after))) {
      const there = driveOf(puffin).path.filter(({ after }) => after === place);
      const off = (name: string): boolean => screen.getByRole('button', { name }).hasAttribute('disabled');
      expect(off(`Move ${there[0]?.name} towards the motor`)).toBe(true);
      expect(off(`Move ${there.at(-1)?.name} towards the wheel`)).toBe(true);
    }
  });
});

describe('fields of a stage', () => {
  it('a belt of another pitch pulls what is usual there, until its maker’s figure is typed', () => {
    show(withStages(['timing-belt', 3]));
    const belt = () => {
      const [stage] = driveOf(kept()).stages;
      if (stage?.kind !== 'timing-belt') throw new Error('it is a toothed belt');
      return stage;
    };
    put('Pull for its width', '12 N/mm');
    expect(belt().pullPerWidth).toMatchObject({ value: 12_000, origin: 'typed' });
    put('Pitch', '3 mm');
    expect(belt().pullPerWidth.origin).toBe('assumed');
    // A finer pitch pulls less for its width.
    expect(belt().pullPerWidth.value).toBeLessThan(12_000);
    put('Width', '9 mm');
    expect(belt().width.value).toBeCloseTo(0.009, 12);
    expect(belt().pullPerWidth.origin).toBe('assumed');
  });

  it('a V-belt has its section; a flat one is asked for none', () => {
    show(withStages(['friction-belt', 2]));
    put('Section', 'B');
    expect(driveOf(kept()).stages[0]).toMatchObject({ section: 'B' });
    put('Section', 'unsaid');
    expect(driveOf(kept()).stages[0]).not.toHaveProperty('section', 'B');
    put('Groove angle', '180°');
    expect(screen.queryByLabelText('Section')).toBeNull();
  });

  it('refuses a lead angle that is no angle of a thread, and says why', () => {
    show(withStages(['worm', 20]));
    const before = driveOf(kept()).stages[0];
    put('Lead angle', '90°');
    expect(text()).toContain('This must be more than 0° and less than 90°.');
    expect(driveOf(kept()).stages[0]).toEqual(before);
  });
});

describe('moved by hand', () => {
  const panel = (): void => press('Mount, play, by hand');

  it('says that a worm locks, and that it still does when what is behind it lets go', () => {
    show(withStages(['worm', 40], ['chain', 1.2]));
    put('Friction in the worm', '0.15');
    panel();
    expect(text()).toContain('With the drive in it cannot be pushed: a stage locks.');
    put('Disengages by', 'dog');
    put('At', 'stage-2');
    // Behind the chain the worm is left out of it.
    expect(text()).toMatch(/Disengaged, [\d.]+ N; then the drive holds nothing\./);
    put('At', '');
    expect(text()).toContain('Disengaged there it still locks');
  });

  it('adds up play, most of it from near the wheel, in degrees and along the ground', () => {
    show(withStages(['spur', 4], ['chain', 2]));
    panel();
    const atWheel = (): number => Number(/([\d.]+)° at the wheel/.exec(text())?.[1]);
    put('1, spur gears', '2°');
    put('2, chain', '1°');
    const before = atWheel();
    put('2, chain', '3°');
    expect(atWheel()).toBeCloseTo(before + 2, 2);
    // What the first stage gives comes divided by the ratio behind it.
    put('1, spur gears', '4°');
    expect(atWheel()).toBeCloseTo(before + 2 + 2 / 2, 2);
    put('2, chain', '-1°');
    expect(driveOf(kept()).stages[1]?.play?.value).toBeCloseTo((3 * Math.PI) / 180, 9);
  });

  it('asks room and lever of the mount in the builder’s units, and takes room away again', () => {
    show(puffin);
    panel();
    put('Axle to frame', '4 in');
    expect(driveOf(kept()).room?.value).toBeCloseTo(0.1016, 9);
    put('Axle to frame', '');
    expect(driveOf(kept()).room).toBeUndefined();
    put('From mount to loop', '1 1/2"');
    expect(driveOf(kept()).mount.lever.value).toBeCloseTo(0.0381, 9);
  });
});

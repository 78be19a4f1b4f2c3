import { CALCULATORS, calculate, findCalculator, type CalculatorName } from '@zubric/core/calculators';
import { describe, expect, it } from 'vitest';
import { extentOf, fitTo, roundLength, type At, type Shape } from '../../drawings/shapes.ts';
import { DRAWN_SUMS, sketchOf } from './index.ts';

function sketch(name: CalculatorName, input: Readonly<Record<string, unknown>>) {
  const given = findCalculator(name)?.input.parse(input) as Record<string, unknown>;
  const found = calculate(name, input) as Record<string, unknown>;
  const drawn = sketchOf(name, { given, found, say: (key) => String(found[key] ?? given[key]) });
  if (!drawn) throw new Error(`${name} is not drawn`);
  return { ...drawn, found };
}

const lines = (shapes: readonly Shape[]): (readonly At[])[] =>
  shapes.flatMap((shape) => (shape.kind === 'line' ? [shape.points] : []));

/** Length of a closed way through points. */
const round = (points: readonly At[]): number =>
  points.reduce((sum, p, n) => {
    const next = points[(n + 1) % points.length] ?? p;
    return sum + Math.hypot(next.x - p.x, next.y - p.y);
  }, 0);

describe('drawings of sums', () => {
  it.each(
    CALCULATORS.filter(({ name }) => DRAWN_SUMS.includes(name)).flatMap((c) =>
      c.examples.map((e) => [c.name, e.origin, e.input] as const),
    ),
  )('%s is drawn of numbers alone: %s', (name, _, input) => {
    const { left, right, bottom, top } = extentOf(sketch(name, input).shapes);
    for (const end of [left, right, bottom, top]) expect(Number.isFinite(end)).toBe(true);
    expect(right - left).toBeGreaterThan(0);
    expect(top - bottom).toBeGreaterThan(0);
  });

  it('draw a chain as long as its links, and a belt as long as it is', () => {
    const chain = sketch('chain-drive', { pitchMm: 12.7, teethSmall: 17, teethLarge: 34, centreMm: 400 });
    const loop = Math.max(...lines(chain.shapes).map(round));
    // Links lie as chords on the sprocket, the drawn line on the pitch circle: apart by less than a link.
    expect(Math.abs(loop - Number(chain.found.links) * 12.7)).toBeLessThan(12.7);
    const belt = sketch('timing-belt', { pitchMm: 5, teethSmall: 20, teethLarge: 60, beltTeeth: 120 });
    expect(Math.max(...lines(belt.shapes).map(round))).toBeCloseTo(600, 0);
  });

  it('draw the tipping vehicle with its weight over the tipping edge', () => {
    const { shapes } = sketch('side-tip', {
      layout: 'four',
      trackM: 1,
      cgHeightM: 0.6,
      wheelbaseM: 1.2,
      cgAheadOfRearAxleM: 0.5,
    });
    const weight = shapes.find((shape) => shape.kind === 'arrow');
    if (weight?.kind !== 'arrow') throw new Error('no weight is drawn');
    // The tipping edge is the origin of the drawing: straight below the centre of gravity.
    expect(weight.from.x).toBeCloseTo(0, 12);
    expect(weight.to.x).toBeCloseTo(0, 12);
    expect(weight.to.y).toBeLessThan(weight.from.y);
  });

  it('draw axle loads in proportion, and one that lifts upward', () => {
    const ends = (input: object) =>
      sketch('axle-loads', { massKg: 100, wheelbaseM: 1, cgAheadOfRearAxleM: 0.25, cgHeightM: 0.5, ...input })
        .shapes.filter((s) => s.kind === 'arrow')
        .map(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y));
    const [rear = 0, front = 0] = ends({});
    expect(rear / front).toBeCloseTo(3, 9);
    const lifted = sketch('axle-loads', {
      massKg: 100,
      wheelbaseM: 1,
      cgAheadOfRearAxleM: 0.25,
      cgHeightM: 0.5,
      gradeDeg: 40,
    });
    const arrows = lifted.shapes.filter((s) => s.kind === 'arrow');
    expect(arrows[1]).toMatchObject({ tone: 'short' });
  });

  it('turn all wheels of a steered vehicle square to one centre', () => {
    const { shapes } = sketch('ackermann', { wheelbaseM: 1, trackM: 0.8, turnRadiusM: 3 });
    const [inner, outer] = lines(shapes).slice(2, 4);
    for (const corners of [inner, outer]) {
      if (!corners) throw new Error('a front wheel is missing');
      const [a, , , d] = corners as [At, At, At, At];
      const middle = {
        x: corners.reduce((s, p) => s + p.x, 0) / 4,
        y: corners.reduce((s, p) => s + p.y, 0) / 4,
      };
      const along = { x: d.x - a.x, y: d.y - a.y };
      const toCentre = { x: -3 - middle.x, y: -middle.y };
      expect(Math.abs(along.x * toCentre.x + along.y * toCentre.y)).toBeLessThan(1e-9);
    }
  });
});

describe('the page of a drawing', () => {
  it('has one scale both ways and the drawing in the middle', () => {
    const page = { width: 400, height: 200, margin: { x: 20, y: 10 } };
    const fit = fitTo({ left: -1, right: 3, bottom: 0, top: 1 }, page);
    expect(fit.scale).toBeCloseTo(90, 12);
    expect([fit.x(1), fit.y(0.5)]).toEqual([200, 100]);
    expect(fit.y(1)).toBeLessThan(fit.y(0));
    expect(fitTo(extentOf([]), page).scale).toBeGreaterThan(0);
  });

  it.each([
    [0.3, 0.2],
    [999, 500],
    [1, 1],
    [0.0149, 0.01],
  ])('has a scale bar of a round length under %d: %d', (most, length) => {
    expect(roundLength(most)).toBeCloseTo(length, 12);
  });
});

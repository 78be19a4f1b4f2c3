import type { TrialPlot } from '@zubric/core/protocols';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { UnitsProvider, useUnits } from '../../common/units.tsx';
import { Plot } from './Plots.tsx';

/** The plot, and a switch of its units. */
function Shown({ plot }: { readonly plot: TrialPlot }) {
  const { choose } = useUnits();
  return (
    <>
      <button type="button" onClick={() => choose('imperial')}>
        feet and pounds
      </button>
      <Plot plot={plot} />
    </>
  );
}
const show = (plot: TrialPlot): SVGSVGElement => {
  render(
    <UnitsProvider>
      <Shown plot={plot} />
    </UnitsProvider>,
  );
  return screen.getByRole('img') as unknown as SVGSVGElement;
};
const label = (): string =>
  (screen.getByRole('img').getAttribute('aria-label') ?? '').replaceAll('\u00a0', ' ');
const words = (): string => (document.body.textContent ?? '').replaceAll('\u00a0', ' ');
const numbers = (element: Element, name: string): number => Number(element.getAttribute(name));

describe('runs along one axis', () => {
  const runs: TrialPlot = {
    kind: 'runs',
    axis: { title: 'Ended to the side', dimension: 'length', sides: ['left', 'right'] },
    ...{ values: [0.1, -0.05, 0.2], meant: 0, mean: 0.083, low: -0.2, high: 0.37, outliers: [2] },
  };

  it('stand one below the other, those to the right on the right, one out of line hollow', () => {
    const circles = [...show(runs).querySelectorAll('circle')];
    const [first, second, third] = circles;
    if (!first || !second || !third) throw new Error('three runs are drawn');
    expect(numbers(second, 'cx')).toBeLessThan(numbers(first, 'cx'));
    expect(numbers(first, 'cx')).toBeLessThan(numbers(third, 'cx'));
    expect(numbers(second, 'cy') - numbers(first, 'cy')).toBeCloseTo(16, 9);
    expect([first, third].map((circle) => circle.getAttribute('fill'))).toEqual([
      'var(--color-mech)',
      'none',
    ]);
    // Equally far from what was meant they lie equally far from its line, which is the middle.
    const scale = (numbers(third, 'cx') - numbers(first, 'cx')) / 0.1;
    expect(numbers(first, 'cx') - 210).toBeCloseTo(0.1 * scale, 6);
  });

  it('are read out with their side, and in other units where those are chosen', () => {
    show(runs);
    expect(label()).toBe('Ended to the side, run by run: 100 mm right, 50 mm left, 200 mm right');
    expect(words()).toContain('← left');
    expect(words()).toContain('the mean and its 95 % interval');
    fireEvent.click(screen.getByRole('button', { name: 'feet and pounds' }));
    expect(label()).toContain('3.94 in right');
  });

  it('without a mean say nothing of one, and stand closer where they are many', () => {
    const many: TrialPlot = {
      kind: 'runs',
      axis: { title: 'Time', dimension: 'time' },
      ...{ values: Array.from({ length: 40 }, (_, n) => 5 + n / 100), outliers: [] },
    };
    const circles = [...show(many).querySelectorAll('circle')];
    expect(circles).toHaveLength(40);
    expect(numbers(circles[1] as Element, 'cy') - numbers(circles[0] as Element, 'cy')).toBeCloseTo(8, 9);
    expect(words()).toContain('First run on top.');
    expect(words()).not.toContain('interval');
  });
});

describe('runs on the floor', () => {
  const floor = (about: 'line' | 'end'): TrialPlot => ({
    ...{ kind: 'floor', meantAhead: 3, withinM: 0.1, about },
    ends: [
      { side: 0.05, ahead: 3.1 },
      { side: -0.2, ahead: 2.9 },
    ],
  });
  const places = (svg: SVGSVGElement): number[][] =>
    [...svg.querySelectorAll('g[transform]')].map((g) =>
      (g.getAttribute('transform')?.match(/-?[\d.]+/g) ?? []).map(Number),
    );

  it('lie to their side of the line, further ahead higher up; the band is as wide as a hit', () => {
    const svg = show(floor('line'));
    const [[x1 = 0, y1 = 0] = [], [x2 = 0, y2 = 0] = []] = places(svg);
    expect([x1 > 210, x2 < 210, y1 < y2]).toEqual([true, true, true]);
    const band = svg.querySelector('rect');
    if (!band) throw new Error('a band is drawn');
    // A run 50 mm aside lies half way from the line to the edge of a band of 100 mm to each side.
    expect((x1 - 210) / (numbers(band, 'width') / 2)).toBeCloseTo(0.5, 6);
    expect(words()).toContain('mark at 3 m');
    expect(label()).toContain('Where 2 runs ended on the floor, the mark at 3 m');
  });

  it('about a place count within an oval, round on the floor', () => {
    const svg = show(floor('end'));
    const oval = svg.querySelector('ellipse');
    const [[x1 = 0, y1 = 0] = [], [x2 = 0, y2 = 0] = []] = places(svg);
    if (!oval) throw new Error('an oval is drawn');
    expect(numbers(oval, 'rx') / (x1 - x2)).toBeCloseTo(0.1 / 0.25, 6);
    expect(numbers(oval, 'ry') / (y2 - y1)).toBeCloseTo(0.1 / 0.2, 6);
    expect(words()).toContain('in the oval, which is round on the floor');
    expect(svg.querySelector('rect')).toBeNull();
  });
});

describe('curves over what was changed', () => {
  const curve: TrialPlot = {
    kind: 'curve',
    x: { title: 'Command', dimension: 'share' },
    y: { title: 'Speed', dimension: 'speed' },
    series: [
      {
        ...{ title: 'left', joined: true },
        points: [
          [1, 2],
          [0.5, 0.8],
          [0.5, 1.2],
        ],
      },
      { title: 'right', joined: false, points: [[0.5, 0.9]] },
    ],
  };
  const drawn = (path: Element | undefined): number[][] =>
    (path?.getAttribute('d') ?? '')
      .slice(1)
      .split('L')
      .map((pair) => pair.split(' ').map(Number));

  it('go through the mean at each place, in order; what is not joined is points alone', () => {
    const svg = show(curve);
    const [line, ...others] = [...svg.querySelectorAll('path[fill="none"][stroke-width="2"]')];
    expect(others).toEqual([]);
    const dots = [...svg.querySelectorAll('path[stroke-width="8"]')].map((dot) => {
      const [x = 0, y = 0] = (dot.getAttribute('d')?.match(/-?[\d.]+/g) ?? []).map(Number);
      return { x, y };
    });
    expect(dots).toHaveLength(4);
    const [[fromX = 0, fromY = 0] = [], [toX = 0, toY = 0] = []] = drawn(line);
    const [top, low, high] = dots;
    if (!top || !low || !high) throw new Error('its points are drawn');
    expect([fromX, toX]).toEqual([low.x, top.x]);
    expect(fromY).toBeCloseTo((low.y + high.y) / 2, 6);
    expect(toY).toBeCloseTo(top.y, 6);
    expect(top.y).toBeLessThan(low.y);
  });

  it('are named where there are several, each with its own kind of line', () => {
    show(curve);
    expect(label()).toBe('Speed over command: left, right');
    const dashes = [...document.querySelectorAll('figcaption path')].map((p) =>
      p.getAttribute('stroke-dasharray'),
    );
    expect(new Set(dashes).size).toBe(2);
    expect(words()).toContain('Speed, m/s');
    expect(words()).toContain('Command, %');
  });
});

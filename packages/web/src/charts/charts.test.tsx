import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { onPage } from '../testing/on-page.tsx';
import { CurveFigure, SheetEmpty, drawnLine, type Placing } from './CurveFigure.tsx';
import { chartUnit } from './in-units.ts';

const drawn = (): SVGSVGElement => screen.getByRole('img', { name: 'Force against speed' }) as never;
/** Where a point lies on the sheet whose left and right edge stand this far apart. */
const across = (clientX: number): void => {
  vi.spyOn(drawn(), 'getBoundingClientRect').mockReturnValue(new DOMRect(0, 0, 500, 330));
  fireEvent.pointerMove(drawn(), { clientX, clientY: 100 });
};
const show = (onPoint: (si: number) => void, units: 'metric' | 'imperial' = 'metric', most = 2): void => {
  localStorage.setItem('zubric-units', units);
  onPage(
    <CurveFigure
      x={{ most, dimension: 'speed', title: 'Speed' }}
      y={{ most: 400, dimension: 'force', title: 'Force' }}
      label="Force against speed"
      values="It pulls 400 N at rest."
      onPoint={onPoint}
    >
      {(placing: Placing) => (
        <path
          data-testid="curve"
          d={drawnLine(placing, [
            [0, 400],
            [most, 0],
          ])}
        />
      )}
    </CurveFigure>,
    '/',
  );
};

describe('a chart', () => {
  it('says of both axes what they show, and in which unit', () => {
    show(() => undefined);
    expect(drawn().textContent).toMatch(/Speed, m\/s/);
    expect(drawn().textContent).toMatch(/Force, N/);
    expect(drawn().querySelector('desc')?.textContent).toBe('It pulls 400 N at rest.');
  });

  it('reads off where a pointer is, in SI, and never beyond its ends', () => {
    const pointed = vi.fn();
    show(pointed);
    across(52);
    expect(pointed).toHaveBeenLastCalledWith(0);
    across(500 - 16);
    expect(pointed.mock.lastCall?.[0]).toBeCloseTo(2, 9);
    across((52 + 500 - 16) / 2);
    expect(pointed.mock.lastCall?.[0]).toBeCloseTo(1, 9);
    across(-100);
    expect(pointed).toHaveBeenLastCalledWith(0);
    across(900);
    expect(pointed.mock.lastCall?.[0]).toBeCloseTo(2, 9);
  });

  it('is read in the builder’s units, and reads off SI all the same', () => {
    const pointed = vi.fn();
    show(pointed, 'imperial');
    expect(drawn().textContent).toMatch(/Speed, (mph|ft\/s)/);
    expect(drawn().textContent).toMatch(/Force, lbf/);
    across((52 + 500 - 16) / 2);
    expect(pointed.mock.lastCall?.[0]).toBeCloseTo(1, 9);
  });

  it('draws from the left edge to the right, the greatest above, whatever the units', () => {
    show(() => undefined);
    const numbers = (screen.getByTestId('curve').getAttribute('d') ?? '').match(/[\d.]+/g)?.map(Number) ?? [];
    const [x0 = NaN, y0 = NaN, x1 = NaN, y1 = NaN] = numbers;
    expect([x0, x1]).toEqual([52, 484]);
    expect(y0).toBeCloseTo(28, 6);
    expect(y1).toBeCloseTo(330 - 46, 6);
  });

  it('turns to the unit that suits its greatest value', () => {
    expect(chartUnit(0.02, 'length', 'metric').symbol).toBe('mm');
    expect(chartUnit(3, 'length', 'metric').symbol).toBe('m');
    expect(chartUnit(400, 'force', 'imperial').convert(4.4482216152605)).toBeCloseTo(1, 9);
    // A chart has one unit: where each number keeps its own, it is metric.
    expect(chartUnit(0.02, 'length', 'as-typed').symbol).toBe('mm');
  });

  it('says in its middle that there is nothing to draw yet', () => {
    const placing = { x: Number, y: Number, left: 50, right: 450, top: 20, bottom: 220 };
    onPage(
      <svg>
        <SheetEmpty placing={placing}>Choose a motor first</SheetEmpty>
      </svg>,
      '/',
    );
    const said = screen.getByText('Choose a motor first');
    expect([said.getAttribute('x'), said.getAttribute('y')]).toEqual(['250', '120']);
  });
});

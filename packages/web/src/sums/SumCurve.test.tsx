import { findCalculator } from '@zubric/core/calculators';
import { newBuild } from '@zubric/core/vehicle';
import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { onBench } from '../testing/on-bench.tsx';
import { SumCurve } from './SumCurve.tsx';
import { inputFields, work, type Entries } from './sum-form.ts';

type Known = NonNullable<ReturnType<typeof findCalculator>>;

/** The curve of a sum, its entries typed by it. */
function curved(name: string, first: Readonly<Record<string, string>>): () => Entries {
  const calculator = findCalculator(name);
  if (!calculator) throw new Error(`no sum ${name}`);
  let now = first as Entries;
  function Curved() {
    const [entries, setEntries] = useState(now);
    now = entries;
    const { output } = work(calculator as Known, inputFields(calculator as Known), entries);
    return (
      <SumCurve
        calculator={calculator as Known}
        entries={entries}
        found={output}
        onChange={(key, value) => setEntries((before) => ({ ...before, [key]: value }))}
      />
    );
  }
  onBench(<Curved />, newBuild('Gull'));
  return () => now;
}
const drawn = (): HTMLElement => screen.getByRole('img');
const slider = (): HTMLInputElement => screen.getByRole('slider');
/** Where the sum as it stands is marked. */
const mark = (): { x: number; y: number } => {
  const circle = drawn().querySelector('circle');
  return { x: Number(circle?.getAttribute('cx')), y: Number(circle?.getAttribute('cy')) };
};
const given = { loadN: '1000', friction: '0.5' };

describe('how one input of a sum matters', () => {
  it('is drawn as a line for what is in proportion, the sum marked on it', () => {
    curved('grip-force', given);
    expect(drawn().getAttribute('aria-label')).toContain('now 500');
    const points = (drawn().querySelector('path[fill="none"][stroke-width="2.5"]')?.getAttribute('d') ?? '')
      .slice(1)
      .split('L')
      .map((pair) => pair.split(',').map(Number));
    const slopes = points.slice(1).map(([x = 0, y = 0], n) => {
      const [px = 0, py = 0] = points[n] ?? [];
      return (y - py) / (x - px);
    });
    expect(points.length).toBeGreaterThan(10);
    for (const slope of slopes) expect(slope / (slopes[0] ?? 1)).toBeCloseTo(1, 1);
    const [[x0 = 0, y0 = 0] = []] = points;
    expect((mark().y - y0) / (mark().x - x0) / (slopes[0] ?? 1)).toBeCloseTo(1, 1);
  });

  it('is typed by its slider: more force for more of the input, the mark along the line', () => {
    const entries = curved('grip-force', given);
    const before = mark();
    fireEvent.change(slider(), { target: { value: String(1.5 * Number(slider().value)) } });
    expect(entries()).not.toEqual(given);
    expect(mark().x).toBeGreaterThan(before.x);
    expect(mark().y).toBeLessThan(before.y);
    expect(slider().getAttribute('aria-valuetext')).toMatch(/: .*N$/);
  });

  it('is typed by dragging along it, up to its ends, and only while it is held', () => {
    const entries = curved('grip-force', given);
    const svg = drawn() as unknown as SVGSVGElement;
    svg.setPointerCapture = vi.fn();
    svg.getBoundingClientRect = () => ({ left: 100, width: 900 }) as DOMRect;
    fireEvent.pointerMove(svg, { clientX: 600, buttons: 0 });
    expect(entries()).toEqual(given);
    fireEvent.pointerDown(svg, { clientX: 100 + 900 * (64 / 450), buttons: 1, pointerId: 1 });
    expect(Number(slider().value)).toBeCloseTo(Number(slider().min), 6);
    fireEvent.pointerMove(svg, { clientX: 5000, buttons: 1 });
    expect(Number(slider().value)).toBeCloseTo(Number(slider().max), 6);
    const [low, high] = [Number(slider().min), Number(slider().max)];
    fireEvent.pointerMove(svg, { clientX: 100 + 900 * ((64 + (450 - 64 - 18) / 2) / 450), buttons: 1 });
    expect(Math.abs(Number(slider().value) - (low + high) / 2)).toBeLessThan((high - low) / 50);
  });

  it('is drawn along another input, and of another result, where those are picked', () => {
    curved('grip-force', given);
    const pick = (label: string) => screen.getByRole<HTMLSelectElement>('combobox', { name: label });
    const inputs = within(pick('Input drawn along')).getAllByRole<HTMLOptionElement>('option');
    const other = inputs.find(({ value }) => value !== pick('Input drawn along').value);
    if (!other) throw new Error('it has two inputs');
    fireEvent.change(pick('Input drawn along'), { target: { value: other.value } });
    expect(drawn().getAttribute('aria-label')?.toLowerCase()).toContain(
      `over ${other.textContent.toLowerCase()}`,
    );
  });
});

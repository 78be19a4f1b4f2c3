import { centreOfGravity, layoutReport } from '@zubric/core/layout';
import { arrange, arrangementOf } from '@zubric/core/vehicle';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { handedOver } from '../../testing/handed.ts';
import { fieldCalled, kept, onBench, text } from '../../testing/on-bench.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';
import { LayoutStation } from './LayoutStation.tsx';

const [puffin, sanderling, moth] = ['puffin', 'sanderling', 'moth'].map((name) => demo(name));
if (!puffin || !sanderling || !moth) throw new Error('three builds of the demo');
const { arrangement: _none, ...unplaced } = puffin;
/** A key pressed and let go: what was moved is kept then. */
const press = (on: HTMLElement, key: { readonly key: string; readonly shiftKey?: boolean }): void => {
  fireEvent.keyDown(on, key);
  fireEvent.keyUp(on, key);
};
const placed = (id: string) => arrangementOf(kept()).parts.find((part) => part.id === id);

describe('the layout', () => {
  beforeEach(() => void workOfTheBench());

  it('says where the weight lies, and what of it stands on the driven wheels', () => {
    onBench(<LayoutStation />, puffin);
    expect(text()).toMatch(
      /weighs 58 kg, its middle 440 mm ahead of the rear axle, on the middle line and 300 mm up/,
    );
    expect(text()).toMatch(/63 % of it stands on the driven wheels/);
  });

  it('draws wheels that a motor turns otherwise than those that run along', () => {
    const filled = (tone: string) =>
      document.querySelectorAll(`path[fill="var(--color-${tone})"][fill-opacity="0.5"]`).length;
    onBench(<LayoutStation />, puffin);
    const asDrawn = [filled('mech-lo'), filled('field')];
    expect(Math.min(...asDrawn)).toBeGreaterThan(0);
    cleanup();
    const { axles } = puffin.layout;
    const swapped = axles.map((axle) => ({ ...axle, driven: !axle.driven }));
    onBench(<LayoutStation />, { ...puffin, layout: { ...puffin.layout, axles: swapped } });
    expect([filled('field'), filled('mech-lo')]).toEqual(asDrawn);
  });

  it('takes the parts of a build that have no place yet, and its weight follows', () => {
    onBench(<LayoutStation />, unplaced);
    expect(text()).toContain('Nothing is placed yet');
    fireEvent.click(screen.getByRole('button', { name: /^Place 24 V 500 W brushed gearmotor.*2 left/ }));
    const [motor] = arrangementOf(kept()).parts;
    // As large as its data sheet says.
    expect(motor).toMatchObject({
      form: 'cylinder',
      width: { value: 0.205 },
      mass: { value: 4.2, origin: 'shelf' },
    });
    expect(kept().masses.own.height.origin).toBe('placed');
    expect(
      screen.getByRole('button', { name: /^Place 24 V 500 W brushed gearmotor/ }).textContent,
    ).not.toContain('left');
    fireEvent.click(screen.getByRole('button', { name: /^Remove 24 V/ }));
    // Its own mass stands where it was typed again.
    expect(kept().masses.own).toEqual(unplaced.masses.own);
  });

  it('moves a part by arrow keys in each view, on a grid of holes where one is asked for', () => {
    onBench(<LayoutStation />, puffin);
    const from = (view: string) => screen.getByRole('slider', { name: `Battery box, ${view}` });
    press(from('from above'), { key: 'ArrowRight' });
    expect(placed('battery-box')?.aheadOfRearAxle.value).toBeCloseTo(0.305, 9);
    press(from('from above'), { key: 'ArrowUp', shiftKey: true });
    expect(placed('battery-box')?.left.value).toBeCloseTo(0.05, 9);
    // From behind the left side lies to the left: right is less.
    press(from('from behind'), { key: 'ArrowRight' });
    expect(placed('battery-box')?.left.value).toBeCloseTo(0.045, 9);
    press(from('from the right side'), { key: 'ArrowUp' });
    expect(placed('battery-box')?.above.value).toBeCloseTo(0.22, 9);
    fireEvent.change(fieldCalled(/^Grid of holes/), { target: { value: '25 mm' } });
    press(from('from above'), { key: 'ArrowRight' });
    expect(placed('battery-box')?.aheadOfRearAxle.value).toBeCloseTo(0.325, 9);
    expect(kept().masses.own.aheadOfRearAxle.value).toBeCloseTo(centreOfGravity(kept()).aheadM, 9);
  });

  it('tells what fouls, and one press puts it clear', async () => {
    onBench(<LayoutStation />, sanderling);
    const list = await screen.findByRole('list', { name: 'What stands in the way of the layout' });
    await waitFor(() =>
      expect(list.textContent).toMatch(/“Track tension screw” and “Tracks, left” are in the same place/),
    );
    fireEvent.click(within(list).getByRole('button', { name: /^Try: “Track tension screw”/ }));
    await waitFor(() => expect(text()).toContain('Nothing is in another’s way'), { timeout: 10_000 });
    expect(layoutReport(kept()).findings).toEqual([]);
  });

  it('finds a place where the lid is reached, and puts it there', async () => {
    onBench(<LayoutStation />, moth);
    fireEvent.focus(screen.getByRole('slider', { name: 'Battery box, from above' }));
    const chosen = screen.getByRole('region', { name: 'Chosen: Battery box' });
    await waitFor(() => expect(chosen.textContent).toContain('reached after taking off Float floor'), {
      timeout: 10_000,
    });
    fireEvent.click(within(chosen).getByRole('button', { name: 'Find a place for it' }));
    const places = await within(chosen).findByRole('list', { name: /^Free places/ }, { timeout: 20_000 });
    fireEvent.click(within(places).getAllByRole('button', { name: 'Put it there' })[0] as HTMLElement);
    const report = layoutReport(kept()).parts.find(({ id }) => id === 'battery');
    expect(report?.faces.every(({ free }) => free)).toBe(true);
    expect(report?.overlaps).toEqual([]);
  });

  it('shows the first of very many parts, the one that is chosen, and all once they are asked for', () => {
    const [battery] = arrangementOf(puffin).parts;
    if (!battery) throw new Error('its battery');
    const { partId: _bought, ...box } = battery;
    const many = Array.from({ length: 22 }, (_, n) => ({ ...box, id: `box-${n}`, name: `Box ${n + 1}` }));
    onBench(
      <LayoutStation />,
      arrange(puffin, { parts: [...arrangementOf(puffin).parts.slice(0, 4), ...many] }),
    );
    const rows = () => screen.getByText(/^Placed parts, and where/).closest('table')?.tBodies[0]?.rows.length;
    expect(rows()).toBe(24);
    fireEvent.focus(screen.getByRole('slider', { name: 'Box 22, from above' }));
    fireEvent.change(fieldCalled('Mass, Box 22'), { target: { value: '2 kg' } });
    expect(placed('box-21')?.mass.value).toBe(2);
    expect(rows()).toBe(25);
    fireEvent.click(screen.getByRole('button', { name: 'Show all 26 parts' }));
    expect(rows()).toBe(26);
  });

  it('draws what is held where it goes, and keeps it once it is let go', () => {
    onBench(<LayoutStation />, puffin);
    const drawn = () =>
      screen.getAllByText('Battery box', { selector: 'text' }).map((name) => Number(name.getAttribute('x')));
    const before = drawn();
    const box = screen.getByRole('slider', { name: 'Battery box, from above' });
    fireEvent.keyDown(box, { key: 'ArrowRight' });
    // Where it was and, over it, where it goes.
    expect(drawn().length).toBeGreaterThan(before.length);
    expect(placed('battery-box')?.aheadOfRearAxle.value).toBeCloseTo(0.3, 9);
    fireEvent.keyUp(box, { key: 'ArrowRight' });
    expect(drawn()).toHaveLength(before.length);
    expect(placed('battery-box')?.aheadOfRearAxle.value).toBeCloseTo(0.305, 9);
  });

  it('is typed too, and faces are added and taken away', () => {
    onBench(<LayoutStation />, puffin);
    fireEvent.change(fieldCalled('Above the ground, Battery box'), { target: { value: '300 mm' } });
    expect(placed('battery-box')?.above.value).toBeCloseTo(0.3, 9);
    fireEvent.focus(screen.getByRole('slider', { name: 'Deck plate, from above' }));
    fireEvent.click(screen.getByRole('button', { name: 'Add a plug, button or lid' }));
    expect(placed('deck')?.faces).toMatchObject([{ kind: 'plug', side: 'front' }]);
    fireEvent.click(screen.getByRole('button', { name: /^Remove the plug of Deck plate/ }));
    expect(placed('deck')?.faces).toEqual([]);
  });

  it('sets spaces aside, and keeps others free', () => {
    onBench(<LayoutStation />, unplaced);
    fireEvent.click(screen.getByRole('button', { name: 'Add a bay' }));
    fireEvent.click(screen.getByRole('button', { name: 'Add a space to keep free' }));
    expect(arrangementOf(kept()).zones.map(({ kind }) => kind)).toEqual(['bay', 'keep-out']);
    fireEvent.change(fieldCalled('Length, Bay'), { target: { value: '30 cm' } });
    expect(arrangementOf(kept()).zones[0]?.length.value).toBeCloseTo(0.3, 9);
    fireEvent.click(screen.getByRole('button', { name: 'Remove Bay' }));
    expect(arrangementOf(kept()).zones).toHaveLength(1);
  });

  it('stacks a shaft, says how far it floats, and which spacer takes it up', () => {
    onBench(<LayoutStation />, unplaced);
    fireEvent.click(screen.getByRole('button', { name: 'Add a shaft' }));
    const shafts = within(screen.getByRole('region', { name: 'What sits on each shaft' }));
    const put = (kind: string): void => {
      fireEvent.change(shafts.getByRole('combobox', { name: /^Put on its end/ }), {
        target: { value: kind },
      });
      fireEvent.click(shafts.getByRole('button', { name: 'Put it on' }));
    };
    for (const kind of ['collar', 'bearing', 'spacer', 'hub']) put(kind);
    // All against each other: nothing to spare one way, and nothing to stop it the other.
    expect(text()).toMatch(/Towards its second end: 0 mm; towards its first: 0 mm/);
    fireEvent.change(fieldCalled(/^Middle, Hub/), { target: { value: '60 mm' } });
    expect(text()).toMatch(/towards its first: 17.5 mm/);
    expect(text()).toMatch(/A spacer of 17.3 mm between Bearing and Hub would take it up/);
    fireEvent.click(shafts.getByRole('button', { name: /^Take Collar off/ }));
    expect(text()).toContain('Towards its second end: nothing stops it');
  });

  it('draws templates in true size, and hands them out in each form', async () => {
    const handed = handedOver();
    onBench(<LayoutStation />, puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Show the templates' }));
    await screen.findByRole('img', { name: /^Sprocket of 10 teeth/ }, { timeout: 20_000 });
    fireEvent.change(fieldCalled('Template'), { target: { value: 'tray-battery-box' } });
    expect(screen.getByRole('img', { name: /^Tray for Battery box/ })).toBeTruthy();
    for (const form of ['SVG', 'DXF', 'PDF']) fireEvent.click(screen.getByRole('button', { name: form }));
    await waitFor(() => expect(handed).toHaveLength(3), { timeout: 10_000 });
    expect(handed.map(({ content }) => content.type)).toEqual([
      'image/svg+xml',
      'image/vnd.dxf',
      'application/pdf',
    ]);
    expect(Math.min(...handed.map(({ content }) => content.size))).toBeGreaterThan(1000);
  });
});

/** Lines, frame, body, prints and sheets of one's own, as their builder goes about them. */
import { frameReport, layoutReport, linesOf } from '@zubric/core/layout';
import { arrangementOf } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { fieldCalled, kept, onBench } from '../../testing/on-bench.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';
import { LayoutStation } from './LayoutStation.tsx';

const [puffin, moth, whimbrel, rail] = ['puffin', 'moth', 'whimbrel', 'glasshouse-rail'].map((name) =>
  demo(name),
);
if (!puffin || !moth || !whimbrel || !rail) throw new Error('four builds of the demo');
const { arrangement: _none, ...unplaced } = puffin;
const part = (id: string) => arrangementOf(kept()).parts.find((one) => one.id === id);
const type = (label: string | RegExp, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};
const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
/** What a part of the page says, with ordinary spaces. */
const said = (name: string | RegExp): string =>
  (screen.getByRole('region', { name }).textContent ?? '').replaceAll('\u00a0', ' ');

beforeEach(() => void workOfTheBench());

describe('sprockets, pulleys and gears', () => {
  it('of a stage are both placed, in line; moved aside they are told of, and a move brings them back', async () => {
    onBench(<LayoutStation />, unplaced);
    press('Place both wheels of the chain, stage 1 of Driven wheels');
    expect(linesOf(kept())[0]?.outM).toBeCloseTo(0, 9);
    expect(said(/^Sprockets/)).toMatch(/190 mm, the Drivetrain has 190 mm/);
    type(/^Left.*Driver sprocket, left/, '245 mm');
    const list = await screen.findByRole('list', { name: 'What stands in the way of the layout' });
    await waitFor(() => expect(list.textContent).toMatch(/are [\d.]+\smm out of one plane/), {
      timeout: 10_000,
    });
    fireEvent.click(
      within(list).getAllByRole('button', { name: /^Try: “Driver sprocket, left/ })[0] as HTMLElement,
    );
    expect(linesOf(kept())[0]?.outM).toBeCloseTo(0, 9);
  });

  it('that do not run true say what that does', () => {
    onBench(<LayoutStation />, puffin);
    type('Run-out, driven, Wheel sprocket, left', '2 mm');
    expect(part('sprocket-wheel-left')?.runs?.runOut?.value).toBeCloseTo(0.002, 9);
    expect(said(/^Sprockets/)).toContain('taut once a turn');
  });

  it('are told apart from other parts by what they run in', () => {
    onBench(<LayoutStation />, puffin);
    fireEvent.focus(screen.getByRole('slider', { name: 'Wheel sprocket, left, from above' }));
    const runs = fieldCalled(/^What it is in the drivetrain/);
    fireEvent.change(runs, { target: { value: '' } });
    expect(part('sprocket-wheel-left')?.runs).toBeUndefined();
    expect(linesOf(kept())).toHaveLength(1);
  });
});

describe('the frame', () => {
  it('is a pair of tubes to begin with, whose sag follows their section', () => {
    onBench(<LayoutStation />, unplaced);
    press('Add a member of the frame');
    const [member] = arrangementOf(kept()).frame ?? [];
    if (!member) throw new Error('no member');
    const sag = frameReport(kept(), member).sagM;
    const frame = within(screen.getByRole('region', { name: /^Frame/ }));
    fireEvent.change(frame.getByRole('combobox', { name: /^Section/ }), { target: { value: 'bar' } });
    const [bar] = arrangementOf(kept()).frame ?? [];
    expect(bar?.wall).toBeUndefined();
    // Full, it is stiffer than the tube that it was.
    expect(bar && frameReport(kept(), bar).sagM).toBeLessThan(sag);
    fireEvent.change(frame.getByRole('combobox', { name: /^Material/ }), { target: { value: 'plywood' } });
    expect(said(/^Frame/)).toMatch(/is bent to .*% of what its material is allowed/);
  });

  it('tells of a shaft on it what a bolted and a floating gearbox take, and binds', async () => {
    onBench(<LayoutStation />, puffin);
    type(/^Torque on the shaft, Half axles/, '30 N·m');
    expect(said(/^Frame/)).toMatch(/500 N at its arm/);
    type(/^Wall/, '0.8 mm');
    expect(said(/^Frame/)).toContain('it binds');
    const list = await screen.findByRole('list', { name: 'What stands in the way of the layout' });
    await waitFor(() => expect(list.textContent).toMatch(/“Rails” slopes .* at “Half axles”/), {
      timeout: 10_000,
    });
  });

  it('is looked at lighter and stiffer, and one of them taken', async () => {
    onBench(<LayoutStation />, puffin);
    press('Lighter or stiffer?');
    const table = await screen.findByRole(
      'group',
      { name: 'Rails, lighter and stiffer' },
      { timeout: 10_000 },
    );
    expect(within(table).getAllByRole('row')).toHaveLength(6);
    fireEvent.click(within(table).getAllByRole('button', { name: 'Take it' })[0] as HTMLElement);
    expect(arrangementOf(kept()).frame?.[0]?.wall?.value).toBeCloseTo(0.001, 9);
    press('Remove Rails');
    expect(arrangementOf(kept()).frame).toEqual([]);
  });
});

describe('the body', () => {
  it('is drawn corner by corner, dragged by keys, and made a box again', () => {
    onBench(<LayoutStation />, unplaced);
    press('Draw its outline');
    expect(arrangementOf(kept()).shell?.outline).toHaveLength(4);
    press('Add one after 2');
    // Half way between the two front corners.
    expect(fieldCalled('Left, corner 3')).toHaveProperty('value', '0 mm');
    const corner = screen.getByRole('slider', { name: 'Corner 3 of the body' });
    fireEvent.keyDown(corner, { key: 'ArrowRight', shiftKey: true });
    expect(arrangementOf(kept()).shell?.outline?.[2]?.ahead.value).toBeCloseTo(0.875, 9);
    fireEvent.keyUp(corner, { key: 'ArrowRight' });
    expect(arrangementOf(kept()).shell?.outline?.[2]?.ahead.value).toBeCloseTo(0.925, 9);
    press('Remove corner 3');
    press('Back to a box');
    expect(arrangementOf(kept()).shell?.outline).toBeUndefined();
  });

  it('is brought in from a drawing, about the middle of what it stands on; one that is none is told', async () => {
    onBench(<LayoutStation />, unplaced);
    const give = (text: string) => {
      const file = new File([text], 'plate.dxf');
      Object.defineProperty(file, 'text', { value: () => Promise.resolve(text) });
      fireEvent.change(screen.getByLabelText('Drawing of the body'), { target: { files: [file] } });
    };
    give('not a drawing');
    expect((await screen.findByText(/no drawing in DXF/)).getAttribute('role')).toBe('alert');
    expect(arrangementOf(kept()).shell?.outline).toBeUndefined();
    // A triangle of 600 by 400 as a drawing has it, without a unit.
    const corners = [
      [0, 0],
      [600, 200],
      [0, 400],
    ].flatMap(([x, y]) => ['10', String(x), '20', String(y)]);
    const poly = ['0', 'LWPOLYLINE', '8', '0', '90', '3', '70', '1', ...corners];
    give(['0', 'SECTION', '2', 'ENTITIES', ...poly, '0', 'ENDSEC', '0', 'EOF', ''].join('\n'));
    expect((await screen.findByText(/^600.mm long, 400.mm wide, 3 corners/)).textContent).toContain(
      'It does not say its unit: taken for mm.',
    );
    const outline = arrangementOf(kept()).shell?.outline ?? [];
    expect(outline.map(({ left }) => left.value)).toEqual([-0.2, 0, 0.2]);
    const ahead = outline.map((corner) => corner.ahead.value);
    expect(Math.max(...ahead) - Math.min(...ahead)).toBeCloseTo(0.6, 9);
  });

  it('closed, holds back what is in it until it is opened', async () => {
    onBench(<LayoutStation />, puffin);
    fireEvent.change(fieldCalled('The body'), { target: { value: 'lid' } });
    await waitFor(
      () =>
        expect(layoutReport(kept()).parts.find(({ id }) => id === 'deck')?.comesOff?.after).toEqual([
          'shell-lid',
        ]),
      { timeout: 10_000 },
    );
    type('It parts, above the ground', '500 mm');
    expect(arrangementOf(kept()).shell?.at?.value).toBeCloseTo(0.5, 9);
  });

  it('on springs sweeps further', () => {
    onBench(<LayoutStation />, moth);
    type('Front axle: up on springs by', '40 mm');
    expect(kept().layout.axles.find(({ id }) => id === 'front')?.travel?.value).toBeCloseTo(0.04, 9);
  });
});

describe('what is made', () => {
  it('of printed parts the printer’s box is asked, and where they are cut is said', () => {
    onBench(<LayoutStation />, rail);
    fireEvent.focus(screen.getByRole('slider', { name: 'Battery, from above' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'It is printed' }));
    press('Say what the printer holds');
    expect(said(/^Printed parts/)).toContain('Battery: goes in as it is.');
    type('Bed, length', '100 mm');
    type('Bed, width', '100 mm');
    type('Height, Battery', '180 mm');
    expect(said(/^Printed parts/)).toMatch(/Battery: .*cut/);
  });

  it('holes of a part are typed and make a template', async () => {
    onBench(<LayoutStation />, puffin);
    fireEvent.focus(screen.getByRole('slider', { name: 'Driver, from above' }));
    press('Add a hole');
    type(/^Right of its middle, hole 1/, '40 mm');
    fireEvent.change(fieldCalled(/^Screw, hole 1/), { target: { value: 'own' } });
    type(/^Diameter, hole 1/, '8 mm');
    expect(part('driver')?.holes).toMatchObject([
      { side: 'left', right: { value: 0.04 }, diameter: { value: 0.008 } },
    ]);
    expect(part('driver')?.holes?.[0]?.thread).toBeUndefined();
    press('Show the templates');
    await screen.findByRole('img', { name: /^Sprocket/ }, { timeout: 20_000 });
    expect(
      within(fieldCalled('Template')).getByRole('option', { name: /^Holes of Driver, left: 1 of them/ }),
    ).toBeTruthy();
  });

  it('discs of one’s own have circles of holes, are shown at once, and cut with a kerf', async () => {
    onBench(<LayoutStation />, unplaced);
    press('Show the templates');
    await screen.findByRole('button', { name: 'Add a disc' }, { timeout: 20_000 });
    press('Add a disc');
    await screen.findByRole('img', { name: /^Disc 1: 4 of 5.5\smm \(M5, free\) on 50\smm/ });
    press('Add a circle of holes to Disc 1');
    type(/^Circle 2, across/, '60 mm');
    fireEvent.change(screen.getByRole('spinbutton', { name: 'Holes on circle 2 of Disc 1' }), {
      target: { value: '6' },
    });
    expect(arrangementOf(kept()).sheets?.[0]?.circles.map(({ count }) => count)).toEqual([4, 6]);
    const picture = (): string =>
      decodeURIComponent(screen.getByRole('img', { name: /^Disc 1/ }).getAttribute('src') ?? '');
    expect(picture()).toContain('r="40"');
    type('A laser or bit takes away (kerf)', '0.2 mm');
    // The disc grows by half of it all round, its holes shrink.
    expect(picture()).toContain('r="40.1"');
    expect(picture()).toContain('r="2.65"');
    press('Remove Disc 1');
    expect(arrangementOf(kept()).sheets).toEqual([]);
    expect(screen.queryByRole('img', { name: /^Disc 1/ })).toBeNull();
  });
});

it('what has to come off first is told of each job, the worst first', async () => {
  onBench(<LayoutStation />, moth);
  await screen.findByRole('heading', { name: 'What has to come off first?' }, { timeout: 20_000 });
  const jobs = within(screen.getByRole('region', { name: 'What has to come off first?' })).getAllByRole(
    'listitem',
  );
  expect(jobs.map(({ textContent }) => textContent).slice(0, 2)).toEqual([
    'Press the button of Drivernothing that comes off frees it',
    'Open the lid of Battery boxFloat floor',
  ]);
  expect(jobs.map(({ textContent }) => textContent)).toContain('Change Battery boxnothing');
});

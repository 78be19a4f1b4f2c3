import { readFileSync } from 'node:fs';
import { buildSchema, newBuild, type Build, driveOf, changeDrive } from '@zubric/core/vehicle';
import { fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { kept, onBench, settled, text } from '../../testing/on-bench.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';
import { Drivetrain } from './Drivetrain.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

const show = (document: Build): void => onBench(<Drivetrain />, document);
const stages = () => within(screen.getByRole('table', { name: 'Stages from motor to wheel' }));

describe('the drivetrain station', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('asks its question of the hardest job and answers it', () => {
    show(puffin);
    expect(screen.getByRole('heading', { level: 1 }).textContent?.replaceAll('\u00a0', ' ')).toBe(
      'Which ratio pulls 178 kg on “Slip, loaded” and still does 0.8 m/s?',
    );
    expect(text()).toContain('21 to 49 : 1 just does every job; fitted is 32.4 : 1');
    expect(text()).toContain('at best 1.33 ×, at 41.8 : 1');
  });

  it('says in words what the windows show', () => {
    show(puffin);
    const chart = screen.getByRole('group', { name: 'Ratio windows' });
    expect(chart.textContent).toContain('Slip, loaded: 21 to 62.7');
    expect(chart.textContent).toContain('62.7, none at 2 ×');
  });

  it('changes ratio, links and load with a tooth', () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Driver teeth: one less' }));
    expect(stages().getByText('4')).toBeTruthy();
    expect(text()).toContain('fitted is 36 : 1');
    const fit = screen.getByRole('button', { name: /^fit/ });
    fireEvent.click(fit);
    expect(screen.queryByRole('button', { name: /^fit/ })).toBeNull();
  });

  it('says why a chain cannot be, beside it and among the findings', () => {
    show(puffin);
    fireEvent.change(screen.getByLabelText('Centre distance'), { target: { value: '2 in' } });
    expect(screen.getAllByText(/the sprockets overlap/).length).toBe(2);
  });

  it('adds a gearhead and takes it out again', () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Add a gearhead' }));
    expect(text()).toContain('fitted is 324 : 1');
    fireEvent.change(screen.getByLabelText('Ratio of the gearhead'), { target: { value: '1:2' } });
    expect(text()).toContain('fitted is 64.8 : 1');
    fireEvent.click(screen.getByRole('button', { name: 'Remove the gearhead' }));
    expect(text()).toContain('fitted is 32.4 : 1');
  });

  it('takes stages of every kind, each with its own fields and what it stands', () => {
    show(puffin);
    const add = (kind: string): void => {
      fireEvent.change(screen.getByLabelText('Another kind of stage'), { target: { value: kind } });
      fireEvent.click(screen.getByRole('button', { name: 'Add this stage' }));
    };
    add('worm');
    expect(text()).toContain('fitted is 778 : 1');
    fireEvent.change(screen.getByLabelText('Friction in the worm'), { target: { value: '0.15' } });
    expect(text()).toMatch(/never a brake for people or loads/);
    fireEvent.click(screen.getByRole('button', { name: 'Remove the worm' }));
    add('timing-belt');
    expect(text()).toContain('teeth in mesh');
    const before = text();
    fireEvent.click(screen.getByRole('button', { name: 'Belt teeth: one more' }));
    // A longer belt sets the shafts further apart.
    expect(text()).not.toBe(before);
    expect((screen.getByLabelText('Belt teeth') as HTMLInputElement).value).toBe('98');
  });

  it('changes the kind of a stage in its place, near its ratio: from a chain to a V-belt that slips', () => {
    show(puffin);
    fireEvent.change(screen.getByLabelText('Chain, as another kind'), { target: { value: 'friction-belt' } });
    expect(text()).toContain('fitted is 32.4 : 1');
    expect(text()).toMatch(/It slips on “(Start on the slip|Slip, loaded)”/);
    fireEvent.change(screen.getByLabelText('V or flat belt, as another kind'), {
      target: { value: 'chain' },
    });
    expect(text()).not.toMatch(/It slips/);
  });

  it('offers whole teeth near the ratio that its mark is moved to, and takes one', async () => {
    workOfTheBench();
    show(puffin);
    const mark = () => screen.getByRole('slider', { name: 'Ratio looked for' });
    expect(mark().getAttribute('aria-valuetext')).toBe('32.4 to 1, fitted');
    fireEvent.keyDown(mark(), { key: 'ArrowRight', shiftKey: true });
    expect(mark().getAttribute('aria-valuetext')).toBe('35.6 to 1');
    const offers = await screen.findAllByRole('button', { name: /^Take: chain/ });
    expect(offers.length).toBeGreaterThan(2);
    fireEvent.click(screen.getByRole('button', { name: 'Take: chain 10 to 40 teeth' }));
    expect(driveOf(kept()).stages[0]).toMatchObject({ teethDriver: 10, teethDriven: 40 });
    expect(text()).toContain('fitted is 36 : 1');
    expect(screen.queryByRole('button', { name: /^Take: chain/ })).toBeNull();
    fireEvent.keyDown(mark(), { key: 'ArrowLeft' });
    fireEvent.keyDown(mark(), { key: 'Escape' });
    expect(mark().getAttribute('aria-valuetext')).toBe('36 to 1, fitted');
  });

  it('follows the mark when it is dragged', () => {
    show(puffin);
    const mark = screen.getByRole('slider', { name: 'Ratio looked for' });
    const svg = mark.closest('svg');
    if (!svg) throw new Error('the mark is in the chart');
    svg.getBoundingClientRect = () => ({ left: 0, width: 1080 }) as DOMRect;
    Object.assign(mark, { setPointerCapture: () => undefined });
    fireEvent.pointerDown(mark, { clientX: 600, pointerId: 1 });
    fireEvent.pointerMove(mark, { clientX: 700, pointerId: 1 });
    const there = Number(mark.getAttribute('aria-valuenow'));
    fireEvent.pointerMove(mark, { clientX: 760, pointerId: 1 });
    expect(Number(mark.getAttribute('aria-valuenow'))).toBeGreaterThan(there);
    fireEvent.pointerUp(mark, { pointerId: 1 });
    fireEvent.pointerMove(mark, { clientX: 300, pointerId: 1 });
    expect(Number(mark.getAttribute('aria-valuenow'))).toBeGreaterThan(there);
  });

  it('sets another kind beside a stage, with what each school says, and takes it', async () => {
    workOfTheBench();
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Compare the chain with another kind' }));
    fireEvent.change(await screen.findByLabelText('The other kind'), { target: { value: 'friction-belt' } });
    const beside = within(screen.getByRole('region', { name: 'The chain beside another kind' }));
    // Until the other kind is worked out, none is taken.
    expect(beside.getByRole<HTMLButtonElement>('button', { name: /^Take/ }).disabled).toBe(true);
    await settled();
    expect(beside.getByText(/^slips, and spares the rest$/)).toBeTruthy();
    expect(beside.getAllByText(/× short$/).length).toBeGreaterThan(0);
    expect(beside.getByText(/^Slips on small pulleys at low speed/)).toBeTruthy();
    fireEvent.click(beside.getByRole('button', { name: 'Take the V or flat belt' }));
    expect(driveOf(kept()).stages[0]?.kind).toBe('friction-belt');
  });

  it('says of each shaft and hub what it carries, and names what joins those that do not fit', () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Shafts and hubs' }));
    const table = within(screen.getByRole('table', { name: 'Shafts and hubs from motor to ground' }));
    expect(table.getAllByRole('row')).toHaveLength(driveOf(puffin).path.length + 1);
    const [bore] = table.getAllByLabelText('Bore');
    if (!bore) throw new Error('the first hub has a bore');
    fireEvent.change(bore, { target: { value: '5/8"' } });
    expect(text()).toContain('take a bush from');
    fireEvent.change(table.getByLabelText('Driver sprocket, held as'), { target: { value: 'clamp' } });
    expect(driveOf(kept()).path[0]).toMatchObject({ kind: 'clamp', name: 'Driver sprocket' });
    fireEvent.click(screen.getByRole('button', { name: 'Move Axle towards the wheel' }));
    expect(
      driveOf(kept())
        .path.map(({ name }) => name)
        .slice(2, 4),
    ).toEqual(['Wheel hub', 'Axle']);
    fireEvent.click(screen.getByRole('button', { name: 'Remove Tyre' }));
    expect(driveOf(kept()).path.some(({ name }) => name === 'Tyre')).toBe(false);
  });

  it('lays out the usual path of a build that has none, and keeps a part whose stage is gone', () => {
    show(changeDrive(puffin, { path: [] }));
    fireEvent.click(screen.getByRole('button', { name: 'Shafts and hubs' }));
    fireEvent.click(screen.getByRole('button', { name: 'Lay out the usual parts' }));
    expect(driveOf(kept()).path.map(({ name }) => name)).toEqual([
      'Driver sprocket',
      'Driven sprocket',
      'Axle',
      'Wheel hub',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Stages' }));
    fireEvent.click(screen.getByRole('button', { name: 'Remove the chain' }));
    expect(driveOf(kept()).path).toHaveLength(4);
    expect(text()).toContain('stands behind a stage that is no longer there');
  });

  it('asks how the motor is mounted, adds up play, and says what pushing by hand takes', () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Mount, play, by hand' }));
    expect(text()).toMatch(/The first stage pulls 8\d\d.N across its shaft/);
    fireEvent.change(screen.getByLabelText('Twist under 10 N·m'), { target: { value: '0.3°' } });
    expect(text()).toMatch(/The motor’s mount twists by/);
    fireEvent.change(screen.getByLabelText('Twist under 10 N·m'), { target: { value: '' } });
    expect(driveOf(kept()).mount.twist).toBeUndefined();
    fireEvent.change(screen.getByLabelText('1, chain'), { target: { value: '4°' } });
    expect(text()).toContain('4.42° at the wheel');
    fireEvent.change(screen.getByLabelText('Disengages by'), { target: { value: 'jockey' } });
    expect(text()).toContain('say at which of them it disengages');
    fireEvent.change(screen.getByLabelText('At'), { target: { value: 'stage-1' } });
    expect(text()).not.toContain('say at which of them it disengages');
    expect(text()).toMatch(/Disengaged, 0.N; then the drive holds nothing/);
  });

  it('is seen from the side and from above, both sides mirrored', () => {
    show(puffin);
    expect(screen.getByRole('img', { name: /from the side, to scale/ })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'From above' }));
    expect(screen.getByRole('img', { name: /from above, to scale/ })).toBeTruthy();
    expect(text()).toContain('mirrored motors turn opposite ways: invert one');
  });

  it('says how a loop is tensioned, and that one without is coming off', () => {
    show(puffin);
    fireEvent.change(screen.getByLabelText('Chain, tensioned by'), { target: { value: 'none' } });
    expect(text()).toContain('Nothing tensions the chain');
    fireEvent.change(screen.getByLabelText('Chain, tensioned by'), { target: { value: 'unsaid' } });
    expect(driveOf(kept()).stages[0]).not.toHaveProperty('tensioner');
  });

  it('leads on where there is no motor yet', () => {
    show(newBuild('Bare'));
    expect(text()).toContain('Choose a motor in Power first');
    expect(text()).toContain('the motor turns the wheel directly');
  });
});

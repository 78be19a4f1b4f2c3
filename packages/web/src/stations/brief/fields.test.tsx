/** Each field of the Brief changes what it says, in the unit that is typed, and nothing else. */
import { newBuild, startBuild, type Build, type Duty } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering } from '../../testing/answers.ts';
import { demo } from '../../testing/demo.ts';
import { enter, fieldCalled, kept, onBench, pressButton, settled, text } from '../../testing/on-bench.tsx';
import { moved } from '../../fields/Reorder.tsx';
import { Brief } from './Brief.tsx';

const puffin = demo('puffin');
const show = async (document: Build): Promise<void> => {
  onBench(<Brief />, document);
  await settled();
};
const choose = (label: string | RegExp, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};
const tick = (name: string): void => void fireEvent.click(screen.getByRole('checkbox', { name }));
const level = (): Duty => {
  const duty = kept().duties.find(({ id }) => id === 'level-loaded');
  if (!duty) throw new Error('the job on the level is gone');
  return duty;
};

beforeEach(() => void answering({}));

describe('a job', () => {
  const open = async (): Promise<void> => {
    await show(puffin);
    pressButton(/^What Level, loaded also asks for/);
    await settled();
  };
  const of = (label: string): string => `${label}, Level, loaded`;

  it.each([
    { label: 'Pull at the hitch', written: '10 lbf', key: 'drawbar', si: 44.4822 },
    { label: 'Speeding up', written: '0.2 m/s²', key: 'acceleration', si: 0.2 },
    { label: 'Side slope, right side low', written: '10 %', key: 'sideSlope', si: Math.atan(0.1) },
    { label: 'To stop within', written: '3 ft', key: 'stopWithin', si: 0.9144 },
    { label: 'Starts an hour', written: '12', key: 'startsAnHour', si: 12 },
  ] as const)('asks for $label, as it is typed: $written', async ({ label, written, key, si }) => {
    await open();
    enter(of(label), written);
    const number = level()[key];
    expect(number?.origin).toBe('typed');
    expect(number?.value).toBeCloseTo(si, 4);
    expect({ ...level(), [key]: undefined }).toEqual({
      ...puffin.duties.find(({ id }) => id === 'level-loaded'),
      [key]: undefined,
    });
  });

  it('speeds up at a rate, within a distance or a time: one of them is kept', async () => {
    await open();
    choose(of('It speeds up'), 'distance');
    expect(level().upToSpeed).toMatchObject({ kind: 'distance', distance: { origin: 'assumed' } });
    enter(of('Up to speed within'), '2 m');
    expect(level().upToSpeed).toMatchObject({ kind: 'distance', distance: { value: 2, origin: 'typed' } });
    choose(of('It speeds up'), 'time');
    enter(of('Up to speed within'), '1500 ms');
    expect(level().upToSpeed).toMatchObject({ kind: 'time', time: { value: 1.5 } });
    choose(of('It speeds up'), 'rate');
    expect(level()).not.toHaveProperty('upToSpeed');
  });

  it('covers an area in strips, and says how far and how long that is', async () => {
    await open();
    choose(of('How much of it'), 'area');
    enter(of('Area to cover'), '130 m²');
    enter(of('Working width'), '500 mm');
    enter(of('Overlap'), '20 %');
    // 130 m² in strips of 0.4 m: 325 m, at 1.3 m/s 250 s.
    expect(level().extent).toMatchObject({
      kind: 'area',
      area: { value: 130 },
      width: { value: 0.5 },
      overlap: { value: 0.2 },
    });
    expect(text()).toContain('325 m, which takes 4.17 min');
    enter('Speed, Level, loaded', '0');
    expect(text()).toContain('Give it a speed, and it becomes a time.');
  });

  it('drives a route so many times, a bend at a radius, and tows what rolls', async () => {
    await open();
    choose(of('How much of it'), 'route');
    pressButton('Times Level, loaded is driven: one more');
    expect(level().extent).toMatchObject({ kind: 'route', times: 3 });
    choose(of('It goes'), 'radius');
    enter(of('Radius of the bend'), '1.8 m');
    expect(level().turn).toMatchObject({ kind: 'radius', radius: { value: 1.8 } });
    enter(of('Towed mass'), '40 kg');
    enter(of('Rolling of the towed'), '0.03');
    expect(level().towed).toMatchObject({ mass: { value: 40 }, rolling: { value: 0.03 } });
    choose(of('In it, the vehicle'), 'hold');
    expect(level().task).toBe('hold');
  });

  it('is renamed, timed, allowed to run hot, and put on another ground', async () => {
    await show(puffin);
    enter('Name of the job Level, loaded', 'Along the pier');
    enter('Minutes an outing, Along the pier', '5 min');
    tick('Along the pier may run hot');
    const other = puffin.grounds.at(-1);
    choose('Ground of Along the pier', other?.id ?? '');
    expect(level()).toMatchObject({
      name: 'Along the pier',
      duration: { value: 300 },
      mayRunHot: true,
      groundId: other?.id,
    });
    const name = fieldCalled('Name of the job Along the pier');
    fireEvent.change(name, { target: { value: '' } });
    expect(name.parentElement?.textContent).toContain('A job needs a name.');
    expect(level().name).toBe('Along the pier');
  });
});

describe('the vehicle', () => {
  it('is called, meant for something, and for people near it', async () => {
    await show(puffin);
    enter('Name', 'Puffin the second');
    enter('What it is for', 'carries nets');
    choose('People', 'nobody');
    enter('Drag area', '0.5 m²');
    enter('Never faster than', '8 km/h');
    const { name, purpose, people, dragArea, speedCap } = kept();
    expect([name, purpose, people]).toEqual(['Puffin the second', 'carries nets', 'nobody']);
    expect(dragArea.value).toBe(0.5);
    expect(speedCap?.value).toBeCloseTo(8 / 3.6, 9);
    enter('Never faster than', '');
    expect(kept()).not.toHaveProperty('speedCap');
    fireEvent.change(fieldCalled('Name'), { target: { value: ' ' } });
    expect(text()).toContain('A build needs a name.');
    expect(kept().name).toBe('Puffin the second');
  });

  it('has masses that sit somewhere, its own and others, which are called and taken out', async () => {
    await show(puffin);
    enter('Mass, itself', '130 lb');
    expect(kept().masses.own.mass.value).toBeCloseTo(58.967, 3);
    enter('Ahead of the rear axle, payload', '400 mm');
    enter('Left of the middle, payload', '-20 mm');
    enter('Above the ground, payload', '600 mm');
    expect(kept().masses.payload).toMatchObject({
      ...{ aheadOfRearAxle: { value: 0.4 }, left: { value: -0.02 }, height: { value: 0.6 } },
    });
    pressButton('Add ballast');
    pressButton('Add a part');
    enter('Name of the mass Ballast', 'Sand bag');
    enter('Mass, sand bag', '15 kg');
    expect(kept().masses.others.map(({ name, kind, mass }) => [name, kind, mass.value])).toMatchObject([
      ['Sand bag', 'ballast', 15],
      ['Part', 'part', expect.any(Number)],
    ]);
    pressButton('Remove Sand bag');
    expect(kept().masses.others.map(({ name }) => name)).toEqual(['Part']);
  });

  it('measures so much, and pulls at a hitch as soon as a job pulls', async () => {
    await show(puffin);
    enter('Body, length', '1.2 m');
    enter('Body, ground clearance', '4 in');
    expect(kept().body).toMatchObject({ length: { value: 1.2 }, clearance: { value: 0.1016 } });
    expect(text()).not.toContain('Load of the towed on it');
    pressButton(/^What Level, loaded also asks for/);
    await settled();
    enter('Pull at the hitch, Level, loaded', '100 N');
    enter('Hitch, behind the rear axle', '150 mm');
    enter('Hitch, load of the towed on it', '5 kg');
    expect(kept().hitch.behind.value).toBeCloseTo(0.15, 9);
    expect(kept().hitch.load.value).toBeGreaterThan(0);
  });

  it('is steered by an actuator that knows its position or not, or by hand', async () => {
    await show(demo('puffin'));
    expect(screen.queryByText('Steered by')).toBeNull();
    tick('Castors steered');
    enter('Torque of its actuator', '2 N·m');
    enter('Its time for 60°', '200 ms');
    tick('knows its position');
    expect(kept().steering).toMatchObject({
      ...{ knowsPosition: true, actuatorTorque: { value: 2 } },
      secondsPer60: { value: 0.2 },
    });
    choose('Steered by', 'hand');
    enter('Pivot to hand', '300 mm');
    expect(kept().steering?.hand).toMatchObject({ arm: { value: 0.3 }, force: { value: 60 } });
    choose('Steered by', 'actuator');
    expect(kept().steering).not.toHaveProperty('hand');
  });

  it('stands on axles that are named, formed, measured and removed', async () => {
    await show(puffin);
    const axle = (n: number) => kept().layout.axles.at(n);
    enter('Name of the axle Castors', 'Front castors');
    choose('Kind of wheel, front castors', 'slider');
    choose('Tyre of front castors', 'steel');
    enter('Diameter, front castors', '150 mm');
    expect(kept().layout.axles.find(({ name }) => name === 'Front castors')).toMatchObject({
      ...{ form: 'slider', tyre: 'steel' },
      diameter: { value: 0.15 },
    });
    pressButton('Add an axle');
    const made = axle(-1);
    expect(kept().layout.axles).toHaveLength(puffin.layout.axles.length + 1);
    pressButton(`Remove ${made?.name ?? ''}`);
    expect(kept().layout.axles).toHaveLength(puffin.layout.axles.length);
  });

  it('rolls as a sphere by a mass inside, whose figures are its own', async () => {
    const sphere = startBuild({
      ...{ name: 'Tern', layout: 'sphere', mass: typed(4, 'kg'), wheel: typed(0.4, 'm') },
      ...{ length: typed(0.4, 'm'), width: typed(0.4, 'm'), payload: typed(0, 'kg') },
      jobs: [{ id: 'cruise', stated: { speed: typed(0.5, 'm/s') } }],
    });
    await show(sphere);
    enter('Mass that climbs inside', '900 g');
    enter('Its middle off the sphere’s', '40 mm');
    expect(kept().innerDrive).toMatchObject({
      ...{ mass: { value: 0.9 }, offset: { value: 0.04 } },
      shellMass: sphere.innerDrive?.shellMass,
    });
  });
});

describe('a ground', () => {
  it('is called, uneven, and measured for all tyres at once', async () => {
    await show(puffin);
    const [first] = puffin.grounds;
    if (!first) throw new Error('it has a ground');
    enter(`Name of the ground ${first.name}`, 'Slipway');
    const entry = within(screen.getByRole('listitem', { name: 'Slipway' }));
    fireEvent.click(entry.getByRole('checkbox', { name: 'uneven: a wheel may hang' }));
    expect(kept().grounds[0]).toMatchObject({ name: 'Slipway', uneven: true });
    tick('Slipway was measured');
    expect(kept().grounds[0]?.friction.origin).toBe('measured');
    tick('Slipway was measured');
    expect(kept().grounds[0]?.friction.origin).toBe('typed');
    fireEvent.click(entry.getByRole('checkbox', { name: 'uneven: a wheel may hang' }));
    expect(kept().grounds[0]).not.toHaveProperty('uneven');
  });

  it('is not removed while a job stands on it, and is once none does', async () => {
    await show(newBuild('Wren'));
    const [ground] = kept().grounds;
    const removes = () =>
      screen.getByRole<HTMLButtonElement>('button', { name: `Remove ${ground?.name ?? ''}` });
    expect(removes().disabled).toBe(true);
    await waitFor(() => expect(text()).toContain('packed snow'));
    for (const { name } of kept().duties) choose(`Ground of ${name}`, 'new:packed-snow');
    expect(removes().disabled).toBe(false);
    fireEvent.click(removes());
    expect(kept().grounds.some(({ id }) => id === ground?.id)).toBe(false);
  });
});

describe('a list in another order', () => {
  const items = ['a', 'b', 'c', 'd'].map((id) => ({ id }));
  const order = (id: string, to: number): string =>
    moved(items, id, to)
      .map((item) => item.id)
      .join('');

  it('has the one that was moved where it was put down, the others as they were', () => {
    expect([order('a', 2), order('d', 0), order('b', 1), order('c', 3)]).toEqual([
      'bcad',
      'dabc',
      'abcd',
      'abdc',
    ]);
    expect(order('nobody', 1)).toBe('abcd');
  });
});

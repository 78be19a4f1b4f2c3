import { readFileSync } from 'node:fs';
import { buildSchema, newBuild, type Build } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { fieldCalled, kept, onBench, settled, text } from '../../testing/on-bench.tsx';
import { Brief } from './Brief.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

const show = async (document: Build): Promise<void> => {
  onBench(<Brief />, document);
  await settled();
};
const type = (label: string, value: string): void => {
  const field = fieldCalled(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const choose = (label: string, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};

describe('the brief', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('asks four questions and answers roughly at once', async () => {
    await show(newBuild('Gull'));
    type('How heavy, itself?', '60 kg');
    type('And with what load?', '40 kg');
    type('How steep?', '10°');
    type('How fast?', '0.5 m/s');
    // 100 kg up 10° at 0.02: 189.6 N and 94.8 W; a wheel of 150 mm radius gets half of it, 14.2 N·m at
    // 0.5/0.15 rad/s = 31.8 rpm; two motors at twice the power over 75 %: 126 W each (by hand).
    expect(text()).toContain(
      'Roughly 190 N at the ground on “Ramp, loaded”, 14 N·m at 31.8 rpm where the wheel turns',
    );
    expect(text()).toContain('look for 2 motors of 126 W each');
    expect(kept().duties.some((d) => Math.abs(d.grade.value - Math.PI / 18) < 1e-9)).toBe(true);
  });

  it('adds jobs of a kind, and says in a few words what each also asks for', async () => {
    await show(puffin);
    choose('Kind of job', 'turn-on-the-spot');
    fireEvent.click(screen.getByRole('button', { name: 'Add a job' }));
    expect(kept().duties.at(-1)).toMatchObject({ name: 'Turn on the spot', turn: { kind: 'on-the-spot' } });
    expect(
      screen.getByRole('button', { name: 'What Turn on the spot also asks for: on the spot' }),
    ).toBeTruthy();
  });

  it('puts a job on a new ground within its own choice, in one edit', async () => {
    await show(puffin);
    const before = kept().grounds.length;
    await waitFor(() => expect(text()).toContain('packed snow'));
    choose('Ground of Level, loaded', 'new:packed-snow');
    expect(kept().grounds).toHaveLength(before + 1);
    expect(kept().grounds.at(-1)).toMatchObject({ name: 'Packed snow', surface: 'packed-snow' });
    const level = kept().duties.find(({ name }) => name === 'Level, loaded');
    expect(level?.groundId).toBe(kept().grounds.at(-1)?.id);
  });

  it('shows at once what a job asks besides, and a blade with its place', async () => {
    await show(newBuild('Plough'));
    choose('Kind of job', 'push');
    fireEvent.click(screen.getByRole('button', { name: 'Add a job' }));
    await settled();
    choose('What it pushes, Push a blade', 'gravel');
    type('Width of the blade, Push a blade', '30 in');
    type('Pushes at a height of, Push a blade', '4 in');
    const push = kept().duties.at(-1)?.push;
    expect(push).toMatchObject({ kind: 'heap', what: 'gravel' });
    expect(push?.kind === 'heap' && push.width.value).toBeCloseTo(0.762, 9);
    expect(push?.height.value).toBeCloseTo(0.1016, 9);
    choose('Its blade pushes, Push a blade', 'force');
    type('Force on the blade, Push a blade', '40 kg');
    // A weight at the blade is taken as its force: 40 kg times g.
    const forced = kept().duties.at(-1)?.push;
    expect(forced?.kind === 'force' && forced.force.value).toBeCloseTo(392.266, 9);
    // What it is at stays where it was; without a blade nothing of it is left.
    expect(kept().duties.at(-1)?.push?.height.value).toBeCloseTo(0.1016, 9);
    choose('Its blade pushes, Push a blade', 'none');
    expect(kept().duties.at(-1)).not.toHaveProperty('push');
  });

  it('tells its own words at a press', async () => {
    await show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Short, may run hot' }));
    expect(await screen.findByText(/hotter in it than it could stand all day/)).toBeTruthy();
    fireEvent.keyDown(screen.getByRole('button', { name: 'Short, may run hot' }), { key: 'Escape' });
    expect(text()).not.toContain('hotter in it than it could stand all day');
  });

  it('opens a job to all that it may ask; an empty field takes it out again', async () => {
    await show(puffin);
    fireEvent.click(screen.getByRole('button', { name: /^What Level, loaded also asks for/ }));
    await settled();
    type('Step or kerb, Level, loaded', '30 mm');
    type('Towed mass, Level, loaded', '50 kg');
    choose('It goes, Level, loaded', 'radius');
    choose('How much of it, Level, loaded', 'route');
    type('Length of the leg, Level, loaded', '40 m');
    const duty = kept().duties[1];
    expect(duty).toMatchObject({
      step: { value: 0.03 },
      towed: { mass: { value: 50 } },
      turn: { kind: 'radius' },
      extent: { kind: 'route', times: 2 },
    });
    expect(text()).toContain('80 m, which takes 61.5 s');
    type('Step or kerb, Level, loaded', '');
    type('Towed mass, Level, loaded', '');
    choose('It goes, Level, loaded', 'straight');
    expect(kept().duties[1]).not.toHaveProperty('step');
    expect(kept().duties[1]).not.toHaveProperty('towed');
    expect(kept().duties[1]).not.toHaveProperty('turn');
  });

  it('puts the vehicle on another layout, drawn before it is taken', async () => {
    await show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Another layout' }));
    const panel = await screen.findByRole('dialog');
    expect(within(panel).getAllByRole('listitem')).toHaveLength(18);
    fireEvent.click(within(panel).getByRole('button', { name: /Six fixed wheels/ }));
    expect(kept().layout).toMatchObject({ kind: 'skid' });
    expect(kept().layout.axles).toHaveLength(3);
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(screen.getByRole('heading', { name: /Stands on: fixed wheels, skid-steered/ })).toBeTruthy();
  });

  it('keeps one axle driven at least', async () => {
    await show(puffin);
    const only = screen.getByRole('checkbox', { name: 'Driven wheels driven' });
    expect((only as HTMLInputElement).disabled).toBe(true);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Castors driven' }));
    expect(
      (screen.getByRole('checkbox', { name: 'Driven wheels driven' }) as HTMLInputElement).disabled,
    ).toBe(false);
  });

  it('takes a ground from the table for its tyres, soft as it is, and says the source', async () => {
    await show(puffin);
    choose('Surface to add', 'dry-sand');
    fireEvent.click(screen.getByRole('button', { name: 'Add a ground' }));
    expect(kept().grounds.at(-1)).toMatchObject({
      name: 'Dry sand',
      surface: 'dry-sand',
      // What an air tyre itself loses, as on packed earth: sinking in is worked out.
      rolling: { value: 0.045 },
      soil: { kphiKnPerM: 1528 },
    });
    expect(text()).toContain('The table has rolling 0.2 to 0.3, grip 0.3 to 0.5: Gillespie');
    expect(text()).toContain('sinking in is worked out');
    type('Exponent n', '1.2');
    expect(kept().grounds.at(-1)?.soil).toMatchObject({ name: 'own values', exponent: 1.2 });
    choose('How soft Dry sand is', 'firm');
    expect(kept().grounds.at(-1)?.soil).toBeUndefined();
  });

  it('adds riders and ballast, weighs them, and takes care of who rides', async () => {
    await show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Add a rider' }));
    expect(text()).toContain('248 kg in total');
    // Who rides is near: nobody has to say it again.
    expect(kept().people).toBe('riding');
    expect(text()).toContain('a speed cap and helmets');
    fireEvent.click(screen.getByRole('button', { name: 'Remove Rider' }));
    expect(kept().masses.others).toEqual([]);
  });

  it('checks the limits of the event', async () => {
    await show(puffin);
    type('Mass without payload, at most', '50 kg');
    expect(text()).toContain('Over: mass without payload 58 kg of 50 kg');
    expect(text()).toContain('Over the limit of its event');
    type('Mass without payload, at most', '');
    expect(kept().aims).toEqual({ maximise: 'payload-rate' });
  });

  it('takes a brake, its force and none', async () => {
    await show(puffin);
    choose('Brake', 'friction');
    type('Its force at the ground', '300 N');
    expect(kept().brake).toMatchObject({ kind: 'friction', force: { value: 300 } });
    type('Its force at the ground', '');
    expect(kept().brake.force).toBeUndefined();
  });
});

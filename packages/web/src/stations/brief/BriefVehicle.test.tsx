import { readFileSync } from 'node:fs';
import { evaluate } from '@zubric/core/judge';
import {
  buildSchema,
  layoutTemplate,
  newBuild,
  withLayout,
  type Build,
  changeDrive,
} from '@zubric/core/vehicle';
import { fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { fieldCalled, kept, onBench, settled, text } from '../../testing/on-bench.tsx';
import { Brief } from './Brief.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const on = (layout: string): Build => {
  const template = layoutTemplate(layout);
  if (!template) throw new Error(`no layout ${layout}`);
  return withLayout(newBuild('Gull'), template);
};
const show = async (document: Build): Promise<void> => {
  onBench(<Brief />, document);
  await settled();
};
const type = (label: string | RegExp, value: string): void => {
  const field = fieldCalled(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const choose = (label: string | RegExp, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};
const groundOf = (name: string): HTMLElement => screen.getByRole('listitem', { name });
describe('what the vehicle is made of', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('caps its speed where told, and only there; empty takes the cap away', async () => {
    await show(puffin);
    expect(kept().speedCap).toBeUndefined();
    type('Never faster than', '6 km/h');
    expect(kept().speedCap?.value).toBeCloseTo(6 / 3.6, 9);
    // Its top speed is now held against the cap.
    const over = evaluate(kept()).links.filter(({ link }) => link === 'over-speed');
    expect(over.every(({ has }) => Math.abs(has - 6 / 3.6) < 1e-9)).toBe(true);
    expect(over.length).toBeGreaterThan(0);
    type('Never faster than', '');
    expect(kept().speedCap).toBeUndefined();
  });

  it('drives one wheel of a pair where told', async () => {
    await show(puffin);
    const [axle] = kept().layout.axles.filter(({ driven }) => driven);
    choose(`Which of ${axle?.name.toLowerCase()} drive`, 'left');
    expect(kept().layout.axles.find(({ id }) => id === axle?.id)?.drivenSide).toBe('left');
    const contacts = evaluate(kept()).duties[0]?.footing.contacts.filter(({ axleId }) => axleId === axle?.id);
    expect(contacts?.map(({ side, driven }) => [side, driven])).toEqual([
      ['left', true],
      ['right', false],
    ]);
    choose(`Which of ${axle?.name.toLowerCase()} drive`, 'both');
    expect(kept().layout.axles.find(({ id }) => id === axle?.id)?.drivenSide).toBeUndefined();
  });

  it('steers by hand with bar and force, and by an actuator of which nothing is assumed', async () => {
    await show(on('scooter'));
    expect(kept().steering?.actuatorTorque).toBeUndefined();
    choose('Steered by', 'hand');
    expect(kept().steering?.hand).toMatchObject({
      arm: { value: 0.24 },
      force: { value: 60, origin: 'assumed' },
    });
    // An actuator's own fields are gone, those of the geometry stay.
    expect(screen.queryByLabelText('Torque of its actuator')).toBeNull();
    type('Pivot to hand', '40 cm');
    type('Kingpin to tyre middle', '35 mm');
    expect(kept().steering).toMatchObject({ hand: { arm: { value: 0.4 } }, kingpinOffset: { value: 0.035 } });
    choose('Steered by', 'actuator');
    expect(kept().steering?.hand).toBeUndefined();
    expect(kept().steering?.kingpinOffset.value).toBe(0.035);
    type('Torque of its actuator', '2.5 N·m');
    expect(kept().steering?.actuatorTorque?.value).toBe(2.5);
    type('Torque of its actuator', '');
    expect(kept().steering?.actuatorTorque).toBeUndefined();
  });

  it('shows hitch fields only where something is towed, and the inner drive only in a sphere', async () => {
    await show(newBuild('Gull'));
    expect(screen.queryByLabelText('Hitch, above the ground')).toBeNull();
    expect(screen.queryByLabelText('Mass of the shell')).toBeNull();
    choose('Kind of job', 'tow');
    fireEvent.click(screen.getByRole('button', { name: 'Add a job' }));
    type('Hitch, above the ground', '250 mm');
    expect(kept().hitch.height.value).toBe(0.25);
  });

  it('adds itemised factors in place of the double rule, and judges by them', async () => {
    await show(puffin);
    choose('How careful', 'itemised');
    expect(kept().marginPolicy.school).toBe('itemised');
    expect(text()).not.toContain('Every motor twice what is needed');
    choose('How careful', 'double-rule');
    expect(text()).toContain('Every motor twice what is needed');
  });

  it('lists what stands in the way of the whole build, and the caution of slopes', async () => {
    await show(puffin);
    const findings = screen.getByRole('region', { name: 'What stands in the way' });
    expect(findings.textContent?.replaceAll('\u00a0', ' ')).toMatch(/of the \d+ N·m|×/);
    expect(text()).toContain('What goes up must come down');
  });
});

describe('a ground', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  const first = (): NonNullable<Build['grounds'][number]> => {
    const [ground] = kept().grounds;
    if (!ground) throw new Error('it meets a ground');
    return ground;
  };
  const fieldsOf = (legend: RegExp) =>
    within(within(groundOf(first().name)).getByRole('group', { name: legend }));
  const enter = (field: HTMLElement, value: string): void => {
    fireEvent.change(field, { target: { value } });
    fireEvent.blur(field);
  };

  it('has figures by what stands on it: rolling and grip of the driven, rolling of the free', async () => {
    await show(puffin);
    const driven = fieldsOf(/^Driven wheels/);
    enter(driven.getByLabelText('Rolling'), '0.05');
    enter(driven.getByLabelText('Grip'), '0.7');
    enter(driven.getByLabelText('Grip sideways'), '0.6');
    expect(first()).toMatchObject({
      rolling: { value: 0.05 },
      friction: { value: 0.7 },
      across: { value: 0.6 },
    });
    const free = fieldsOf(/^Castors/);
    enter(free.getByLabelText('Rolling'), '0.09');
    expect(first().freeRolling.value).toBe(0.09);
    expect(free.queryByLabelText('Grip')).toBeNull();
    expect(free.getByText('grips as the driven ones')).toBeTruthy();
  });

  it('refuses a grip that no tyre has, and keeps what stood', async () => {
    await show(puffin);
    const before = first().friction.value;
    enter(fieldsOf(/^Driven wheels/).getByLabelText('Grip'), '4');
    expect(screen.getByRole('alert').textContent).toBe('This must be more than 0 and at most 3.');
    expect(first().friction.value).toBe(before);
  });

  it('is marked as measured, figure by figure of the ground, and unmarked again', async () => {
    await show(puffin);
    const { name } = first();
    fireEvent.click(screen.getByLabelText(`${name} was measured`));
    expect([first().rolling, first().freeRolling, first().friction].map(({ origin }) => origin)).toEqual([
      'measured',
      'measured',
      'measured',
    ]);
    fireEvent.click(screen.getByLabelText(`${name} was measured`));
    expect(first().friction.origin).toBe('typed');
  });

  it('lets a wheel hang where it is uneven, and finds that the other then pushes nothing', async () => {
    // With its weight to the left it stands without its right driven wheel, and an open differential spins that one.
    const { own, payload } = puffin.masses;
    const left = { ...own.left, value: 0.2 };
    await show({
      ...puffin,
      drives: changeDrive(puffin, { together: 'axle', differential: 'open' }).drives,
      masses: { ...puffin.masses, own: { ...own, left }, payload: { ...payload, left } },
    });
    const uneven = (): HTMLElement =>
      within(groundOf(first().name)).getByLabelText('uneven: a wheel may hang');
    const hangs = () => evaluate(kept()).findings.filter(({ id }) => id.includes('hang'));
    expect(hangs()).toEqual([]);
    fireEvent.click(uneven());
    expect(first().uneven).toBe(true);
    expect(hangs().length).toBeGreaterThan(0);
    expect(hangs().every(({ severity }) => severity === 'stop')).toBe(true);
    expect(evaluate(kept()).duties[0]?.hanging).toMatchObject({ side: 'right', gripN: 0 });
    fireEvent.click(uneven());
    expect(first().uneven).toBeUndefined();
    expect(hangs()).toEqual([]);
  });

  it('gives way where it is soft, with values of the table or one’s own, and is firm again', async () => {
    await show(puffin);
    const soft = `How soft ${first().name} is`;
    choose(soft, 'dry-sand');
    expect(first().soil?.name).toMatch(/sand/i);
    const sunk = evaluate(kept()).duties.find(({ sink }) => sink)?.sink;
    expect(sunk?.sinkageM).toBeGreaterThan(0);
    type('Cohesion, kPa', '5');
    expect(first().soil).toMatchObject({ name: 'own values', cohesionKPa: 5 });
    choose(soft, 'firm');
    expect(first().soil).toBeUndefined();
  });

  it('is added from the table for the tyres on the vehicle, and goes only where no job stands on it', async () => {
    await show(puffin);
    choose('Surface to add', 'soft-snow');
    fireEvent.click(screen.getByRole('button', { name: 'Add a ground' }));
    const added = kept().grounds.at(-1);
    // Snow gives way from the start.
    expect(added?.soil).toBeTruthy();
    const remove = (name: string): HTMLButtonElement =>
      screen.getByRole('button', { name: `Remove ${name}` });
    expect(remove(first().name).disabled).toBe(true);
    fireEvent.click(remove(added?.name ?? ''));
    expect(kept().grounds.some(({ id }) => id === added?.id)).toBe(false);
  });
});

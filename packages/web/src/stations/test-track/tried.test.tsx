import { typed } from '@zubric/core/quantity';
import { choosePart, partSchema, startBuild, type Build } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { beforeEach, describe, expect, it } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { fieldCalled, kept, onBench, text } from '../../testing/on-bench.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';
import { TestTrack } from './TestTrack.tsx';

const LONG = { timeout: 30_000 };
const says = (words: RegExp) => waitFor(() => expect(text()).toMatch(words), LONG);
const type = (label: string | RegExp, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};
const onShelf = (file: string, id: string) => {
  const found = partSchema
    .array()
    .parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8')))
    .find((one) => one.id === id);
  if (!found) throw new Error(`no ${id} on the shelf`);
  return found;
};

beforeEach(() => void workOfTheBench());

describe('a rolling sphere', () => {
  const bare: Build = startBuild({
    ...{ name: 'Tern', layout: 'sphere', mass: typed(4, 'kg'), wheel: typed(0.4, 'm') },
    ...{ length: typed(0.4, 'm'), width: typed(0.4, 'm'), payload: typed(0, 'kg') },
    jobs: [{ id: 'cruise', stated: { speed: typed(0.5, 'm/s') } }],
  });
  const sphere: Build = {
    ...[
      onShelf('motors', 'motor-12v-37d-70'),
      onShelf('drivers', 'driver-2x5'),
      onShelf('batteries', 'battery-3s-5'),
    ].reduce(choosePart, bare),
    innerDrive: { mass: typed(2.4, 'kg'), offset: typed(0.1, 'm'), shellMass: typed(1.2, 'kg') },
  };

  it('is what is tried of it first; sent over a way it says how it swings, nods and comes to rest', async () => {
    onBench(<TestTrack />, sphere);
    await says(/Sent over 3 m, its command stands for [\d.]+ s; the mass inside swings out by up to [\d.]+°/);
    expect(screen.queryByRole('button', { name: 'A course' })).toBeNull();
    expect(screen.getByRole('img', { name: /^swing of the mass inside.* over time: from 0°/ })).toBeDefined();
    const table = within(screen.getByRole('table'));
    expect(table.getAllByRole('row')).toHaveLength(4);
  });

  it('is sent the way that ends face up, and started by one of three ramps, both kept with the build', async () => {
    onBench(<TestTrack />, sphere);
    await says(/ends [\d.]+° (past|short of) up/);
    fireEvent.click(screen.getByRole('button', { name: /^Send it .* face up$/ }));
    await says(/looks up again/);
    expect(kept().driving?.rolling?.distanceM).not.toBe(3);
    const [first] = screen.getAllByRole('button', { name: 'Take it' });
    if (!first) throw new Error('another ramp can be taken');
    fireEvent.click(first);
    await waitFor(() => expect(kept().driving?.rolling?.rampS).toBeGreaterThan(0), LONG);
    fireEvent.change(screen.getByLabelText('At the end its motors are'), { target: { value: 'let-go' } });
    await says(/still nods 20 s later|is at rest after/);
    expect(kept().driving?.rolling?.stop).toBe('let-go');
  });

  it('does not go up what its mass cannot climb, and says what would', async () => {
    const steep = { ...sphere, duties: sphere.duties.map((duty) => ({ ...duty, grade: typed(0.7, '°') })) };
    onBench(<TestTrack />, steep);
    await says(/It does not go: on this ground the mass inside would be pushed over the top/);
  });

  it('asks for a motor first', async () => {
    onBench(<TestTrack />, bare);
    await says(/choose a motor with magnets in Power first/);
  });
});

describe('a creeping dolly', () => {
  const rail = demo('glasshouse-rail');
  if (!rail) throw new Error('the rail is a build of the demo');

  it('creeps smoothly by what is usual, and by jerks by what was measured of it, with what would mend it', async () => {
    onBench(<TestTrack />, rail);
    await says(/At 4 mm\/s it creeps smoothly\. Under [\d.]+ mm\/s it would begin to stick/);
    expect(text()).toMatch(/Over 22 m\s*91\.7 min/);
    type('To get it moving', '12 N');
    type('To keep it moving', '4 N');
    await says(/it sticks and slips: it stands for [\d.]+ % of the time/);
    await says(/It goes smoothly above [\d.]+ mm\/s; or at this speed if it gives way by no more than/);
    expect(kept().driving?.creeping).toMatchObject({ breakawayN: 12, movingN: 4 });
  });

  it('says what steps do at the rail, and that they shake it where they come as it swings', async () => {
    onBench(<TestTrack />, rail);
    await says(/creeps smoothly/);
    fireEvent.change(screen.getByLabelText('Its motor turns'), { target: { value: 'in-steps' } });
    await says(/A step moves it by .* of them a second; it swings 3\.6 times a second by itself/);
    type(/^Steps a turn/, '1.25');
    await says(/steps that come as it swings shake it/);
    expect(text()).toMatch(/counts a second at 4 mm\/s, 0\.42 in a cycle of its loop: too few for a speed/);
  });

  it('takes what is usual again where a field is cleared, and lets nothing start with less than keeps it moving', async () => {
    onBench(<TestTrack />, rail);
    await says(/creeps smoothly/);
    type('To get it moving', '12 N');
    type('To keep it moving', '15 N');
    await waitFor(() => expect(kept().driving?.creeping).toMatchObject({ breakawayN: 15, movingN: 15 }));
    type('To get it moving', '9 N');
    await says(/It takes at least what keeps it moving/);
    type('To keep it moving', '');
    await waitFor(() => expect(kept().driving?.creeping).not.toHaveProperty('movingN'));
  });

  it('refuses what cannot be, and keeps what was', async () => {
    onBench(<TestTrack />, rail);
    await says(/creeps smoothly/);
    type('it gives way by', '-3');
    await says(/More than 0, up to 1 m/);
    expect(kept().driving?.creeping?.givesM ?? 1e-3).toBe(1e-3);
  });
});

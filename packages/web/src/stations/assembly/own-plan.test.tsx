/** A builder's own steps, order and names; who builds; which wire goes where. */
import { readFileSync } from 'node:fs';
import { readBuild, type Build } from '@zubric/core/vehicle';
import { fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { handedOver, textOf } from '../../testing/handed.ts';
import { kept, onBench } from '../../testing/on-bench.tsx';
import { Assembly } from './Assembly.tsx';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;

function show(document: Build, view?: string): void {
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no server')));
  onBench(<Assembly />, document);
  if (view !== undefined) fireEvent.click(screen.getByRole('button', { name: view }));
}

const rowOf = (title: string): HTMLElement => {
  const item = screen.getByLabelText(`Done: ${title}`).closest('li');
  if (!item) throw new Error(`no step ${title}`);
  return item;
};
const opened = (title: string): HTMLElement => {
  fireEvent.click(within(rowOf(title)).getByRole('button', { name: /^what it takes/ }));
  return rowOf(title);
};
const titles = (): string[] =>
  screen.getAllByLabelText(/^Done: /).map((box) => box.getAttribute('aria-label')?.slice(6) ?? '');

beforeEach(() => void vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-11-23T10:00:00') }));

describe('a step, opened', () => {
  it('says what goes in, with which screws and how tight, the tools, and why it comes when it does', () => {
    show(puffin);
    const motors = opened('Bolt the motors to their mounts');
    expect(within(motors).getByText(/^2 × .*brushed gearmotor/)).toBeDefined();
    expect(
      within(motors).getByText(/8 × M6 × 20 screw for motor, 10\sN·m, thread lock, a usual size/),
    ).toBeDefined();
    expect(within(motors).getByText(/torque wrench/)).toBeDefined();
    expect(
      within(opened('Put the driven wheels on')).getByText(
        /once the wheel is on, a closed loop cannot pass it/,
      ),
    ).toBeDefined();
  });
  it('is renamed, timed, split, left out and taken back', () => {
    show(puffin);
    const tray = opened('Fix the battery in its tray, not yet connected');
    fireEvent.change(within(tray).getByLabelText('What is done'), { target: { value: 'Strap the pack in' } });
    expect(rowOf('Strap the pack in')).toBeDefined();
    fireEvent.change(within(rowOf('Strap the pack in')).getByLabelText('Pairs of hands'), {
      target: { value: '2' },
    });
    expect(kept().assembly.steps.find(({ id }) => id === 'tray')).toMatchObject({
      title: 'Strap the pack in',
      hands: 2,
    });
    fireEvent.click(screen.getByRole('button', { name: /^Split it in two/ }));
    expect(titles()).toContain('Strap the pack in, second part');
    fireEvent.click(screen.getByRole('button', { name: /^Leave it out.*Strap the pack in$/ }));
    expect(titles()).not.toContain('Strap the pack in');
    expect(screen.getByText(/No step fits “.*lithium iron”/)).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: /^Take it back/ }));
    expect(titles()).toContain('Fix the battery in its tray, not yet connected');
  });
  it('comes after another as the builder has it; what would close a circle is told and not taken', () => {
    show(puffin);
    const charge = opened('Charge the battery');
    const after = within(charge).getByLabelText('Also after');
    fireEvent.change(after, { target: { value: 'castors' } });
    expect(kept().assembly.steps.find(({ id }) => id === 'charge')?.after).toEqual(['castors']);
    expect(
      within(rowOf('Charge the battery')).getByText(/after “Bolt the castors on”: as you have it/),
    ).toBeDefined();
    fireEvent.change(after, { target: { value: 'first-run' } });
    expect(screen.getByRole('alert').textContent).toMatch(
      /closes a circle: “Charge the battery”.*Nothing was changed/,
    );
    expect(kept().assembly.steps.find(({ id }) => id === 'charge')?.after).toEqual(['castors']);
    fireEvent.click(screen.getByRole('button', { name: /^no longer/ }));
    expect(kept().assembly.steps.some(({ id }) => id === 'charge')).toBe(false);
  });
  it('may be the builder’s own, where it is put', async () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Add the step' }));
    expect((await screen.findByRole('alert')).textContent).toBe('Say first what is done.');
    fireEvent.change(screen.getByRole('textbox', { name: 'A step of your own' }), {
      target: { value: 'Paint the frame' },
    });
    fireEvent.change(screen.getByLabelText('Where'), { target: { value: 'frame' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add the step' }));
    await screen.findByLabelText('Done: Paint the frame');
    expect(titles().indexOf('Paint the frame')).toBe(1);
    fireEvent.click(screen.getByLabelText('Done: Paint the frame'));
    expect(kept().assembly.steps.find(({ id }) => id === 'own-step-1')?.doneOn).toBe('2026-11-23');
    opened('Paint the frame');
    fireEvent.click(screen.getByRole('button', { name: /^Remove it/ }));
    expect(kept().assembly.ownSteps).toBeUndefined();
  });
});

describe('dates and people', () => {
  it('count a helper in, on days of their own, and let them go', async () => {
    show(puffin, 'Dates and people');
    fireEvent.change(screen.getByLabelText('Somebody who helps'), { target: { value: 'Anna' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add a helper' }));
    const days = within(await screen.findByRole('group', { name: 'Working days of Anna' }));
    fireEvent.click(days.getByRole('button', { name: 'Sun' }));
    expect(kept().assembly.helpers).toMatchObject([{ name: 'Anna', workDays: ['wed', 'sat', 'sun'] }]);
    expect(screen.getAllByText(/you and Anna/).length).toBeGreaterThan(0);
    fireEvent.click(screen.getByRole('button', { name: 'Remove Anna' }));
    expect(kept().assembly.helpers).toBeUndefined();
  });
  it('say what a late part moves, and hand out a calendar', async () => {
    const handed = handedOver();
    show(puffin, 'Dates and people');
    const late = within(screen.getByRole('region', { name: 'If it comes a week late' }));
    expect(late.getAllByText(/ready \d+ days? later|moves nothing/).length).toBeGreaterThan(2);
    fireEvent.click(screen.getByRole('button', { name: 'Save as a calendar file' }));
    expect(await textOf(handed[0]?.content)).toMatch(/^BEGIN:VCALENDAR[^]*SUMMARY:Put the driven wheels on/);
  });
});

describe('the wiring', () => {
  it('says which motor is inverted, and tells two wires at one port', () => {
    show(puffin, 'Wiring');
    expect(screen.getByText('motor right', { selector: 'p b' })).toBeDefined();
    fireEvent.change(screen.getByLabelText('Port of motor right'), { target: { value: 'channel 1' } });
    expect(screen.getByText(/“motor left” and “motor right” are both at channel 1/)).toBeDefined();
    fireEvent.change(screen.getByLabelText('Port of motor right'), { target: { value: 'M2' } });
    expect(screen.queryByText(/are both at/)).toBeNull();
    expect(kept().assembly.ports).toEqual([{ id: 'motor.drive-1.2', port: 'M2' }]);
  });
});

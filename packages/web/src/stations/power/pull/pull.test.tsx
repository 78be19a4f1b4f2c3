import { drivelineOf, flatOut } from '@zubric/core/drive';
import {
  changeDrive,
  driveOf,
  layoutTemplate,
  newBuild,
  throughDrive,
  withLayout,
} from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demo } from '../../../testing/demo.ts';
import { onBench, text } from '../../../testing/on-bench.tsx';
import { PullChart } from './PullChart.tsx';
import { TurnedChart } from './TurnedChart.tsx';

const puffin = demo('puffin');
const look = (speedMps: number): void => {
  fireEvent.change(screen.getByLabelText('Speed that is looked at'), { target: { value: String(speedMps) } });
};
/** The first number after some words on the page. */
const after = (words: RegExp): number => Number(new RegExp(`${words.source}([\\d.]+)`).exec(text())?.[1]);
const crosses = (): number => document.querySelectorAll('svg path[stroke-width="2.5"]').length;

describe('the pull of a drive', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('is looked at by its speed: what the battery gives is never less than what comes to the ground', () => {
    onBench(<PullChart />, puffin);
    for (const speedMps of [0, 0.4, 0.8, 1.2, 1.6]) {
      look(speedMps);
      const [amps, volts] = [after(/full command: /), after(/from the battery, at /)];
      const row = screen.getAllByRole('row').at(-1)?.textContent ?? '';
      const pullN = Number.parseFloat(row);
      // Power at the ground over power from the battery: the laws of the trade, not this program.
      expect(pullN * speedMps).toBeLessThan(amps * volts);
      if (speedMps > 0.5 && speedMps < 1.5) expect((pullN * speedMps) / (amps * volts)).toBeGreaterThan(0.4);
    }
  });

  it('says at each speed what the drive gives there, and that the driver holds it at a stall', () => {
    onBench(<PullChart />, puffin);
    const line = drivelineOf(puffin);
    if (!line) throw new Error('Puffin drives');
    look(0);
    expect(after(/full command: /)).toBeCloseTo(flatOut(line, 0).batteryA, 0);
    expect(text()).toContain('held by its driver');
    look(1.7);
    expect(text()).not.toContain('held by its driver');
  });

  it('marks every job that asks a force, and tells each in words', () => {
    onBench(<PullChart />, puffin);
    const words = document.querySelector('svg desc')?.textContent?.replaceAll('\u00a0', ' ') ?? '';
    for (const { name } of puffin.duties) expect(words).toContain(`${name}: asks `);
    expect(words).toContain('Slip, loaded: asks 411 N at 0.8 m/s, top speed 1.42 m/s');
    expect(crosses()).toBe(puffin.duties.length);
  });

  it('names what holds it back, and never in the name of the axis, however high that reaches', () => {
    const words = (said: RegExp) =>
      [...document.querySelectorAll('svg text')].filter(({ textContent }) => said.test(textContent ?? ''));
    const { stages } = driveOf(puffin);
    for (let teeth = 30; teeth <= 44; teeth += 1) {
      const turned = stages.map((stage) =>
        stage.kind === 'chain' ? { ...stage, teethDriven: teeth } : stage,
      );
      onBench(<PullChart />, changeDrive(puffin, { stages: turned }));
      const [holds] = words(/ holds /);
      const [axis] = words(/^pull at the ground, /);
      const apart = Number(holds?.getAttribute('y')) - Number(axis?.getAttribute('y'));
      expect(apart, `${teeth} teeth`).toBeGreaterThan(12);
      cleanup();
    }
  });

  it('is shown in the builder’s units', () => {
    localStorage.setItem('zubric-units', 'imperial');
    onBench(<PullChart />, puffin);
    expect(text()).toContain('pull at the ground, lbf');
    expect(text()).toMatch(/road speed, (mph|ft\/min)/);
  });

  it('speaks of the rope where a winch pulls by one', () => {
    const template = layoutTemplate('winch');
    if (!template) throw new Error('a winch is a layout');
    onBench(<PullChart />, withLayout(puffin, template));
    expect(text()).toContain('pull on the rope, N');
    expect(text()).not.toContain('at the ground, N');
  });

  it('asks for a motor where there is none, and still marks the jobs', () => {
    onBench(<PullChart />, newBuild('Gull'));
    expect(text()).toContain('choose a motor to see its pull');
    expect(screen.queryByLabelText('Speed that is looked at')).toBeNull();
    expect(crosses()).toBe(2);
  });
});

describe('the torque of a drive that works', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  const lift = throughDrive(demo('whimbrel'), 'drive-3');

  it('stands over what its work asks, and under it where hardly a current comes through', () => {
    const heights = (document_: typeof lift): readonly [line: number, mark: number] => {
      onBench(<TurnedChart />, document_);
      const line = document.querySelector('path[stroke-width="3"]')?.getAttribute('d') ?? '';
      const mark = document.querySelector('path[stroke-width="2.5"]')?.getAttribute('d') ?? '';
      const points = line.split('L').map((point) => point.replace('M', '').split(',').map(Number));
      const [x = NaN, y = NaN] = (/M(\S+) (\S+?)h/.exec(mark)?.slice(1) ?? []).map(Number);
      const nearest = points.reduce((a, b) =>
        Math.abs((b[0] ?? 0) - x - 6) < Math.abs((a[0] ?? 0) - x - 6) ? b : a,
      );
      cleanup();
      return [nearest[1] ?? NaN, y];
    };
    const [line, mark] = heights(lift);
    // Up the page is down in its numbers.
    expect(line).toBeLessThan(mark);
    // What little comes through leads of twenty ohms does not lift it.
    const [starved, asked] = heights(changeDrive(lift, { leadResistance: typed(20, 'Ω') }));
    expect(starved).toBeGreaterThan(asked);
  });

  it('asks for a motor where there is none', () => {
    onBench(<TurnedChart />, changeDrive(lift, { motorId: null }));
    expect(text()).toContain('choose a motor to see its torque');
  });
});

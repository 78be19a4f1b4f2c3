import { readFileSync } from 'node:fs';
import { buildSchema, newBuild, type Build } from '@zubric/core/build';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { onBench, text } from '../../testing/on-bench.tsx';
import { Drivetrain } from './Drivetrain.tsx';

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));

const show = (document: Build): void => onBench(<Drivetrain />, document);
const stages = () => within(screen.getByRole('table', { name: 'Stages from motor to wheel' }));

describe('the drivetrain station', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    localStorage.clear();
  });

  it('asks its question of the hardest duty and answers it', () => {
    show(puffin);
    expect(screen.getByRole('heading', { level: 1 }).textContent?.replaceAll('\u00a0', ' ')).toBe(
      'Which ratio pulls 178 kg on “Slip, loaded” and still does 0.8 m/s?',
    );
    expect(text()).toContain('21 to 49 : 1 just does every duty; fitted is 32.4 : 1');
    expect(text()).toContain('at best 1.33 ×, at 41.8 : 1');
  });

  it('says in words what the windows show', () => {
    show(puffin);
    const chart = screen.getByRole('img', { name: /^Ratio windows/ });
    expect(chart.getAttribute('aria-label')).toContain('Slip, loaded: 21 to 62.7');
    expect(within(chart).getByText('none at 2 ×')).toBeTruthy();
  });

  it('changes ratio, links and load with a tooth', () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Teeth of the driver sprocket: one less' }));
    expect(stages().getByText('4')).toBeTruthy();
    expect(text()).toContain('fitted is 36 : 1');
    const fit = screen.getByRole('button', { name: /^fit/ });
    fireEvent.click(fit);
    expect(screen.queryByRole('button', { name: /^fit/ })).toBeNull();
  });

  it('says why a chain cannot be, beside it and among the findings', () => {
    show(puffin);
    fireEvent.change(screen.getByLabelText('Distance between the shafts'), { target: { value: '2 in' } });
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
    fireEvent.change(screen.getByLabelText('Friction'), { target: { value: '0.15' } });
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

  it('leads on where there is no motor yet', () => {
    show(newBuild('Bare'));
    expect(text()).toContain('Choose a motor in Power first');
    expect(text()).toContain('the motor turns the wheel directly');
  });
});

import { cleanup, fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { evaluate } from '@zubric/core/judge';
import { demo } from '../../testing/demo.ts';
import { fieldCalled, kept, onBench } from '../../testing/on-bench.tsx';
import { StandingForm } from './StandingForm.tsx';

const type = (label: string, value: string): void => {
  const field = fieldCalled(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const choose = (label: string, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};
const isAsked = (label: string): boolean =>
  [...document.querySelectorAll('label')].some(({ textContent }) => textContent === label);

describe('what tipping, towing, stopping and steering ask', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('asks of a brake only what its kind has, and keeps the force while another kind is looked at', () => {
    onBench(<StandingForm />, demo('moth'));
    choose('Brake', 'friction');
    type('Its force at the ground', '300 N');
    expect(kept().brake).toMatchObject({ kind: 'friction', force: { value: 300 } });
    choose('Brake', 'electronic');
    expect(isAsked('Its force at the ground')).toBe(false);
    expect(isAsked('Time before it bites')).toBe(true);
    choose('Brake', 'none');
    expect(isAsked('Time before it bites')).toBe(false);
    choose('Brake', 'friction');
    expect(fieldCalled('Its force at the ground')).toHaveProperty('value', '300 N');
  });

  it('takes a hitch where something is towed, and nowhere else', () => {
    onBench(<StandingForm />, demo('puffin'));
    expect(isAsked('Hitch, behind the rear axle')).toBe(false);
    cleanup();
    const puffin = demo('puffin');
    const [first, ...duties] = puffin.duties;
    if (!first) throw new Error('Puffin has a job');
    const pull = { ...first.drawbar, value: 50 };
    onBench(<StandingForm />, { ...puffin, duties: [{ ...first, drawbar: pull }, ...duties] });
    type('Hitch, behind the rear axle', '12 in');
    expect(kept().hitch.behind.value).toBeCloseTo(0.3048, 9);
  });

  it('steers by hand with a usual bar, which the judging then uses, and forgets it with an actuator', () => {
    onBench(<StandingForm />, demo('moth'));
    choose('Steered by', 'hand');
    const arm = kept().steering?.hand?.arm;
    expect(arm?.origin).toBe('assumed');
    const has = (): number => {
      const link = evaluate(kept()).links.find((one) => one.link === 'steering');
      if (!link) throw new Error('its steering is judged');
      return link.has;
    };
    const before = has();
    type('Force of the hand', '120 N');
    // Twice the hand steers with twice the force.
    expect(has() / before).toBeCloseTo(2, 6);
    choose('Steered by', 'actuator');
    expect(kept().steering?.hand).toBeUndefined();
    fireEvent.click(screen.getByLabelText('knows its position'));
    expect(kept().steering?.knowsPosition).toBe(true);
  });

  it('asks nothing of steering where no axle steers', () => {
    onBench(<StandingForm />, demo('puffin'));
    expect(isAsked('Steered by')).toBe(false);
  });
});

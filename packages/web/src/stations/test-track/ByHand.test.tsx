import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { onBench, text } from '../../testing/on-bench.tsx';
import { ByHand } from './ByHand.tsx';
import { gamepadHand, handOf, stick } from './hands.ts';

/** Until it is told what it does again. */
const told = (what: RegExp): Promise<void> =>
  waitFor(() => expect(text()).toMatch(what), { timeout: 10_000 });
const yard = (): HTMLElement => screen.getByRole('group', { name: /The yard/ });

describe('driving by hand', () => {
  it('goes while a key is down, is let go, and is driven again as it was recorded', async () => {
    onBench(<ByHand />, demo('puffin'));
    fireEvent.click(screen.getByRole('button', { name: 'Take the controls' }));
    fireEvent.keyDown(yard(), { code: 'ArrowUp' });
    await told(/It goes 0\.[2-9]/);
    fireEvent.keyUp(yard(), { code: 'ArrowUp' });
    await told(/It goes 0 m\/s|It goes 0\.00|It goes \d[\d.]* mm\/s/);
    fireEvent.click(screen.getByRole('button', { name: 'Let go' }));
    fireEvent.click(screen.getByRole('button', { name: 'Drive it again as recorded' }));
    await told(/It goes 0\.[2-9]/);
    await waitFor(() => expect(screen.getByRole('button', { name: 'Take the controls' })).toBeDefined(), {
      timeout: 20_000,
    });
  });

  it('stops by itself where its link is cut, and says so', async () => {
    // The browser of the tests knows no pointers that are held.
    Object.assign(HTMLElement.prototype, { setPointerCapture: () => undefined });
    onBench(<ByHand />, demo('puffin'));
    fireEvent.click(screen.getByRole('button', { name: 'Take the controls' }));
    fireEvent.pointerDown(screen.getByRole('button', { name: 'Ahead' }), { pointerId: 1 });
    await told(/It goes 0\.[2-9]/);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Cut the link to it' }));
    await told(/Nothing comes over its link: it has stopped by itself/);
  });

  it('goes while a button is held by keyboard, and is let go where the finger slips off', async () => {
    Object.assign(HTMLElement.prototype, { setPointerCapture: () => undefined });
    onBench(<ByHand />, demo('puffin'));
    fireEvent.click(screen.getByRole('button', { name: 'Take the controls' }));
    const ahead = screen.getByRole('button', { name: 'Ahead' });
    fireEvent.keyDown(ahead, { key: 'a' });
    fireEvent.keyDown(ahead, { key: ' ' });
    await told(/It goes 0\.[2-9]/);
    fireEvent.keyUp(ahead, { key: ' ' });
    await told(/It goes 0 m\/s|It goes 0\.00|It goes \d[\d.]* mm\/s/);
    fireEvent.pointerDown(screen.getByRole('button', { name: 'Back' }), { pointerId: 2 });
    await told(/It goes (−|-)?0\.[2-9]/);
    fireEvent.pointerCancel(screen.getByRole('button', { name: 'Back' }), { pointerId: 2 });
    await told(/It goes (−|-)?(0 m\/s|0\.00|\d[\d.]* mm\/s)/);
  });

  it('turns what is pushed into both sides, or into ahead and the lock of a steered one', () => {
    expect(handOf('stick', { ahead: true }, 0.5, false)).toEqual({ left: 0.5, right: 0.5, steer: 0 });
    expect(handOf('stick', { right: true }, 0.5, false)).toEqual({ left: 0.5, right: -0.5, steer: 0 });
    expect(handOf('stick', { ahead: true, left: true }, 1, true)).toEqual({ left: 1, right: 1, steer: -1 });
    expect(handOf('two levers', { leftAhead: true, rightBack: true }, 0.4, false)).toEqual({
      left: 0.4,
      right: -0.4,
      steer: 0,
    });
    expect(stick(1, 1, 1, false)).toEqual({ left: 1, right: 0, steer: 0 });
  });

  it('is driven by a gamepad that is pushed, and by keys where it is let go', () => {
    const pad = (axes: readonly number[]) =>
      vi.stubGlobal('navigator', { getGamepads: () => [{ connected: true, axes }] });
    pad([0.05, 0.02, 0, 0]);
    expect(gamepadHand('stick', 1, false)).toBeUndefined();
    pad([0, -0.5, 0, 0.25]);
    expect(gamepadHand('stick', 1, false)).toEqual({ left: 0.5, right: 0.5, steer: 0 });
    expect(gamepadHand('two levers', 1, false)).toEqual({ left: 0.5, right: -0.25, steer: 0 });
  });

  it('leads on where something is missing', () => {
    onBench(<ByHand />, { ...demo('puffin'), duties: [] });
    expect(text()).toContain('State a job in the Brief first.');
  });
});

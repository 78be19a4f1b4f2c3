import { cleanup, fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demandOf } from '@zubric/core/demand';
import { useBuild } from '../session/BuildSession.tsx';
import { demo } from '../testing/demo.ts';
import { kept, onBench } from '../testing/on-bench.tsx';
import { VehicleDrawing } from './VehicleDrawing.tsx';
import type { View } from './frame.ts';

const puffin = demo('puffin');
const [slip] = puffin.duties;
if (!slip) throw new Error('Puffin has a job');

function Drawn({ view, drawbarN = 0 }: { readonly view: View; readonly drawbarN?: number }) {
  const { build, edit } = useBuild();
  const { footing } = demandOf(build, slip as never);
  return (
    <VehicleDrawing
      build={build}
      view={view}
      width={400}
      height={300}
      footing={footing}
      edit={edit}
      drawbarN={drawbarN}
      label="Puffin"
    />
  );
}

const handle = (name: string): HTMLElement => screen.getByRole('slider', { name });
const press = (name: string, key: string, more: object = {}): void => {
  fireEvent.keyDown(handle(name), { key, ...more });
};

describe('a vehicle that is drawn', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('has its payload moved ahead and up by keys, ten steps at once with Shift, never under the ground', () => {
    onBench(<Drawn view="side" />, puffin);
    const at = () => kept().masses.payload;
    const was = at();
    press('Payload, from the side', 'ArrowRight');
    const step = at().aheadOfRearAxle.value - was.aheadOfRearAxle.value;
    expect(step).toBeGreaterThan(0);
    press('Payload, from the side', 'ArrowUp', { shiftKey: true });
    expect(at().height.value - was.height.value).toBeCloseTo(10 * step, 6);
    expect(at().height.origin).toBe('typed');
    for (let n = 0; n < 20; n++) press('Payload, from the side', 'ArrowDown', { shiftKey: true });
    expect(at().height.value).toBe(0);
    press('Payload, from the side', 'x');
    expect(at().height.value).toBe(0);
  });

  it('has its axles moved apart from above, each wheel by half of it, and along', () => {
    onBench(<Drawn view="plan" />, puffin);
    const axle = () => {
      const found = kept().layout.axles.find(({ driven }) => driven);
      if (!found) throw new Error('an axle is driven');
      return found;
    };
    const was = axle();
    press(`${was.name}, from above`, 'ArrowRight');
    const step = axle().ahead.value - was.ahead.value;
    press(`${was.name}, from above`, 'ArrowUp');
    expect(axle().track.value - was.track.value).toBeCloseTo(2 * step, 6);
    expect(handle(`${was.name}, from above`).getAttribute('aria-valuetext')).toContain('apart');
  });

  it('says the pull at its hitch on the page, however far behind the hitch is', () => {
    for (const behind of [0.1, 2, 20]) {
      const far = {
        ...puffin,
        hitch: { ...puffin.hitch, behind: { ...puffin.hitch.behind, value: behind } },
      };
      onBench(<Drawn view="side" drawbarN={777} />, far);
      const said = screen.getByText(/^777\sN$/);
      const left = Number(said.getAttribute('x')) - (said.textContent.length * 6) / 2;
      expect(left).toBeGreaterThanOrEqual(0);
      cleanup();
    }
  });

  it('follows a hand: what is dragged moves as far as the hand did, to scale', () => {
    onBench(<Drawn view="side" />, puffin);
    const grip = handle('Payload, from the side');
    Object.assign(grip, { setPointerCapture: () => undefined });
    Object.assign(grip.closest('svg') as object, { getScreenCTM: () => ({ a: 1 }) });
    const at = () => kept().masses.payload.aheadOfRearAxle.value;
    const was = at();
    fireEvent.pointerDown(grip, { pointerId: 1, clientX: 0, clientY: 0 });
    fireEvent.pointerMove(grip, { pointerId: 1, clientX: 40, clientY: 0 });
    const once = at() - was;
    fireEvent.pointerMove(grip, { pointerId: 1, clientX: 80, clientY: 0 });
    fireEvent.pointerUp(grip, { pointerId: 1 });
    fireEvent.pointerMove(grip, { pointerId: 1, clientX: 400, clientY: 0 });
    expect(once).toBeGreaterThan(0);
    expect((at() - was) / once).toBeCloseTo(2, 0);
  });
});

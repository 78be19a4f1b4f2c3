import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { kept, onBench, text } from '../../testing/on-bench.tsx';
import { fill, openSet, press, q, serving, setOf } from '../../testing/one-set.tsx';
import { workerHere } from '../../testing/worker-here.ts';
import { benchWork } from '../../workers/bench-work.ts';
import { Trials } from './Trials.tsx';

describe('a search for a cause', () => {
  const veers = { symptom: 'veers', commanded: q(2, 'm'), track: q(0.6, 'm') };

  it('asks for runs as it is first, takes bare millimetres, and goes on to the step that parts most', async () => {
    const asked = await openSet(setOf('diagnosis', veers));
    for (const [n, side] of ['60', '65', '70'].entries()) {
      fill(new RegExp(`^Run ${n + 1}: ended`), side);
      press('Record the run');
      await waitFor(() => expect(asked.filter(({ method }) => method === 'PUT')).toHaveLength(n + 1));
    }
    expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      reading: { step: 'as-it-is', side: { value: 0.06, origin: 'measured' } },
    });
    expect(await screen.findByRole('heading', { name: 'Run the same way back' })).toBeTruthy();
    expect(text()).toContain('3 more runs of this step.');
  });

  it('counts the turns of both wheels, and wants both', async () => {
    const begun = [
      ...[0.06, 0.065, 0.07].map((side) => ({ step: 'as-it-is', side: q(side, 'mm') })),
      { step: 'off-ground', left: q(20, '') },
    ];
    const asked = await openSet(setOf('diagnosis', veers, begun));
    press('Record the turns');
    expect(await screen.findByText('Both are needed.')).toBeTruthy();
    fill('Turns of the left wheel', '20');
    fill('Turns of the right wheel', '40');
    press('Record the turns');
    await waitFor(() => expect(text()).toContain('Count turns with the wheels in the air. Then first:'));
    expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      reading: { step: 'off-ground', left: { value: 20 }, right: { value: 40 } },
    });
  });

  it('names the cause once the veer went with the swap, says what mends it, and keeps the decision', async () => {
    const runs = [
      ...[0.06, 0.065, 0.07].map((side) => ({ step: 'as-it-is', side: q(side, 'mm') })),
      ...[-0.06, -0.06, -0.07].map((side) => ({ step: 'swap-wheels', side: q(side, 'mm') })),
    ];
    const asked = await openSet(setOf('diagnosis', veers, runs));
    expect(text()).toMatch(/most likely wheels of unlike size/);
    expect(text()).toContain('Swap the wheels, left for right: the veer went with it.');
    expect(text()).toContain('Match the wheels by a flip, and fit the best pair.');
    press('Mended: that was it');
    await waitFor(() => expect(text()).toContain('Decided: Wheels of unlike size'));
    expect(asked.findLast(({ method }) => method === 'PUT')?.body).toMatchObject({
      reading: { step: 'decided', answer: 'wheels' },
    });
  });

  it('ends in the margin that the cause hangs on and the moves that mend it, each tried with a press', async () => {
    vi.stubGlobal('Worker', workerHere(benchWork));
    const runs = [
      { step: 'see', answer: 'creeps' },
      { step: 'amps', answer: 'no' },
      { step: 'push', answer: 'yes' },
    ];
    await openSet(setOf('diagnosis', { symptom: 'no-start' }, runs), 'pip');
    expect(text()).toMatch(/By the build’s own numbers: wheel torque has 1\.\d+ times what it needs/);
    const moves = await screen.findAllByRole('button', { name: /^Try: / });
    const before = JSON.stringify(kept());
    fireEvent.click(moves[0] as HTMLElement);
    await waitFor(() => expect(JSON.stringify(kept())).not.toBe(before));
  });

  it('says that a margin holds which its cause hangs on, so that one of its numbers is off', async () => {
    const runs = [
      { step: 'see', answer: 'spins' },
      { step: 'push', answer: 'yes' },
    ];
    await openSet(setOf('diagnosis', { symptom: 'no-start' }, runs));
    expect(text()).toContain('That holds: if it is this all the same, one of its numbers is off.');
  });

  it('is answered with a press where a symptom is looked at', async () => {
    const asked = await openSet(setOf('diagnosis', { symptom: 'chain-off' }));
    const step = screen.getByRole('heading', { level: 2, name: /^(Lay|Press|Hold|Push|Lift)/ });
    press('yes');
    await waitFor(() => expect(asked.some(({ method }) => method === 'PUT')).toBe(true));
    expect(asked.find(({ method }) => method === 'PUT')?.body).toMatchObject({ reading: { answer: 'yes' } });
    await waitFor(() => expect(text()).toContain(`${step.textContent}. Then first:`));
  });
});

describe('a measured number', () => {
  it('goes into the build, marked as measured, and what else moved is said', async () => {
    const runs = [9.8, 9.81, 9.79, 9.8, 9.8].map((m) => ({ distance: q(m, 'm') }));
    await openSet(setOf('distance', { commanded: q(10, 'm'), diameter: q(0.4, 'mm') }, runs));
    press(/^Take 392.mm over$/);
    await waitFor(() => expect(text()).toContain('Taken over. Moved:'));
    expect(kept().layout.axles.find(({ driven }) => driven)?.diameter).toMatchObject({
      value: 0.392,
      origin: 'measured',
    });
  });

  it('is foretold of motors once their load is said, and until then it is said what to say', async () => {
    vi.stubGlobal('Worker', workerHere(benchWork));
    const conditions = { motors: ['1', '2', '3'], powers: [q(1, '%')], ways: 'forward', reads: 'speed' };
    const runs = [325, 331, 327].map((rpm, n) => ({
      ...{ motor: String(n + 1), power: q(1, '%'), way: 'forward' },
      speed: q((rpm * Math.PI) / 30, 'rpm'),
    }));
    await openSet(setOf('motor-matching', conditions, runs));
    await waitFor(() => expect(text()).toContain('Say the load on the shaft'));
    cleanup();
    await openSet(setOf('motor-matching', { ...conditions, load: q(0, 'N·m') }, runs));
    await waitFor(() =>
      expect(text()).toMatch(/Speed at the highest power, of all motors: predicted .* rpm/),
    );
    expect(text()).toContain('They agree within what both leave open.');
  });

  it('says why it cannot go there', async () => {
    const runs = [100, 101, 99, 100, 100].map((N) => ({ pull: q(N, 'N'), spun: 'no' }));
    await openSet(setOf('pull', {}, runs));
    press(/^Take 100.N over$/);
    expect((await screen.findByText(/did not spin in every pull/)).getAttribute('role')).toBe('alert');
  });
});

describe('runs from elsewhere', () => {
  it('are taken from a table once every line can be read', async () => {
    const asked = await openSet(setOf('straight-run', { commanded: q(3, 'm') }));
    press('Paste runs, or a file');
    const table = await screen.findByLabelText(/^A line a run/);
    fireEvent.change(table, { target: { value: 'side,distance\n12,2.9\nfar,2.8' } });
    expect((await screen.findByRole('alert')).textContent).toContain('Line 3');
    fireEvent.change(table, { target: { value: 'side,distance\n12,2.9\n-8,2.8' } });
    expect(screen.getByLabelText<HTMLSelectElement>('side').value).toBe('side');
    press('Take 2 runs');
    await waitFor(() => expect(asked.filter(({ method }) => method === 'PUT')).toHaveLength(2));
    expect(asked.findLast(({ method }) => method === 'PUT')?.body).toMatchObject({
      reading: { side: { value: -0.008 }, distance: { value: 2.8 } },
    });
  });

  it('are taken once each column is told what it is', async () => {
    const asked = await openSet(setOf('straight-run', { commanded: q(3, 'm') }));
    press('Paste runs, or a file');
    const table = await screen.findByLabelText(/^A line a run/);
    fireEvent.change(table, { target: { value: 'Weg (m),Versatz\n2.9,12' } });
    fireEvent.change(screen.getByLabelText('Weg (m)'), { target: { value: 'distance' } });
    fireEvent.change(screen.getByLabelText('Versatz'), { target: { value: 'side' } });
    press('Take one run');
    const sent = () => asked.findLast(({ method }) => method === 'PUT')?.body;
    const reading = { side: { value: 0.012 }, distance: { value: 2.9 } };
    await waitFor(() => expect(sent()).toMatchObject({ reading }));
  });
});

describe('on a phone', () => {
  it('asks one reading at a time, with a way back', async () => {
    vi.stubGlobal('matchMedia', (query: string) => ({
      ...{
        matches: query.includes('639'),
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
      },
    }));
    const asked = await openSet(setOf('straight-run', { commanded: q(3, 'm') }));
    fill(/^Run 1: ended to the side/, '12');
    press('Next');
    expect(screen.queryByLabelText(/^Run 1: ended to the side/)).toBeNull();
    fill('Run 1: distance covered', '2.9');
    press('Back');
    expect((screen.getByLabelText(/^Run 1: ended to the side/) as HTMLInputElement).value).toBe('12 mm');
    press('Next');
    press('Record run');
    await waitFor(() => expect(asked.some(({ method }) => method === 'PUT')).toBe(true));
  });

  it('takes the last run back at a press, and counts back with it', async () => {
    const asked = serving(setOf('distance', { commanded: q(3, 'm') }));
    onBench(<Trials />, demo('puffin'));
    fireEvent.change(await screen.findByLabelText('Run 1: distance covered'), { target: { value: '2.9' } });
    press('Record run');
    fireEvent.click(await screen.findByRole('button', { name: 'Undo run 1' }));
    await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
    await waitFor(() => expect(text()).toContain('No run yet'));
  });

  it('times a run with the watch', async () => {
    await openSet(setOf('score', {}));
    vi.useFakeTimers({ toFake: ['performance', 'setInterval'] });
    press('Start the watch');
    vi.advanceTimersByTime(4210);
    press(/^Stop at/);
    vi.useRealTimers();
    expect((screen.getByLabelText('Time of the trip') as HTMLInputElement).value).toBe('4.21 s');
  });
});

describe('the plan', () => {
  it('lists what the build needs and begins it, the usual figures filled in', async () => {
    await openSet(setOf('straight-run', { commanded: q(3, 'm') }));
    press('New trial');
    press('Begin: Which motors go together?');
    expect(((await screen.findByLabelText('Motors')) as HTMLTextAreaElement).value).toBe('1, 2, 3, 4');
    fill('Motors', '1-13');
    expect(await screen.findByText(/13 in all/)).toBeTruthy();
    fill('Powers', '20, 60, fast');
    expect(screen.getByText(/fast/).getAttribute('role')).toBe('alert');
  });
});

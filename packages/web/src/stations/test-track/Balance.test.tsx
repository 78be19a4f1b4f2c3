import { buildFrom } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { fieldCalled, kept, onBench, text } from '../../testing/on-bench.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';
import { Balance } from './Balance.tsx';

const teasel = demo('teasel');
if (!teasel) throw new Error('Teasel is a build of the demo');
const LONG = { timeout: 30_000 };

describe('the balance of a balancer', () => {
  beforeEach(() => void workOfTheBench());
  const stands = (words: RegExp) => waitFor(() => expect(text()).toMatch(words), LONG);
  const gain = (name: string): HTMLInputElement => fieldCalled(new RegExp(name)) as HTMLInputElement;

  it('proposes gains that stand, and says how fast it falls and how quick its loop is', async () => {
    onBench(<Balance />, teasel);
    await stands(/With these gains it stands: it leans [\d.]+° at most/);
    expect(text()).toMatch(
      /three times itself in 0\.181 s; its loop runs every 0\.005 s, and may take up to 0\.0181 s/,
    );
    expect(Number(gain('kp').value.replace(',', ''))).toBeGreaterThan(0);
    expect(screen.getByRole('group', { name: /^Gains that hold: \d+ of 144/ })).toBeDefined();
    expect(screen.getByRole('img', { name: /^lean over time: from 3°/ })).toBeDefined();
  });

  it('is tuned from falling to standing: gains typed, a square of the map taken, what is proposed taken again', async () => {
    onBench(<Balance />, teasel);
    await stands(/it stands/);
    const proposed = gain('kp').value;
    fireEvent.change(gain('kp'), { target: { value: '0' } });
    await stands(/With these gains it falls after/);
    const map = screen.getByRole('group', { name: /^Gains that hold/ });
    const [holding] = within(map).getAllByRole('button', { name: /: stands$/ });
    if (!holding) throw new Error('some gains hold');
    fireEvent.click(holding);
    await stands(/With these gains it stands/);
    expect(gain('kp').value).not.toBe(proposed);
    fireEvent.click(screen.getByRole('button', { name: 'Take what is proposed' }));
    await waitFor(() => expect(gain('kp').value).toBe(proposed), LONG);
  });

  it('tells the motors a speed instead, gains of their own unit proposed, and keeps what was set with the build', async () => {
    onBench(<Balance />, teasel);
    await stands(/it stands/);
    fireEvent.change(screen.getByLabelText('Its loop tells the motors'), { target: { value: 'speed' } });
    await waitFor(() => expect(gain('kp, m/s/rad').value).not.toBe(''), LONG);
    await waitFor(() => expect(gain('kd, m/s·s/rad').value).toBe('0'), LONG);
    expect(kept().driving?.balancing).toMatchObject({ commands: 'speed' });
    fireEvent.click(screen.getByLabelText('Holds its place'));
    await waitFor(() => expect(kept().driving?.balancing?.gains).toBeDefined(), LONG);
    expect(kept().driving?.balancing?.gains).not.toHaveProperty('hold');
    expect(text()).toContain('Tips sideways at');
  });

  it('is driven over the floor: a kerb under one wheel by a stick that asks a speed, kept with the build', async () => {
    onBench(<Balance />, teasel);
    await stands(/It comes to rest from leans up to [\d.]+°, [\d.]+° less than from a battery/);
    await stands(/Let go, it runs on .* It stands on tyres pressed in up to [\d.]+\smm/);
    const choose = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    choose('On its way is', 'kerb');
    expect(screen.queryByLabelText(/^Long/)).toBeNull();
    choose('Under', 'left');
    choose('The stick', 'speed');
    fireEvent.change(fieldCalled('Speed asked'), { target: { value: '0.6 m/s' } });
    await stands(/turns aside by [\d.]+° to the left/);
    await stands(/It gets over up to [\d.]+\smm/);
    expect(kept().driving?.balancing?.floor).toMatchObject({ kind: 'kerb', sides: 'left', speedMps: 0.6 });
    expect(screen.getByRole('row', { name: /^with nothing on its way stands/ })).toBeDefined();
  }, 60_000);

  it('says where a kerb is too high, and that a stick does nothing where no place is held', async () => {
    onBench(<Balance />, teasel);
    await stands(/it stands/);
    fireEvent.change(await screen.findByLabelText('The stick'), { target: { value: 'place' } });
    fireEvent.click(screen.getByLabelText('Holds its place'));
    await stands(/The stick does nothing: let it hold its place first/);
    fireEvent.change(screen.getByLabelText('The stick'), { target: { value: 'lean' } });
    fireEvent.change(screen.getByLabelText('On its way is'), { target: { value: 'kerb' } });
    fireEvent.change(fieldCalled('High, or deep'), { target: { value: '70 mm' } });
    await stands(/It (falls after|stands, but does not get over it)/);
    fireEvent.change(fieldCalled('Grip of the tyres'), { target: { value: '5' } });
    expect(screen.getByText('From 0.01 to 3.')).toBeDefined();
  }, 60_000);

  it('asks for a motor first, of a balancer that has none', async () => {
    onBench(<Balance />, buildFrom('balancer', 'Wren'));
    await stands(/Choose a motor with magnets in Power first/);
    expect(text()).not.toContain('It is being tried');
  });

  it('says so where the loop is too slow for any gains, and what leaving the encoders out gains', async () => {
    onBench(<Balance />, teasel);
    await stands(/it stands/);
    fireEvent.change(fieldCalled('Reading encoders'), { target: { value: '150 ms' } });
    await stands(/which is more than 0\.0181 s/);
    expect(text()).toMatch(
      /No gains were found that hold|Without reading the encoders the loop takes 0\.0025 s/,
    );
    fireEvent.change(gain('Let go at a lean of'), { target: { value: '50°' } });
    expect(screen.getByText('It is let go at less than 45°.')).toBeDefined();
  });
});

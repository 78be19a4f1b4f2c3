import { readFileSync } from 'node:fs';
import { buildSchema, layoutTemplate, newBuild, withLayout, type Build } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { kept, onBench, text } from '../../testing/on-bench.tsx';
import { workOfTheBench } from '../../testing/worker-here.ts';
import { Ground } from './Ground.tsx';

const demo = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

const show = (document: Build): void => onBench(<Ground />, document);
const degrees = (n: number) => typed((n * Math.PI) / 180, '°');
const grade = (): number => kept().duties[0]?.grade.value ?? NaN;

describe('the ground station', () => {
  beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

  it('asks what gives out first on the job that asks the most, and answers it', () => {
    show(puffin);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(
      'What gives out first on “Slip, empty”?',
    );
    expect(text()).toContain('Grip, at 1.16 × the 134 N it asks; torque would do 3.26 ×.');
    expect(text()).toContain('it climbs 10.7°, then a wheel slips');
  });

  it('goes from job to job by the table, and says of each what gives out first', () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Slip, loaded' }));
    expect(text()).toContain('Torque, at 1.26 × the 411 N it asks; grip would hold 1.41 ×.');
    const row = screen.getByRole('row', { name: /^Slip, loaded/ });
    expect(row.textContent?.replaceAll('\u00a0', ' ')).toContain('411 N');
    expect(within(row).getByText('torque')).toBeTruthy();
  });

  it('leaves to the brake what pushes itself downhill, and says how hard it pushes', () => {
    show(demo('sanderling'));
    fireEvent.click(screen.getByRole('button', { name: 'Down to the water' }));
    const row = screen.getByRole('row', { name: /^Down to the water/ });
    expect(within(row).getByText('the brake’s')).toBeTruthy();
    expect(text()).toMatch(/It pushes itself along with 1\d\.\d N: the brake is asked, not the drive/);
    expect(text()).not.toContain('no motor yet');
  });

  it('moves wheel loads live with the slope that is tried, keeps nothing of it, and puts it into the job when told', () => {
    show(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Slip, loaded' }));
    const side = (): string => screen.getByRole('group', { name: /from the side/ }).textContent ?? '';
    const before = side();
    fireEvent.change(screen.getByRole('slider', { name: /^Grade/ }), { target: { value: '40' } });
    expect(side()).not.toBe(before);
    expect(grade()).toBeCloseTo((9 * Math.PI) / 180, 9);
    fireEvent.click(screen.getByRole('button', { name: 'As the job says' }));
    expect(side()).toBe(before);
    fireEvent.change(screen.getByRole('slider', { name: /^Grade/ }), { target: { value: '40' } });
    fireEvent.click(screen.getByRole('button', { name: 'Put into the job' }));
    expect(grade()).toBeCloseTo((20 * Math.PI) / 180, 9);
  });

  it('moves masses and wheels by the arrow keys', () => {
    show(puffin);
    const start = kept();
    const payload = screen.getByRole('slider', { name: 'Payload, from the side' });
    fireEvent.keyDown(payload, { key: 'ArrowRight', shiftKey: true });
    fireEvent.keyDown(payload, { key: 'ArrowUp' });
    expect(kept().masses.payload.aheadOfRearAxle.value).toBeGreaterThan(
      start.masses.payload.aheadOfRearAxle.value,
    );
    expect(kept().masses.payload.aheadOfRearAxle.origin).toBe('typed');
    expect(kept().masses.payload.height.value).toBeGreaterThan(start.masses.payload.height.value);
    const wheels = screen.getByRole('slider', { name: 'Driven wheels, from above' });
    fireEvent.keyDown(wheels, { key: 'ArrowUp' });
    fireEvent.keyDown(wheels, { key: 'ArrowLeft' });
    expect(kept().layout.axles[1]?.track.value).toBeGreaterThan(
      start.layout.axles[1]?.track.value ?? Infinity,
    );
    expect(kept().layout.axles[1]?.ahead.value).toBeLessThan(start.layout.axles[1]?.ahead.value ?? 0);
  });

  it('says where it falls over, instead of loads that cannot be', () => {
    const high = { ...puffin.masses.payload.height, value: 3 };
    show({ ...puffin, masses: { ...puffin.masses, payload: { ...puffin.masses.payload, height: high } } });
    fireEvent.click(screen.getByRole('button', { name: 'Slip, loaded' }));
    fireEvent.change(screen.getByRole('slider', { name: /^Grade/ }), { target: { value: '60' } });
    expect(screen.getByText(/It does not stand like this/)).toBeTruthy();
  });

  it('judges what steers, what balances and what runs on a rail', () => {
    show(demo('moth'));
    fireEvent.click(screen.getByRole('button', { name: 'Round the corner by the chapel' }));
    expect(text()).toContain('Steering force: it has 0.893 × what this asks');
    expect(text()).toContain('pushes straight on');
    cleanup();
    show(demo('teasel'));
    expect(text()).toContain('Tips sideways at');
    expect(text()).not.toContain('Tips back');
    cleanup();
    show(demo('glasshouse-rail'));
    expect(text()).toContain('edge asks 0.484, grip and push 0.0988');
  });

  it('marks the best payload where the build is to make the most of something', async () => {
    workOfTheBench();
    show({ ...puffin, aims: { maximise: 'payload-rate' } });
    expect(text()).toContain('is being worked out');
    expect(await screen.findByRole('img', { name: /kg an hour over the payload; best at/ })).toBeTruthy();
  });

  it('takes the pull of what is towed with the slope that is tried, and counts it in when held', () => {
    const [first] = puffin.duties;
    if (!first) throw new Error('puffin has jobs');
    show({
      ...puffin,
      duties: [{ ...first, grade: degrees(0), towed: { mass: typed(100, 'kg'), rolling: typed(0, '') } }],
    });
    const side = (): string => screen.getByRole('group', { name: /from the side/ }).textContent ?? '';
    expect(text()).toContain('nearly level: it does not run away');
    expect(side()).not.toMatch(/hitch|pull/i);
    fireEvent.change(screen.getByRole('slider', { name: /^Grade/ }), { target: { value: '20' } });
    // 100 kg on 10°: 170 N (by hand).
    expect(side().replaceAll('\u00a0', ' ')).toContain('170 N');
    fireEvent.click(screen.getByRole('button', { name: 'Put into the job' }));
    // All up 178 kg and 100 kg behind: 278 kg · g · sin 10° = 473 N (by hand).
    expect(text()).toMatch(/The slope pulls it down with473 N/);
  });

  it('leaves holding to the rope of a winch', () => {
    const winch = layoutTemplate('winch');
    if (!winch) throw new Error('there is a winch');
    show(withLayout(puffin, winch));
    expect(text()).toContain('by its rope: what stops the drum holds it');
  });

  it('follows ballast along the vehicle as well as the payload', () => {
    const { own, others } = puffin.masses;
    const ballast = { ...own, id: 'sand', name: 'Bag of sand', kind: 'ballast' as const };
    show({ ...puffin, masses: { ...puffin.masses, others: [...others, ballast] } });
    fireEvent.click(screen.getByRole('button', { name: 'Slip, loaded' }));
    const curve = (): string => screen.getByRole('figure', { name: /moved along/ }).innerHTML;
    expect(curve()).toContain('Payload moved along');
    const before = curve();
    fireEvent.change(screen.getByRole('combobox', { name: 'Moved' }), { target: { value: 'sand' } });
    expect(curve()).toContain('Bag of sand moved along');
    expect(curve()).not.toBe(before);
    cleanup();
    // Without the payload, what is left to move is the ballast.
    show({ ...puffin, masses: { ...puffin.masses, others: [ballast] } });
    expect(curve()).toContain('Bag of sand moved along');
  });

  it('leads on where no job is stated', () => {
    show({ ...newBuild('Gull'), duties: [] });
    expect(text()).toContain('State a job in the Brief first');
  });
});

/** First power, service and what is left to buy, as they are used. */
import { readFileSync } from 'node:fs';
import { newAssemblyPlan, readBuild, type Build } from '@zubric/core/vehicle';
import { fireEvent, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fieldCalled, kept, onBench, text } from '../../testing/on-bench.tsx';
import { Assembly } from './Assembly.tsx';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin: Build = { ...read.build, assembly: newAssemblyPlan() };
const auk: Build = { ...puffin, name: 'Auk' };

const sent = vi.fn<(path: string, body: unknown) => void>();
const json = (body: unknown): Response =>
  new Response(JSON.stringify(body), { status: 200, headers: { 'content-type': 'application/json' } });
/** As the list has a build that it cannot judge: its name is all that is asked here. */
const line = (id: string, name: string) => ({
  ...{ id, name, version: 1, updatedAt: '2026-11-23T00:00:00Z', problem: 'not judged here' },
});

function show(view: string): void {
  vi.stubGlobal('fetch', (path: string, { body }: RequestInit = {}) => {
    if (path.endsWith('/api/builds/auk'))
      return Promise.resolve(
        json({ id: 'auk', version: 1, updatedAt: '2026-11-23T00:00:00Z', document: auk }),
      );
    if (path.includes('/api/builds?'))
      return Promise.resolve(json({ builds: [line('b', 'Puffin'), line('auk', 'Auk')] }));
    sent(path, typeof body === 'string' ? JSON.parse(body) : body);
    return Promise.resolve(json({}));
  });
  onBench(<Assembly />, puffin);
  fireEvent.click(screen.getByRole('button', { name: view }));
}

beforeEach(() => void vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-11-23T10:00:00') }));
afterEach(() => {
  sent.mockClear();
});

describe('first power', () => {
  it('goes from check to check, keeps what was seen, and writes it into the logbook', async () => {
    show('First power');
    expect(text()).toContain('Next: fed with a limit');
    const limit = within(screen.getByRole('group', { name: 'Fed with a limit' }));
    fireEvent.click(limit.getByRole('button', { name: 'As it should be' }));
    expect(text()).toContain('Next: wheels off the ground');
    expect(kept().assembly.checks).toEqual([{ id: 'limit', on: '2026-11-23', passed: true }]);
    const wheels = within(screen.getByRole('group', { name: 'Wheels off the ground' }));
    fireEvent.click(wheels.getByRole('button', { name: 'Not so' }));
    expect(text()).toContain('Next: wheels off the ground');
    fireEvent.change(fieldCalled('What was seen: Wheels off the ground'), {
      target: { value: 'The block slipped' },
    });
    expect(kept().assembly.checks?.[1]).toMatchObject({ passed: false, note: 'The block slipped' });
    await vi.waitFor(() =>
      expect(sent.mock.calls.map(([, body]) => (body as { note?: string }).note)).toEqual(
        expect.arrayContaining(['First power, wheels off the ground: not as it should be']),
      ),
    );
    fireEvent.click(limit.getByRole('button', { name: 'take it back' }));
    expect(text()).toContain('Next: fed with a limit');
  });
});

describe('service', () => {
  it('is due after an outing, and not any more once it is looked after', () => {
    show('Service');
    expect(text()).toContain('Nothing is due.');
    fireEvent.change(fieldCalled('An outing of'), { target: { value: '90 min' } });
    fireEvent.click(screen.getByRole('button', { name: 'It was out' }));
    expect(text()).toMatch(/Due: bolts and set screws of what turns or shakes; chain: tension/);
    expect(text()).toContain('It has run 90 min on 1 outing.');
    fireEvent.click(screen.getByRole('button', { name: /^Looked after today.*Bolts and set screws/ }));
    expect(text()).toMatch(/Due: chain: tension/);
    expect(kept().assembly.service?.done).toMatchObject([{ id: 'bolts', on: '2026-11-23', atOutings: 1 }]);
  });
});

describe('what is left to buy', () => {
  it('is by where it is bought, and for two builds together', async () => {
    show('Steps and parts');
    fireEvent.click(screen.getByRole('button', { name: /cost and mass\s*of Frame/ }));
    fireEvent.change(fieldCalled('Where to buy it'), { target: { value: 'the yard' } });
    fireEvent.click(screen.getByRole('button', { name: 'To buy' }));
    const yard = (): HTMLElement => {
      const section = screen.getByRole('heading', { name: 'the yard' }).closest('section');
      if (!section) throw new Error('a section');
      return section;
    };
    expect(yard().textContent).toContain('1 × Frame');
    const screws = (): number => Number(/(\d+) × Socket head screw M6/.exec(text())?.[1]);
    const alone = screws();
    expect(alone).toBeGreaterThan(8);
    await screen.findByRole('option', { name: 'with Auk' });
    fireEvent.change(fieldCalled('List for'), { target: { value: 'auk' } });
    await screen.findAllByText(/for Puffin and Auk/);
    expect(screws()).toBeGreaterThan(alone);
  });
});

/** Saving through every kind of trouble: nothing on screen is lost, and what is said of it is so. */
import 'fake-indexeddb/auto';
import { newBuild, type Build } from '@zubric/core/vehicle';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Conflict } from '../shell/Conflict.tsx';
import { Gone } from '../shell/Gone.tsx';
import { LeftEdits } from '../shell/LeftEdits.tsx';
import { UnitsProvider } from '../common/units.tsx';
import { BuildSession, useBuild, useSession } from './BuildSession.tsx';
import { draftsOf, type LeftDraft } from './drafts.ts';

const base = newBuild('Gull');

function Probe() {
  const { build, edit } = useBuild();
  const { session, keptHere } = useSession();
  return (
    <>
      <output>{`${build.purpose}|${session.save}|${keptHere}`}</output>
      <input
        aria-label="Purpose"
        value={build.purpose}
        onChange={(event) => edit((b) => ({ ...b, purpose: event.target.value }))}
      />
    </>
  );
}

/** Told whenever the page of the build is drawn. */
const drawn = vi.fn();
function Page() {
  const { purpose } = useBuild().build;
  drawn(purpose);
  return <p>{purpose}</p>;
}

const open = (left: readonly LeftDraft[] = []): void => {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { mutations: { retry: false } } })}>
      <MemoryRouter>
        <UnitsProvider>
          <BuildSession stored={{ id: 'b', version: 1, updatedAt: '', document: base }} left={left}>
            <Gone />
            <LeftEdits />
            <Conflict />
            <Probe />
            <Page />
          </BuildSession>
        </UnitsProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
};
const shown = (): string =>
  screen
    .getAllByRole('status')
    .map((s) => s.textContent)
    .join(' ');
const type = (words: string): void => {
  fireEvent.change(screen.getByLabelText('Purpose'), { target: { value: words } });
};

/** Lets time pass until something holds. */
async function until(holds: () => void | Promise<void>): Promise<void> {
  for (let n = 0; n < 400; n++) {
    try {
      await holds();
      return;
    } catch {
      await act(() => vi.advanceTimersByTimeAsync(250));
      // Storage answers in its own time.
      await new Promise((resolve) => setImmediate(resolve));
    }
  }
  await holds();
}

type Reply = Response | Error | 'never';
const json = (status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

/** A server that answers in turn; the last answer stands. Gives what it was sent. */
function answers(...replies: readonly (() => Reply)[]): { path: string; method: string; body: unknown }[] {
  const sent: { path: string; method: string; body: unknown }[] = [];
  let n = 0;
  vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
    sent.push({ path, method: init.method ?? 'GET', body: JSON.parse(String(init.body)) as unknown });
    const reply = replies[Math.min(n++, replies.length - 1)]?.() ?? 'never';
    if (reply === 'never')
      return new Promise((_, reject) => {
        init.signal?.addEventListener('abort', () => reject(new DOMException('late', 'TimeoutError')));
      });
    return reply instanceof Error ? Promise.reject(reply) : Promise.resolve(reply);
  });
  return sent;
}
const taken = (): Reply => json(200, { id: 'b', version: 2 });

describe('saving', () => {
  beforeEach(() => {
    vi.stubGlobal('indexedDB', new IDBFactory());
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'Date'] });
  });
  afterEach(() => {
    cleanup();
    vi.useRealTimers();
    vi.unstubAllGlobals();
    localStorage.clear();
    sessionStorage.clear();
  });

  it.each<[string, () => Reply]>([
    ['no answer', () => new TypeError('failed to fetch')],
    ['an answer that never comes', () => 'never'],
    ['500', () => json(500, { title: 'broken' })],
    ['502 of something else, without JSON', () => new Response('<html>bad gateway', { status: 502 })],
    ['503', () => json(503, { title: 'away' })],
    ['507', () => json(507, { title: 'full' })],
    ['408', () => json(408, {})],
    ['429', () => json(429, {})],
    ['a 200 that is no answer', () => new Response('<html>log in to this network</html>', { status: 200 })],
    ['a 200 of another shape', () => json(200, { ok: true })],
  ])(
    'is tried again after %s, and says where the edit is meanwhile',
    async (_, trouble) => {
      const sent = answers(trouble, trouble, taken);
      open();
      type('tug');
      await until(() => expect(shown()).toContain('tug|offline|kept'));
      expect((await draftsOf('b'))[0]?.document.purpose).toBe('tug');
      await until(() => expect(shown()).toContain('tug|saved'));
      expect(sent).toHaveLength(3);
      expect(sent.map(({ body }) => (body as Build).purpose)).toEqual(['tug', 'tug', 'tug']);
      await until(async () => expect(await draftsOf('b')).toEqual([]));
    },
    120_000,
  );

  it('is done beside a page that stands still: it is drawn with the edit, and not with what becomes of it', async () => {
    answers(() => json(503, {}), taken);
    open();
    drawn.mockClear();
    type('tug');
    await until(() => expect(shown()).toContain('tug|offline|kept'));
    await until(() => expect(shown()).toContain('tug|saved'));
    expect(drawn.mock.calls).toEqual([['tug']]);
  });

  it('waits longer after each failure', async () => {
    const at: number[] = [];
    answers(() => {
      at.push(Date.now());
      return json(503, {});
    });
    open();
    type('tug');
    for (let n = 0; n < 60; n++) await act(() => vi.advanceTimersByTimeAsync(1000));
    const pauses = at.slice(1).map((t, n) => t - (at[n] ?? 0));
    expect(pauses.length).toBeGreaterThanOrEqual(4);
    expect(pauses[0]).toBeLessThan(2500);
    expect(pauses[3]).toBeGreaterThan(4 * (pauses[0] ?? Infinity) * 0.6);
    expect(Math.max(...pauses)).toBeLessThanOrEqual(10_000 * 1.2 + 1500);
  });

  it('keeps the latest edit on the disk at once, long before it is sent', async () => {
    answers(() => 'never');
    open();
    type('t');
    type('tu');
    type('tug');
    await until(() => expect(shown()).toContain('|kept'));
    expect((await draftsOf('b'))[0]?.document.purpose).toBe('tug');
  });

  it('says that an edit is on this screen only where there is no room in the browser', async () => {
    const denied = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    answers(() => json(503, {}));
    open();
    type('tug');
    await until(() => expect(shown()).toContain('tug|offline|only-on-screen'));
    denied.mockRestore();
  });

  it('does not begin anew where the answer to a save was lost: the server already has it', async () => {
    const sent = answers(
      () => new TypeError('connection reset'),
      () => json(409, { title: 'stale', version: 2, stored: { ...base, purpose: 'tug' } }),
      () => json(200, { id: 'b', version: 3 }),
    );
    open();
    type('tug');
    await until(() => expect(shown()).toContain('tug|saved'));
    expect(screen.queryByText(/changed elsewhere/)).toBeNull();
    expect(sent.length).toBeGreaterThanOrEqual(2);
  });

  it('offers a build that was thrown away elsewhere back, and goes on saving it', async () => {
    const sent = answers(
      () => json(404, { title: 'There is no such build here.' }),
      () => new Response(null, { status: 204 }),
      taken,
    );
    open();
    type('tug');
    await until(() => expect(screen.getByRole('button', { name: 'Put it back' })).toBeTruthy());
    const back = screen.getByRole('button', { name: 'Put it back' });
    // What is typed meanwhile is kept too.
    type('tug, longer');
    expect(shown()).toContain('tug, longer|gone');
    fireEvent.click(back);
    await until(() => expect(shown()).toContain('tug, longer|saved'));
    expect(sent[1]).toMatchObject({ path: '/api/builds/b/place', body: { place: 'bench' } });
    expect(sent.at(-1)?.body).toMatchObject({ purpose: 'tug, longer' });
  });

  it('saves it as a new one where it cannot be had back', async () => {
    const sent = answers(
      () => json(404, {}),
      () => json(404, { title: 'There is no such build here.' }),
      () => json(201, { id: 'new', version: 1, updatedAt: '', document: base }),
    );
    open();
    type('tug');
    await until(() => expect(screen.getByRole('button', { name: 'Put it back' })).toBeTruthy());
    fireEvent.click(screen.getByRole('button', { name: 'Put it back' }));
    await until(() => expect(screen.getByText('There is no such build here.')).toBeTruthy());
    fireEvent.click(screen.getByRole('button', { name: 'Save as a new build' }));
    await until(() => expect(sent).toHaveLength(3));
    expect(sent[2]).toMatchObject({ path: '/api/builds', body: { document: { purpose: 'tug' } } });
  });
});

describe('edits left in other windows', () => {
  beforeEach(() => {
    vi.stubGlobal('indexedDB', new IDBFactory());
  });
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    sessionStorage.clear();
  });
  const left = (window: string, purpose: string, at: number): LeftDraft => ({
    window,
    at,
    version: 1,
    base,
    document: { ...base, purpose },
  });

  it('the latest is taken up where it was left; another is offered, looked at and merged', async () => {
    answers(() => json(503, {}));
    open([left('w2', 'later', Date.UTC(2026, 10, 20, 12)), left('w1', 'earlier', Date.UTC(2026, 10, 20, 9))]);
    expect(shown()).toContain('later|');
    expect(screen.getByText('An edit of this build was left unsaved in another window.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Look at it' }));
    expect(screen.getByRole('row', { name: /^Purpose/ }).textContent).toContain('earlier');
    expect(screen.queryByText('An edit of this build was left unsaved in another window.')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /^All from/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Save this choice' }));
    expect(shown()).toContain('earlier|');
    expect(screen.queryByRole('button', { name: 'Look at it' })).toBeNull();
    await waitFor(async () => expect((await draftsOf('b'))[0]?.document.purpose).toBe('earlier'));
  });

  it('one that is dropped is gone, and what is on screen stays', () => {
    answers(() => json(503, {}));
    open([left('w2', 'later', 2), left('w1', 'earlier', 1)]);
    fireEvent.click(screen.getByRole('button', { name: 'Drop it' }));
    expect(shown()).toContain('later|');
    expect(screen.queryByRole('button', { name: 'Drop it' })).toBeNull();
  });
});

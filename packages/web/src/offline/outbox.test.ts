import 'fake-indexeddb/auto';
import { newBuild } from '@zubric/core/vehicle';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { withUnsentSteps } from './unsent-steps.ts';
import { withUnsent, type ShownTrialSet } from './use-outbox.ts';

type Answer = Response | Error;
interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}

/** A page of its own on the storage of all, and a server that answers as it is told. */
async function openPage(answer: (sent: Sent) => Answer) {
  vi.resetModules();
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', (path: string, { method = 'GET', body }: RequestInit = {}) => {
    const one = { method, path, body: typeof body === 'string' ? (JSON.parse(body) as unknown) : body };
    const answered = answer(one);
    if (answered instanceof Error) return Promise.reject(answered);
    sent.push(one);
    return Promise.resolve(answered);
  });
  return { ...(await import('./outbox.ts')), sent };
}

const json = (body: object, status = 200): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
const fine = (): Response => json({});
const away = (): Error => new TypeError('Failed to fetch');
const mm = (value: number) => ({ value: value / 1000, unit: 'mm', origin: 'measured' }) as const;
const reading = (side: number) => ({ side: mm(side), distance: mm(2000), note: '' });
const run = (n: number) => ({ kind: 'run', setId: 's', runId: `run-${n}`, reading: reading(n) }) as const;

describe('what is recorded', () => {
  beforeEach(() => {
    localStorage.clear();
    vi.stubGlobal('indexedDB', new IDBFactory());
  });
  afterEach(() => vi.unstubAllGlobals());

  it('is sent at once where the server answers, by the door that takes it', async () => {
    const page = await openPage(fine);
    expect(await page.record('b', run(1))).toBe('sent');
    expect(await page.record('b', { kind: 'step', stepId: 'frame', doneOn: '2026-12-01' })).toBe('sent');
    expect(await page.record('b', { kind: 'note', noteId: 'note-1', note: 'Hums.' })).toBe('sent');
    expect(await page.record('b', { kind: 'run-removed', setId: 's', runId: 'run-1' })).toBe('sent');
    expect(page.sent).toEqual([
      { method: 'PUT', path: '/api/trial-sets/s/trials/run-1', body: { reading: reading(1) } },
      { method: 'PUT', path: '/api/builds/b/steps/frame', body: { doneOn: '2026-12-01' } },
      { method: 'POST', path: '/api/builds/b/log', body: { id: 'note-1', note: 'Hums.' } },
      { method: 'DELETE', path: '/api/trial-sets/s/trials/run-1', body: undefined },
    ]);
    expect(page.unsentNow()).toEqual([]);
  });

  it('is kept while the server is away, over a page that is read again, and sent in order, once each', async () => {
    const before = await openPage(away);
    for (let n = 1; n <= 4; n++) expect(await before.record('b', run(n))).toBe('kept');
    expect(before.unsentNow()).toHaveLength(4);
    const after = await openPage(fine);
    await after.flush();
    expect(after.sent.map(({ path }) => path.split('/').at(-1))).toEqual([
      'run-1',
      'run-2',
      'run-3',
      'run-4',
    ]);
    await after.flush();
    expect(after.sent).toHaveLength(4);
    expect(after.unsentNow()).toEqual([]);
  });

  it('is there again where the page was left in the moment of the press', async () => {
    const before = await openPage(away);
    // The page is gone before the store behind it has answered.
    vi.stubGlobal('indexedDB', { open: () => new IDBOpenDBRequest() });
    void before.record('b', { kind: 'step', stepId: 'frame', doneOn: '2026-12-01' });
    void before.record('b', run(1));
    vi.stubGlobal('indexedDB', new IDBFactory());
    const after = await openPage(fine);
    await after.flush();
    expect(after.sent.map(({ path }) => path)).toEqual([
      '/api/builds/b/steps/frame',
      '/api/trial-sets/s/trials/run-1',
    ]);
    const later = await openPage(fine);
    await later.flush();
    expect(later.sent).toEqual([]);
  });

  it('is said to wait with the press, before anything is written', async () => {
    const page = await openPage(away);
    const recorded = page.record('b', run(1));
    expect(page.unsentNow().map(({ kind }) => kind)).toEqual(['run']);
    expect(await recorded).toBe('kept');
    expect(page.unsentNow()).toHaveLength(1);
  });

  it('stops at the first that does not go through, so that the order stays', async () => {
    let left = 2;
    const page = await openPage(() => (left-- > 0 ? fine() : json({ title: 'too busy' }, 503)));
    for (let n = 1; n <= 4; n++) await page.record('b', run(n));
    expect(page.sent.filter(({ path }) => path.endsWith('run-4'))).toEqual([]);
    expect(page.unsentNow().map((item) => 'runId' in item && item.runId)).toEqual(['run-3', 'run-4']);
    left = 100;
    await page.flush();
    expect(page.sent.slice(-2).map(({ path }) => path.split('/').at(-1))).toEqual(['run-3', 'run-4']);
  });

  it('that the server stumbles over holds up what is of the same, and nothing else, and goes once it can', async () => {
    let stumbles = true;
    const page = await openPage(({ path }) =>
      stumbles && path.endsWith('run-1') ? json({ title: 'Something went wrong.' }, 500) : fine(),
    );
    expect(await page.record('b', run(1))).toBe('kept');
    expect(await page.record('b', run(2))).toBe('kept');
    expect(await page.record('b', { kind: 'note', noteId: 'n', note: 'Hums.' })).toBe('sent');
    expect(await page.record('b', { ...run(3), setId: 'another' })).toBe('sent');
    expect(page.unsentNow().map((item) => 'runId' in item && item.runId)).toEqual(['run-1', 'run-2']);
    stumbles = false;
    page.sent.length = 0;
    await page.flush();
    expect(page.sent.map(({ path }) => path.split('/').at(-1))).toEqual(['run-1', 'run-2']);
    expect(page.unsentNow()).toEqual([]);
  });

  it('that an answer was lost of is sent again under the same id', async () => {
    let lose = true;
    const arrived: string[] = [];
    const page = await openPage(({ path }) => {
      arrived.push(path);
      if (!lose) return fine();
      lose = false;
      return away();
    });
    expect(await page.record('b', run(7))).toBe('sent');
    expect(arrived).toEqual(['/api/trial-sets/s/trials/run-7', '/api/trial-sets/s/trials/run-7']);
  });

  it('is told where the server will not have it, and is not kept behind the back of whoever recorded it', async () => {
    const page = await openPage(() => json({ title: 'This device may only look.' }, 403));
    await expect(page.record('b', run(1))).rejects.toThrow('This device may only look.');
    expect(page.unsentNow()).toEqual([]);
  });

  it('while away, and refused later, stays listed with the reason, and holds nothing else up', async () => {
    let there = false;
    const page = await openPage(({ path }) => {
      if (!there) return away();
      return path.endsWith('run-1') ? json({ title: 'There is no such set of trials here.' }, 404) : fine();
    });
    await page.record('b', run(1));
    await page.record('b', run(2));
    there = true;
    await page.flush();
    expect(page.unsentNow()).toMatchObject([
      { runId: 'run-1', refused: 'There is no such set of trials here.' },
    ]);
    expect(page.sent.map(({ path }) => path.split('/').at(-1))).toEqual(['run-1', 'run-2']);
    // Tried once more when somebody asks for it, and gone when somebody lets it go.
    await page.sendAgain();
    expect(page.unsentNow()).toHaveLength(1);
    await page.letGo(page.unsentNow()[0]?.id ?? '');
    expect(page.unsentNow()).toEqual([]);
  });

  it('waits for a device that was sent away to be let in again', async () => {
    let status = 401;
    const page = await openPage(() => (status === 200 ? fine() : json({ title: 'no key' }, status)));
    expect(await page.record('b', run(1))).toBe('kept');
    status = 200;
    await page.flush();
    expect(page.unsentNow()).toEqual([]);
  });

  it('that is gone already need not be taken away', async () => {
    const page = await openPage(() => json({ title: 'There is no such run here.' }, 404));
    expect(await page.record('b', { kind: 'run-removed', setId: 's', runId: 'run-1' })).toBe('sent');
  });

  it('stays as long as the page where the browser keeps nothing', async () => {
    const denied = vi.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => {
      throw new DOMException('denied', 'SecurityError');
    });
    let there = false;
    const page = await openPage(() => (there ? fine() : away()));
    expect(await page.record('b', run(1))).toBe('kept');
    expect(page.unsentNow()).toHaveLength(1);
    there = true;
    await page.flush();
    expect(page.sent).toHaveLength(1);
    expect(page.unsentNow()).toEqual([]);
    denied.mockRestore();
  });
});

describe('what is not sent yet', () => {
  const set: ShownTrialSet = {
    ...{ id: 's', buildId: 'b', name: 'Hall', invented: false, version: 1 },
    protocol: 'straight-run',
    createdAt: '2026-12-01T10:00:00Z',
    conditions: { floor: '', note: '', commanded: mm(2000) },
    trials: [{ id: 'run-1', ordinal: 1, reading: reading(1), recordedAt: '2026-12-01T10:01:00Z' }],
  };
  const waits = (what: object, at = 0) => ({ ...what, id: 'x', buildId: 'b', at }) as never;

  it('stands among the runs of its set: the last, in the place of the one it changes, or not at all', () => {
    const shown = withUnsent(
      [set],
      [
        waits(run(2)),
        waits({ ...run(1), reading: reading(9) }),
        waits({ kind: 'run-removed', setId: 's', runId: 'run-2' }),
      ],
      'b',
    );
    expect(shown[0]?.trials).toMatchObject([{ id: 'run-1', ordinal: 1, unsent: true, reading: reading(9) }]);
    expect(withUnsent([set], [waits(run(2))], 'b')[0]?.trials).toMatchObject([
      { id: 'run-1' },
      { id: 'run-2', ordinal: 2, unsent: true },
    ]);
  });

  it('is of its own build, and what was refused is not shown as if it were there', () => {
    expect(withUnsent([set], [waits(run(2))], 'another')).toEqual([set]);
    expect(withUnsent([set], [waits({ ...run(2), refused: 'no' })], 'b')).toEqual([set]);
  });

  it('may be a set with its runs; once the server has the set it is not there twice', () => {
    const { protocol, name, conditions } = set;
    const begun = waits({ kind: 'set', setId: 'new', body: { protocol, name, conditions } });
    const first = waits({ ...run(1), setId: 'new' });
    expect(withUnsent([], [begun, first], 'b')).toMatchObject([
      { id: 'new', name: 'Hall', unsent: true, trials: [{ id: 'run-1', ordinal: 1 }] },
    ]);
    expect(withUnsent([{ ...set, id: 'new' }], [begun], 'b')).toHaveLength(1);
  });

  it('marks steps on the build, the last mark last', async () => {
    const step = (doneOn: string | null) => waits({ kind: 'step', stepId: 'frame', doneOn });
    const marked = await withUnsentSteps(newBuild('Gull'), [step('2026-12-01'), step('2026-12-02')], 'b');
    expect(marked.assembly.steps).toMatchObject([{ id: 'frame', doneOn: '2026-12-02' }]);
    expect((await withUnsentSteps(marked, [step(null)], 'b')).assembly.steps).toEqual([]);
  });
});

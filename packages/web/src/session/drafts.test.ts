import 'fake-indexeddb/auto';
import { newBuild } from '@zubric/core/vehicle';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const gull = newBuild('Gull');
const named = (name: string) => ({ version: 3, document: newBuild(name), base: gull });

/** A window of the browser: a page of its own, on the storage of all. */
async function openWindow() {
  vi.resetModules();
  return import('./drafts.ts');
}

/** Locks as a browser has them: held until the window that asked is closed. */
function locks() {
  const held = new Set<string>();
  vi.stubGlobal('navigator', {
    ...navigator,
    locks: {
      request: (name: string) => {
        held.add(name);
        return new Promise(() => undefined);
      },
      query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
    },
  });
  return { close: () => held.clear() };
}

describe('a draft', () => {
  beforeEach(() => {
    vi.stubGlobal('indexedDB', new IDBFactory());
    localStorage.clear();
  });
  afterEach(() => vi.unstubAllGlobals());

  it('is on the disk before it is said to be, and comes back whole', async () => {
    locks();
    const one = await openWindow();
    expect(await one.keepDraft('a', named('Tern'))).toBe(true);
    const [draft] = await one.leftDrafts('a');
    expect(draft).toMatchObject(named('Tern'));
    expect(draft && one.isOwn(draft)).toBe(true);
    expect(await one.leftDrafts('b')).toEqual([]);
    await one.dropDraft('a');
    expect(await one.leftDrafts('a')).toEqual([]);
  });

  it('asks for a write that survives the power going off', async () => {
    const transaction = vi.spyOn(IDBDatabase.prototype, 'transaction');
    const one = await openWindow();
    await one.keepDraft('a', named('Tern'));
    expect(transaction).toHaveBeenCalledWith('drafts', 'readwrite', { durability: 'strict' });
    transaction.mockRestore();
  });

  it('of one window is never written over, dropped or taken up by another that lives', async () => {
    locks();
    const one = await openWindow();
    await one.keepDraft('a', named('One'));
    const two = await openWindow();
    await two.keepDraft('a', named('Two'));
    expect((await two.leftDrafts('a')).map(({ document }) => document.name)).toEqual(['Two']);
    await two.dropDraft('a');
    expect((await one.leftDrafts('a')).map(({ document }) => document.name)).toEqual(['One']);
  });

  it('that no window owns any more is offered, the latest first', async () => {
    const { close } = locks();
    const one = await openWindow();
    await one.keepDraft('a', named('One'));
    await new Promise((resolve) => setTimeout(resolve, 5));
    const two = await openWindow();
    await two.keepDraft('a', named('Two'));
    close();
    const three = await openWindow();
    const left = await three.leftDrafts('a');
    expect(left.map(({ document }) => document.name)).toEqual(['Two', 'One']);
    expect(left.some((draft) => three.isOwn(draft))).toBe(false);
    await three.dropDraft('a', left[1]?.window);
    expect((await three.leftDrafts('a')).map(({ document }) => document.name)).toEqual(['Two']);
  });

  it('of a window that is just closing is waited for, and of one that stays it is left alone', async () => {
    const { close } = locks();
    const one = await openWindow();
    await one.keepDraft('a', named('One'));
    const two = await openWindow();
    setTimeout(close, 150);
    expect((await two.leftDrafts('a')).map(({ document }) => document.name)).toEqual(['One']);
    await two.keepDraft('b', named('Two'));
    const three = await openWindow();
    // From here on only the fourth window holds its lock.
    locks();
    const four = await openWindow();
    await four.keepDraft('b', named('Four'));
    expect((await three.leftDrafts('b')).map(({ document }) => document.name)).toEqual(['Two']);
  });

  it('that the server has already is dropped, and taken up by nobody', async () => {
    const { close } = locks();
    const one = await openWindow();
    await one.keepDraft('a', named('Saved'));
    close();
    const two = await openWindow();
    expect(await two.leftDrafts('a', newBuild('Saved'))).toEqual([]);
    expect(await two.leftDrafts('a')).toEqual([]);
    await two.keepDraft('a', named('Not saved'));
    expect(await two.leftDrafts('a', newBuild('Saved'))).toHaveLength(1);
  });

  it('of an earlier version is taken over once', async () => {
    locks();
    localStorage.setItem('zubric-draft-a', JSON.stringify(named('Old')));
    const one = await openWindow();
    expect((await one.leftDrafts('a')).map(({ document }) => document.name)).toEqual(['Old']);
    expect(localStorage.getItem('zubric-draft-a')).toBeNull();
    expect((await one.leftDrafts('a')).map(({ document }) => document.name)).toEqual(['Old']);
  });

  it('that cannot be read is passed over, not fallen over', async () => {
    locks();
    const one = await openWindow();
    for (const text of ['{', 'null', '{"version":1}', JSON.stringify({ version: 1, document: gull })]) {
      localStorage.setItem('zubric-draft-a', text);
      expect(await one.leftDrafts('a')).toEqual([]);
    }
  });

  it('is not said to be kept where storage is denied or full', async () => {
    const one = await openWindow();
    const denied = vi.spyOn(IDBFactory.prototype, 'open').mockImplementation(() => {
      throw new DOMException('denied', 'SecurityError');
    });
    expect(await one.keepDraft('a', named('Tern'))).toBe(false);
    expect(await one.leftDrafts('a')).toEqual([]);
    denied.mockRestore();
    // Once it is allowed, the next edit is kept.
    expect(await one.keepDraft('a', named('Tern'))).toBe(true);
    const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(await one.keepDraft('a', named('Gannet'))).toBe(false);
    full.mockRestore();
  });

  it('is offered where the browser cannot tell which windows live', async () => {
    vi.stubGlobal('navigator', { ...navigator, locks: undefined });
    const one = await openWindow();
    await one.keepDraft('a', named('One'));
    const two = await openWindow();
    expect((await two.leftDrafts('a')).map(({ document }) => document.name)).toEqual(['One']);
  });
});

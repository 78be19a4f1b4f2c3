import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NOT_NOW } from './messages.ts';
import { takeUpdate } from './register.ts';
import { takeOver } from './take-over.ts';

/** A browser with pages that are open at each look, the last look's for good. */
function browserWith(...looks: readonly (readonly string[])[]) {
  let look = 0;
  const skipWaiting = vi.fn(async () => undefined);
  const matchAll = async () => {
    const open = looks[Math.min(look, looks.length - 1)] ?? [];
    look += 1;
    return open.map((id) => ({ id }));
  };
  return { clients: { matchAll }, skipWaiting };
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function asked(browser: ReturnType<typeof browserWith>, asking: string | undefined) {
  const taken = takeOver(browser, asking);
  await vi.runAllTimersAsync();
  const times = browser.skipWaiting.mock.calls.length;
  return { taken: await taken, times };
}

describe('a newer worker', () => {
  it('takes over for the only page that is open', async () => {
    expect(await asked(browserWith(['this']), 'this')).toEqual({ taken: true, times: 1 });
  });

  it('takes over once the page before it has gone', async () => {
    const browser = browserWith(['before', 'this'], ['before', 'this'], ['this']);
    expect(await asked(browser, 'this')).toEqual({ taken: true, times: 1 });
  });

  it('waits on while another page stays open', async () => {
    expect(await asked(browserWith(['recording', 'this']), 'this')).toEqual({ taken: false, times: 0 });
  });

  it('never takes over beneath the page that stays where the one that asked was closed', async () => {
    const browser = browserWith(['recording', 'this'], ['recording']);
    expect(await asked(browser, 'this')).toEqual({ taken: false, times: 0 });
    expect(await asked(browserWith(['recording']), undefined)).toEqual({ taken: false, times: 0 });
  });
});

/** The page's side: the container of workers that a browser gives it. */
function workersOf(
  waiting: { readonly postMessage: (said: unknown, ports: MessagePort[]) => void } | undefined,
) {
  const container = Object.assign(new EventTarget(), { getRegistration: async () => ({ waiting }) });
  vi.stubGlobal('navigator', { serviceWorker: container });
  return container;
}

describe('a page that begins', () => {
  it('begins at once where no newer application waits', async () => {
    workersOf(undefined);
    expect(await takeUpdate()).toBe(false);
  });

  it('is read again once the newer one has taken over', async () => {
    const container = workersOf({
      postMessage: () => void setTimeout(() => container.dispatchEvent(new Event('controllerchange')), 500),
    });
    const again = takeUpdate();
    await vi.advanceTimersByTimeAsync(500);
    expect(await again).toBe(true);
  });

  it('begins with the one it has where the newer one says not now, or nothing for three seconds', async () => {
    vi.useRealTimers();
    workersOf({ postMessage: (_, [port]) => port?.postMessage(NOT_NOW) });
    expect(await takeUpdate()).toBe(false);
    vi.useFakeTimers();
    workersOf({ postMessage: () => undefined });
    const begun = vi.fn<(again: boolean) => void>();
    void takeUpdate().then(begun);
    await vi.advanceTimersByTimeAsync(2900);
    expect(begun).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(100);
    expect(begun).toHaveBeenCalledWith(false);
  });
});

import { useSyncExternalStore } from 'react';

/** How the last answer came: from the server, from what this device keeps (since when), or not at all. */
export type Connection =
  | { readonly state: 'there' }
  | { readonly state: 'away' }
  | { readonly state: 'kept'; readonly since: number };

const THERE: Connection = { state: 'there' };
const AWAY: Connection = { state: 'away' };

let now: Connection = THERE;
const listeners = new Set<() => void>();

/** The header that the worker puts on an answer that this device kept: when it came, ms. */
export const KEPT_SINCE = 'x-zubric-kept-since';

function become(next: Connection): void {
  if (next.state === now.state) return;
  now = next;
  for (const listener of listeners) listener();
}

/** Notes how an answer came. */
export function noteAnswer(headers: Headers | undefined): void {
  const since = Number(headers?.get(KEPT_SINCE) ?? NaN);
  become(headers === undefined ? AWAY : Number.isFinite(since) ? { state: 'kept', since } : THERE);
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Calls back each time the server is there again. */
export const onceThere = (then: () => void): (() => void) =>
  subscribe(() => {
    if (now.state === 'there') then();
  });

export const useConnection = (): Connection => useSyncExternalStore(subscribe, () => now);

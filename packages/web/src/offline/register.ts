import { NOT_NOW, TAKE_OVER } from './messages.ts';

const ADDRESS = '/offline-worker.js';
/** So long the newer worker has to answer before the page begins with the one it has, ms: it looks for two thirds. */
const PATIENCE_MS = 3000;

/** Keeps the application on this device, so that it begins without a network. A page without TLS cannot. */
export function keepApplication(): void {
  void navigator.serviceWorker
    ?.register(ADDRESS, { type: 'classic', updateViaCache: 'none' })
    .catch(() => undefined);
}

/** What a builder reads of a build on the floor. */
const doorsOf = (buildId: string): readonly string[] =>
  ['', '/log', '/snapshots', '/trial-sets'].map((door) => `/api/builds/${buildId}${door}`);

/** Once the worker stands behind this page. */
async function stands(): Promise<void> {
  await navigator.serviceWorker.ready;
  if (navigator.serviceWorker.controller) return;
  await new Promise((resolve) => {
    navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true });
  });
}

/**
 * Has the answers that a device needs without a network kept by the worker: who it is, the list, and all of the build
 * that is open, its stations that were not opened yet too.
 */
export async function keepAnswers(buildId: string | undefined): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  await stands();
  const doors = ['/api/me', '/api/builds?place=bench', '/api/parts', ...(buildId ? doorsOf(buildId) : [])];
  for (const door of doors) await fetch(door).catch(() => undefined);
}

/**
 * At the start of a page: an application that came meanwhile is taken now, not in the middle of recording. Resolves to
 * whether the page must be read again.
 */
export async function takeUpdate(): Promise<boolean> {
  const waiting = (await navigator.serviceWorker?.getRegistration())?.waiting;
  if (!waiting) return false;
  const { port1, port2 } = new MessageChannel();
  const taken = new Promise<boolean>((resolve) => {
    navigator.serviceWorker.addEventListener('controllerchange', () => resolve(true), { once: true });
    port1.onmessage = ({ data }) => data === NOT_NOW && resolve(false);
    setTimeout(() => resolve(false), PATIENCE_MS);
  });
  waiting.postMessage(TAKE_OVER, [port2]);
  return taken;
}

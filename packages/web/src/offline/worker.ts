/**
 * The worker that stands between a device that was let in and the server: it hands out the application itself from what
 * the device keeps, and the answers last had where the server does not answer. It never takes the place of an earlier
 * one beneath a page that is open (docs/operating.md, "Without a network").
 */
import { ExpirationPlugin } from 'workbox-expiration';
import { createHandlerBoundToURL, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkFirst } from 'workbox-strategies';
import { KEPT_SINCE } from '../common/connection.ts';
import { NOT_NOW, TAKE_OVER } from './messages.ts';
import { takeOver, type OpenPage, type WaitingScope } from './take-over.ts';

/** Every file of the application, written in when it is built. */
declare const FILES: PrecacheEntry[];

interface Heard {
  readonly data: unknown;
  readonly source: OpenPage | null;
  readonly ports: readonly MessagePort[];
  readonly waitUntil: (done: Promise<unknown>) => void;
}
interface WorkerScope extends WaitingScope {
  readonly clients: WaitingScope['clients'] & { readonly claim: () => Promise<void> };
  readonly caches: CacheStorage;
  readonly addEventListener: (type: 'message' | 'activate', heard: (event: Heard) => void) => void;
}
declare const self: WorkerScope;

const ANSWERS = 'zubric-answers';
/** So long the server has to answer before what is kept is shown, s. */
const PATIENCE_S = 4;
const MOST_KEPT = 300;
const KEPT_FOR_S = 60 * 24 * 3600;

/** What a builder reads on the floor: the list, builds, their trials, logbook and photographs, the shelf. */
const KEPT_DOORS =
  /^\/api\/(me|parts|builds|builds\/[\w-]+|builds\/[\w-]+\/(log|snapshots|trial-sets)|photos\/[\w-]+)$/;

const CAME = 'x-zubric-came';

/** An answer with one more header. */
const marked = async (response: Response, name: string, value: string): Promise<Response> => {
  const headers = new Headers(response.headers);
  headers.set(name, value);
  return new Response(await response.blob(), { status: response.status, headers });
};

precacheAndRoute(FILES);
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), {
    denylist: [/^\/api\//, /^\/api-docs/, /^\/enter/, /^\/healthz/, /^\/readyz/],
  }),
);
registerRoute(
  ({ url, request }) => request.method === 'GET' && KEPT_DOORS.test(url.pathname),
  new NetworkFirst({
    cacheName: ANSWERS,
    networkTimeoutSeconds: PATIENCE_S,
    plugins: [
      new ExpirationPlugin({ maxEntries: MOST_KEPT, maxAgeSeconds: KEPT_FOR_S, purgeOnQuotaError: true }),
      {
        // Sent away: nothing of the builds stays on the device.
        fetchDidSucceed: async ({ response }) => {
          if (response.status === 401) await self.caches.delete(ANSWERS);
          return response;
        },
        cacheWillUpdate: async ({ response }) =>
          response.status === 200 ? marked(response, CAME, String(Date.now())) : null,
        cachedResponseWillBeUsed: async ({ cachedResponse }) =>
          cachedResponse
            ? marked(cachedResponse, KEPT_SINCE, cachedResponse.headers.get(CAME) ?? '0')
            : undefined,
      },
    ],
  }),
);

// The page that a device came in by is kept from now on, not only from its next start.
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

async function answer({ source, ports }: Heard): Promise<void> {
  if (!(await takeOver(self, source?.id))) ports[0]?.postMessage(NOT_NOW);
}

self.addEventListener('message', (event) => {
  if (event.data === TAKE_OVER) event.waitUntil(answer(event));
});

import { timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler, Response } from 'express';
import type { DeviceStore } from '../devices/store.ts';
import { cameFromHere, markAsker, THIS_MACHINE } from './asker.ts';
import { HttpProblem } from './http-problem.ts';

/**
 * Refuses requests for another host name (a page elsewhere whose name points here), from another origin (a page
 * elsewhere that posts here), and what a browser says another site asked for. `hosts` are host:port pairs; `secure` is
 * an origin behind TLS, whose proxy hands requests on with the host that was asked for.
 */
export function onlyFrom(hosts: () => readonly string[], secure?: string): RequestHandler {
  const proxied = secure === undefined ? undefined : new URL(secure);
  return (request, _response, next) => {
    const allowed = hosts();
    const { host, origin } = request.headers;
    const isProxied = proxied !== undefined && host?.toLowerCase() === proxied.host;
    if (host === undefined || !(isProxied || allowed.includes(host.toLowerCase())))
      throw new HttpProblem({
        status: 403,
        code: 'foreign-host',
        title: 'This server answers only to its own address.',
      });
    const origins = isProxied ? [proxied.origin] : allowed.map((h) => `http://${h}`);
    if (origin !== undefined && !origins.includes(origin.toLowerCase())) throw foreign();
    // Fetch Metadata: a link followed from elsewhere may open a page; nothing else may come from another site.
    const site = request.get('Sec-Fetch-Site');
    const opens = request.method === 'GET' && request.get('Sec-Fetch-Mode') === 'navigate';
    if ((site === 'cross-site' || site === 'same-site') && !(opens && !isApi(request))) throw foreign();
    next();
  };
}

const isApi = ({ path }: Request): boolean => path === '/api' || path.startsWith('/api/');

const foreign = (): HttpProblem =>
  new HttpProblem({
    status: 403,
    code: 'foreign-origin',
    title: 'Another page may not use this server.',
  });

/** The names of this machine as seen from itself. */
export const loopbackHosts = (port: number): string[] =>
  ['127.0.0.1', 'localhost', '[::1]'].map((name) => `${name}:${port}`);

const A_YEAR_MS = 365 * 24 * 3600 * 1000;
/** Where the printed address leads: it leaves the key as a cookie and goes on to the builds. */
export const ENTRY = '/enter';

const isSame = (given: string | undefined, token: string): boolean => {
  const [a, b] = [Buffer.from(given ?? ''), Buffer.from(token)];
  return a.length === b.length && timingSafeEqual(a, b);
};

/**
 * Cookies are shared by all ports of a host: each installation has a name of its own. Behind a proxy that is one name for all
 * servers that it hands on to; a cookie that one of them left before, under its own port, is taken there too.
 */
function cookieNames(request: Request): readonly [string, ...string[]] {
  const own = `zubric-key-${request.socket.localPort ?? 0}`;
  return request.get('X-Forwarded-Proto') === undefined ? [own] : [`zubric-key-${PROXIED}`, own];
}
const PROXIED = 'proxied';

function cookieOf(request: Request): string | undefined {
  const cookies = (request.headers.cookie ?? '').split(';').map((pair) => pair.trim().split('='));
  for (const wanted of cookieNames(request)) {
    const found = cookies.find(([name]) => name === wanted)?.[1];
    if (found !== undefined) return found;
  }
  return undefined;
}

const bearerOf = (request: Request): string | undefined =>
  /^Bearer ([\w-]+)$/i.exec(request.get('Authorization') ?? '')?.[1];

/** Takes the key of the printed address and keeps it as a cookie that no script and no other site can use. */
export const entry =
  (token: string): RequestHandler =>
  (request, response) => {
    const { key } = request.query;
    if (typeof key !== 'string' || !isSame(key, token)) throw keyless();
    keepKey(request, response, token);
    response.set('Cache-Control', 'no-store').redirect(303, '/');
  };

/** Leaves a key as a cookie that no script and no other site can use, and over TLS none that goes without. */
export function keepKey(request: Request, response: Response, key: string): void {
  response.cookie(cookieNames(request)[0], key, {
    httpOnly: true,
    sameSite: 'strict',
    secure: request.secure,
    maxAge: A_YEAR_MS,
    path: '/',
  });
}

const keyless = (): HttpProblem =>
  new HttpProblem({
    status: 401,
    code: 'no-key',
    title:
      'This browser has no key to the builds here. At the machine itself open the address that “npm start” printed; let a phone in under “Devices”. A tool sends the key in the file “token” of the state folder as a bearer.',
  });

/**
 * Only who holds a key: this user's browser by its cookie and this user's tools by a bearer header, at the address that
 * only this machine reaches; devices that were let in by the keys they were given. Without a `token` everyone at this
 * machine is its user.
 */
export const onlyWithKey =
  (token: string | undefined, devices: DeviceStore): RequestHandler =>
  async (request, response, next) => {
    const keys = [bearerOf(request), cookieOf(request)].filter((key) => key !== undefined);
    const isOwn = token === undefined || keys.some((key) => isSame(key, token));
    for (const key of keys) {
      const device = token !== undefined && isSame(key, token) ? null : await devices.byKey(key);
      if (!device) continue;
      markAsker(request, { own: false, id: device.id, name: device.name, role: device.role });
      next();
      return;
    }
    if (isOwn && cameFromHere(request)) {
      markAsker(request, THIS_MACHINE);
      next();
      return;
    }
    response.set('WWW-Authenticate', 'Bearer realm="zubric"');
    throw keyless();
  };

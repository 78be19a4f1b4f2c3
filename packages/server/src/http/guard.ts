import { timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import { HttpProblem } from './http-problem.ts';

/**
 * Refuses requests for another host name (a page elsewhere whose name points here), from another origin (a page
 * elsewhere that posts here), and what a browser says another site asked for. `hosts` are host:port pairs.
 */
export function onlyFrom(hosts: () => readonly string[]): RequestHandler {
  return (request, _response, next) => {
    const allowed = hosts();
    const { host, origin } = request.headers;
    if (host === undefined || !allowed.includes(host.toLowerCase()))
      throw new HttpProblem({
        status: 403,
        code: 'foreign-host',
        title: 'This server answers only to its own address.',
      });
    if (origin !== undefined && !allowed.some((h) => origin.toLowerCase() === `http://${h}`)) throw foreign();
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

/** Cookies are shared by all ports of a host: each installation has a name of its own. */
const cookieName = (request: Request): string => `zubric-key-${request.socket.localPort ?? 0}`;

const cookieOf = (request: Request): string | undefined =>
  (request.headers.cookie ?? '')
    .split(';')
    .map((pair) => pair.trim().split('='))
    .find(([name]) => name === cookieName(request))?.[1];

const bearerOf = (request: Request): string | undefined =>
  /^Bearer ([\w-]+)$/i.exec(request.get('Authorization') ?? '')?.[1];

/** Takes the key of the printed address and keeps it as a cookie that no script and no other site can use. */
export const entry =
  (token: string): RequestHandler =>
  (request, response) => {
    const { key } = request.query;
    if (typeof key !== 'string' || !isSame(key, token)) throw keyless();
    response
      .cookie(cookieName(request), token, {
        httpOnly: true,
        sameSite: 'strict',
        maxAge: A_YEAR_MS,
        path: '/',
      })
      .set('Cache-Control', 'no-store')
      .redirect(303, '/');
  };

const keyless = (): HttpProblem =>
  new HttpProblem({
    status: 401,
    code: 'no-key',
    title:
      'This browser has no key to the builds here. Open the address that “npm start” printed; a tool sends the key in the file “token” of the state folder as a bearer.',
  });

/** Only who holds the key: this user’s browser by its cookie, this user’s tools by a bearer header. */
export const onlyWithKey =
  (token: string): RequestHandler =>
  (request, response, next) => {
    if (isSame(bearerOf(request), token) || isSame(cookieOf(request), token)) {
      next();
      return;
    }
    response.set('WWW-Authenticate', 'Bearer realm="zubric"');
    throw keyless();
  };

import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.ts';

/**
 * Refuses requests for another host name (a page elsewhere whose name points here) and from another origin (a page
 * elsewhere that posts here). `hosts` are host:port pairs.
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
    if (origin !== undefined && !allowed.some((h) => origin.toLowerCase() === `http://${h}`))
      throw new HttpProblem({
        status: 403,
        code: 'foreign-origin',
        title: 'Another page may not use this server.',
      });
    next();
  };
}

/** The names of this machine as seen from itself. */
export const loopbackHosts = (port: number): string[] =>
  ['127.0.0.1', 'localhost', '[::1]'].map((name) => `${name}:${port}`);

import type { IncomingMessage } from 'node:http';
import type { Me } from '@zubric/core/answers';
import type { Request, RequestHandler } from 'express';
import { HttpProblem } from './http-problem.ts';

/** Who asks: whoever sits at the machine itself, or a device that was let in. */
export type Asker = Me;

/** Whoever holds the key of the installation. It has no name in the logbook: most builders are alone. */
export const THIS_MACHINE: Asker = { own: true, id: '', name: '', role: 'everything' };

const askers = new WeakMap<IncomingMessage, Asker>();

export const markAsker = (request: Request, asker: Asker): void => void askers.set(request, asker);

/** Who asks; known of everything behind the key. */
export function askerOf(request: Request): Asker {
  const asker = askers.get(request);
  if (!asker) throw new Error('it is not known who asks');
  return asker;
}

const OWN_ADDRESSES = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);

/** Whether a request came to the address that only this machine reaches. */
export const cameFromHere = (request: Request): boolean =>
  OWN_ADDRESSES.has(request.socket.localAddress ?? '');

export const notAllowed = (title: string): HttpProblem =>
  new HttpProblem({ status: 403, code: 'not-allowed', title });

/** Only whoever sits at the machine itself. */
export const onlyFromThisMachine: RequestHandler = (request, _response, next) => {
  if (!askerOf(request).own)
    throw notAllowed('Devices are let in and sent away at the machine that the builds are on.');
  next();
};

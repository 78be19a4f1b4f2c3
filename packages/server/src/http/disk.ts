import { statfs } from 'node:fs/promises';
import type { RequestHandler } from 'express';
import { HttpProblem } from './http-problem.ts';

/** With less than this left nothing more is taken: what the database is about to write must still fit. */
const FULL_BYTES = 12 * 2 ** 20;
/** With less than this it is told. */
const LOW_BYTES = 200 * 2 ** 20;
/** How long what was found stands, ms. */
const STANDS_MS = 500;

export interface Disk {
  readonly freeBytes: number;
  readonly low: boolean;
  readonly full: boolean;
}

/** How much room is left on the disk that keeps everything; undefined where that cannot be told. */
export function diskOf(folder: string): () => Promise<Disk | undefined> {
  let known: { readonly at: number; readonly disk: Promise<Disk | undefined> } | undefined;
  const look = async (): Promise<Disk | undefined> => {
    try {
      const { bavail, bsize } = await statfs(folder);
      const freeBytes = bavail * bsize;
      return { freeBytes, low: freeBytes < LOW_BYTES, full: freeBytes < FULL_BYTES };
    } catch {
      return undefined;
    }
  };
  return () => {
    const now = performance.now();
    if (!known || now - known.at > STANDS_MS) known = { at: now, disk: look() };
    return known.disk;
  };
}

export const diskFull = (): HttpProblem =>
  new HttpProblem({
    status: 507,
    code: 'disk-full',
    title:
      'The disk is full, so this was not saved. Nothing is lost: make room, and what you typed is sent again.',
  });

/** Refuses to write while the disk is full, before the database meets it. Throwing away goes on. */
export const whileThereIsRoom =
  (disk: () => Promise<Disk | undefined>): RequestHandler =>
  async (request, _response, next) => {
    const writes = request.method === 'POST' || request.method === 'PUT';
    if (writes && (await disk())?.full) throw diskFull();
    next();
  };

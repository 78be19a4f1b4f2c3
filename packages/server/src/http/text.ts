import { isUtf8 } from 'node:buffer';
import type { IncomingMessage } from 'node:http';
import type { RequestHandler } from 'express';
import { HttpProblem } from './http-problem.ts';

/** Escapes in JSON that may stand for what a database or a file cannot keep: NUL and halves of a surrogate pair. */
const SUSPECT = /\\u(0000|[dD][89a-fA-F])/;
const suspects = new WeakSet<IncomingMessage>();

/** For the parser of bodies: no bytes that are not UTF-8; what may hide in escapes is looked at once it is read. */
export function checkBytes(request: IncomingMessage, _response: unknown, bytes: Buffer): void {
  if (!isUtf8(bytes))
    throw new HttpProblem({ status: 400, code: 'not-utf-8', title: 'Send the body as UTF-8.' });
  if (SUSPECT.test(bytes.toString('latin1'))) suspects.add(request);
}

/** With `u`, only a half of a surrogate pair by itself is one. */
const HALF = /\p{Surrogate}/u;
const isKept = (text: string): boolean => !text.includes('\0') && !HALF.test(text);

/** Whether every text and every key of a value can be kept. Without recursion: it may be nested however deep. */
function allKept(value: unknown): boolean {
  const open: unknown[] = [value];
  for (let at = open.pop(); at !== undefined || open.length > 0; at = open.pop()) {
    if (typeof at === 'string' && !isKept(at)) return false;
    if (typeof at === 'object' && at !== null) {
      if (!Object.keys(at).every(isKept)) return false;
      open.push(...(Object.values(at) as unknown[]).filter((inner) => inner !== undefined));
    }
  }
  return true;
}

/** Refuses texts that a database cannot keep: NUL, and halves of a surrogate pair. */
export const onlyKeptText: RequestHandler = (request, _response, next) => {
  if (suspects.has(request) && !allKept(request.body))
    throw new HttpProblem({
      status: 422,
      code: 'unkeepable-text',
      title: 'A text holds a character that cannot be kept (NUL, or half of a surrogate pair): leave it out.',
    });
  next();
};

function isReadable(url: string): boolean {
  try {
    return isKept(decodeURIComponent(url));
  } catch {
    return false;
  }
}

/** Refuses addresses that cannot be decoded, or that hold NUL. */
export const onlyReadableAddress: RequestHandler = (request, _response, next) => {
  if (!isReadable(request.url))
    throw new HttpProblem({
      status: 400,
      code: 'unreadable-address',
      title: 'The address cannot be read: a “%” in it must be followed by two hexadecimal digits of UTF-8.',
    });
  next();
};

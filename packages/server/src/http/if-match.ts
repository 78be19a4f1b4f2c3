import type { Request } from 'express';
import { HttpProblem } from './http-problem.ts';

/** The version that a save started from: `If-Match: "7"`. */
export function versionFrom(request: Request): number {
  const header = request.get('If-Match');
  if (header === undefined)
    throw new HttpProblem({
      status: 428,
      code: 'version-missing',
      title: 'Say with If-Match which version this change started from.',
    });
  const found = /^(?:W\/)?"?(\d{1,9})"?$/.exec(header.trim());
  if (!found)
    throw new HttpProblem({
      status: 400,
      code: 'version-unreadable',
      title: 'If-Match must be a version number, such as "7".',
    });
  return Number(found[1]);
}

export const entityTag = (version: number): string => `"${version}"`;

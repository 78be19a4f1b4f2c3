import { refusalSchema } from '@zubric/core/answers';
import type { Problem } from '@zubric/core/vehicle';
import type { z } from 'zod';
import { noteAnswer } from './connection.ts';

/** What the server refused, as it said it. `status` is 0 where it did not answer at all. */
export class ApiProblem extends Error {
  readonly status: number;
  readonly problems: readonly Problem[];
  readonly details: Readonly<Record<string, unknown>>;

  /** Whether it was surely not done, or does no harm when it is done twice. */
  readonly repeatable: boolean;

  constructor(
    status: number,
    title: string,
    {
      details = {},
      repeatable = true,
    }: { details?: Readonly<Record<string, unknown>>; repeatable?: boolean } = {},
  ) {
    super(title);
    this.name = 'ApiProblem';
    this.status = status;
    this.details = details;
    this.repeatable = repeatable;
    this.problems = Array.isArray(details.problems) ? (details.problems as Problem[]) : [];
  }

  /** Whether trying again later may help: no answer, too slow, too many, or the server’s own trouble. */
  get passing(): boolean {
    return this.status === 0 || this.status === 408 || this.status === 429 || this.status >= 500;
  }
}

interface Call<T> {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly body?: unknown;
  readonly version?: number;
  /** The shape of an answer: one of another shape is none. Left away where nothing is answered. */
  readonly shape?: z.ZodType<T>;
}

/** A request that is not answered within this has failed, ms; one that carries a picture or a whole build has longer. */
const TIME_LIMIT_MS = 15_000;
const LONG_TIME_LIMIT_MS = 120_000;
const isLong = (body: unknown): boolean => body instanceof Blob;

/**
 * One request.
 *
 * @throws ApiProblem
 */
export const call = async <T = undefined>(path: string, asked: Call<T> = {}): Promise<T> =>
  (await versionedCall(path, asked)).answer;

/** What a version of something is answered with, from its header; NaN where the answer has none. */
const versionOf = (response: Response): number =>
  Number(/\d+/.exec(response.headers.get('ETag') ?? '')?.[0] ?? NaN);

/** The same, with the version that the answer is of. */
export async function versionedCall<T = undefined>(
  path: string,
  { method = 'GET', body, version, shape }: Call<T> = {},
): Promise<{ readonly answer: T; readonly version: number }> {
  // Asked twice, a POST is done twice.
  const safe = method !== 'POST';
  const limit = new AbortController();
  const timer = setTimeout(() => limit.abort(), isLong(body) ? LONG_TIME_LIMIT_MS : TIME_LIMIT_MS);
  let response: Response;
  let answer: unknown;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body === undefined
          ? {}
          : { 'Content-Type': body instanceof Blob ? body.type : 'application/json' }),
        ...(version === undefined ? {} : { 'If-Match': `"${version}"` }),
      },
      body: body === undefined || body instanceof Blob ? body : JSON.stringify(body),
      signal: limit.signal,
    });
    answer = response.status === 204 ? undefined : await response.json().catch(() => undefined);
    noteAnswer(response.headers);
  } catch {
    noteAnswer(undefined);
    throw new ApiProblem(0, 'The server does not answer. Is Zubric still running?', { repeatable: safe });
  } finally {
    clearTimeout(timer);
  }
  if (response.ok) {
    const read = shape?.safeParse(answer);
    if (read && !read.success)
      throw new ApiProblem(0, 'What answers is not Zubric. Is the address still its own?', {
        repeatable: safe,
      });
    return { answer: read ? read.data : (answer as T), version: versionOf(response) };
  }
  const refusal = refusalSchema.safeParse(answer);
  const details = refusal.data ?? {};
  const title = refusal.data?.title ?? `The server said ${response.status}.`;
  const repeatable = safe || response.status === 503 || response.status === 429;
  throw new ApiProblem(response.status, title, { details, repeatable });
}

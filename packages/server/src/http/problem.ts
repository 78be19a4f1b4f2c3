import { NotPhysical } from '@zubric/core/contract';
import { UnknownCalculator } from '@zubric/core/calculators';
import { problemsOf, type Problem } from '@zubric/core/build';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ZodError } from 'zod';
import { isDatabaseAway } from '../database/data-source.ts';

interface ProblemDetails {
  readonly status: number;
  /** Stable, for programs. */
  readonly code: string;
  readonly title: string;
  readonly problems?: readonly Problem[];
  readonly [extra: string]: unknown;
}

/** A refusal that goes out as application/problem+json (RFC 9457). */
export class HttpProblem extends Error {
  readonly details: ProblemDetails;

  constructor(details: ProblemDetails) {
    super(details.title);
    this.name = 'HttpProblem';
    this.details = details;
  }
}

export const notFound = (what: string): HttpProblem =>
  new HttpProblem({ status: 404, code: 'not-found', title: `There is no ${what} here.` });

const statusOf = (error: unknown): number =>
  typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number'
    ? error.status
    : 500;

/** Every error as a problem; what is not foreseen says nothing of the inside. */
function detailsOf(error: unknown): ProblemDetails {
  if (error instanceof HttpProblem) return error.details;
  if (error instanceof ZodError)
    return {
      status: 422,
      code: 'invalid-input',
      title: 'Some of what was sent cannot be taken.',
      problems: problemsOf(error),
    };
  if (error instanceof NotPhysical) return { status: 422, code: error.code, title: error.message };
  if (error instanceof UnknownCalculator)
    return { status: 404, code: 'unknown-calculator', title: error.message };
  if (isDatabaseAway(error))
    return {
      status: 503,
      code: 'database-away',
      title:
        'The database does not answer. Nothing is lost: what you typed is kept here and sent when it is back.',
    };
  switch (statusOf(error)) {
    case 400:
      return { status: 400, code: 'broken-json', title: 'The body is not readable JSON.' };
    case 413:
      return { status: 413, code: 'too-large', title: 'The body is too large.' };
    case 415:
      return { status: 415, code: 'unsupported', title: 'Send application/json in UTF-8.' };
    default:
      return {
        status: 500,
        code: 'internal',
        title: 'Something went wrong in the server; its log says what.',
      };
  }
}

export const problemResponses: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const details = detailsOf(error);
  if (details.status >= 500) request.log.error({ err: error }, details.title);
  if (details.status === 503) response.set('Retry-After', '2');
  response.status(details.status).type('application/problem+json').send(JSON.stringify(details));
};

export const noSuchRoute: RequestHandler = (request) => {
  throw notFound(`"${request.path}"`);
};

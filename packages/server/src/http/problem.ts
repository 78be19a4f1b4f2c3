import { NotPhysical } from '@zubric/core/contract';
import { UnknownCalculator } from '@zubric/core/calculators';
import { problemsOf } from '@zubric/core/vehicle';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ZodError } from 'zod';
import { isDatabaseAway, isDiskFull } from '../database/data-source.ts';
import { Unreadable } from '../database/current.ts';
import { diskFull } from './disk.ts';
import { HttpProblem, notFound, type ProblemDetails } from './http-problem.ts';

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
  if (error instanceof Unreadable)
    return {
      status: 422,
      code: 'unreadable-build',
      title:
        'This build is kept in a form that cannot be opened here. Take it out as a file, mend it or open it with a newer version, and bring it in again.',
      problems: error.problems,
    };
  if (isDiskFull(error)) return diskFull().details;
  if (isDatabaseAway(error))
    return {
      status: 503,
      code: 'database-away',
      title:
        'The database does not answer. Nothing is lost: what you typed is kept here and sent when it is back.',
    };
  return byStatus(statusOf(error));
}

const INTERNAL: ProblemDetails = {
  status: 500,
  code: 'internal',
  title: 'Something went wrong in the server; its log says what.',
};

/** Problems that the framework and its parsers find by themselves. */
const BY_STATUS: Readonly<Record<number, Omit<ProblemDetails, 'status'>>> = {
  400: { code: 'broken-json', title: 'The body is not readable JSON.' },
  404: { code: 'not-found', title: 'There is nothing here.' },
  408: { code: 'too-slow', title: 'The request came too slowly: send it again.' },
  413: { code: 'too-large', title: 'The body is too large.' },
  415: { code: 'unsupported', title: 'Send application/json in UTF-8.' },
};

function byStatus(status: number): ProblemDetails {
  const known = BY_STATUS[status];
  if (known) return { status, ...known } as ProblemDetails;
  return status >= 400 && status < 500
    ? { status, code: 'refused', title: 'The request cannot be taken as it was sent.' }
    : INTERNAL;
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

import type { Problem } from '@zubric/core/vehicle';

export interface ProblemDetails {
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

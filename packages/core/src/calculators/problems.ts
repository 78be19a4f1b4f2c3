import { ZodError } from 'zod';
import { problemsOf, type Problem } from '../vehicle/index.ts';
import { NotPhysical } from '../contract/index.ts';
import { UnknownCalculator } from './calculate.ts';

/** What went wrong in a calculation, as data: `invalid-input`, `unknown-calculator` or a NotPhysical code. */
export interface CalculationProblem {
  readonly code: string;
  readonly problems: readonly Problem[];
}

/**
 * The data of an error of `calculate`; undefined for one that is not about the input.
 *
 * @example calculationProblem(new Error('no calculation')) // undefined
 */
export function calculationProblem(error: unknown): CalculationProblem | undefined {
  if (error instanceof ZodError) return { code: 'invalid-input', problems: problemsOf(error) };
  if (error instanceof NotPhysical)
    return { code: error.code, problems: [{ path: '(whole)', message: error.message }] };
  if (error instanceof UnknownCalculator)
    return { code: 'unknown-calculator', problems: [{ path: 'name', message: error.message }] };
  return undefined;
}

import { QueryClient } from '@tanstack/react-query';
import { ApiProblem } from './call.ts';

const MOST_TRIES = 4;
const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 10_000;

/** Tried again where that may help and does no harm. */
export const triedAgain = (failures: number, error: Error): boolean =>
  failures < MOST_TRIES && error instanceof ApiProblem && error.passing && error.repeatable;

/** Longer each time, and not all windows at once. */
export const pauseBefore = (failures: number): number =>
  Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 3 ** failures) * (0.8 + 0.4 * Math.random());

export const makeQueryClient = (): QueryClient =>
  new QueryClient({
    defaultOptions: {
      // Without a network the server may still be there, or this device has kept its answer.
      queries: { networkMode: 'always', retry: triedAgain, retryDelay: pauseBefore, staleTime: 5000 },
      mutations: { networkMode: 'always', retry: triedAgain, retryDelay: pauseBefore },
    },
  });

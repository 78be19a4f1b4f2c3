import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { besideWatched } from './beside.ts';
import type { BenchWork } from './bench-work.ts';

/** A moment after the last keystroke: while somebody types, nothing is worked out that is old at once. */
const PAUSE_MS = 400;

/** A worker with the work of the bench. */
export const startBenchWorker = (): Worker =>
  new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' });

/** A question to the work beside the screen. */
export type Ask<Answer> = (work: Remote<BenchWork>) => Promise<Answer>;

/** What came of a question. */
export interface Beside<Answer> {
  /** The last answer; absent before the first, and after a question that failed. */
  readonly answer?: Answer;
  /** Whether it answers this question, and not an earlier one. */
  readonly isOfNow: boolean;
  /** Why there is none, where it could not be worked out. */
  readonly problem?: string;
  /** Whether its worker died and another is at it. */
  readonly anew?: boolean;
}

/**
 * Asks beside the page, a moment after the question last changed; a newer question ends the work on an older one. The
 * question is a function that is the same while what it asks is the same (`useCallback`); undefined asks nothing.
 *
 * @example const { answer } = useBeside(useCallback((work) => work.payloadSweep(build, 24), [build]));
 */
export function useBeside<Answer>(ask: Ask<Answer> | undefined): Beside<Answer> {
  const [found, setFound] = useState<{
    readonly ask: Ask<Answer>;
    readonly answer?: Answer;
    readonly problem?: string;
  }>();
  const [anewFor, setAnewFor] = useState<Ask<Answer>>();
  useEffect(() => {
    if (!ask || typeof Worker === 'undefined') return;
    const called = new AbortController();
    const { signal } = called;
    const timer = setTimeout(() => {
      besideWatched<BenchWork, Answer>({
        start: startBenchWorker,
        ask,
        signal,
        onAnew: () => setAnewFor(() => ask),
      })
        .then((answer) => setFound({ ask, answer }))
        .catch((error: unknown) => {
          if (!signal.aborted)
            setFound({ ask, problem: error instanceof Error ? error.message : String(error) });
        });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      called.abort();
    };
  }, [ask]);
  const isOfNow = found !== undefined && found.ask === ask;
  const anew = !isOfNow && ask !== undefined && anewFor === ask;
  if (!found) return { isOfNow, anew };
  const { ask: _asked, ...rest } = found;
  return { ...rest, isOfNow, anew };
}

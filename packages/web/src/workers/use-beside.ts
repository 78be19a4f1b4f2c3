import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { beside } from './beside.ts';
import type { BenchWork } from './bench-work.ts';

/** A moment after the last keystroke: while somebody types, nothing is worked out that is old at once. */
const PAUSE_MS = 200;

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
  useEffect(() => {
    if (!ask || typeof Worker === 'undefined') return;
    const called = new AbortController();
    const timer = setTimeout(() => {
      beside<BenchWork, Answer>(startBenchWorker, ask, called.signal)
        .then((answer) => setFound({ ask, answer }))
        .catch((error: unknown) => {
          if (!called.signal.aborted)
            setFound({ ask, problem: error instanceof Error ? error.message : String(error) });
        });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      called.abort();
    };
  }, [ask]);
  if (!found) return { isOfNow: false };
  const { ask: asked, ...rest } = found;
  return { ...rest, isOfNow: asked === ask };
}

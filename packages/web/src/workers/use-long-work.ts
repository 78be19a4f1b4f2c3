import { proxy, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { BenchWork } from './bench-work.ts';
import { besideWatched } from './beside.ts';
import { startBenchWorker } from './use-beside.ts';

/** What became of a long work. */
export type LongWork<Asked, Progress, Answer> =
  | { readonly state: 'idle' }
  | { readonly state: 'running'; readonly progress: Progress; readonly anew: boolean }
  | { readonly state: 'done'; readonly answer: Answer; readonly asked: Asked }
  | { readonly state: 'failed'; readonly why: string };

/** How a long work is asked for. */
export interface AskLong<Asked, Progress, Answer> {
  readonly ask: (
    work: Remote<BenchWork>,
    asked: Asked,
    tells: (progress: Progress) => void,
  ) => Promise<Answer>;
  readonly nothingYet: Progress;
  /** What was found by the name of what it was found for, so that it is still there when its page is opened again. */
  readonly found: Map<string, LongWork<Asked, Progress, Answer>>;
}

/**
 * A long work beside the screen: started, stopped at once, told how far it is. A worker that dies is noticed and the work
 * started anew; where it dies again that is told.
 *
 * @param name what is worked on, such as the id of a build
 */
export function useLongWork<Asked, Progress, Answer>(name: string, how: AskLong<Asked, Progress, Answer>) {
  const { found, nothingYet } = how;
  const [work, setWork] = useState<LongWork<Asked, Progress, Answer>>(
    () => found.get(name) ?? { state: 'idle' },
  );
  const running = useRef<AbortController>(undefined);
  const settle = useCallback(
    (next: LongWork<Asked, Progress, Answer>) => {
      if (next.state === 'running') found.delete(name);
      else found.set(name, next);
      setWork(next);
    },
    [name, found],
  );
  const stop = useCallback(() => {
    running.current?.abort(new Error('stopped'));
    running.current = undefined;
    settle({ state: 'idle' });
  }, [settle]);
  const start = useCallback(
    async (asked: Asked) => {
      running.current?.abort(new Error('asked anew'));
      const own = new AbortController();
      running.current = own;
      let anew = false;
      // How far it is goes another way than the answer, and may come after it.
      let isOver = false;
      const tells = (progress: Progress): void => {
        if (!own.signal.aborted && !isOver) settle({ state: 'running', progress, anew });
      };
      tells(nothingYet);
      try {
        const answer = await besideWatched<BenchWork, Answer>({
          start: startBenchWorker,
          ask: (work, heard) => {
            const told = (progress: Progress): void => {
              heard();
              tells(progress);
            };
            return how.ask(work, asked, proxy(told));
          },
          signal: own.signal,
          onAnew: () => {
            anew = true;
            tells(nothingYet);
          },
        });
        isOver = true;
        settle({ state: 'done', answer, asked });
      } catch (error) {
        isOver = true;
        if (own.signal.aborted) return;
        settle({ state: 'failed', why: error instanceof Error ? error.message : String(error) });
      }
    },
    [settle, how, nothingYet],
  );
  useEffect(() => () => running.current?.abort(new Error('left')), []);
  return { work, start, stop };
}

import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SearchAsked, SearchLimits, SearchProgress, SearchResult } from '@zubric/core/search';
import type { Build } from '@zubric/core/vehicle';
import type { BenchWork } from '../workers/bench-work.ts';
import { beside } from '../workers/beside.ts';
import { startBenchWorker } from '../workers/use-beside.ts';

/** A search that says nothing for so long has died: it is started anew, once. */
const SILENT_MS = 8000;

/** What became of a search. */
export type Searching =
  | { readonly state: 'idle' }
  | { readonly state: 'running'; readonly progress: SearchProgress; readonly anew: boolean }
  | {
      readonly state: 'done';
      readonly result: SearchResult;
      readonly of: Build;
      readonly limits: SearchLimits;
    }
  | { readonly state: 'failed'; readonly why: string };

/** The last search of each build, so that it is still there when its page is opened again. */
const found = new Map<string, Searching>();

const silent = (): Error => new Error('the search stopped by itself');

/** One search in its worker, given up where it falls silent. */
async function searched(
  asked: SearchAsked,
  tells: (progress: SearchProgress) => void,
  signal: AbortSignal,
): Promise<SearchResult> {
  const quiet = new AbortController();
  let timer = setTimeout(() => quiet.abort(silent()), SILENT_MS);
  const told = (progress: SearchProgress): void => {
    clearTimeout(timer);
    timer = setTimeout(() => quiet.abort(silent()), SILENT_MS);
    tells(progress);
  };
  try {
    const either = AbortSignal.any([signal, quiet.signal]);
    return await beside<BenchWork, SearchResult>(
      startBenchWorker,
      (work) => work.search(asked, proxy(told)),
      either,
    );
  } finally {
    clearTimeout(timer);
  }
}

const NOTHING_YET: SearchProgress = { share: 0, judged: 0 };

/**
 * A search beside the screen: started, stopped at once, told how far it is. A worker that dies is noticed and the search
 * started anew; where it dies again that is told.
 */
export function useSearch(buildId: string) {
  const [searching, setSearching] = useState<Searching>(() => found.get(buildId) ?? { state: 'idle' });
  const running = useRef<AbortController>(undefined);
  const settle = useCallback(
    (next: Searching) => {
      if (next.state === 'running') found.delete(buildId);
      else found.set(buildId, next);
      setSearching(next);
    },
    [buildId],
  );
  const stop = useCallback(() => {
    running.current?.abort(new Error('stopped'));
    running.current = undefined;
    settle({ state: 'idle' });
  }, [settle]);
  const start = useCallback(
    async (asked: SearchAsked) => {
      running.current?.abort(new Error('another search'));
      const own = new AbortController();
      running.current = own;
      for (const anew of [false, true]) {
        const tells = (progress: SearchProgress): void => {
          if (!own.signal.aborted) settle({ state: 'running', progress, anew });
        };
        tells(NOTHING_YET);
        try {
          const result = await searched(asked, tells, own.signal);
          settle({ state: 'done', result, of: asked.build, limits: asked.limits });
          return;
        } catch (error) {
          if (own.signal.aborted) return;
          if (anew) settle({ state: 'failed', why: error instanceof Error ? error.message : String(error) });
        }
      }
    },
    [settle],
  );
  useEffect(() => () => running.current?.abort(new Error('left')), []);
  return { searching, start, stop };
}

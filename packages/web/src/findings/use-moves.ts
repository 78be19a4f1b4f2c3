import type { MovesFor } from '@zubric/core/moves';
import type { Build } from '@zubric/core/vehicle';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from '../common/api.ts';
import { useUnits } from '../common/units.tsx';
import { beside } from '../workers/beside.ts';
import type { MovesWork } from '../workers/moves-work.ts';

/** A moment after the last keystroke: while somebody types, nothing is worked out that is old at once. */
const PAUSE_MS = 200;

interface Found {
  readonly moves: readonly MovesFor[];
  /** Why there are none, where they could not be worked out. */
  readonly problem?: string;
}

const NOTHING: Found = { moves: [] };

const start = (): Worker =>
  new Worker(new URL('../workers/moves.worker.ts', import.meta.url), { type: 'module' });

/**
 * The moves of a build, worked out beside the page. A newer build ends the work on an older one; what was found for an
 * older build is not shown for a newer one.
 */
export function useMoves(build: Build): Found {
  const { system } = useUnits();
  const shelf = useQuery({ queryKey: ['parts'], queryFn: api.parts }).data;
  const [found, setFound] = useState<Found & { readonly of: Build }>();
  useEffect(() => {
    if (!shelf || typeof Worker === 'undefined') return;
    const called = new AbortController();
    const timer = setTimeout(() => {
      beside<MovesWork, MovesFor[]>(start, (work) => work.moves(build, shelf, system), called.signal)
        .then((moves) => setFound({ of: build, moves }))
        .catch((error: unknown) => {
          if (!called.signal.aborted)
            setFound({
              of: build,
              moves: [],
              problem: error instanceof Error ? error.message : String(error),
            });
        });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      called.abort();
    };
  }, [build, shelf, system]);
  return found?.of === build ? found : NOTHING;
}

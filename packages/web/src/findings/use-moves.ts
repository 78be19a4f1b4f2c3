import type { MovesFor } from '@zubric/core/moves';
import type { Build } from '@zubric/core/vehicle';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from '../common/api.ts';
import { useUnits } from '../common/units.tsx';
import type { MovesAnswered, MovesAsked } from '../workers/moves-messages.ts';

/** A moment after the last keystroke: while somebody types, nothing is worked out that is old at once. */
const PAUSE_MS = 200;

interface Found {
  /** The build that they are moves of. */
  readonly of: Build;
  readonly moves: readonly MovesFor[];
}

/**
 * The moves of a build, worked out beside the page. A newer build ends the work on an older one; what was found for an
 * older build is not shown for a newer one.
 */
export function useMoves(build: Build): readonly MovesFor[] {
  const { system } = useUnits();
  const shelf = useQuery({ queryKey: ['parts'], queryFn: api.parts }).data;
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    if (!shelf || typeof Worker === 'undefined') return;
    let worker: Worker | undefined;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../workers/moves.worker.ts', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<MovesAnswered>) => {
        // Without moves the findings stand by themselves.
        if ('moves' in data) setFound({ of: build, moves: data.moves });
        worker?.terminate();
      };
      worker.onerror = () => worker?.terminate();
      const asked: MovesAsked = { ask: 1, build, shelf, system };
      worker.postMessage(asked);
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [build, shelf, system]);
  return found?.of === build ? found.moves : [];
}

import type { MovesFor } from '@zubric/core/moves';
import type { Build } from '@zubric/core/vehicle';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api } from '../common/api.ts';
import { useBeside, type Ask } from '../workers/use-beside.ts';

interface Found {
  readonly moves: readonly MovesFor[];
  /** Why there are none, where they could not be worked out. */
  readonly problem?: string;
  /** Whether their worker died and another is at it. */
  readonly anew?: boolean;
}

const NOTHING: Found = { moves: [] };

/** The moves of a build, worked out beside the page; those of an older build are not shown for a newer one. */
export function useMoves(build: Build): Found {
  const shelf = useQuery({ queryKey: ['parts'], queryFn: api.parts }).data;
  const ask: Ask<MovesFor[]> = useCallback((work) => work.moves(build, shelf ?? []), [build, shelf]);
  const { answer: moves = [], isOfNow, problem, anew = false } = useBeside(shelf && ask);
  return isOfNow ? { moves, ...(problem === undefined ? {} : { problem }) } : { ...NOTHING, anew };
}

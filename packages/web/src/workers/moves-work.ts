import { evaluate } from '@zubric/core/judge';
import { moves, type MovesFor } from '@zubric/core/moves';
import type { UnitSystem } from '@zubric/core/quantity';
import type { Build, Part } from '@zubric/core/vehicle';

/** What is worked out beside the screen: the moves of a build. */
export const movesWork = {
  moves: (build: Build, shelf: readonly Part[], system: UnitSystem): MovesFor[] =>
    moves(build, evaluate(build), { shelf, system }),
};
export type MovesWork = typeof movesWork;

import type { MovesFor } from '@zubric/core/moves';
import type { Build, Part } from '@zubric/core/vehicle';
import type { UnitSystem } from '@zubric/core/quantity';

/** What the bench asks the worker: the moves of a build as it is now. */
export interface MovesAsked {
  readonly ask: number;
  readonly build: Build;
  readonly shelf: readonly Part[];
  readonly system: UnitSystem;
}

/** What it answers: the moves, or why there are none. */
export type MovesAnswered =
  | { readonly ask: number; readonly moves: readonly MovesFor[] }
  | { readonly ask: number; readonly problem: string };

import type { Finding } from '../judge/index.ts';
import type { Move, MovesFor } from '../moves/index.ts';
import { inUnits, type UnitSystem } from '../quantity/index.ts';

/** A move as its builder reads it. */
export interface MoveInWords extends Omit<Move, 'text' | 'gains' | 'costs'> {
  readonly text: string;
  readonly gains: string;
  readonly costs: string;
}

/** The moves of a finding, as they are said. */
export interface MovesForInWords extends Omit<MovesFor, 'moves'> {
  readonly moves: readonly MoveInWords[];
}

/**
 * Moves in the units that are wanted.
 *
 * @example movesInWords(moves(pip, evaluate(pip), { shelf: [] })).length // 4
 */
export const movesInWords = (moves: readonly MovesFor[], system: UnitSystem = 'metric'): MovesForInWords[] =>
  moves.map((of) => ({
    ...of,
    moves: of.moves.map((move) => ({
      ...move,
      text: inUnits(move.text, system),
      gains: inUnits(move.gains, system),
      costs: inUnits(move.costs, system),
    })),
  }));

/**
 * The moves of a finding.
 *
 * @example movesOfFinding([], { id: 'margin-grip' }) // []
 */
export const movesOfFinding = (
  all: readonly MovesForInWords[],
  { id }: Pick<Finding, 'id'>,
): readonly MoveInWords[] => all.find(({ finding }) => finding === id)?.moves ?? [];

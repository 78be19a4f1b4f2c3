export { moves, movesOfFinding, type Move, type MovesFor } from './moves.ts';

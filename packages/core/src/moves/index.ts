export { type Move, moves, type MovesFor, movesOfFinding } from './moves.ts';

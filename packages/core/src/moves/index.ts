export { MOST_OVER_RATED } from './candidate.ts';
export { type Move, moves, type MovesFor } from './moves.ts';

export { type Move, moves, type MovesFor } from './moves.ts';

export { moves, type Move, type MovesFor } from './moves.ts';

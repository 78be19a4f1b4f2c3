import { evaluate } from '@zubric/core/judge';
import { moves } from '@zubric/core/moves';
import type { MovesAnswered, MovesAsked } from './moves-messages.ts';

/** Works out the moves of a build; one question at a time, and the bench ends it where a newer one comes. */
self.addEventListener('message', ({ data }: MessageEvent<MovesAsked>) => {
  const answer = (answered: MovesAnswered): void => self.postMessage(answered);
  const { ask, build, shelf, system } = data;
  try {
    answer({ ask, moves: moves(build, evaluate(build), { shelf, system }) });
  } catch (error) {
    answer({ ask, problem: error instanceof Error ? error.message : String(error) });
  }
});

import type { Stage, StageOf } from './index.ts';

/** Stages that go round two wheels and slack as they wear. */
export type Loop = StageOf<'chain' | 'timing-belt' | 'friction-belt'>;

export const isLoop = (stage: Stage): stage is Loop =>
  stage.kind === 'chain' || stage.kind === 'timing-belt' || stage.kind === 'friction-belt';

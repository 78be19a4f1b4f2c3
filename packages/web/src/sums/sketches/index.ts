import { gearPairSketch, planetarySketch, wormSketch } from './gears.ts';
import { chainSketch, frictionBeltSketch, timingBeltSketch, trackSketch } from './loops.ts';
import { lockedSketch, pivotSketch, tipSketch, wheelLoadSketch } from './plan.ts';
import type { Drawn, SumSketch } from './sketch.ts';
import { axleLoadSketch, gradeLimitSketch, sideTipSketch, stepSketch } from './stand.ts';
import { ackermannSketch, trackedTurnSketch, wheeledTurnSketch } from './turn.ts';

/** The drawing of each sum that means a geometry; undefined where it cannot be drawn. */
export const SKETCHES: Readonly<Record<string, (drawn: Drawn) => SumSketch | undefined>> = {
  'chain-drive': chainSketch,
  'timing-belt': timingBeltSketch,
  'friction-belt': frictionBeltSketch,
  'track-loop': trackSketch,
  'gear-pair': gearPairSketch,
  planetary: planetarySketch,
  'worm-pair': wormSketch,
  'axle-loads': axleLoadSketch,
  'grip-limited-grade': gradeLimitSketch,
  'side-tip': sideTipSketch,
  'obstacle-climb': stepSketch,
  'skid-turn-tracked': trackedTurnSketch,
  'skid-turn-wheeled': wheeledTurnSketch,
  ackermann: ackermannSketch,
  'wheel-loads': wheelLoadSketch,
  'tip-angles': tipSketch,
  'pivot-turn': pivotSketch,
  'locked-axle': lockedSketch,
};

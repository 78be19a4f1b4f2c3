import { gearPairSketch, planetarySketch, wormSketch } from './gears.ts';
import { chainSketch, frictionBeltSketch, timingBeltSketch, trackSketch } from './loops.ts';
import { lockedSketch, pivotSketch, tipSketch, wheelLoadSketch } from './plan.ts';
import type { Drawn, SumSketch } from './sketch.ts';
import type { CalculatorName } from '@zubric/core/calculators';
import { axleLoadSketch, gradeLimitSketch, sideTipSketch, stepSketch } from './stand.ts';
import { ackermannSketch, trackedTurnSketch, wheeledTurnSketch } from './turn.ts';
import type { Values } from '@zubric/core/contract';

/** The drawing of each sum that means a geometry; undefined where it cannot be drawn. */
const SKETCHES: { readonly [N in CalculatorName]?: (drawn: Drawn<N>) => SumSketch | undefined } = {
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

/** Sums that are drawn. */
export const DRAWN_SUMS = Object.keys(SKETCHES) as readonly CalculatorName[];

interface AnyDrawn {
  readonly given: Values;
  readonly found: Values;
  readonly say: (key: string) => string;
}

/** The drawing of a sum, of what its calculator took and found; undefined where it is not drawn. */
export function sketchOf(name: CalculatorName, drawn: AnyDrawn): SumSketch | undefined {
  // The table ties each name to the numbers of its calculator; the compiler cannot follow that through a name.
  const sketch = SKETCHES[name] as ((drawn: AnyDrawn) => SumSketch | undefined) | undefined;
  return sketch?.(drawn);
}

import { z } from 'zod';
import { radiansToDegrees } from '../../contract/index.ts';
import { quantity } from '../../quantity/index.ts';
import { wormPair } from '../worm-pair.ts';
import { friction, orProblem, stageCommon, teeth } from './fields.ts';
import type { StageFigures } from './stage-report.ts';

export const wormSchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('worm'),
  starts: z.int().min(1).max(12).meta({ title: 'Starts' }),
  wheelTeeth: teeth('Wheel teeth'),
  leadAngle: quantity('angle', { above: 0, below: Math.PI / 2 }, 'Lead angle'),
  friction: friction('Friction in the worm'),
});

export type Worm = z.output<typeof wormSchema>;

/** What the calculator takes of this stage. */
export const wormInput = (stage: Worm) => ({
  starts: stage.starts,
  wheelTeeth: stage.wheelTeeth,
  leadAngleDeg: radiansToDegrees(stage.leadAngle.value),
  friction: stage.friction.value,
  normalPressureAngleDeg: 20,
});

/** Efficiency follows from lead and friction, both ways: a worm is never as good as the gears beside it. */
export const wormFigures = (stage: Worm): StageFigures =>
  orProblem({ ratio: stage.wheelTeeth / stage.starts, efficiency: 1 }, () => {
    const { efficiency, backEfficiency, selfLocking } = wormPair.run(wormInput(stage));
    return {
      efficiency,
      backEfficiency,
      warnings: selfLocking
        ? ['The worm locks itself at rest; shock and wear release it: never a brake for people or loads.']
        : [],
      facts: [{ title: 'the other way', value: backEfficiency, dimension: 'share' }],
    };
  });

import { z } from 'zod';
import { radiansToDegrees, quantity } from '../../quantity/index.ts';
import { remembered, notice } from '../../contract/index.ts';
import { wormPair } from '../worm-pair.ts';
import { cutIfKnown, friction, orProblem, stageCommon, teeth } from './fields.ts';
import { LEAST_TEETH } from '../gear-bending.ts';
import { toothStrength } from './tooth-strength.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';

export const wormSchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('worm'),
  starts: z.int().min(1).max(12).meta({ title: 'Starts' }),
  wheelTeeth: teeth('Wheel teeth'),
  leadAngle: quantity('angle', { above: 0, below: Math.PI / 2 }, 'Lead angle'),
  friction: friction('Friction in the worm'),
  ...cutIfKnown,
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
export const wormFigures = remembered((stage: Worm): StageFigures =>
  orProblem({ ratio: stage.wheelTeeth / stage.starts, efficiency: 1 }, () => {
    const { efficiency, backEfficiency, selfLocking } = wormPair.run(wormInput(stage));
    return {
      efficiency,
      backEfficiency,
      warnings: selfLocking
        ? [
            notice(
              'worm-locks',
              'The worm locks itself at rest; shock and wear release it: never a brake for people or loads.',
            ),
          ]
        : [],
      facts: [{ title: 'the other way', value: backEfficiency, dimension: 'share' }],
      ...(stage.module ? { outsideM: { driven: (stage.wheelTeeth + 2) * stage.module.value } } : {}),
    };
  }),
);

/** The teeth of the wheel give out before the worm's thread; where module, width and material are known. */
export function wormStrength(stage: Worm, load: StageLoad): StageStrength | undefined {
  const { module, faceWidth, allowable, wheelTeeth, starts } = stage;
  if (!module || !faceWidth || !allowable || load.inputTorqueNm <= 0 || wheelTeeth < LEAST_TEETH)
    return undefined;
  const ratio = wheelTeeth / starts;
  return toothStrength(
    { module, faceWidth, allowable },
    {
      teeth: wheelTeeth,
      torqueNm: load.inputTorqueNm * ratio * wormFigures(stage).efficiency,
      rpm: load.inputRpm / ratio,
    },
  );
}

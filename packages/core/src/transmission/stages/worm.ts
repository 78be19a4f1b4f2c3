import { z } from 'zod';
import { remembered, notice } from '../../contract/index.ts';
import { assumed, quantity, radiansToDegrees, scaled } from '../../quantity/index.ts';
import { LEAST_TEETH } from '../gear-bending.ts';
import { wormPair } from '../worm-pair.ts';
import { cutIfKnown, friction, orProblem, stageCommon, teeth } from './fields.ts';
import { cutSizes, degrees, whole } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import type { StageFigures } from './stage-report.ts';
import { toothStrength } from './tooth-strength.ts';
import { allowableOf, strongerTeeth } from './toothed.ts';
import { meshing } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('worm'),
  starts: z.int().min(1).max(12).meta({ title: 'Starts' }),
  wheelTeeth: teeth('Wheel teeth'),
  leadAngle: quantity('angle', { above: 0, below: Math.PI / 2 }, 'Lead angle'),
  friction: friction('Friction in the worm'),
  ...cutIfKnown,
});
export type Worm = z.output<typeof schema>;

/**
 * What the calculator takes of this stage.
 *
 * @example wormInput(freshStage('worm', 'w', 30)).wheelTeeth // 30
 */
export const wormInput = (stage: Worm) => ({
  starts: stage.starts,
  wheelTeeth: stage.wheelTeeth,
  leadAngleDeg: radiansToDegrees(stage.leadAngle.value),
  friction: stage.friction.value,
  normalPressureAngleDeg: 20,
});

/** Efficiency follows from lead and friction, both ways: a worm is never as good as the gears beside it. */
const figures = remembered((stage: Worm): StageFigures =>
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

/** A worm and its wheel. */
export const worm = {
  schema,
  title: 'Worm',
  school: {
    good: 'Much reduction in one step, quiet, and often holds at rest.',
    bad: 'Loses about half its power, runs hot, cannot be pushed by hand; and is never a brake.',
  },
  usualPlayDeg: 0.5,
  hubs: ['Worm', 'Worm wheel'],
  holdsBy: 'teeth',
  turnsCorner: true,
  fresh: (id, ratio) => ({
    id,
    kind: 'worm',
    starts: ratio < 12 ? 2 : 1,
    wheelTeeth: whole(ratio < 12 ? 2 * ratio : ratio, 12, 500),
    leadAngle: degrees(ratio < 12 ? 12 : 5),
    friction: assumed(0.07, ''),
    ...cutSizes(2, 16, 60),
  }),
  figures,
  /** The teeth of the wheel give out before the worm's thread; where module, width and material are known. */
  strength: (stage, load) => {
    const { module, faceWidth, allowable, wheelTeeth, starts } = stage;
    if (!module || !faceWidth || !allowable || load.inputTorqueNm <= 0 || wheelTeeth < LEAST_TEETH)
      return undefined;
    const ratio = wheelTeeth / starts;
    return toothStrength(
      { module, faceWidth, allowable },
      {
        teeth: wheelTeeth,
        torqueNm: load.inputTorqueNm * ratio * figures(stage).efficiency,
        rpm: load.inputRpm / ratio,
      },
    );
  },
  stands: allowableOf,
  /** Coming down it drives back more easily too. */
  cures: (stage) => [
    {
      text: 'Two starts and twice the lead',
      stage: {
        ...stage,
        starts: stage.starts * 2,
        wheelTeeth: stage.wheelTeeth * 2,
        leadAngle: scaled(stage.leadAngle, 2),
      },
    },
  ],
  stronger: strongerTeeth,
  work: meshing(
    (stage) => [
      {
        id: 'worm',
        name: `Worm, ${stage.starts === 1 ? 'one start' : `${stage.starts} starts`}`,
        count: 1,
      },
      { id: 'wheel', name: `Worm wheel, ${stage.wheelTeeth} teeth`, count: 1 },
    ],
    'Set the worm to its wheel, still loose',
    'A touch of play, the marks of the worm in the middle of the teeth; collars against the push along the worm.',
  ),
} as const satisfies StageMember<Worm>;

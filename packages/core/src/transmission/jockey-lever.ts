import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { degreesToRadians } from '../quantity/index.ts';

const input = z
  .strictObject({
    leverForceN: key.positive('Force of the hand or spring at the lever', 'N'),
    leverArmM: key.positive('From the pivot to where it is pulled', 'm'),
    jockeyArmM: key.positive('From the pivot to the jockey wheel', 'm'),
    turnDeg: z
      .number()
      .gt(0)
      .lt(180)
      .meta({ description: 'Angle by which the jockey turns the strand', unit: 'deg' }),
    friction: key.positive('Friction of belt and pulley').optional(),
    wrapDeg: z
      .number()
      .gt(0)
      .lt(360)
      .optional()
      .meta({ description: 'How far the belt lies round the smaller pulley', unit: 'deg' }),
  })
  .refine((i) => (i.friction === undefined) === (i.wrapDeg === undefined), {
    message: 'give both friction and wrapDeg, or neither',
    path: ['wrapDeg'],
  });

const output = z.strictObject({
  jockeyN: key.positive('Force of the jockey on the strand', 'N'),
  tensionN: key.positive('Tension of the strand', 'N'),
  rimPullN: key.positive('Pull at the rim before it slips', 'N').optional(),
});

export const jockeyLever = defineCalculator({
  name: 'jockey-lever',
  topic: 'ratio',
  asks: 'How tight does a lever pull the belt?',
  title: 'A lever that tightens a belt by a jockey',
  purpose: 'Tension that a lever puts into the slack strand by a jockey wheel, and what the belt then pulls.',
  input,
  output,
  formula: 'N = F a/b;  T = N/(2 sin(δ/2));  P = T (e^(μ β) − 1)',
  symbols: {
    given: {
      F: 'leverForceN',
      a: 'leverArmM',
      b: 'jockeyArmM',
      δ: 'turnDeg',
      μ: 'friction',
      β: 'wrapDeg',
    },
    found: { N: 'jockeyN', T: 'tensionN', P: 'rimPullN' },
  },
  source: 'statics of a wheel on a strand; Euler and Eytelwein for the belt round its pulley',
  limits:
    'The jockey on the slack strand, pushing along the middle of its turn; a spring’s force falls as the belt stretches. Let slack it must clear the belt.',
  examples: [
    {
      origin:
        '20 N on a lever of three to one, the strand turned by 60°: 60 N, and as much in the strand (exact)',
      input: { leverForceN: 20, leverArmM: 0.3, jockeyArmM: 0.1, turnDeg: 60 },
      output: { jockeyN: 60, tensionN: 60 },
    },
  ],
  run: ({ leverForceN, leverArmM, jockeyArmM, turnDeg, friction, wrapDeg }) => {
    const jockeyN = (leverForceN * leverArmM) / jockeyArmM;
    const tensionN = jockeyN / (2 * Math.sin(degreesToRadians(turnDeg) / 2));
    if (friction === undefined || wrapDeg === undefined) return { jockeyN, tensionN };
    const rimPullN = tensionN * Math.expm1(friction * degreesToRadians(wrapDeg));
    if (!Number.isFinite(rimPullN))
      throw new NotPhysical('never-slips', 'With so much friction it never slips: give a smaller figure.');
    return { jockeyN, tensionN, rimPullN };
  },
});

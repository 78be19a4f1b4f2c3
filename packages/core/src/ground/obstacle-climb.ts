import { figure, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  wheelRadiusM: key.positive('Radius of the wheel', 'm'),
  stepM: key.positive('Height of the step', 'm'),
  wheelLoadN: key.positive('Load on the wheel', 'N'),
  friction: key.positive('Friction between wheel and edge'),
});

const output = z.strictObject({
  torqueNm: key.nonNegative('Torque that lifts a driven wheel, with no push from the frame', 'N·m'),
  pushN: key.nonNegative('Push at the axle that lifts a free wheel', 'N'),
  frictionNeeded: key.nonNegative('Friction that a driven wheel needs'),
  highestStepM: key.nonNegative('Highest step by torque alone', 'm'),
  climbs: z.boolean().meta({ description: 'Whether the friction is enough for the driven wheel', unit: '' }),
});

export const obstacleClimb = defineCalculator({
  name: 'obstacle-climb',
  topic: 'ground',
  asks: 'Will the wheel get over the step?',
  title: 'A wheel at a step',
  purpose: 'Torque, push and friction that take one rigid wheel over a square step.',
  input,
  output,
  formula:
    'T = W √(2 r h − h²);  P = W √(2 r h − h²)/(r − h);  needs = √(2 r h − h²)/(r − h);  highest = r (1 − 1/√(1 + μ²))',
  symbols: {
    given: { r: 'wheelRadiusM', h: 'stepM', W: 'wheelLoadN', μ: 'friction' },
    found: { T: 'torqueNm', P: 'pushN', needs: 'frictionNeeded', highest: 'highestStepM' },
  },
  source: 'statics, moments about the edge of the step',
  limits:
    'A rigid wheel against a square edge, slowly. A soft tyre wraps the edge and needs less; speed helps and hurts.',
  examples: [
    {
      origin: 'the 3-4-5 triangle (exact)',
      input: { wheelRadiusM: 0.5, stepM: 0.2, wheelLoadN: 300, friction: 1 },
      output: { torqueNm: 120, pushN: 400, frictionNeeded: 4 / 3, climbs: false },
    },
  ],
  run: ({ wheelRadiusM: r, stepM: h, wheelLoadN, friction }) => {
    if (h >= r)
      throw new NotPhysical(
        'step-too-high',
        sentence`A step of ${figure(h, 'length')} is not lower than the wheel’s radius of ${figure(r, 'length')}: use a larger wheel or a ramp.`,
      );
    const reach = Math.sqrt(h * (2 * r - h));
    const frictionNeeded = reach / (r - h);
    return {
      torqueNm: wheelLoadN * reach,
      pushN: wheelLoadN * frictionNeeded,
      frictionNeeded,
      highestStepM: r * (1 - 1 / Math.hypot(1, friction)),
      climbs: friction >= frictionNeeded,
    };
  },
});

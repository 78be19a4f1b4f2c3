import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  weightN: key.positive('Weight on the wheels', 'N'),
  wheelbaseM: key.positive('Distance between the axles', 'm'),
  trackM: key.positive('Between the wheels of an axle, middle to middle', 'm'),
  lateralCoefficient: key.positive('Friction sideways'),
  rollingCoefficient: key.nonNegative('Rolling resistance over weight'),
  longitudinalFriction: key.positive('Friction forwards'),
});

const output = z.strictObject({
  momentNm: key.positive('Moment that resists the turn', 'N·m'),
  thrustPerSideN: key.positive('Thrust that each side needs', 'N'),
  gripPerSideN: key.positive('Grip that each side has', 'N'),
  turns: z.boolean().meta({ description: 'Whether it turns without wheelspin', unit: '' }),
  margin: key.positive('Grip over thrust'),
});

export const skidTurnWheeled = defineCalculator({
  name: 'skid-turn-wheeled',
  topic: 'ground',
  asks: 'Can fixed wheels turn on the spot?',
  title: 'Turning on the spot with fixed wheels',
  purpose: 'The most thrust that four fixed wheels need to turn on the spot.',
  input,
  output,
  formula: 'M = μ W a/2;  thrust = M/B + f W/2;  grip = μx W/2',
  symbols: {
    given: {
      W: 'weightN',
      a: 'wheelbaseM',
      B: 'trackM',
      μ: 'lateralCoefficient',
      f: 'rollingCoefficient',
      μx: 'longitudinalFriction',
    },
    found: { M: 'momentNm', thrust: 'thrustPerSideN', grip: 'gripPerSideN' },
  },
  source: 'statics: every wheel scrubs square to its plane, an upper bound',
  limits:
    'An upper bound on the spot, load in the middle, all wheels sliding at once; a wide turn asks less.',
  examples: [
    {
      origin: 'a square vehicle with equal frictions just fails to turn (statics)',
      input: {
        weightN: 200,
        wheelbaseM: 1,
        trackM: 1,
        lateralCoefficient: 0.5,
        rollingCoefficient: 0.02,
        longitudinalFriction: 0.5,
      },
      output: { momentNm: 50, thrustPerSideN: 52, gripPerSideN: 50, turns: false },
    },
  ],
  run: (i) => {
    const momentNm = (i.lateralCoefficient * i.weightN * i.wheelbaseM) / 2;
    const thrustPerSideN = momentNm / i.trackM + (i.rollingCoefficient * i.weightN) / 2;
    const gripPerSideN = (i.longitudinalFriction * i.weightN) / 2;
    return {
      momentNm,
      thrustPerSideN,
      gripPerSideN,
      turns: gripPerSideN >= thrustPerSideN,
      margin: gripPerSideN / thrustPerSideN,
    };
  },
});

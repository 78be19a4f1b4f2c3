import { z } from 'zod';
import { degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  stages: z
    .array(
      z.strictObject({
        ratio: key.positive('Turns in for one turn out'),
        playDeg: key.nonNegative('Play of its output while its input is held', 'deg'),
      }),
    )
    .min(1)
    .max(8)
    .meta({ description: 'The stages from motor to wheel', unit: '' }),
  wheelDiameterM: key.positive('Diameter of the wheel under load', 'm').optional(),
});

const output = z.strictObject({
  atWheelDeg: key.nonNegative('Play of the wheel while the motor is held', 'deg'),
  atMotorDeg: key.nonNegative('Play of the motor while the wheel is held', 'deg'),
  atGroundMm: key.nonNegative('Way that the wheel rolls in it', 'mm').optional(),
});

export const playSum = defineCalculator({
  name: 'play-sum',
  topic: 'strength',
  asks: 'How much play has the wheel?',
  title: 'Play of stages, added up',
  purpose: 'Backlash of a drive at its wheel and at its motor; the last stages count the most.',
  input,
  output,
  formula: 'wheel = Σ bk/(i(k+1) … in);  motor = wheel · i1 … in;  way = wheel · D/2',
  symbols: {
    given: { D: 'wheelDiameterM' },
    found: { wheel: 'atWheelDeg', motor: 'atMotorDeg', way: 'atGroundMm' },
  },
  source: 'kinematics: play before a reduction is divided by it',
  limits:
    'All of the play to one side; run-out of wheels and sprockets comes on top and goes round with them.',
  examples: [
    {
      origin: '1° before a chain of 4 : 1 that has 2° of its own: 2 + 1/4 (exact)',
      input: {
        stages: [
          { ratio: 10, playDeg: 1 },
          { ratio: 4, playDeg: 2 },
        ],
        wheelDiameterM: 0.36 / Math.PI,
      },
      output: { atWheelDeg: 2.25, atMotorDeg: 90, atGroundMm: 2.25 },
    },
  ],
  run: ({ stages, wheelDiameterM }) => {
    const atWheelDeg = stages.reduce((play, { ratio, playDeg }) => play / ratio + playDeg, 0);
    const ratio = stages.reduce((product, stage) => product * stage.ratio, 1);
    return {
      atWheelDeg,
      atMotorDeg: atWheelDeg * ratio,
      ...(wheelDiameterM === undefined
        ? {}
        : { atGroundMm: degreesToRadians(atWheelDeg) * (wheelDiameterM / 2) * 1000 }),
    };
  },
});

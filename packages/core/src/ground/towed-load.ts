import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  massKg: key.nonNegative('Mass of what is towed', 'kg'),
  rollingCoefficient: key.nonNegative('Its rolling resistance over its weight'),
  gradeDeg: key.grade().default(0),
  accelerationMps2: key.real('Speeding up', 'm/s²').default(0),
  hitchN: key.real('What of its weight the hitch carries, so that its wheels do not', 'N').default(0),
  extraN: key.real('Pull beside it: a plough, a rope', 'N').default(0),
});

export const towedLoad = defineCalculator({
  name: 'towed-load',
  topic: 'ground',
  asks: 'How hard does a trailer pull?',
  title: 'Pull of a towed load',
  purpose: 'What pulls at the hitch: the rolling, the grade and the speeding up of what is towed.',
  input,
  output: z.strictObject({ drawbarN: key.real('Pull at the hitch', 'N') }),
  formula: 'D = f max(0, m g cosθ − V) + m g sinθ + m a + P',
  symbols: {
    given: {
      m: 'massKg',
      f: 'rollingCoefficient',
      θ: 'gradeDeg',
      V: 'hitchN',
      a: 'accelerationMps2',
      P: 'extraN',
    },
    found: { D: 'drawbarN' },
  },
  source: 'T. D. Gillespie, Fundamentals of Vehicle Dynamics, ch. 2',
  limits:
    'In line and without a brake of its own: downhill it pushes, and a trailer that pushes can jack-knife.',
  examples: [
    {
      origin: '100 kg on the level at 0.05, and 20 N beside it (exact)',
      input: { massKg: 100, rollingCoefficient: 0.05, extraN: 20 },
      output: { drawbarN: 69.03325 },
    },
    {
      origin: 'the same with a tenth of it on the hitch rolls a tenth less (exact)',
      input: { massKg: 100, rollingCoefficient: 0.05, hitchN: 98.0665 },
      output: { drawbarN: 44.129925 },
    },
  ],
  run: (i) => {
    const slopeRad = degreesToRadians(i.gradeDeg);
    const weightN = i.massKg * STANDARD_GRAVITY;
    return {
      drawbarN:
        i.rollingCoefficient * Math.max(0, weightN * Math.cos(slopeRad) - i.hitchN) +
        weightN * Math.sin(slopeRad) +
        i.massKg * i.accelerationMps2 +
        i.extraN,
    };
  },
});

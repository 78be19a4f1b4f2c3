import { z } from 'zod';
import { STANDARD_GRAVITY, defineCalculator, degreesToRadians, key } from '../contract/index.ts';

const input = z.strictObject({
  massKg: key.nonNegative('Mass of what is towed', 'kg'),
  rollingCoefficient: key.nonNegative('Its rolling resistance over its weight'),
  gradeDeg: key.grade().default(0),
  accelerationMps2: key.real('Speeding up', 'm/s²').default(0),
  extraN: key.real('Pull beside it: a plough, a rope', 'N').default(0),
});

export const towedLoad = defineCalculator({
  name: 'towed-load',
  title: 'Pull of a towed load',
  purpose: 'What pulls at the hitch: the rolling, the grade and the speeding up of what is towed.',
  input,
  output: z.strictObject({ drawbarN: key.real('Pull at the hitch', 'N') }),
  formula: 'D = m g (f cosθ + sinθ) + m a + P',
  symbols: {
    given: { m: 'massKg', f: 'rollingCoefficient', θ: 'gradeDeg', a: 'accelerationMps2', P: 'extraN' },
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
  ],
  run: (i) => {
    const slopeRad = degreesToRadians(i.gradeDeg);
    return {
      drawbarN:
        i.massKg * STANDARD_GRAVITY * (i.rollingCoefficient * Math.cos(slopeRad) + Math.sin(slopeRad)) +
        i.massKg * i.accelerationMps2 +
        i.extraN,
    };
  },
});

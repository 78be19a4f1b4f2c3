import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  stages: z
    .array(
      z.strictObject({
        teethDriver: key.count('Teeth of the driving wheel'),
        teethDriven: key.count('Teeth of the driven wheel'),
        efficiency: key.share('Share of the power that comes through').default(1),
      }),
    )
    .min(1)
    .max(8)
    .meta({ description: 'The stages from motor to wheel', unit: '' }),
  inputRpm: key.nonNegative('Speed of the first shaft', 'rpm').optional(),
  inputTorqueNm: key.nonNegative('Torque on the first shaft', 'N·m').optional(),
  loadInertiaKgM2: key.nonNegative('Inertia on the last shaft', 'kg·m²').optional(),
});

const output = z.strictObject({
  ratio: key.positive('Turns of the first shaft for one of the last'),
  efficiency: key.share('Share of the power that comes through all stages'),
  outputRpm: key.nonNegative('Speed of the last shaft', 'rpm').optional(),
  outputTorqueNm: key.nonNegative('Torque on the last shaft', 'N·m').optional(),
  reflectedInertiaKgM2: key.nonNegative('Inertia as the first shaft feels it', 'kg·m²').optional(),
});

export const gearTrain = defineCalculator({
  name: 'gear-train',
  topic: 'ratio',
  asks: 'What do several stages make together?',
  title: 'Stages in series',
  purpose: 'Total ratio, efficiency, speed and torque of stages one after another.',
  input,
  output,
  formula: 'i = Π z2/z1;  η = Π η;  n2 = n1/i;  T2 = T1 i η;  J′ = J/i²',
  symbols: {
    given: { n1: 'inputRpm', T1: 'inputTorqueNm', J: 'loadInertiaKgM2' },
    found: {
      i: 'ratio',
      η: 'efficiency',
      n2: 'outputRpm',
      T2: 'outputTorqueNm',
      'J′': 'reflectedInertiaKgM2',
    },
  },
  source: 'kinematics; common practice',
  limits:
    'Stages one after another, each with its own efficiency at any load; light loads lose a larger share.',
  examples: [
    {
      origin: '15 to 45 and 12 to 48 teeth in series are 3 · 4 = 12 to one (arithmetic)',
      input: {
        stages: [
          { teethDriver: 15, teethDriven: 45 },
          { teethDriver: 12, teethDriven: 48 },
        ],
      },
      output: { ratio: 12 },
    },
  ],
  run: (i) => {
    const ratio = i.stages.reduce((product, s) => product * (s.teethDriven / s.teethDriver), 1);
    const efficiency = i.stages.reduce((product, s) => product * s.efficiency, 1);
    return {
      ratio,
      efficiency,
      ...(i.inputRpm === undefined ? {} : { outputRpm: i.inputRpm / ratio }),
      ...(i.inputTorqueNm === undefined ? {} : { outputTorqueNm: i.inputTorqueNm * ratio * efficiency }),
      ...(i.loadInertiaKgM2 === undefined ? {} : { reflectedInertiaKgM2: i.loadInertiaKgM2 / ratio ** 2 }),
    };
  },
});

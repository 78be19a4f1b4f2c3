import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  massKg: key.positive('Mass of the vehicle with its load', 'kg'),
  wheelbaseM: key.positive('Distance between the axles', 'm'),
  cgAheadOfRearAxleM: key.nonNegative('Centre of gravity ahead of the rear axle', 'm'),
  cgHeightM: key.nonNegative('Height of the centre of gravity', 'm'),
  gradeDeg: key.grade().default(0),
  accelerationMps2: key.real('Speeding up', 'm/s²').default(0),
  drawbarN: key.real('Pull at the hitch, backwards and parallel to the ground', 'N').default(0),
  hitchHeightM: key.nonNegative('Height of the hitch', 'm').default(0),
  hitchVerticalN: key.real('Load on the hitch, down and square to the ground', 'N').default(0),
  hitchBehindRearAxleM: key.real('Hitch behind the rear axle', 'm').default(0),
});

const output = z.strictObject({
  frontN: key.real('Load on the front axle', 'N'),
  rearN: key.real('Load on the rear axle', 'N'),
  frontShare: key.real('Front load over both'),
  lifts: z
    .enum(['none', 'front', 'rear'])
    .meta({ description: 'The axle that leaves the ground (load of 0 or less)', unit: '' }),
});

export const axleLoads = defineCalculator({
  name: 'axle-loads',
  topic: 'ground',
  asks: 'How much weight is on each axle?',
  title: 'Weight on each axle',
  purpose: 'How grade, speeding up and a hitch move the weight between two axles.',
  input,
  output,
  formula: 'Wf = (m g cosθ·c − m g sinθ·h − m a h − D hd − V bh)/L;  Wr = m g cosθ + V − Wf',
  symbols: {
    given: {
      m: 'massKg',
      L: 'wheelbaseM',
      c: 'cgAheadOfRearAxleM',
      h: 'cgHeightM',
      θ: 'gradeDeg',
      a: 'accelerationMps2',
      D: 'drawbarN',
      hd: 'hitchHeightM',
      V: 'hitchVerticalN',
      bh: 'hitchBehindRearAxleM',
    },
    found: { Wf: 'frontN', Wr: 'rearN' },
  },
  source: 'T. D. Gillespie, Fundamentals of Vehicle Dynamics, ch. 1',
  limits:
    'Two axles on a rigid frame, standing or steadily speeding up; a load that swings, suspension and uneven ground are left out.',
  examples: [
    {
      origin: 'level and at rest the lever law holds: a load at a quarter of the wheelbase (statics)',
      input: { massKg: 100, wheelbaseM: 1, cgAheadOfRearAxleM: 0.25, cgHeightM: 0.5 },
      output: { frontN: 245.16625, rearN: 735.49875, frontShare: 0.25, lifts: 'none' },
    },
  ],
  run: (i) => {
    const slopeRad = degreesToRadians(i.gradeDeg);
    const weightN = i.massKg * STANDARD_GRAVITY;
    const acrossN = weightN * Math.cos(slopeRad) + i.hitchVerticalN;
    const frontN =
      (weightN * Math.cos(slopeRad) * i.cgAheadOfRearAxleM -
        weightN * Math.sin(slopeRad) * i.cgHeightM -
        i.massKg * i.accelerationMps2 * i.cgHeightM -
        i.drawbarN * i.hitchHeightM -
        i.hitchVerticalN * i.hitchBehindRearAxleM) /
      i.wheelbaseM;
    const rearN = acrossN - frontN;
    return { frontN, rearN, frontShare: frontN / acrossN, lifts: liftedAxle(frontN, rearN) };
  },
});

const liftedAxle = (frontN: number, rearN: number): 'none' | 'front' | 'rear' =>
  frontN <= 0 ? 'front' : rearN <= 0 ? 'rear' : 'none';

import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

/** Heap in front of a straight blade over its width times its height squared (SAE J1265). */
export const STRAIGHT_BLADE = 0.8;

export const heapPush = defineCalculator({
  name: 'heap-push',
  topic: 'ground',
  asks: 'How hard does a blade push?',
  title: 'Pushing a heap with a blade',
  purpose:
    'What a blade holds in front of it when it is full, and the force that slides that along the ground.',
  input: z.strictObject({
    widthM: key.positive('Width of the blade', 'm'),
    heightM: key.positive('Height of the heap against it', 'm'),
    densityKgM3: key.positive('Density of what is pushed', 'kg/m³'),
    friction: key.nonNegative('Friction of it on the ground, on itself where it leaves a layer'),
    gradeDeg: key.grade().default(0),
    fill: key.positive('Heap over width times height squared').default(STRAIGHT_BLADE),
  }),
  output: z.strictObject({
    volumeM3: key.nonNegative('Heap in front of it', 'm³'),
    massKg: key.nonNegative('Its mass', 'kg'),
    forceN: key.real('Force on the blade', 'N'),
  }),
  formula: 'V = k w h²;  m = ρ V;  F = m g (μ cosθ + sinθ)',
  symbols: {
    given: { k: 'fill', w: 'widthM', h: 'heightM', ρ: 'densityKgM3', μ: 'friction', θ: 'gradeDeg' },
    found: { V: 'volumeM3', m: 'massKg', F: 'forceN' },
  },
  source: 'volume of a straight blade: SAE J1265; friction on an incline: statics',
  limits:
    'A full blade, level side to side, whose edge skims the ground. An edge that cuts into frozen or hard ground, or meets a kerb, asks far more: the vehicle then stops, or its wheels slip.',
  examples: [
    {
      origin:
        'a metre of blade, a heap of 0.2 m at 400 kg/m³ and a friction of a half (by the formula, by hand)',
      input: { widthM: 1, heightM: 0.2, densityKgM3: 400, friction: 0.5 },
      output: { volumeM3: 0.032, massKg: 12.8, forceN: 62.76256 },
    },
  ],
  run: (i) => {
    const slopeRad = degreesToRadians(i.gradeDeg);
    const volumeM3 = i.fill * i.widthM * i.heightM ** 2;
    const massKg = i.densityKgM3 * volumeM3;
    const forceN = massKg * STANDARD_GRAVITY * (i.friction * Math.cos(slopeRad) + Math.sin(slopeRad));
    return { volumeM3, massKg, forceN };
  },
});

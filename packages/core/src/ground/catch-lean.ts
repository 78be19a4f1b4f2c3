import { z } from 'zod';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';
import { balancePlant } from './balance-plant.ts';

const input = z.strictObject({
  massKg: key.positive('Mass that leans', 'kg'),
  heightM: key.positive('Its middle above the axle', 'm'),
  leanDeg: key.grade('Lean that it should catch'),
  wheelDiameterM: key.positive('Diameter of the wheels', 'm'),
  bodyInertiaKgM2: key.nonNegative('Its inertia in pitch about its own middle', 'kg·m²').default(0),
  wheelsMassKg: key.nonNegative('Mass of all wheels', 'kg').default(0),
});

const output = z.strictObject({
  torqueNm: key.real('Torque of all wheels that holds the lean', 'N·m'),
  forceN: key.real('Force along the ground that goes with it', 'N'),
  accelerationMps2: key.real('Speeding up that keeps the lean from growing', 'm/s²'),
  fallTimeS: key
    .positive('Time in which a small lean grows by e, the wheels left free; needs inertia or wheels', 's')
    .optional(),
});

export const catchLean = defineCalculator({
  name: 'catch-lean',
  topic: 'ground',
  asks: 'What does catching a lean take?',
  title: 'Catching a lean',
  purpose: 'The push that a two-wheeled balancer needs to hold a lean, and how fast the lean grows.',
  input,
  output,
  formula:
    'F = m g l sinθ/(r + l cosθ), r = d/2;  T = F d/2;  a = F/m;  t as of a balancer that falls with its wheels free',
  symbols: {
    given: { m: 'massKg', l: 'heightM', θ: 'leanDeg', d: 'wheelDiameterM' },
    found: { F: 'forceN', T: 'torqueNm', a: 'accelerationMps2' },
  },
  source:
    'statics in the accelerating frame: moments of weight and inertia about the contact with the ground',
  limits:
    'The lean held, not righted: give more torque and keep speed in reserve. The wheels are counted with the mass.',
  examples: [
    {
      origin:
        'a 3-4-5 lean, 0.5 m over wheels of 0.2 m: 9.80665 N · 0.3/(0.1 + 0.4) for each kilogram (exact)',
      input: {
        massKg: 1,
        heightM: 0.5,
        leanDeg: 36.86989764584402,
        wheelDiameterM: 0.2,
      },
      output: { forceN: 5.88399, torqueNm: 0.588399, accelerationMps2: 5.88399 },
      tolerance: 1e-9,
    },
  ],
  run: ({ massKg, heightM, leanDeg, wheelDiameterM, bodyInertiaKgM2, wheelsMassKg }) => {
    const leanRad = degreesToRadians(leanDeg);
    const radiusM = wheelDiameterM / 2;
    const forceN =
      (massKg * STANDARD_GRAVITY * heightM * Math.sin(leanRad)) / (radiusM + heightM * Math.cos(leanRad));
    const falls = bodyInertiaKgM2 > 0 || wheelsMassKg > 0;
    return {
      torqueNm: forceN * radiusM,
      forceN,
      accelerationMps2: forceN / massKg,
      ...(falls
        ? {
            fallTimeS: balancePlant.run({
              bodyMassKg: massKg,
              cgHeightM: heightM,
              bodyInertiaKgM2,
              wheelsMassKg,
              wheelsInertiaKgM2: 0,
              rotorsInertiaKgM2: 0,
              wheelRadiusM: radiusM,
            }).fallTimeS,
          }
        : {}),
    };
  },
});

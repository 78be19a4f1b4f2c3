import { z } from 'zod';
import { STANDARD_GRAVITY, defineCalculator, degreesToRadians, key } from '../contract/index.ts';

const input = z.strictObject({
  massKg: key.positive('Mass that leans', 'kg'),
  heightM: key.positive('Its middle above the axle', 'm'),
  leanDeg: key.grade('Lean that it should catch'),
  wheelDiameterM: key.positive('Diameter of the wheels', 'm'),
});

const output = z.strictObject({
  torqueNm: key.real('Torque of all wheels that holds the lean', 'N·m'),
  forceN: key.real('Force along the ground that goes with it', 'N'),
  accelerationMps2: key.real('Speeding up that keeps the lean from growing', 'm/s²'),
  fallTimeS: key.positive('Time in which a lean grows by e, left alone', 's'),
});

export const catchLean = defineCalculator({
  name: 'catch-lean',
  title: 'Catching a lean',
  purpose: 'The torque that a two-wheeled balancer needs to hold a lean, and how fast the lean grows.',
  input,
  output,
  formula: 'T = m g h sinθ;  F = 2 T/d;  a = g tanθ;  t = √(h/g)',
  symbols: {
    given: { m: 'massKg', h: 'heightM', θ: 'leanDeg', d: 'wheelDiameterM' },
    found: { T: 'torqueNm', F: 'forceN', a: 'accelerationMps2', t: 'fallTimeS' },
  },
  source: 'statics and the inverted pendulum (a point mass at h)',
  limits: 'The lean held, not righted: give more torque and keep speed in reserve. Taller falls slower.',
  examples: [
    {
      origin: '1 kg, 9.80665 cm over the axle, leaning 30°: half its weight times its height (exact)',
      input: { massKg: 1, heightM: 0.0980665, leanDeg: 30, wheelDiameterM: 0.1 },
      output: { torqueNm: 0.48085192111125, forceN: 9.617038422225, fallTimeS: 0.1 },
      tolerance: 1e-9,
    },
  ],
  run: ({ massKg, heightM, leanDeg, wheelDiameterM }) => {
    const leanRad = degreesToRadians(leanDeg);
    const torqueNm = massKg * STANDARD_GRAVITY * heightM * Math.sin(leanRad);
    return {
      torqueNm,
      forceN: (2 * torqueNm) / wheelDiameterM,
      accelerationMps2: STANDARD_GRAVITY * Math.tan(leanRad),
      fallTimeS: Math.sqrt(heightM / STANDARD_GRAVITY),
    };
  },
});

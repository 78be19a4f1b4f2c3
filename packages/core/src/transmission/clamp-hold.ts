import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  screws: key.count('Screws that draw the clamp together'),
  screwForceN: key.positive('Force of a screw, tightened', 'N'),
  friction: key.positive('Friction between hub and shaft'),
  shaftDiameterMm: key.positive('Diameter of the shaft', 'mm'),
  torqueNm: key.positive('Torque', 'N·m'),
});

const output = z.strictObject({
  holdsNm: key.positive('Torque at which the clamp slips', 'N·m'),
  factor: key.positive('Held over asked'),
});

export const clampHold = defineCalculator({
  name: 'clamp-hold',
  topic: 'strength',
  asks: 'Does the clamp hold?',
  title: 'A clamped hub',
  purpose: 'Torque that a split hub, drawn together by screws, holds by friction.',
  input,
  output,
  formula: 'T = n F μ d;  factor = T/T0',
  symbols: {
    given: { n: 'screws', F: 'screwForceN', μ: 'friction', d: 'shaftDiameterMm', T0: 'torqueNm' },
    found: { T: 'holdsNm', factor: 'factor' },
  },
  source:
    'statics: two stiff halves that touch the shaft along a line each (Roloff/Matek, ch. 12, from memory)',
  limits:
    'A bore of the shaft’s own size, dry and free of oil. Pressed evenly all round it would hold π/2 as much; a loose bore holds less.',
  examples: [
    {
      origin: 'two halves pressed with 10 kN on 20 mm at 0.15: 2 · 10 kN · 0.15 · 10 mm (exact)',
      input: { screws: 2, screwForceN: 5000, friction: 0.15, shaftDiameterMm: 20, torqueNm: 10 },
      output: { holdsNm: 30, factor: 3 },
    },
  ],
  run: ({ screws, screwForceN, friction, shaftDiameterMm, torqueNm }) => {
    const holdsNm = (screws * screwForceN * friction * shaftDiameterMm) / 1000;
    return { holdsNm, factor: holdsNm / torqueNm };
  },
});

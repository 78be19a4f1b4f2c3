import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';
import { degreesToRadians } from '../quantity/index.ts';

const input = z.strictObject({
  slopeDeg: key.nonNegative('Slope of the frame where it is mounted', 'deg'),
  shaftMm: key.positive('Shaft diameter', 'mm'),
  freeMm: key.positive('Shaft between gearbox and next bearing', 'mm'),
  torqueNm: key.nonNegative('Torque on the shaft', 'N·m'),
  armMm: key.positive('Arm of a floating gearbox, from the shaft to where it is held', 'mm'),
  modulusGPa: key.positive('Modulus of the shaft: steel 205', 'GPa').default(205),
});

const output = z.strictObject({
  bindingN: key.nonNegative('Rigid: force across the bearing', 'N'),
  bindingNm: key.nonNegative('Rigid: bending moment in the shaft', 'N·m'),
  bindingMPa: key.nonNegative('Rigid: bending stress, there and back every turn', 'MPa'),
  armN: key.nonNegative('Floating: force at the end of its arm', 'N'),
});

export const gearboxMount = defineCalculator({
  name: 'gearbox-mount',
  topic: 'strength',
  asks: 'Bolt the gearbox on, or let it float?',
  title: 'A gearbox on a frame that bends',
  purpose:
    'What a bent frame does to a shaft whose gearbox is bolted on, beside what the arm of a floating one takes.',
  input,
  output,
  formula: 'F = 3 E I θ/l²;  M = F l;  σ = 32 M/(π d³);  I = π d⁴/64;  floating: Fa = T/a',
  symbols: {
    given: { θ: 'slopeDeg', d: 'shaftMm', l: 'freeMm', T: 'torqueNm', a: 'armMm', E: 'modulusGPa' },
    found: { F: 'bindingN', M: 'bindingNm', σ: 'bindingMPa', Fa: 'armN' },
  },
  source: 'a cantilever whose end is moved aside by θ l (any text of strength of materials)',
  limits:
    'The gearbox holds its shaft stiffly and the next bearing only aside; play in bearings takes up some of it. A floating gearbox hangs its weight on the shaft, and its arm must be free to slide.',
  examples: [
    {
      origin: 'θ = 0.01, I = π 10⁴/64 mm⁴, l = 100 mm: F = 3 · 200 000 · 490.87 · 0.01/10 000 (closed form)',
      input: {
        slopeDeg: 0.5729577951308232,
        shaftMm: 10,
        freeMm: 100,
        torqueNm: 5,
        armMm: 50,
        modulusGPa: 200,
      },
      output: { bindingN: 294.5243, bindingNm: 29.45243, bindingMPa: 300, armN: 100 },
      tolerance: 1e-6,
    },
  ],
  run: ({ slopeDeg, shaftMm, freeMm, torqueNm, armMm, modulusGPa }) => {
    const inertia = (Math.PI * (shaftMm / 1000) ** 4) / 64;
    const free = freeMm / 1000;
    const bindingN = (3 * modulusGPa * 1e9 * inertia * degreesToRadians(slopeDeg)) / free ** 2;
    const bindingNm = bindingN * free;
    return {
      bindingN,
      bindingNm,
      bindingMPa: (32 * bindingNm) / (Math.PI * (shaftMm / 1000) ** 3) / 1e6,
      armN: (torqueNm / armMm) * 1000,
    };
  },
});

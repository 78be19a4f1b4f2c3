import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  shaftDiameterMm: key.positive('Diameter of the shaft', 'mm'),
  keyWidthMm: key.positive('Width of the key', 'mm'),
  keyHeightMm: key.positive('Height of the key', 'mm'),
  keyLengthMm: key.positive('Length of the key', 'mm'),
  torqueNm: key.positive('Torque', 'N·m'),
  allowableShearMPa: key.positive('Allowable shear stress', 'MPa'),
  allowableBearingMPa: key.positive('Allowable bearing stress', 'MPa'),
});

const output = z.strictObject({
  forceN: key.positive('Force at the surface of the shaft', 'N'),
  shearMPa: key.positive('Shear stress in the key', 'MPa'),
  bearingMPa: key.positive('Bearing stress on its side', 'MPa'),
  factor: key.positive('The lesser of allowable over stress'),
});

export const keyShear = defineCalculator({
  name: 'key-shear',
  topic: 'strength',
  asks: 'Does the key stand it?',
  title: 'A key in a shaft',
  purpose: 'Shear and bearing of a parallel key.',
  input,
  output,
  formula: 'F = 2 T/d;  τ = F/(w L);  σ = 2 F/(h L)',
  symbols: {
    given: { d: 'shaftDiameterMm', w: 'keyWidthMm', h: 'keyHeightMm', L: 'keyLengthMm', T: 'torqueNm' },
    found: { F: 'forceN', τ: 'shearMPa', σ: 'bearingMPa' },
  },
  source: "Budynas & Nisbett, Shigley's Mechanical Engineering Design, ch. 7",
  limits: 'A key that fits on its whole length; shock and a loose fit take the margin quickly.',
  examples: [
    {
      origin: 'Shigley, key example, n = 2.80 (from memory)',
      input: {
        shaftDiameterMm: 36.5125,
        keyWidthMm: 9.525,
        keyHeightMm: 9.525,
        keyLengthMm: 34.036,
        torqueNm: 474.53628,
        allowableShearMPa: 258.55339,
        allowableBearingMPa: 448.15921,
      },
      output: { forceN: 25993.09, shearMPa: 80.17784, bearingMPa: 160.35568, factor: 2.7948 },
      tolerance: 3e-3,
    },
  ],
  run: (i) => {
    const forceN = (2000 * i.torqueNm) / i.shaftDiameterMm;
    const shearMPa = forceN / (i.keyWidthMm * i.keyLengthMm);
    const bearingMPa = (2 * forceN) / (i.keyHeightMm * i.keyLengthMm);
    return {
      forceN,
      shearMPa,
      bearingMPa,
      factor: Math.min(i.allowableShearMPa / shearMPa, i.allowableBearingMPa / bearingMPa),
    };
  },
});

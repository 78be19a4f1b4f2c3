import { z } from 'zod';
import { radiansToDegrees } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  diameterMm: key.positive('Diameter of the shaft', 'mm'),
  torqueNm: key.positive('Torque', 'N·m'),
  allowableShearMPa: key.positive('Allowable shear stress', 'MPa').optional(),
  lengthMm: key.positive('Length that twists', 'mm').optional(),
  shearModulusGPa: key.positive('Shear modulus; steel unless given', 'GPa').default(79.3),
});

const output = z.strictObject({
  shearMPa: key.positive('Shear stress at the surface', 'MPa'),
  twistDeg: key.positive('Twist over the length', 'deg').optional(),
  factor: key.positive('Allowable over stress').optional(),
});

export const shaftTorsion = defineCalculator({
  name: 'shaft-torsion',
  topic: 'strength',
  asks: 'Does the shaft stand it?',
  title: 'A round shaft in torsion',
  purpose: 'Stress and twist of a solid shaft.',
  input,
  output,
  formula: 'τ = 16 T/(π d³);  θ = 32 T L/(π G d⁴)',
  symbols: {
    given: { d: 'diameterMm', T: 'torqueNm', L: 'lengthMm', G: 'shearModulusGPa' },
    found: { τ: 'shearMPa', θ: 'twistDeg' },
  },
  source: 'mechanics of materials',
  limits:
    'A round, solid shaft in pure torsion. Bending, keyways and set-screw flats weaken it by a third and more.',
  examples: [
    {
      origin: 'T = πd³τ/16 at 100 MPa (exact)',
      input: {
        diameterMm: 20,
        torqueNm: 157.0796327,
        lengthMm: 800,
        shearModulusGPa: 80,
        allowableShearMPa: 250,
      },
      output: { shearMPa: 100, twistDeg: 5.729578, factor: 2.5 },
      tolerance: 1e-8,
    },
  ],
  run: ({ diameterMm, torqueNm, allowableShearMPa, lengthMm, shearModulusGPa }) => {
    const shearMPa = (16_000 * torqueNm) / (Math.PI * diameterMm ** 3);
    const polarM4 = (Math.PI * (diameterMm / 1000) ** 4) / 32;
    return {
      shearMPa,
      ...(lengthMm === undefined
        ? {}
        : { twistDeg: radiansToDegrees((torqueNm * lengthMm) / 1000 / (shearModulusGPa * 1e9 * polarM4)) }),
      ...(allowableShearMPa === undefined ? {} : { factor: allowableShearMPa / shearMPa }),
    };
  },
});

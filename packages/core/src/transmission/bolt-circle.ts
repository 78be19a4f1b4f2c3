import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  bolts: key.count('Bolts'),
  circleDiameterMm: key.positive('Diameter of the bolt circle', 'mm'),
  boltDiameterMm: key.positive('Diameter of a bolt', 'mm'),
  torqueNm: key.positive('Torque', 'N·m'),
  allowableShearMPa: key.positive('Allowable shear stress', 'MPa'),
  standoffMm: key.nonNegative('Free length between the plates', 'mm').optional(),
});

const output = z.strictObject({
  boltForceN: key.positive('Force on a bolt', 'N'),
  shearMPa: key.positive('Shear stress in a bolt', 'MPa'),
  bendingMPa: key.nonNegative('Bending stress in a bolt', 'MPa').optional(),
  factor: key.positive('Allowable over the stresses together'),
});

export const boltCircle = defineCalculator({
  name: 'bolt-circle',
  topic: 'strength',
  asks: 'Do the bolts stand it?',
  title: 'A bolt circle',
  purpose: 'Stress in the bolts that carry a torque, on standoffs or not.',
  input,
  output,
  formula: 'F = 2 T/(n D);  τ = F/(π d²/4);  σ = 32 F s/(π d³);  factor = τa/√(τ² + σ²/3)',
  symbols: {
    given: {
      n: 'bolts',
      D: 'circleDiameterMm',
      d: 'boltDiameterMm',
      T: 'torqueNm',
      τa: 'allowableShearMPa',
      s: 'standoffMm',
    },
    found: { F: 'boltForceN', τ: 'shearMPa', σ: 'bendingMPa', factor: 'factor' },
  },
  source: 'mechanics of materials; standoffs as cantilevers, the safe side',
  limits: 'Bolts share evenly, and nothing is held by the friction of the clamped faces (safe side).',
  examples: [
    {
      origin: 'a bolt of 25π mm² (exact)',
      input: {
        bolts: 4,
        circleDiameterMm: 100,
        boltDiameterMm: 10,
        torqueNm: 1570.7963268,
        standoffMm: 5,
        allowableShearMPa: 250,
      },
      output: { boltForceN: 7853.981634, shearMPa: 100, bendingMPa: 400, factor: 0.9933993 },
      tolerance: 1e-7,
    },
  ],
  run: ({ bolts, circleDiameterMm, boltDiameterMm, torqueNm, allowableShearMPa, standoffMm }) => {
    const boltForceN = (2000 * torqueNm) / (bolts * circleDiameterMm);
    const shearMPa = boltForceN / ((Math.PI * boltDiameterMm ** 2) / 4);
    const bendingMPa = (32 * boltForceN * (standoffMm ?? 0)) / (Math.PI * boltDiameterMm ** 3);
    return {
      boltForceN,
      shearMPa,
      ...(standoffMm === undefined ? {} : { bendingMPa }),
      factor: allowableShearMPa / Math.sqrt(shearMPa ** 2 + bendingMPa ** 2 / 3),
    };
  },
});

import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  shaftDiameterMm: key.positive('Diameter of the shaft', 'mm'),
  hubDiameterMm: key.positive('Outer diameter of the hub', 'mm'),
  lengthMm: key.positive('Length of the seat', 'mm'),
  interferenceMm: key.positive('By how much the shaft is thicker than the bore', 'mm'),
  friction: key.positive('Friction between hub and shaft'),
  modulusGPa: key.positive('Young’s modulus of both; steel unless given', 'GPa').default(207),
  torqueNm: key.positive('Torque', 'N·m'),
});

const output = z.strictObject({
  pressureMPa: key.positive('Pressure on the seat', 'MPa'),
  hubStressMPa: key.positive('Greatest tension in the hub', 'MPa'),
  holdsNm: key.positive('Torque at which it slips', 'N·m'),
  factor: key.positive('Held over asked'),
});

export const pressFit = defineCalculator({
  name: 'press-fit',
  topic: 'strength',
  asks: 'Does the press fit hold?',
  title: 'A hub pressed on',
  purpose: 'Torque that a press fit holds, and what the hub then bears.',
  input,
  output,
  formula: 'p = E δ (1 − d²/D²)/(2 d);  σ = p (D² + d²)/(D² − d²);  T = (π/2) μ p L d²;  factor = T/T0',
  symbols: {
    given: {
      d: 'shaftDiameterMm',
      D: 'hubDiameterMm',
      L: 'lengthMm',
      δ: 'interferenceMm',
      μ: 'friction',
      E: 'modulusGPa',
      T0: 'torqueNm',
    },
    found: { p: 'pressureMPa', σ: 'hubStressMPa', T: 'holdsNm', factor: 'factor' },
  },
  source: "Budynas & Nisbett, Shigley's Mechanical Engineering Design, eq. 7-39 to 7-49 (from memory); Lamé",
  limits:
    'A solid shaft and a hub of one material, within its elastic limit. Roughness takes some of the interference; a plastic hub creeps.',
  examples: [
    {
      origin:
        'a hub twice as thick as the shaft, a thousandth of interference: 75 MPa, 5/3 of it in the hub (exact)',
      input: {
        shaftDiameterMm: 20,
        hubDiameterMm: 40,
        lengthMm: 20,
        interferenceMm: 0.02,
        friction: 0.15,
        modulusGPa: 200,
        torqueNm: 45 * Math.PI,
      },
      output: { pressureMPa: 75, hubStressMPa: 125, holdsNm: 45 * Math.PI, factor: 1 },
    },
  ],
  run: ({
    shaftDiameterMm: d,
    hubDiameterMm: D,
    lengthMm,
    interferenceMm,
    friction,
    modulusGPa,
    torqueNm,
  }) => {
    if (D <= d)
      throw new NotPhysical('hub-too-thin', 'The hub must be thicker than the shaft that it sits on.');
    const pressureMPa = ((modulusGPa * 1000 * interferenceMm) / (2 * d)) * (1 - (d / D) ** 2);
    const holdsNm = ((Math.PI / 2) * friction * pressureMPa * lengthMm * d ** 2) / 1000;
    return {
      pressureMPa,
      hubStressMPa: (pressureMPa * (D ** 2 + d ** 2)) / (D ** 2 - d ** 2),
      holdsNm,
      factor: holdsNm / torqueNm,
    };
  },
});

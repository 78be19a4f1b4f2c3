import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  rimDiameterMm: key.positive('Diameter of the seat on the rim', 'mm'),
  seatWidthMm: key.positive('Width of the seat, both beads together', 'mm'),
  pressureKPa: key.nonNegative('Pressure of the tyre on its seat: its air, or its stretch', 'kPa'),
  friction: key.positive('Friction between tyre and rim'),
  bondMPa: key.nonNegative('Shear that glue may carry', 'MPa').default(0),
  torqueNm: key.positive('Torque', 'N·m'),
});

const output = z.strictObject({
  areaMm2: key.positive('Area of the seat', 'mm²'),
  holdsNm: key.nonNegative('Torque at which the tyre turns on the rim', 'N·m'),
  factor: key.nonNegative('Held over asked'),
});

export const tyreHold = defineCalculator({
  name: 'tyre-hold',
  topic: 'strength',
  asks: 'Does the tyre turn on its rim?',
  title: 'A tyre on its rim',
  purpose: 'Torque at which a tyre creeps round on its rim, by friction and glue.',
  input,
  output,
  formula: 'A = π d w;  T = (μ p + τ) A d/2;  factor = T/T0',
  symbols: {
    given: {
      d: 'rimDiameterMm',
      w: 'seatWidthMm',
      p: 'pressureKPa',
      μ: 'friction',
      τ: 'bondMPa',
      T0: 'torqueNm',
    },
    found: { A: 'areaMm2', T: 'holdsNm', factor: 'factor' },
  },
  source: 'statics: friction and shear of glue on the seat of the tyre',
  limits:
    'Pressed evenly all round, beads dry. A soft tyre at low pressure creeps and tears its valve; a wet or soapy rim holds little.',
  examples: [
    {
      origin:
        'a seat of 100/π mm across and 20 mm wide, 2000 mm²: 100 kPa at 0.5 hold 100 N on 50/π mm (exact)',
      input: {
        rimDiameterMm: 100 / Math.PI,
        seatWidthMm: 20,
        pressureKPa: 100,
        friction: 0.5,
        torqueNm: 5 / Math.PI,
      },
      output: { areaMm2: 2000, holdsNm: 5 / Math.PI, factor: 1 },
    },
  ],
  run: ({ rimDiameterMm, seatWidthMm, pressureKPa, friction, bondMPa, torqueNm }) => {
    const areaMm2 = Math.PI * rimDiameterMm * seatWidthMm;
    const holdsNm = ((friction * (pressureKPa / 1000) + bondMPa) * areaMm2 * rimDiameterMm) / 2000;
    return { areaMm2, holdsNm, factor: holdsNm / torqueNm };
  },
});

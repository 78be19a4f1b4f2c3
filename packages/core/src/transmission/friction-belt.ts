import { z } from 'zod';
import { degreesToRadians, radiansToDegrees, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z
  .strictObject({
    smallDiameterMm: key.positive('Diameter of the small pulley', 'mm'),
    largeDiameterMm: key.positive('Diameter of the large pulley', 'mm'),
    centreMm: key.positive('Distance between the shafts', 'mm'),
    grooveAngleDeg: z
      .number()
      .positive()
      .max(180)
      .meta({ description: 'Angle of the groove; 180 is flat', unit: 'deg' })
      .default(180),
    friction: key.positive('Friction between belt and pulley'),
    massKgPerM: key.nonNegative('Mass of the belt by length', 'kg/m').default(0),
    smallRpm: key.nonNegative('Speed of the small pulley', 'rpm'),
    torqueNm: key.positive('Torque at the small pulley', 'N·m'),
    installedTensionN: key.positive('Tension of each strand, standing still', 'N'),
    idlerExtraWrapDeg: key.nonNegative('Wrap that an idler adds', 'deg').default(0),
  })
  .refine((i) => i.smallDiameterMm <= i.largeDiameterMm, {
    message: 'smallDiameterMm must not be more than largeDiameterMm',
    path: ['smallDiameterMm'],
  });

const output = z.strictObject({
  wrapDeg: key.positive('Wrap on the small pulley', 'deg'),
  tensionRatio: key.positive('Tight strand over slack strand at slip'),
  centrifugalN: key.nonNegative('Tension that speed takes up', 'N'),
  pullN: key.positive('Pull that the torque asks', 'N'),
  transmissiblePullN: key.nonNegative('Pull before it slips', 'N'),
  slipMargin: key.nonNegative('Transmissible over asked'),
  installedTensionNeededN: key.positive('Tension that would just do', 'N'),
  slips: z.boolean().meta({ description: 'Whether it slips', unit: '' }),
});

export const frictionBelt = defineCalculator({
  name: 'friction-belt',
  topic: 'lengths',
  asks: 'Does the V-belt slip?',
  title: 'V or flat belt',
  purpose: 'Whether a belt that holds by friction slips, and the tension it needs.',
  input,
  output,
  formula:
    'θ = π − 2 asin((D − d)/(2 C)) + extra;  q = e^(μ′ θ), μ′ = μ/sin(α/2) in a groove;  Fc = m v²;  F = 2 (Ti − Fc) (q − 1)/(q + 1);  pull = 2 T/d',
  symbols: {
    given: {
      d: 'smallDiameterMm',
      D: 'largeDiameterMm',
      C: 'centreMm',
      α: 'grooveAngleDeg',
      μ: 'friction',
      m: 'massKgPerM',
      T: 'torqueNm',
      Ti: 'installedTensionN',
      extra: 'idlerExtraWrapDeg',
    },
    found: { θ: 'wrapDeg', q: 'tensionRatio', Fc: 'centrifugalN', F: 'transmissiblePullN', pull: 'pullN' },
  },
  source: "Shigley's Mechanical Engineering Design, ch. 17 (Euler–Eytelwein); fixed centres",
  limits:
    'Both shafts fixed and the belt just before slip; a belt that stretches, gets wet or oily holds less.',
  examples: [
    {
      origin: 'Euler–Eytelwein, e^0.3π (exact)',
      input: {
        smallDiameterMm: 100,
        largeDiameterMm: 100,
        centreMm: 500,
        friction: 0.3,
        smallRpm: 0,
        torqueNm: 5,
        installedTensionN: 200,
      },
      output: { wrapDeg: 180, tensionRatio: 2.5663324, transmissiblePullN: 175.67991, slips: false },
      tolerance: 1e-7,
    },
  ],
  run: (i) => {
    const touch = (i.smallDiameterMm + i.largeDiameterMm) / 2;
    if (i.centreMm <= touch)
      throw new NotPhysical(
        'pulleys-overlap',
        sentence`At ${figure(i.centreMm / 1000, 'length')} the pulleys overlap: the shafts must be more than ${figure(touch / 1000, 'length')} apart.`,
      );
    const lean = Math.asin((i.largeDiameterMm - i.smallDiameterMm) / (2 * i.centreMm));
    const wrapDeg = 180 - 2 * radiansToDegrees(lean) + i.idlerExtraWrapDeg;
    const exponent =
      (i.friction / Math.sin(degreesToRadians(i.grooveAngleDeg) / 2)) * degreesToRadians(wrapDeg);
    // (e − 1)/(e + 1), without overflow.
    const grip = Math.tanh(exponent / 2);
    const beltMps = (Math.PI * i.smallDiameterMm * i.smallRpm) / 60_000;
    const centrifugalN = i.massKgPerM * beltMps ** 2;
    const pullN = (2000 * i.torqueNm) / i.smallDiameterMm;
    const transmissiblePullN = Math.max(0, 2 * (i.installedTensionN - centrifugalN) * grip);
    return {
      wrapDeg,
      tensionRatio: Math.exp(exponent),
      centrifugalN,
      pullN,
      transmissiblePullN,
      slipMargin: transmissiblePullN / pullN,
      installedTensionNeededN: pullN / (2 * grip) + centrifugalN,
      slips: pullN > transmissiblePullN,
    };
  },
});

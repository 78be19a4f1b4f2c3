import { celsius, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { COPPER_PER_K, REFERENCE_C } from '../motor/index.ts';

const input = z
  .strictObject({
    awg: z.int().meta({ description: 'American wire gauge; 0 is 1/0, −3 is 4/0', unit: '' }).optional(),
    areaMm2: key.positive('Area of the copper', 'mm²').optional(),
    lengthM: key.positive('Length, one way', 'm'),
    currentA: key.nonNegative('Current', 'A'),
    temperatureC: key.real('Temperature of the copper', '°C').default(REFERENCE_C),
  })
  .refine((i) => (i.awg === undefined) !== (i.areaMm2 === undefined), {
    message: 'give exactly one of awg, areaMm2',
    path: ['awg'],
  });

const output = z.strictObject({
  diameterMm: key.positive('Diameter of a solid wire of that area', 'mm'),
  areaMm2: key.positive('Area of the copper', 'mm²'),
  resistanceOhm: key.positive('Resistance, out and back', 'Ω'),
  dropV: key.nonNegative('Voltage lost', 'V'),
  lossW: key.nonNegative('Power lost', 'W'),
  ampacityA: key.positive('Current it carries all day, single in free air', 'A').optional(),
});

/** Resistivity of annealed copper at 20 °C, Ω·m (IEC 60028). */
const RESISTIVITY = 1.7241e-8;

/** Single conductors in free air, A by gauge, thinnest first (common practice, no source). */
const AMPACITY: readonly (readonly [number, number])[] = [
  [22, 7],
  [20, 11],
  [18, 16],
  [16, 22],
  [14, 32],
  [12, 41],
  [10, 55],
  [8, 73],
  [6, 101],
  [4, 135],
  [2, 181],
  [0, 245],
];

/** ASTM B258. */
const gaugeDiameterMm = (awg: number): number => 0.127 * 92 ** ((36 - awg) / 39);
const areaOf = (diameterMm: number): number => (Math.PI * diameterMm ** 2) / 4;

/** Between two gauges along a straight line of logarithms; undefined outside the table. */
function ampacity(areaMm2: number, awg: number | undefined): number | undefined {
  const listed = AMPACITY.find(([gauge]) => gauge === awg);
  if (listed) return listed[1];
  for (let n = 1; n < AMPACITY.length; n++) {
    const [thin, thick] = [AMPACITY[n - 1], AMPACITY[n]];
    if (!thin || !thick) continue;
    const [a0, a1] = [areaOf(gaugeDiameterMm(thin[0])), areaOf(gaugeDiameterMm(thick[0]))];
    if (areaMm2 < a0 || areaMm2 > a1) continue;
    return thin[1] * (thick[1] / thin[1]) ** (Math.log(areaMm2 / a0) / Math.log(a1 / a0));
  }
  return undefined;
}

export const wire = defineCalculator({
  name: 'wire',
  topic: 'supply',
  asks: 'How thick a wire?',
  title: 'A copper wire',
  purpose: 'Resistance, drop and current of a pair of copper wires.',
  input,
  output,
  formula: 'd = 0.127·92^((36 − n)/39) mm;  R = 2 L ρ (1 + α (T − 20))/A;  drop = I R;  loss = R I²',
  symbols: {
    given: { n: 'awg', L: 'lengthM', I: 'currentA', T: 'temperatureC' },
    found: { d: 'diameterMm', A: 'areaMm2', R: 'resistanceOhm', drop: 'dropV', loss: 'lossW' },
  },
  source: 'ASTM B258; IEC 60028; ampacity: common practice',
  limits: 'Copper of one temperature; contacts, crimps and switches add to it, often as much again.',
  examples: [
    {
      origin: 'ASTM B258: AWG 10 is 2.588 mm, 3.277 Ω/km (from memory)',
      input: { awg: 10, lengthM: 500, currentA: 0 },
      output: { diameterMm: 2.58819, areaMm2: 5.26116, resistanceOhm: 3.277 },
      tolerance: 2e-5,
    },
  ],
  run: ({ awg, areaMm2: givenMm2, lengthM, currentA, temperatureC }) => {
    const areaMm2 = givenMm2 ?? areaOf(gaugeDiameterMm(awg ?? 0));
    const warmth = 1 + COPPER_PER_K * (temperatureC - REFERENCE_C);
    if (warmth <= 0)
      throw new NotPhysical(
        'too-cold',
        sentence`The copper law does not reach down to ${celsius(temperatureC)}: give a temperature above ${celsius(REFERENCE_C - 1 / COPPER_PER_K)}.`,
      );
    const resistanceOhm = (2 * lengthM * RESISTIVITY * warmth) / (areaMm2 * 1e-6);
    const ampacityA = ampacity(areaMm2, awg);
    return {
      diameterMm: awg === undefined ? Math.sqrt((4 * areaMm2) / Math.PI) : gaugeDiameterMm(awg),
      areaMm2,
      resistanceOhm,
      dropV: currentA * resistanceOhm,
      lossW: currentA ** 2 * resistanceOhm,
      ...(ampacityA === undefined ? {} : { ampacityA }),
    };
  },
});

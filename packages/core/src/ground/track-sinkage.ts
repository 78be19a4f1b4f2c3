import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';
import { MUST_RESIST, resists, soilKeys } from './soil-keys.ts';

const input = z
  .strictObject({
    loadN: key.positive('Load on one track', 'N'),
    contactLengthM: key.positive('Length of track on the ground', 'm'),
    widthM: key.positive('Width of the track', 'm'),
    ...soilKeys,
  })
  .refine((i) => resists(i, i.widthM), MUST_RESIST);

const output = z.strictObject({
  pressurePa: key.positive('Pressure on the ground', 'Pa'),
  sinkageM: key.nonNegative('How deep it sinks', 'm'),
  compactionN: key.nonNegative('Drag of pressing the soil down, one track', 'N'),
});

export const trackSinkage = defineCalculator({
  name: 'track-sinkage',
  topic: 'ground',
  asks: 'How deep does a track sink?',
  title: 'A track in soft ground',
  purpose: 'How deep a track sinks, and the drag of it.',
  input,
  output,
  formula: 'p = W/(l b);  z = (p/(kc/b + kφ))^(1/n);  Rc = b (kc/b + kφ) z^(n + 1)/(n + 1)',
  symbols: {
    given: { W: 'loadN', l: 'contactLengthM', b: 'widthM', kc: 'kcKnPerM', kφ: 'kphiKnPerM', n: 'exponent' },
    found: { p: 'pressurePa', z: 'sinkageM', Rc: 'compactionN' },
  },
  source: 'M. G. Bekker; J. Y. Wong, Theory of Ground Vehicles, ch. 2 (pressure–sinkage, track)',
  limits:
    'Pressure even along the track. Under few and small track wheels it is peaked, and the track sinks deeper.',
  examples: [
    {
      origin: 'exact at n = 1: 600 N on 0.6 m by 0.1 m is 10 kPa, on 200 kN/m³ it sinks 50 mm',
      input: { loadN: 600, contactLengthM: 0.6, widthM: 0.1, kcKnPerM: 0, kphiKnPerM: 200, exponent: 1 },
      output: { pressurePa: 10_000, sinkageM: 0.05, compactionN: 25 },
    },
  ],
  run: ({ loadN, contactLengthM, widthM, kcKnPerM, kphiKnPerM, exponent: n }) => {
    const pressurePa = loadN / (contactLengthM * widthM);
    const stiffness = 1000 * (kcKnPerM / widthM + kphiKnPerM);
    const sinkageM = (pressurePa / stiffness) ** (1 / n);
    return { pressurePa, sinkageM, compactionN: (widthM * stiffness * sinkageM ** (n + 1)) / (n + 1) };
  },
});

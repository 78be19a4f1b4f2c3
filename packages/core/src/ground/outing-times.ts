import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

export const routeTime = defineCalculator({
  name: 'route-time',
  title: 'Time for a route',
  purpose: 'How long a leg that is driven several times takes.',
  input: z.strictObject({
    lengthM: key.nonNegative('Length of the leg', 'm'),
    times: key.count('How many times it is driven', 0),
    speedMps: key.positive('Speed', 'm/s'),
  }),
  output: z.strictObject({
    distanceM: key.nonNegative('Distance in all', 'm'),
    durationS: key.nonNegative('Time in all', 's'),
  }),
  formula: 'd = l n;  t = d/v',
  symbols: {
    given: { l: 'lengthM', n: 'times', v: 'speedMps' },
    found: { d: 'distanceM', t: 'durationS' },
  },
  source: 'kinematics',
  limits: 'Driven through at one speed: starts, turns and waiting come on top.',
  examples: [
    {
      origin: '30 m, eight times, at 0.8 m/s (exact)',
      input: { lengthM: 30, times: 8, speedMps: 0.8 },
      output: { durationS: 300 },
    },
  ],
  run: ({ lengthM, times, speedMps }) => ({
    distanceM: lengthM * times,
    durationS: (lengthM * times) / speedMps,
  }),
});

export const areaTime = defineCalculator({
  name: 'area-time',
  title: 'Time for an area',
  purpose: 'How far and how long it takes to cover a patch in strips.',
  input: z.strictObject({
    areaM2: key.nonNegative('Area to cover', 'm²'),
    widthM: key.positive('Working width', 'm'),
    overlap: z
      .number()
      .min(0)
      .lt(1)
      .default(0)
      .meta({ description: 'Share of each strip that overlaps the last', unit: '' }),
    speedMps: key.positive('Speed', 'm/s'),
  }),
  output: z.strictObject({
    distanceM: key.nonNegative('Distance in all', 'm'),
    durationS: key.nonNegative('Time in all', 's'),
  }),
  formula: 'd = A/(b (1 − o));  t = d/v',
  symbols: {
    given: { A: 'areaM2', b: 'widthM', o: 'overlap', v: 'speedMps' },
    found: { d: 'distanceM', t: 'durationS' },
  },
  source: 'geometry',
  limits: 'Strips alone: the turns at their ends come on top.',
  examples: [
    {
      origin: '90 m² in strips of half a metre, a tenth overlapping, at 0.5 m/s (exact)',
      input: { areaM2: 90, widthM: 0.5, overlap: 0.1, speedMps: 0.5 },
      output: { distanceM: 200, durationS: 400 },
    },
  ],
  run: ({ areaM2, widthM, overlap, speedMps }) => {
    const distanceM = areaM2 / (widthM * (1 - overlap));
    return { distanceM, durationS: distanceM / speedMps };
  },
});

import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

export const routeTime = defineCalculator({
  name: 'route-time',
  topic: 'supply',
  asks: 'How long does a route take?',
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

export const speedUp = defineCalculator({
  name: 'speed-up',
  topic: 'supply',
  asks: 'How hard must it speed up?',
  title: 'Getting up to speed',
  purpose: 'How hard it must speed up to be at its speed within a distance or a time.',
  input: z
    .strictObject({
      speedMps: key.nonNegative('Speed to be reached from rest', 'm/s'),
      distanceM: key.positive('Distance it has for that', 'm').optional(),
      timeS: key.positive('Time it has for that', 's').optional(),
    })
    .refine((i) => (i.distanceM === undefined) !== (i.timeS === undefined), {
      message: 'give either distanceM or timeS',
      path: ['distanceM'],
    }),
  output: z.strictObject({ accelerationMps2: key.nonNegative('Speeding up', 'm/s²') }),
  formula: 'a = v²/(2 d) within a distance, v/t within a time',
  symbols: { given: { v: 'speedMps', d: 'distanceM', t: 'timeS' }, found: { a: 'accelerationMps2' } },
  source: 'kinematics',
  limits: 'Evenly speeding up: a motor gives most at first, so its peak is higher and its end slower.',
  examples: [
    {
      origin: '2 m/s within 4 m (exact)',
      input: { speedMps: 2, distanceM: 4 },
      output: { accelerationMps2: 0.5 },
    },
    {
      origin: '2 m/s within 4 s (exact)',
      input: { speedMps: 2, timeS: 4 },
      output: { accelerationMps2: 0.5 },
    },
  ],
  run: ({ speedMps, distanceM, timeS = 1 }) => ({
    accelerationMps2: distanceM === undefined ? speedMps / timeS : speedMps ** 2 / (2 * distanceM),
  }),
});

export const areaTime = defineCalculator({
  name: 'area-time',
  topic: 'supply',
  asks: 'How long does a patch take?',
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

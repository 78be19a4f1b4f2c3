import { z } from 'zod';
import { degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const travelInput = z.strictObject({
  wheelDiameterM: key.positive('Diameter of the wheel under load', 'm'),
  distanceM: key.nonNegative('Distance to travel', 'm'),
  countsPerWheelTurn: key.count('Encoder counts for one turn of the wheel'),
});

export const travelCounts = defineCalculator({
  name: 'travel-counts',
  topic: 'distance',
  asks: 'How many counts is a distance?',
  title: 'Counts for a distance',
  purpose: 'Turns, degrees and encoder counts that a distance takes.',
  input: travelInput,
  output: z.strictObject({
    turns: key.nonNegative('Turns of the wheel'),
    degrees: key.nonNegative('Degrees of the wheel', 'deg'),
    counts: key.count('Counts, to the nearest', 0),
    metresPerCount: key.positive('Distance of one count', 'm'),
  }),
  formula: 'turns = D/(π d);  counts = round(turns·N)',
  symbols: {
    given: { d: 'wheelDiameterM', D: 'distanceM', N: 'countsPerWheelTurn' },
    found: { turns: 'turns', counts: 'counts' },
  },
  source: 'geometry',
  limits: 'A wheel that neither slips nor changes its diameter under load.',
  examples: [
    {
      origin: 'a wheel 1 m round over 2.5 m is two turns and a half: 2.5 · 360 counts (arithmetic)',
      input: { wheelDiameterM: 1 / Math.PI, distanceM: 2.5, countsPerWheelTurn: 360 },
      output: { turns: 2.5, degrees: 900, counts: 900, metresPerCount: 1 / 360 },
    },
  ],
  run: ({ wheelDiameterM, distanceM, countsPerWheelTurn }) => {
    const aroundM = Math.PI * wheelDiameterM;
    const turns = distanceM / aroundM;
    return {
      turns,
      degrees: 360 * turns,
      counts: Math.floor(turns * countsPerWheelTurn + 0.5),
      metresPerCount: aroundM / countsPerWheelTurn,
    };
  },
});

export const encoderCounts = defineCalculator({
  name: 'encoder-counts',
  topic: 'distance',
  asks: 'What does the encoder see?',
  title: 'What an encoder sees',
  purpose: 'Counts a wheel turn, distance a count, and whether the reader keeps up.',
  input: z.strictObject({
    linesPerTurn: key.count('Lines of the encoder'),
    edges: z
      .union([z.literal(1), z.literal(2), z.literal(4)])
      .default(4)
      .meta({ description: 'Edges counted for a line', unit: '' }),
    encoderTurnsPerWheelTurn: key.positive('Gear ratio after the encoder’s shaft'),
    wheelDiameterM: key.positive('Diameter of the wheel under load', 'm'),
    topSpeedMps: key.nonNegative('Top speed', 'm/s').optional(),
    readerLimitHz: key.positive('Counts that the reader can take', 'Hz').optional(),
  }),
  output: z.strictObject({
    countsPerWheelTurn: key.positive('Counts for one turn of the wheel'),
    metresPerCount: key.positive('Distance of one count', 'm'),
    countsPerSecond: key.nonNegative('Counts at top speed', '1/s').optional(),
    headroom: key.positive('Limit of the reader over that').optional(),
  }),
  formula: 'N = lines·edges·i;  step = π d/N;  rate = v/step',
  symbols: {
    given: {
      lines: 'linesPerTurn',
      edges: 'edges',
      i: 'encoderTurnsPerWheelTurn',
      d: 'wheelDiameterM',
      v: 'topSpeedMps',
    },
    found: { N: 'countsPerWheelTurn', step: 'metresPerCount', rate: 'countsPerSecond' },
  },
  source: 'geometry',
  limits: 'No counts lost: a long or noisy cable loses some.',
  examples: [
    {
      origin: 'a wheel of 1 m round (exact)',
      input: {
        linesPerTurn: 2048,
        encoderTurnsPerWheelTurn: 1,
        wheelDiameterM: 0.3183098862,
        topSpeedMps: 2,
        readerLimitHz: 32768,
      },
      output: {
        countsPerWheelTurn: 8192,
        metresPerCount: 1.220703125e-4,
        countsPerSecond: 16384,
        headroom: 2,
      },
      tolerance: 1e-9,
    },
  ],
  run: (i) => {
    const countsPerWheelTurn = i.linesPerTurn * i.edges * i.encoderTurnsPerWheelTurn;
    const metresPerCount = (Math.PI * i.wheelDiameterM) / countsPerWheelTurn;
    const countsPerSecond = i.topSpeedMps === undefined ? undefined : i.topSpeedMps / metresPerCount;
    return {
      countsPerWheelTurn,
      metresPerCount,
      ...(countsPerSecond === undefined ? {} : { countsPerSecond }),
      ...(countsPerSecond && i.readerLimitHz !== undefined
        ? { headroom: i.readerLimitHz / countsPerSecond }
        : {}),
    };
  },
});

export const effectiveDiameter = defineCalculator({
  name: 'effective-diameter',
  topic: 'distance',
  asks: 'How large is the wheel really?',
  title: 'The diameter a wheel really has',
  purpose: 'Corrects a wheel’s diameter from a measured run.',
  input: z.strictObject({
    nominalDiameterM: key.positive('Diameter that was taken', 'm'),
    commandedM: key.positive('Distance ordered', 'm'),
    actualM: key.positive('Distance measured', 'm'),
  }),
  output: z.strictObject({
    diameterM: key.positive('Diameter that explains the run', 'm'),
    correction: key.positive('Measured over ordered'),
  }),
  formula: 'd = d0·actual/commanded',
  symbols: {
    given: { d0: 'nominalDiameterM', actual: 'actualM', commanded: 'commandedM' },
    found: { d: 'diameterM' },
  },
  source: 'geometry',
  limits: 'On the floor and with the load of use: both change it.',
  examples: [
    {
      origin: 'a twentieth short is a wheel a twentieth smaller (exact)',
      input: { nominalDiameterM: 0.1, commandedM: 2, actualM: 1.9 },
      output: { diameterM: 0.095, correction: 0.95 },
    },
  ],
  run: ({ nominalDiameterM, commandedM, actualM }) => {
    const correction = actualM / commandedM;
    return { diameterM: nominalDiameterM * correction, correction };
  },
});

export const veer = defineCalculator({
  name: 'veer',
  topic: 'distance',
  asks: 'How far does it drift?',
  title: 'How far it drifts',
  purpose: 'Heading and side drift where one wheel runs ahead of the other.',
  input: z.strictObject({
    wheelDiameterM: key.positive('Diameter of the wheels', 'm'),
    trackM: key.positive('Between the wheels', 'm'),
    distanceM: key.nonNegative('Distance along the path', 'm'),
    differenceDeg: key.real('Left wheel ahead of right over the run', 'deg'),
  }),
  output: z.strictObject({
    headingDeg: key.real('Change of heading, to the right positive', 'deg'),
    sideM: key.real('Drift to the side, to the right positive', 'm'),
  }),
  formula: 'θ = π d (Δ/360°)/w;  side = 2 D sin²(θ/2)/θ',
  symbols: {
    given: { d: 'wheelDiameterM', w: 'trackM', D: 'distanceM', Δ: 'differenceDeg' },
    found: { θ: 'headingDeg', side: 'sideM' },
  },
  source: 'geometry of an arc',
  limits: 'Even drift without slip, on a level floor.',
  examples: [
    {
      origin: 'a quarter circle (exact)',
      input: { wheelDiameterM: 0.1, trackM: 0.2, distanceM: Math.PI / 2, differenceDeg: 360 },
      output: { headingDeg: 90, sideM: 1 },
    },
  ],
  run: ({ wheelDiameterM, trackM, distanceM, differenceDeg }) => {
    const theta = (degreesToRadians(differenceDeg) * wheelDiameterM) / 2 / trackM;
    return {
      headingDeg: radiansToDegrees(theta),
      sideM: theta === 0 ? 0 : (distanceM * 2 * Math.sin(theta / 2) ** 2) / theta,
    };
  },
});

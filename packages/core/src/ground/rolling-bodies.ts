import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { radiansToDegrees } from '../quantity/index.ts';

export const unequalWheels = defineCalculator({
  name: 'unequal-wheels',
  topic: 'distance',
  asks: 'How far does it curve with unlike wheels?',
  title: 'Two driven wheels that are not alike',
  purpose: 'Speed, radius, heading and sideways way of two wheels rolling without slip.',
  input: z.strictObject({
    trackM: key.positive('Track', 'm'),
    leftDiameterM: key.positive('Diameter of the left wheel', 'm'),
    rightDiameterM: key.positive('Diameter of the right wheel', 'm'),
    leftRpm: key.real('Speed of the left wheel, backwards negative', 'rpm'),
    rightRpm: key.real('Speed of the right wheel, backwards negative', 'rpm'),
    distanceM: key.positive('Way run, along the middle', 'm'),
  }),
  output: z.strictObject({
    speedMps: key.real('Speed of the middle', 'm/s'),
    turnRadiusM: z
      .number()
      .nullable()
      .meta({ description: 'Radius, positive to the right; null where it runs straight', unit: 'm' }),
    headingDeg: key.real('Turn of its heading, positive to the right', 'deg'),
    sideM: key.real('Way to the side, positive to the right', 'm'),
  }),
  formula:
    'v = π (dl nl + dr nr)/120;  R = w v/(vl − vr);  heading = D (vl − vr)/(w |v|);  side = R (1 − cos(heading))',
  symbols: { given: {}, found: {} },
  source: 'two wheels rolling without slip (kinematics of a differential drive)',
  limits: 'No slip and no castor that steers; tyres under load are smaller than they measure.',
  examples: [
    {
      origin:
        'one wheel standing: it turns about that wheel, half a track from the middle (kinematics, exact)',
      input: {
        trackM: 0.4,
        leftDiameterM: 0.1,
        rightDiameterM: 0.1,
        leftRpm: 60,
        rightRpm: 0,
        distanceM: 0.1 * Math.PI,
      },
      output: { speedMps: 0.05 * Math.PI, turnRadiusM: 0.2, headingDeg: 90, sideM: 0.2 },
    },
  ],
  run: ({ trackM, leftDiameterM, rightDiameterM, leftRpm, rightRpm, distanceM }) => {
    const left = (Math.PI * leftDiameterM * leftRpm) / 60;
    const right = (Math.PI * rightDiameterM * rightRpm) / 60;
    const speedMps = (left + right) / 2;
    if (speedMps === 0)
      throw new NotPhysical(
        'goes-nowhere',
        'Its middle stands still: it turns on the spot, and no way of the middle says how far.',
      );
    if (left === right) return { speedMps, turnRadiusM: null, headingDeg: 0, sideM: 0 };
    const turnRadiusM = (trackM * speedMps) / (left - right);
    const heading = (distanceM * (left - right)) / (trackM * Math.abs(speedMps));
    return {
      speedMps,
      turnRadiusM,
      headingDeg: radiansToDegrees(heading),
      // 1 − cos x as 2 sin²(x/2): a slight turn is not lost in rounding.
      sideM: turnRadiusM * 2 * Math.sin(heading / 2) ** 2,
    };
  },
});

export const rollingFacing = defineCalculator({
  name: 'rolling-facing',
  topic: 'distance',
  asks: 'Which way does it face when it stops?',
  title: 'A wheel or shell with a face, rolled',
  purpose: 'How far past its face a rolled wheel stops, and the nearest place where it faces right.',
  input: z.strictObject({
    diameterM: key.positive('Diameter', 'm'),
    distanceM: key.real('Way rolled, back negative', 'm'),
  }),
  output: z.strictObject({
    turns: key.real('Turns made'),
    pastFaceDeg: key.nonNegative('Past its face, under a whole turn', 'deg'),
    nearestFaceM: key.real('Way to the nearest place where it faces right, on positive', 'm'),
  }),
  formula: 'n = D/(π d)',
  symbols: { given: { D: 'distanceM', d: 'diameterM' }, found: { n: 'turns' } },
  source: 'a circle rolling without slip',
  limits: 'Rolled straight, without slip, on its loaded diameter.',
  examples: [
    {
      origin: 'a turn and a quarter: 90° past, a quarter turn back (geometry)',
      input: { diameterM: 0.4, distanceM: 0.5 * Math.PI },
      output: { turns: 1.25, pastFaceDeg: 90, nearestFaceM: -0.1 * Math.PI },
    },
  ],
  run: ({ diameterM, distanceM }) => {
    const round = Math.PI * diameterM;
    const turns = distanceM / round;
    const part = turns - Math.floor(turns);
    // A hair under a whole turn may round up to it.
    const past = part < 1 ? part : 0;
    return {
      turns,
      pastFaceDeg: 360 * past,
      nearestFaceM: past < 0.5 ? 0 - past * round : (1 - past) * round,
    };
  },
});

export const rollerSpeed = defineCalculator({
  name: 'roller-speed',
  topic: 'distance',
  asks: 'How fast does it roll, and how long?',
  title: 'Speed of a driven wheel or roller',
  purpose: 'Speed from motor and wheel, and the time for a way.',
  input: z.strictObject({
    rpm: key.nonNegative('Speed of the motor', 'rpm'),
    ratio: key.positive('Turns of the motor for one of the wheel').default(1),
    wheelDiameterM: key.positive('Diameter of the wheel', 'm'),
    distanceM: key.nonNegative('Way', 'm').optional(),
  }),
  output: z.strictObject({
    speedMps: key.nonNegative('Speed', 'm/s'),
    mmPerS: key.nonNegative('The same', 'mm/s'),
    timeS: key.nonNegative('Time for the way', 's').optional(),
  }),
  formula: 'v = d ω/(2 i);  t = L/v',
  symbols: {
    given: { d: 'wheelDiameterM', ω: 'rpm', i: 'ratio', L: 'distanceM' },
    found: { v: 'speedMps', t: 'timeS' },
  },
  source: 'a wheel rolling without slip',
  limits: 'The motor’s speed under its load, and the wheel’s diameter under its own.',
  examples: [
    {
      origin: '60 rpm on a wheel of 1/π m are 1 m/s (exact)',
      input: { rpm: 600, ratio: 10, wheelDiameterM: 1 / Math.PI, distanceM: 3 },
      output: { speedMps: 1, mmPerS: 1000, timeS: 3 },
    },
  ],
  run: ({ rpm, ratio, wheelDiameterM, distanceM }) => {
    const speedMps = (Math.PI * wheelDiameterM * rpm) / (60 * ratio);
    return {
      speedMps,
      mmPerS: 1000 * speedMps,
      ...(distanceM === undefined || speedMps === 0 ? {} : { timeS: distanceM / speedMps }),
    };
  },
});

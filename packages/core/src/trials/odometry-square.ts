import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { meanOf } from './statistics.ts';

const ends = (description: string) =>
  z
    .array(
      z.strictObject({
        x: key.real('True position less odometry, along the first leg', 'm'),
        y: key.real('True position less odometry, across it', 'm'),
      }),
    )
    .min(1)
    .meta({ description, unit: '' });

const input = z.strictObject({
  sideM: key.positive('Side of the square', 'm'),
  trackM: key.positive('Track that the odometry takes', 'm'),
  clockwise: ends('Where clockwise runs ended'),
  counterClockwise: ends('Where the others ended'),
});

const output = z.strictObject({
  diameterRatio: key.positive('Right wheel over left'),
  trackRatio: key.positive('True track over the one taken'),
  correctedTrackM: key.positive('The true track', 'm'),
});

export const odometrySquare = defineCalculator({
  name: 'odometry-square',
  topic: 'distance',
  asks: 'What do square runs say of wheels and track?',
  title: 'The square path test',
  purpose: 'Wheel and track corrections from runs round a square both ways.',
  input,
  output,
  formula:
    'α = (x̄cw + x̄ccw)/(−4L);  β = (x̄cw − x̄ccw)/(−4L);  R = (L/2)/sin(β/2);  Ed = (R + b/2)/(R − b/2);  Eb = (π/2)/(π/2 − α)',
  symbols: { given: { L: 'sideM', b: 'trackM' }, found: { Ed: 'diameterRatio', Eb: 'trackRatio' } },
  source: 'Borenstein & Feng, IEEE Trans. Robotics and Automation 12(6), 1996 (from memory)',
  limits: 'Small errors, end positions measured by hand to a few millimetres, wheels that do not slip.',
  examples: [
    {
      origin: 'both ways 0.1 m short: only the track is off (Borenstein & Feng, from memory)',
      input: {
        sideM: 4,
        trackM: 0.34,
        clockwise: [{ x: -0.1, y: 0 }],
        counterClockwise: [{ x: -0.1, y: 0 }],
      },
      output: { diameterRatio: 1, trackRatio: 1.0080216, correctedTrackM: 0.3427273 },
      tolerance: 2e-7,
    },
  ],
  run: ({ sideM, trackM, clockwise, counterClockwise }) => {
    const cw = meanOf(clockwise.map((end) => end.x));
    const ccw = meanOf(counterClockwise.map((end) => end.x));
    const alpha = (cw + ccw) / (-4 * sideM);
    const beta = (cw - ccw) / (-4 * sideM);
    // b/2R without dividing by a straight line's infinite radius.
    const bend = (trackM * Math.sin(beta / 2)) / sideM;
    if (Math.abs(bend) >= 1 || alpha >= Math.PI / 2)
      throw new NotPhysical(
        'not-a-square',
        'Errors so large are not those of a square: measure the ends from the start of the run and keep them small.',
      );
    const trackRatio = Math.PI / 2 / (Math.PI / 2 - alpha);
    return { diameterRatio: (1 + bend) / (1 - bend), trackRatio, correctedTrackM: trackM * trackRatio };
  },
});

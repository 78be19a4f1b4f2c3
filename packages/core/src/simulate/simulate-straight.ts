import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';
import { radiansToDegrees } from '../quantity/index.ts';
import { runStraight, turnsOf } from './run-straight.ts';

const wheel = (which: string) =>
  z
    .strictObject({
      diameterM: key.positive(`Diameter of the ${which} wheel`, 'm'),
      ratio: key.positive(`Turns of the ${which} motor for one of its wheel`),
      efficiency: key.share(`Share of the ${which} motor’s power that comes through`),
      resistanceOhm: key.positive(`Resistance of the ${which} motor`, 'Ω'),
      ktNmPerA: key.positive(`Torque constant of the ${which} motor`, 'N·m/A'),
      noLoadA: key.nonNegative(`No-load current of the ${which} motor`, 'A'),
    })
    .meta({ description: `The ${which} side`, unit: '' });

const LEAST_LOOP_S = 1e-4;
const LONGEST_S = 600;

const input = z.strictObject({
  massKg: key.positive('Mass', 'kg'),
  yawInertiaKgM2: key.positive('Inertia about its upright axis', 'kg·m²'),
  trackM: key.positive('Track', 'm'),
  rollingCoefficient: key.nonNegative('Rolling resistance over load'),
  yawDragNm: key.nonNegative('Moment against any turning: castors, sliders', 'N·m').default(0),
  voltageV: key.positive('Voltage at full command', 'V'),
  command: key.share('Share of full command'),
  left: wheel('left'),
  right: wheel('right'),
  distanceM: key.positive('Distance at which it ends', 'm'),
  longestS: z.number().positive().max(LONGEST_S).default(60).meta({ description: 'Longest time', unit: 's' }),
  sync: z
    .strictObject({
      kp: key.real('Command for a turn that one wheel is ahead'),
      ki: key.real('Command for a turn ahead through a second'),
      loopTimeS: z.number().min(LEAST_LOOP_S).meta({ description: 'Time of the loop', unit: 's' }),
    })
    .optional()
    .meta({ description: 'A loop that holds both wheels to the same turns', unit: '' }),
});

const output = z.strictObject({
  timeS: key.positive('Time', 's'),
  sideM: key.real('Way to the side, positive to the right', 'm'),
  headingDeg: key.real('Heading, positive to the right', 'deg'),
  leftTurns: key.real('Turns of the left wheel'),
  rightTurns: key.real('Turns of the right wheel'),
  endMps: key.nonNegative('Speed at the end', 'm/s'),
  arrives: z.boolean().meta({ description: 'Whether it came to its distance in that time', unit: '' }),
});

const ALIKE = {
  diameterM: 0.1,
  ratio: 10,
  efficiency: 1,
  resistanceOhm: 1,
  ktNmPerA: 0.05,
  noLoadA: 0,
} as const;

export const simulateStraight = defineCalculator({
  name: 'simulate-straight',
  topic: 'motor',
  asks: 'How far does it veer with unlike motors?',
  title: 'A straight run of two driven wheels',
  purpose:
    'Where a vehicle of two driven wheels ends after a distance, with unlike wheels and motors, held together or not.',
  input,
  output,
  formula:
    'F = kt (I − I0) i η/r a side, I = (u V − kt i v/r)/R;  m v̇ = Fl + Fr − m g f;  J ω̇ = (Fl − Fr) w/2 − yaw drag',
  symbols: { given: {}, found: {} },
  source: 'permanent-magnet motor theory; rigid body in the plane, solved in closed form between events',
  limits: 'No slip, no play, no soft tyre: it flatters. Level ground, and a battery that does not sag.',
  examples: [
    {
      origin:
        'alike on both sides it runs straight, and settles at u V r/(kt i): 1.2 m/s after a long run (motor theory)',
      input: {
        massKg: 1,
        yawInertiaKgM2: 0.01,
        trackM: 0.2,
        rollingCoefficient: 0,
        voltageV: 12,
        command: 1,
        left: ALIKE,
        right: ALIKE,
        distanceM: 20,
      },
      output: { sideM: 0, headingDeg: 0, endMps: 1.2, arrives: true },
      tolerance: 1e-6,
    },
  ],
  run: (given) => {
    const { timeS, sideM, going, arrives } = runStraight(given);
    const [leftTurns, rightTurns] = turnsOf(given, going);
    return {
      timeS,
      sideM,
      headingDeg: radiansToDegrees(going.h),
      leftTurns,
      rightTurns,
      endMps: going.v,
      arrives,
    };
  },
});

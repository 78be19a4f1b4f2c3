import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';

/** An angle of a slope that is lifted until something slips. */
const slope = (description: string) => z.number().gt(0).lt(90).meta({ description, unit: 'deg' });

export const inclineSlip = defineCalculator({
  name: 'incline-slip',
  topic: 'trials',
  asks: 'What grip has it, by lifting a board?',
  title: 'Grip by a board that is lifted',
  purpose: 'Friction of held wheels from the angle at which the vehicle slips.',
  input: z.strictObject({
    slipDeg: slope('Angle at which it slips'),
    heldShare: key.share('Share of the weight on the wheels that are held, at that angle'),
  }),
  output: z.strictObject({ friction: key.positive('Friction of the held wheels') }),
  formula: 'μ = tan(φ)/s',
  symbols: { given: { φ: 'slipDeg', s: 'heldShare' }, found: { μ: 'friction' } },
  source: 'statics of a body on a slope',
  limits:
    'Lifted slowly, wheels held fast, the surface it will run on; dust and water change it more than the tyre does.',
  examples: [
    {
      origin: '45° with all wheels held is a friction of 1 (statics, exact)',
      input: { slipDeg: 45, heldShare: 1 },
      output: { friction: 1 },
    },
  ],
  run: ({ slipDeg, heldShare }) => ({ friction: Math.tan(degreesToRadians(slipDeg)) / heldShare }),
});

export const pullTest = defineCalculator({
  name: 'pull-test',
  topic: 'trials',
  asks: 'What grip has it, by a spring scale?',
  title: 'Pull at a spring scale',
  purpose: 'Thrust and friction from the pull that a vehicle makes against a scale.',
  input: z.strictObject({
    pullN: key.nonNegative('Pull at the scale', 'N'),
    massKg: key.positive('Mass of the vehicle', 'kg'),
    drivenShare: key.share('Share of the weight on the driven wheels'),
    gradeDeg: key.grade().default(0),
    rollingCoefficient: key.nonNegative('Rolling resistance over load').default(0),
    wheelsSpun: z.boolean().meta({ description: 'Whether the wheels spun', unit: '' }),
  }),
  output: z.strictObject({
    thrustN: key.positive('Push of the wheels against the ground', 'N'),
    friction: key.positive('Friction of the driven wheels'),
    tractiveRatio: key.nonNegative('Pull over weight'),
    atLeast: z
      .boolean()
      .meta({ description: 'Whether the friction is at least this: no wheel spun', unit: '' }),
  }),
  formula: 'T = F + m g sin(θ) + f m g cos(θ);  μ = T/(s m g cos(θ));  k = F/(m g)',
  symbols: {
    given: {
      F: 'pullN',
      m: 'massKg',
      s: 'drivenShare',
      θ: 'gradeDeg',
      f: 'rollingCoefficient',
    },
    found: { T: 'thrustN', μ: 'friction', k: 'tractiveRatio' },
  },
  source: 'statics of a vehicle held by a scale',
  limits:
    'The scale at hitch height and level with the ground; a high pull unloads the front wheels, which is not counted.',
  examples: [
    {
      origin:
        'half of the weight pulled with half of it on the driven wheels is a friction of 1 (statics, exact)',
      input: { pullN: 5 * STANDARD_GRAVITY, massKg: 10, drivenShare: 0.5, wheelsSpun: true },
      output: { friction: 1, tractiveRatio: 0.5, atLeast: false },
    },
  ],
  run: ({ pullN, massKg, drivenShare, gradeDeg, rollingCoefficient, wheelsSpun }) => {
    const weightN = massKg * STANDARD_GRAVITY;
    const grade = degreesToRadians(gradeDeg);
    const pressN = weightN * Math.cos(grade);
    const thrustN = pullN + weightN * Math.sin(grade) + rollingCoefficient * pressN;
    if (!(thrustN > 0))
      throw new NotPhysical(
        'no-thrust',
        'The slope pulls it along by itself: no push of the wheels is left to tell their grip by. Pull uphill, or on the level.',
      );
    return {
      thrustN,
      friction: thrustN / (drivenShare * pressN),
      tractiveRatio: pullN / weightN,
      atLeast: !wheelsSpun,
    };
  },
});

export const pivotCalibration = defineCalculator({
  name: 'pivot-calibration',
  topic: 'distance',
  asks: 'How wide does it turn, really?',
  title: 'Track by turning on the spot',
  purpose: 'The track that a turn on the spot is worked out with, from a turn that was measured.',
  input: z.strictObject({
    trackM: key.positive('Track that the program has', 'm'),
    commandedDeg: key.positive('Turn that was commanded', 'deg'),
    measuredDeg: key.positive('Turn that it made', 'deg'),
  }),
  output: z.strictObject({
    effectiveTrackM: key.positive('Track to work with', 'm'),
    correction: key.positive('What a commanded turn is multiplied by'),
  }),
  formula: 'w = w0 c/m;  k = c/m',
  symbols: {
    given: { w0: 'trackM', c: 'commandedDeg', m: 'measuredDeg' },
    found: { w: 'effectiveTrackM', k: 'correction' },
  },
  source: 'two wheels rolling about the middle between them',
  limits: 'Ten turns and more, so that a few degrees count little; each floor has its own, for wheels scrub.',
  examples: [
    {
      origin: 'commanded 3600°, made 3000°: a fifth more track (arithmetic)',
      input: { trackM: 0.2, commandedDeg: 3600, measuredDeg: 3000 },
      output: { effectiveTrackM: 0.24, correction: 1.2 },
    },
  ],
  run: ({ trackM, commandedDeg, measuredDeg }) => ({
    effectiveTrackM: (trackM * commandedDeg) / measuredDeg,
    correction: commandedDeg / measuredDeg,
  }),
});

export const scoreRate = defineCalculator({
  name: 'score-rate',
  topic: 'trials',
  asks: 'How much does it carry in a minute?',
  title: 'Payload to and fro',
  purpose: 'Time of a trip, and what is carried in a minute.',
  input: z.strictObject({
    payloadKg: key.positive('Payload of a trip', 'kg'),
    distanceM: key.positive('Distance, one way', 'm'),
    speedMps: key.positive('Speed loaded', 'm/s'),
    loadingS: key.nonNegative('Time for loading and unloading', 's').default(0),
    returns: z.boolean().default(true).meta({ description: 'Whether it comes back empty', unit: '' }),
    emptySpeedMps: key.positive('Speed empty; left away: the same', 'm/s').optional(),
  }),
  output: z.strictObject({
    tripS: key.positive('Time of a trip', 's'),
    kgPerMinute: key.positive('Carried in a minute', 'kg/min'),
    kgMetresPerSecond: key.positive('Payload times distance over time', 'kg·m/s'),
  }),
  formula: 't = tl + L/v + L/ve;  r = 60 m/t;  q = m L/t',
  symbols: {
    given: { tl: 'loadingS', L: 'distanceM', v: 'speedMps', ve: 'emptySpeedMps', m: 'payloadKg' },
    found: { t: 'tripS', r: 'kgPerMinute', q: 'kgMetresPerSecond' },
  },
  source: 'a trip there and back',
  limits: 'Even speeds; starting, stopping and turning round take their own time: put it to the loading.',
  examples: [
    {
      origin: '10 kg over 20 m at 1 m/s and back at 2 m/s with 30 s of loading: a trip a minute (arithmetic)',
      input: { payloadKg: 10, distanceM: 20, speedMps: 1, loadingS: 30, emptySpeedMps: 2 },
      output: { tripS: 60, kgPerMinute: 10, kgMetresPerSecond: 10 / 3 },
    },
  ],
  run: ({ payloadKg, distanceM, speedMps, loadingS, returns, emptySpeedMps = speedMps }) => {
    const tripS = loadingS + distanceM / speedMps + (returns ? distanceM / emptySpeedMps : 0);
    return {
      tripS,
      kgPerMinute: (60 * payloadKg) / tripS,
      kgMetresPerSecond: (payloadKg * distanceM) / tripS,
    };
  },
});

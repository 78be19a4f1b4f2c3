import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  weightN: key.positive('Weight on the tracks', 'N'),
  contactLengthM: key.positive('Length of track on the ground', 'm'),
  gaugeM: key.positive('Between the tracks, middle to middle', 'm'),
  lateralCoefficientMax: key.positive(
    'Greatest coefficient of turning resistance, at a radius of half the gauge',
  ),
  rollingCoefficient: key.nonNegative('Rolling resistance over weight'),
  turnRadiusM: key.nonNegative('Radius of the turn to the vehicle’s centre; 0 turns on the spot', 'm'),
});

const output = z.strictObject({
  lateralCoefficient: key.positive('Coefficient of turning resistance at this radius'),
  momentNm: key.positive('Moment that resists the turn', 'N·m'),
  outerN: key.real('Thrust of the outer track', 'N'),
  innerN: key.real('Thrust of the inner track, braking negative', 'N'),
});

export const skidTurnTracked = defineCalculator({
  name: 'skid-turn-tracked',
  topic: 'ground',
  asks: 'What does a turn ask of the tracks?',
  title: 'Turning on tracks',
  purpose: 'Thrust of each track in a slow turn on firm ground.',
  input,
  output,
  formula:
    'μt = μmax/(0.925 + 0.15 R/B);  M = μt W L/4;  outer = f W/2 + M/B;  inner = s f W/2 − M/B, s the sign of R − B/2',
  symbols: {
    given: {
      W: 'weightN',
      L: 'contactLengthM',
      B: 'gaugeM',
      μmax: 'lateralCoefficientMax',
      f: 'rollingCoefficient',
      R: 'turnRadiusM',
    },
    found: { μt: 'lateralCoefficient', M: 'momentNm', outer: 'outerN', inner: 'innerN' },
  },
  source:
    'J. Y. Wong, Theory of Ground Vehicles, ch. 6 (skid-steering); the coefficient is a common empirical fit, from memory',
  limits:
    'Slow turns on firm ground with even pressure under the track; soft ground piles up before the track and asks more.',
  examples: [
    {
      origin: 'at a radius of half the gauge the fit is 1 and the inner track stands (from memory)',
      input: {
        weightN: 1000,
        contactLengthM: 1,
        gaugeM: 1,
        lateralCoefficientMax: 0.8,
        rollingCoefficient: 0.1,
        turnRadiusM: 0.5,
      },
      output: { lateralCoefficient: 0.8, momentNm: 200, outerN: 250, innerN: -200 },
    },
  ],
  run: (i) => {
    const lateralCoefficient = i.lateralCoefficientMax / (0.925 + (0.15 * i.turnRadiusM) / i.gaugeM);
    const momentNm = (lateralCoefficient * i.weightN * i.contactLengthM) / 4;
    const rollingN = (i.rollingCoefficient * i.weightN) / 2;
    const turningN = momentNm / i.gaugeM;
    return {
      lateralCoefficient,
      momentNm,
      outerN: rollingN + turningN,
      innerN: Math.sign(i.turnRadiusM - i.gaugeM / 2) * rollingN - turningN,
    };
  },
});

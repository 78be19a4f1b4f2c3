import { z } from 'zod';
import { radiansToDegrees } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { centreInPlan, contactPlaces } from './support-keys.ts';
import { reachTo, reachToEdge, supportArea } from './support.ts';

const input = z.strictObject({
  contacts: contactPlaces(60),
  ...centreInPlan,
  cgHeightM: key.positive('Height of the centre of gravity', 'm'),
});

const output = z.strictObject({
  backDeg: key.nonNegative('Climb at which it tips back', 'deg'),
  forwardDeg: key.nonNegative('Descent at which it tips forward', 'deg'),
  sideDeg: key.nonNegative('Side slope at which it tips, driving level, to its weaker side', 'deg'),
  worstDeg: key.nonNegative('Slope at which it tips at the worst heading', 'deg'),
});

export const tipAngles = defineCalculator({
  name: 'tip-angles',
  topic: 'ground',
  asks: 'When does it tip, and over which edge?',
  title: 'Tipping over any edge',
  purpose:
    'The slopes at which a vehicle on three or more contacts tips back, forward, sideways, and at worst.',
  input,
  output,
  formula: 'tip = atan(e/h), e from under the centre of gravity to the edge between two contacts, that way',
  symbols: { given: { h: 'cgHeightM' }, found: {} },
  source: 'statics',
  limits:
    'A rigid vehicle at rest on firm ground. Soft tyres, bumps, a swinging load or a turn tip it sooner.',
  examples: [
    {
      origin: 'four wheels a metre square, the middle of it half a metre up: 45° each way (exact)',
      input: {
        contacts: [
          { aheadM: 0, leftM: 0.5 },
          { aheadM: 0, leftM: -0.5 },
          { aheadM: 1, leftM: 0.5 },
          { aheadM: 1, leftM: -0.5 },
        ],
        cgAheadOfRearAxleM: 0.5,
        cgHeightM: 0.5,
      },
      output: { backDeg: 45, forwardDeg: 45, sideDeg: 45, worstDeg: 45 },
    },
    {
      origin: 'three wheels on the 3-4-5 triangle tip sooner than four (statics)',
      input: {
        contacts: [
          { aheadM: 0, leftM: 0.75 },
          { aheadM: 0, leftM: -0.75 },
          { aheadM: 1, leftM: 0 },
        ],
        cgAheadOfRearAxleM: 0.5,
        cgHeightM: 0.4,
      },
      output: { sideDeg: 43.15238973, worstDeg: 36.86989764584402 },
      tolerance: 1e-8,
    },
  ],
  run: (i) => {
    const area = supportArea(i.contacts);
    const middle = { aheadM: i.cgAheadOfRearAxleM, leftM: i.cgLeftM };
    if (area.length < 3)
      throw new NotPhysical(
        'in-one-line',
        'All contacts lie in one line: it stands only while it is balanced.',
      );
    const edge = reachToEdge(area, middle);
    if (edge <= 0)
      throw new NotPhysical(
        'falls-over',
        'The centre of gravity lies outside the contacts: move the load towards the middle, or the wheels out.',
      );
    const tip = (reach: number): number => radiansToDegrees(Math.atan(reach / i.cgHeightM));
    const along = (aheadM: number, leftM: number): number => tip(reachTo(area, middle, { aheadM, leftM }));
    return {
      backDeg: along(-1, 0),
      forwardDeg: along(1, 0),
      sideDeg: Math.min(along(0, 1), along(0, -1)),
      worstDeg: tip(edge),
    };
  },
});

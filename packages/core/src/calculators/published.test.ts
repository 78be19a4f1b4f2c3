import { describe, expect, it } from 'vitest';
import { calculate } from './index.ts';
import type { Values } from '../contract/index.ts';

/** Name, input, what is expected, relative tolerance, source. "m": the published value is from memory. */
type Row = readonly [name: string, input: Values, expected: Values, tolerance: number, source: string];

const HP = 745.7;
const chain = (name: string, smallRpm: number, horsepower: number): Row => [
  'chain-drive',
  { chain: name, teethSmall: 17, teethLarge: 34, centreMm: 2000, smallRpm },
  { ratedW: horsepower * HP },
  0.011,
  'Shigley, table 17-20 (m)',
];
const worm = (leadAngleDeg: number, efficiency: number): Row => [
  'worm-pair',
  { starts: 1, wheelTeeth: 30, leadAngleDeg, friction: 0.05, normalPressureAngleDeg: 14.5 },
  { efficiency },
  3e-4,
  'Shigley, table 13-6 (m)',
];
const undercut = (pressureAngleDeg: number, teethDriver: number, teethDriven: number): Row => [
  'gear-pair',
  { moduleMm: 1, teethDriver, teethDriven, pressureAngleDeg },
  { undercutDriver: true, undercutDriven: false },
  0,
  'Shigley, ch. 13: 18 and 32 teeth run with a rack',
];
const gauge = (awg: number, diameterMm: number, areaMm2: number, resistanceOhm: number): Row => [
  'wire',
  { awg, lengthM: 500, currentA: 1 },
  { diameterMm, areaMm2, resistanceOhm },
  5e-5,
  'ASTM B258 (m)',
];

const SLEEP_A = [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0, 2];
const SLEEP_B = [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4];

const ROWS: readonly Row[] = [
  chain('ansi-40', 50, 0.369),
  chain('ansi-40', 100, 0.689),
  chain('ansi-40', 1000, 5.475),
  chain('ansi-41', 50, 0.203),
  chain('ansi-41', 100, 0.379),
  chain('ansi-25', 50, 0.046),
  chain('ansi-35', 50, 0.156),
  chain('ansi-50', 50, 0.719),
  chain('ansi-60', 50, 1.235),
  chain('ansi-80', 50, 2.884),
  worm(1, 0.2524),
  worm(2.5, 0.4571),
  worm(7.5, 0.7134),
  worm(10, 0.7664),
  worm(15, 0.8268),
  [
    'worm-pair',
    { starts: 2, wheelTeeth: 30, axialModuleMm: 25.4 / 6, wormPitchDiameterMm: 50.8, friction: 0.05 },
    { leadAngleDeg: 9.4623, ratio: 15 },
    1e-5,
    'Shigley, ch. 13, worm example: 9.46° (m)',
  ],
  undercut(20, 17, 18),
  undercut(14.5, 31, 32),
  [
    'gear-pair',
    { moduleMm: 1, teethDriver: 100_000, teethDriven: 100_000 },
    { contactRatio: 1.98066 },
    1e-5,
    'rack limit 4/(π sin 2α) = 1.9808',
  ],
  [
    'gear-pair',
    { moduleMm: 1, teethDriver: 20, teethDriven: 20 },
    { contactRatio: 1.5568383 },
    1e-7,
    'ISO 21771 geometry',
  ],
  gauge(10, 2.58819, 5.26116, 3.277),
  gauge(24, 0.510559, 0.20473, 84.21),
  gauge(-3, 11.684, 107.219, 0.1608),
  ['wire', { areaMm2: 1, lengthM: 0.5, currentA: 1 }, { resistanceOhm: 0.017241 }, 1e-9, 'IEC 60028'],
  [
    'compare-trials',
    { a: SLEEP_A, b: SLEEP_B },
    { t: 1.8608135, degreesOfFreedom: 17.7764735, p: 0.0793941, ci95Low: -0.2054832, ci95High: 3.3654832 },
    1e-6,
    'Student 1908, sleep data; Welch (m)',
  ],
  [
    'trial-summary',
    { values: [1, 1, 1, 1, 1, 1, 1, 1, -1, -1] },
    { signTestP: 0.109375 },
    1e-12,
    'binomial tables',
  ],
  [
    'dc-motor-constants',
    { voltageV: 12, noLoadRpm: 6000, noLoadA: 1, stallTorqueNm: 1.9, stallA: 100 },
    { peakEfficiency: 0.81, peakPowerW: 298.4513 },
    1e-6,
    'DC motor theory, exact',
  ],
  [
    'motor-heat',
    {
      currentA: 10,
      resistanceOhm: 0.1,
      thermalResistanceKPerW: 1 / (20 * 0.00393),
      ambientC: 20,
      timeConstantS: 100,
    },
    { steadyC: 274.4529, timeToLimitS: 99.8453 },
    1e-6,
    'exact, checked by its differential equation',
  ],
  [
    'wheel-sinkage',
    { wheelLoadN: 1800, wheelDiameterM: 1, wheelWidthM: 0.5, kcKnPerM: 5, kphiKnPerM: 190, exponent: 1 },
    { sinkageM: 0.09, compactionN: 405, warnings: [] },
    1e-9,
    'exact at n = 1: 5400/(2·100 000) is 0.027, and 0.027^⅔ is 0.09',
  ],
  [
    'side-tip',
    {
      layout: 'single-front',
      trackM: 1.5,
      cgHeightM: 0.4,
      wheelbaseM: 1,
      cgAheadOfRearAxleM: 0.5,
      friction: 1,
      turnRadiusM: 2,
    },
    {
      halfTrackM: 0.375,
      tipLineM: 0.3,
      tipDeg: 43.15239,
      worstTipDeg: 36.869898,
      slideDeg: 45,
      firstSideways: 'tips',
      cornerMps: 4.2880612,
    },
    1e-7,
    '3-4-5, statics',
  ],
  [
    'track-loop',
    { pitchMm: 50, sprocketTeeth: 6, idlerDiameterMm: 100, centreMm: 340 },
    { linksExact: 19.7415927, links: 20, centreForLinksMm: 346.4601837, slotTravelMm: 25 },
    1e-8,
    'geometry',
  ],
  // Facts of the trade: common practice, no source.
  [
    'gear-train',
    { stages: [{ teethDriver: 60, teethDriven: 12 }], inputRpm: 100 },
    { outputRpm: 500 },
    1e-12,
    'common practice, no source',
  ],
  [
    'travel-counts',
    { wheelDiameterM: 0.1016, distanceM: 3.048, countsPerWheelTurn: 1440 },
    { counts: 13751 },
    0,
    'common practice, no source',
  ],
  [
    'travel-counts',
    { wheelDiameterM: 0.09525, distanceM: 3.048, countsPerWheelTurn: 1440 },
    { counts: 14668 },
    0,
    'common practice, no source',
  ],
  [
    'worm-pair',
    { starts: 1, wheelTeeth: 24, leadAngleDeg: 7, friction: 0.1 },
    { ratio: 24, efficiency: 0.53 },
    0.02,
    'about half is lost: common practice, no source',
  ],
];

describe('published values', () => {
  it.each(ROWS)('%s of %j', (name, input, expected, tolerance) => {
    const output = calculate(name, input) as Values;
    for (const [key, value] of Object.entries(expected)) {
      const actual = output[key];
      if (typeof value === 'number' && typeof actual === 'number')
        expect(Math.abs(actual - value), `${key}: ${actual}`).toBeLessThanOrEqual(
          tolerance * Math.abs(value),
        );
      else expect(actual, key).toEqual(value);
    }
  });

  it('veer: 22.5° of wheel turn is about 8 cm over 2 m on a classroom robot (common practice, no source)', () => {
    for (const trackM of [0.13, 0.14]) {
      const { sideM } = calculate('veer', {
        wheelDiameterM: 0.056,
        trackM,
        distanceM: 2,
        differenceDeg: 22.5,
      }) as { sideM: number };
      expect(sideM).toBeGreaterThan(0.07);
      expect(sideM).toBeLessThan(0.09);
    }
  });

  it('a V-belt on a 50 mm pulley at low speed slips where a chain holds (common practice, no source)', () => {
    const torqueNm = 8;
    const belt = calculate('friction-belt', {
      smallDiameterMm: 50,
      largeDiameterMm: 200,
      centreMm: 250,
      grooveAngleDeg: 38,
      friction: 0.3,
      massKgPerM: 0.1,
      smallRpm: 120,
      torqueNm,
      installedTensionN: 120,
    });
    const chainDrive = calculate('chain-drive', {
      chain: 'ansi-35',
      teethSmall: 16,
      teethLarge: 64,
      centreMm: 250,
      torqueNm,
    }) as { tensileFactor: number };
    expect(belt).toMatchObject({ slips: true });
    expect(chainDrive.tensileFactor).toBeGreaterThan(7);
  });
});

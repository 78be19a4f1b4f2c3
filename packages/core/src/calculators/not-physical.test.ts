import { describe, expect, it } from 'vitest';
import { calculate } from './index.ts';
import type { Values } from '../contract/index.ts';

describe('what cannot be', () => {
  const codeOf = (name: string, input: Values): unknown => {
    try {
      return calculate(name, input);
    } catch (error) {
      return (error as { code?: string }).code ?? (error as Error).name;
    }
  };

  it.each<readonly [string, Values, string]>([
    ['obstacle-climb', { wheelRadiusM: 0.1, stepM: 0.1, wheelLoadN: 10, friction: 1 }, 'step-too-high'],
    [
      'side-tip',
      { layout: 'single-front', trackM: 1, cgHeightM: 1, wheelbaseM: 1, cgAheadOfRearAxleM: 1 },
      'falls-over',
    ],
    ['stopping', { speedMps: 1, friction: 0.1, brakedShare: 0.5, gradeDeg: -20 }, 'cannot-stop'],
    ['stopping', { speedMps: 1, friction: 0.1, brakedShare: 0.5, brakeForceN: 3 }, 'ZodError'],
    ['planetary', { sunTeeth: 20, ringTeeth: 20 }, 'ring-too-small'],
    ['track-loop', { pitchMm: 50, sprocketTeeth: 6, idlerDiameterMm: 100, centreMm: 100 }, 'overlap'],
    [
      'gear-bending',
      { moduleMm: 1, teeth: 11, faceWidthMm: 5, torqueNm: 1, rpm: 0, allowableMPa: 50 },
      'too-few-teeth',
    ],
    ['worm-pair', { starts: 1, wheelTeeth: 20, leadAngleDeg: 80, friction: 0.5 }, 'cannot-drive'],
    [
      'worm-pair',
      { starts: 1, wheelTeeth: 20, leadAngleDeg: 8, axialModuleMm: 1, friction: 0.5 },
      'ZodError',
    ],
    ['timing-belt', { pitchMm: 5, teethSmall: 20, teethLarge: 60, centreMm: 60 }, 'pulleys-overlap'],
    ['timing-belt', { pitchMm: 5, teethSmall: 20, teethLarge: 60, beltTeeth: 62 }, 'belt-too-short'],
    ['timing-belt', { pitchMm: 5, teethSmall: 20, teethLarge: 60 }, 'ZodError'],
    [
      'friction-belt',
      {
        smallDiameterMm: 50,
        largeDiameterMm: 100,
        centreMm: 75,
        friction: 0.3,
        smallRpm: 1,
        torqueNm: 1,
        installedTensionN: 1,
      },
      'pulleys-overlap',
    ],
    [
      'dc-motor-fit',
      {
        readings: [
          { voltageV: 6, currentA: 1, speedRpm: 100 },
          { voltageV: 12, currentA: 2, speedRpm: 200 },
        ],
      },
      'degenerate-readings',
    ],
    ['series-motor-point', { constant: 0.01, resistanceOhm: 1, voltageV: 5, torqueNm: 1 }, 'beyond-stall'],
    [
      'motor-heat',
      { currentA: 1, resistanceOhm: 1, thermalResistanceKPerW: 1, timeConstantS: 1, limitC: 20 },
      'limit-below-ambient',
    ],
    ['wire', { awg: 10, areaMm2: 5, lengthM: 1, currentA: 1 }, 'ZodError'],
    ['fuse-choice', { continuousA: 16, wireAmpacityA: 15 }, 'wire-too-thin'],
    ['fuse-choice', { continuousA: 250, wireAmpacityA: 999 }, 'no-fuse-large-enough'],
    ['ackermann', { wheelbaseM: 1, trackM: 1, turnRadiusM: 0.5 }, 'turn-too-tight'],
    ['compare-trials', { a: [1, 1], b: [2, 2] }, 'no-variation'],
    [
      'odometry-square',
      { sideM: 1, trackM: 2, clockwise: [{ x: 9, y: 0 }], counterClockwise: [{ x: -9, y: 0 }] },
      'not-a-square',
    ],
    ['coast-down', { massKg: 1, points: [0, 1, 2, 3, 4].map((tS) => ({ tS, speedMps: 1 })) }, 'not-coasting'],
    [
      'coast-down',
      { massKg: 1, points: [0, 1, 1, 3, 4].map((tS) => ({ tS, speedMps: 9 - tS })) },
      'ZodError',
    ],
    [
      'match-motors',
      {
        motors: [
          { label: 'A', values: [1] },
          { label: 'A', values: [1] },
        ],
      },
      'ZodError',
    ],
  ])('%s of %j is %s', (name, input, code) => {
    expect(codeOf(name, input)).toBe(code);
  });
});
